/** A failure a person can do something about: printed as its sentence, without a stack. */
export class Stop extends Error {}

export const say = (text) => process.stdout.write(`${text}\n`);

/** Runs a script's main function; a Stop ends it with its sentence, anything else is a bug and shows its stack. */
export async function run(main) {
  try {
    await main();
  } catch (error) {
    process.stderr.write(`${error instanceof Stop ? error.message : (error?.stack ?? error)}\n`);
    process.exit(1);
  }
}
