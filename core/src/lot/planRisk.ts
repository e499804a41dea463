import { acceptanceProbability, sampleForRisk } from '../statistics';
import type { CheckPlan } from '../entry';

/** Pieces the plan pulls when nothing is changed on the way. */
export function plannedPulls(pieces: number, plan: Pick<CheckPlan, 'everyPieces'>): number {
  if (pieces <= 1) return pieces;
  const between = plan.everyPieces === null ? 0 : Math.max(0, Math.ceil((pieces - 1) / plan.everyPieces) - 1);
  return Math.min(pieces, 2 + between);
}

export interface PlanRisk {
  readonly pulls: number;
  /** Probability that a lot with `share` of its pieces bad, anywhere, passes all pulls. */
  readonly passes: number;
  /** Pulls needed so that it passes with `risk` at most. */
  readonly needed: number;
  readonly text: string;
}

/**
 * What a number of pulls can and cannot tell: the operating characteristic of 'n pulled, none may fail', by the
 * hypergeometric. A fault that begins and stays is another matter: the check after it finds that one.
 *
 * @param pieces in the lot, at least 1
 * @param share of bad pieces, e.g. 0.02; taken as the nearest whole number of pieces, and one at the least, which is what the text says
 * @param risk wanted, e.g. 0.1
 */
export function planRisk(pieces: number, pulls: number, share: number, risk: number): PlanRisk {
  const bad = Math.max(1, Math.round(pieces * share));
  const passes = acceptanceProbability(pieces, bad, Math.min(pulls, pieces));
  const needed = sampleForRisk(pieces, bad, risk);
  const times = (p: number) =>
    p > 0.995 ? 'nearly always' : p < 0.005 ? 'hardly ever' : `${Math.round(p * 100)} times in 100`;
  return {
    pulls,
    passes,
    needed,
    text: `${pulls} from ${pieces}: a lot with ${bad} bad ${bad === 1 ? 'piece' : 'pieces'} in it (${Number(((bad / pieces) * 100).toPrecision(2))} %) passes ${times(passes)}. For ${Number((risk * 100).toFixed(1))} in 100 it takes ${needed}.`,
  };
}
