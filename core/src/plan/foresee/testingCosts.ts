import { plannedPulls, planRisk } from '../../lot';

/** One check plan of a lot: what it destroys, and what it leaves open. */
export interface TestingCost {
  /** No stretch longer than this without a check; null: first and last alone. */
  readonly everyPieces: number | null;
  readonly pulls: number;
  /** Pieces destroyed with the samples of the set-up. */
  readonly destroyed: number;
  /** Wire that goes with them, mm. */
  readonly wire: number;
  readonly minutes: number;
  /** Probability that a lot with the share of bad pieces, anywhere, passes all the same. */
  readonly passes: number;
  /** Most pieces that are in doubt when a check fails: what was made since the one before. */
  readonly inDoubt: number;
}

export interface Tested {
  readonly pieces: number;
  readonly samples: number;
  /** mm of one wire of the lot, and of a sample. */
  readonly wireLength: number;
  readonly sampleLength: number;
  readonly checkMinutes: number;
}

/** Intervals a curve is drawn for: 1, 2, 3, 5, 7, 10 and so on, up to the whole lot. */
function intervals(pieces: number): (number | null)[] {
  const all: number[] = [];
  for (let decade = 1; decade < pieces; decade *= 10)
    for (const step of [1, 1.5, 2, 3, 5, 7]) {
      const every = Math.round(step * decade);
      if (every < pieces && !all.includes(every)) all.push(every);
    }
  return [...all.sort((a, b) => a - b), null];
}

/**
 * What testing costs and what it buys, plan by plan: pieces and wire destroyed against the probability that a lot with so many bad
 * pieces passes. From a check of every piece to first and last alone.
 * @param share of bad pieces, e.g. 0.05
 */
export function testingCosts(of: Tested, share: number): TestingCost[] {
  return intervals(of.pieces).map((everyPieces) => testingCost(of, everyPieces, share));
}

/** The same of one plan. */
export function testingCost(of: Tested, everyPieces: number | null, share: number): TestingCost {
  const pulls = plannedPulls(of.pieces, { everyPieces });
  const { passes } = planRisk(of.pieces, pulls, share, 0.1);
  return {
    ...{ everyPieces, pulls, passes },
    destroyed: pulls + of.samples,
    wire: pulls * of.wireLength + of.samples * of.sampleLength,
    minutes: (pulls + of.samples) * of.checkMinutes,
    inDoubt: Math.min(of.pieces, everyPieces ?? Math.max(0, of.pieces - 1)),
  };
}
