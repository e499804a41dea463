/** The next piece to pull to find where a fault began, and what each outcome says. Piece numbers; spans include both ends. */
export interface BracketPlan {
  /** null when nothing is left to pull: where it began is known as closely as it can be. */
  readonly next: number | null;
  /** Most pieces that have still to be pulled, this one included: ceil(log2(places it can have begun)). */
  readonly worst: number;
  readonly ifHolds: { readonly clears: readonly [number, number]; readonly leaves: readonly [number, number] } | null;
  readonly ifFails: { readonly condemns: readonly [number, number]; readonly leaves: readonly [number, number] } | null;
  readonly text: string;
}

/**
 * Halves the span in which a fault began, so that the fewest pieces are destroyed: with one change from good to bad, the
 * piece after the last good one up to the first bad one are the places it can have begun, and each pull halves them.
 *
 * @param good last piece known good (0: the set-up itself)
 * @param bad first piece known bad
 * @param isThere whether a piece can still be pulled; pieces shipped, spent or scrapped cannot
 * @example bracketPlan(200, 216, () => true) // next 208; 4 pulls at most: 16 places
 */
export function bracketPlan(good: number, bad: number, isThere: (piece: number) => boolean): BracketPlan {
  const pieces: number[] = [];
  for (let piece = good + 1; piece < bad; piece++) if (isThere(piece)) pieces.push(piece);
  const worst = Math.ceil(Math.log2(pieces.length + 1));
  const next = pieces[(pieces.length - 1) >> 1];
  if (next === undefined) {
    const condemned = bad - good > 1 ? `Pieces ${good + 1} to ${bad}` : `Piece ${bad}`;
    return {
      next: null,
      worst: 0,
      ifHolds: null,
      ifFails: null,
      text: `Nothing between ${good === 0 ? 'the set-up' : `piece ${good}`}, which is good, and piece ${bad}, which is not, is left to pull. ${condemned} and what follows until it was put right ${bad - good > 1 ? 'need' : 'needs'} a disposition.`,
    };
  }
  return {
    next,
    worst,
    ifHolds: { clears: [good + 1, next], leaves: [next + 1, bad] },
    ifFails: { condemns: [next, bad], leaves: [good + 1, next] },
    text: `${worst === 1 ? 'This pull tells' : `${worst} pulls at most tell`} where it began. If it holds, ${range(good + 1, next)} ${next - good > 1 ? 'are' : 'is'} clear; if not, it began at ${next} or before.`,
  };
}

const range = (from: number, to: number) => (from === to ? `piece ${from}` : `pieces ${from} to ${to}`);
