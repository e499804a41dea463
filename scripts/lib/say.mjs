/** A failure a person can do something about: printed as its sentence, without a stack. */
export class Stop extends Error {}

export const say = (text) => process.stdout.write(`${text}\n`);

/** What a failure says: a Stop its sentence, a missing right or a full disk a sentence too, anything else (a bug) its stack. */
export function explain(error) {
  if (error instanceof Stop) return error.message;
  if (error?.code === 'EACCES' || error?.code === 'EPERM') {
    return `This account may not write ${error.path}. Give it the right, or run from a checkout of its own.`;
  }
  if (error?.code === 'ENOSPC') return 'The disk is full. Make room and run it again; every record is kept.';
  return error?.stack ?? String(error);
}

/** Runs a script's main function and ends the process with what its failure says. */
export async function run(main) {
  try {
    await main();
  } catch (error) {
    process.stderr.write(`${explain(error)}\n`);
    process.exit(1);
  }
}
