import { solveToleranceFactor } from '@tug-mark/core';
// @ts-expect-error the package ships no types of its own; the two functions in use are typed below
import jstat from 'jstat';
import { median } from './median';

const { noncentralt, normal } = (
  jstat as {
    readonly jStat: {
      readonly noncentralt: { cdf(t: number, dof: number, ncp: number): number };
      readonly normal: { inv(p: number, mean: number, std: number): number };
    };
  }
).jStat;

const COVERAGE = 0.99;
const CONFIDENCE = 0.95;
const SIZES = [3, 5, 8, 13, 20, 30, 50, 80];

/** The same factor from jstat's noncentral t, bisected until it is as exact as asked. */
function bisected(n: number, error: number): number {
  const root = Math.sqrt(n);
  const delta = normal.inv(COVERAGE, 0, 1) * root;
  const below = (t: number) => noncentralt.cdf(t, n - 1, delta) < CONFIDENCE;
  let low = 0;
  let high = 4 * root;
  while (below(high)) high *= 2;
  while (high - low > error * high) {
    const middle = (low + high) / 2;
    if (below(middle)) low = middle;
    else high = middle;
  }
  return (low + high) / 2 / root;
}

/** Tolerance factors against jstat's noncentral t bisected to 1e-9: how much faster, and how far apart they are. */
export function benchTolerance(): { times: number; milliseconds: number; baseline: number; apart: number } {
  const ours: number[] = [];
  const theirs: number[] = [];
  let apart = 0;
  for (let round = 0; round < 5; round++) {
    for (const n of SIZES) {
      let before = performance.now();
      const k = solveToleranceFactor(n, COVERAGE, CONFIDENCE);
      ours.push(performance.now() - before);
      before = performance.now();
      const other = bisected(n, 1e-9);
      theirs.push(performance.now() - before);
      apart = Math.max(apart, Math.abs(k / other - 1));
    }
  }
  return { times: median(theirs) / median(ours), milliseconds: median(ours), baseline: median(theirs), apart };
}
