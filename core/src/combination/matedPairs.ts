import { entriesOf, type Entry } from '../entry';
import type { MatingCycle } from '../tug';

/** One pair with its cycles so far, and the reel its contact came from where it is that reel's incoming check. */
export interface MatedPair {
  readonly piece: number;
  readonly cycles: readonly MatingCycle[];
  readonly reel: string | null;
}

/** The pairs on record, in the order of their numbers. */
export function matedPairs(entries: readonly Entry[]): MatedPair[] {
  const pairs = new Map<number, { cycles: MatingCycle[]; reel: string | null }>();
  for (const { body } of entriesOf(entries, 'mating')) {
    const pair = pairs.get(body.piece) ?? { cycles: [], reel: null };
    pairs.set(body.piece, pair);
    pair.cycles.push(body);
    pair.reel ??= body.reel ?? null;
  }
  return [...pairs].map(([piece, pair]) => ({ piece, ...pair })).sort((a, b) => a.piece - b.piece);
}
