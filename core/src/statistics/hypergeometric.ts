import { gammaln } from './specialFunctions';

const choose = (n: number, k: number) => gammaln(n + 1) - gammaln(k + 1) - gammaln(n - k + 1);

/**
 * Probability that a sample drawn without putting back holds at most `accept` bad pieces:
 * sum over d of C(bad, d) C(lot - bad, sample - d) / C(lot, sample).
 *
 * @param lot pieces in the lot
 * @param bad bad pieces among them
 * @param sample pieces drawn
 * @param accept most bad pieces with which the lot still passes
 * @example acceptanceProbability(400, 8, 3, 0) // 0.9411: a lot with 2 % bad passes 94 times in 100
 */
export function acceptanceProbability(lot: number, bad: number, sample: number, accept = 0): number {
  const most = Math.min(accept, bad, sample);
  const all = choose(lot, sample);
  let sum = 0;
  for (let d = Math.max(0, sample - (lot - bad)); d <= most; d++) {
    sum += Math.exp(choose(bad, d) + choose(lot - bad, sample - d) - all);
  }
  return Math.min(1, sum);
}

/**
 * Fewest pieces to draw so that a lot with `bad` bad pieces passes with a probability of `risk` at most.
 * @returns the lot itself when nothing less does
 */
export function sampleForRisk(lot: number, bad: number, risk: number, accept = 0): number {
  let low = 0;
  let high = lot;
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    if (acceptanceProbability(lot, bad, middle, accept) <= risk) high = middle;
    else low = middle + 1;
  }
  return low;
}
