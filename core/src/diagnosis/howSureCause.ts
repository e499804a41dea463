/**
 * How often the true cause is named first, in 100, and what that rests on: mistakes as the bench tells of them, with where they
 * lie in the lot. A spec holds them
 * against the trial; `npm run bench -- cause` writes the whole of it to docs/causes.md.
 */
export const HOW_SURE_CAUSE: Readonly<Record<'tellings' | 'whole' | 'missing' | 'another' | 'sureAndWrong', number>> = {
  tellings: 56,
  /** First with all that is told. */
  whole: 100,
  /** First where nobody looked at what tells most. */
  missing: 86,
  /** First with one sign more that has nothing to do with it. */
  another: 97,
  /** Called the likeliest and not the true one, at most, of the three. */
  sureAndWrong: 0,
};

/** The same in a sentence. */
export function howSureCauseText(): string {
  const { tellings, whole, missing, another, sureAndWrong } = HOW_SURE_CAUSE;
  return `Tried on ${tellings} mistakes as they are told at the bench: the true cause was first in ${whole} of 100, in ${missing} where nobody had looked at what tells most, in ${another} with one sign more that belongs to something else; ${sureAndWrong} of 100 were called the likeliest and were not.`;
}
