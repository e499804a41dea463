/**
 * How often a mode told from a curve is right, in 100, and what that rests on: `npm run bench -- curves` over pulls of another
 * physics than the stand-in's, on seeds the bounds were not fitted on. It says so when these no longer hold.
 */
export const HOW_SURE = {
  ways: 18,
  gauges: 20,
  /** At 100 readings a second or more: of curves whose pull tests the crimp, how many are given a mode. */
  given: 63,
  /** Of the modes given, how many were wrong. */
  wrong: 5,
  /** Of all peaks, how many lay within what was told. */
  covered: 97,
} as const;

/** The same in a sentence. */
export function howSureText(): string {
  const { ways, gauges, given, wrong } = HOW_SURE;
  return `Tried on simulated pulls that failed in ${ways} ways on ${gauges} kinds of gauge: a mode was given for ${given} of 100 valid ones, and ${wrong} of 100 given were wrong, most of them terminals that broke. The piece decides.`;
}
