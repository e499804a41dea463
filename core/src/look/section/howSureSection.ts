/**
 * How often a section is right, in 100, and what that rests on: `npm run bench -- accuracy` over the made-up micrographs of the
 * demo shop and cuts drawn another way. It says so when these no longer hold.
 */
export const HOW_SURE_SECTION = {
  pictures: 306,
  kinds: 34,
  /** Not read, of all. */
  declined: 4,
  /** Read, and off by more than 5 % of the metal, 3 points of the voids or 3 % of the height without saying so. */
  wrong: 0,
  /** Strands given as one number, of those read; and of these, how many were not the right one. */
  counted: 71,
  miscounted: 0,
  /** Given as a range, of those read; and of these, how many did not hold the right number. */
  ranged: 9,
  missed: 0,
} as const;

/** The same in a sentence. */
export function howSureSectionText(): string {
  const { pictures, kinds, declined, wrong, counted, miscounted, ranged, missed } = HOW_SURE_SECTION;
  return `Tried on ${pictures} made-up pictures of ${kinds} kinds: ${declined} of 100 were not read, ${wrong} of 100 read were off by more than 5 % of the metal, 3 points of the voids or 3 % of the height without saying so; strands were counted in ${counted} of 100, wrongly in ${miscounted}, and told as a range in ${ranged}, which missed in ${missed}. A qualified eye decides.`;
}
