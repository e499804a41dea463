import { median } from './median';
import { normal } from './specialFunctions';

export interface Trend {
  /** Theil-Sen slope: the median of the slopes between all pairs. */
  readonly slope: number;
  /** Median of y - slope x: the line's value at x = 0. */
  readonly intercept: number;
  /** Sen's interval of the slope. */
  readonly slopeFrom: number;
  readonly slopeTo: number;
  /** Mann-Kendall: S over its standard deviation, with continuity correction; the sign is the direction. */
  readonly z: number;
  /** Two-sided p of no trend. */
  readonly p: number;
}

/** More points than this are thinned evenly first: all pairs of 1,500 are a million slopes. */
const MOST_POINTS = 1500;
const LEAST_POINTS = 8;

/**
 * Trend of y over x without assuming a shape of its scatter: Theil-Sen slope with Sen's interval, and the Mann-Kendall
 * test with its variance corrected for ties, Var S = [n (n-1)(2n+5) - sum t (t-1)(2t+5)] / 18, and for neighbours that
 * resemble each other: without that a 95 % interval covers 70 in 100 where they correlate by 0.6.
 *
 * @param xs, ys of one length; x need not be evenly spaced
 * @param confidence of the slope's interval
 * @returns null below 8 points or when all x are equal
 */
export function theilSen(xs: readonly number[], ys: readonly number[], confidence = 0.95): Trend | null {
  const step = Math.max(1, Math.ceil(xs.length / MOST_POINTS));
  const x = xs.filter((_, i) => i % step === 0);
  const y = ys.filter((_, i) => i % step === 0);
  const n = x.length;
  if (n < LEAST_POINTS) return null;
  const slopes: number[] = [];
  let score = 0;
  for (let i = 0; i < n; i++) {
    for (let j = i + 1; j < n; j++) {
      const dx = (x[j] ?? 0) - (x[i] ?? 0);
      const dy = (y[j] ?? 0) - (y[i] ?? 0);
      if (dx === 0) continue;
      slopes.push(dy / dx);
      score += Math.sign(dy) * Math.sign(dx);
    }
  }
  if (!slopes.length) return null;
  const sorted = Float64Array.from(slopes).sort();
  const ties = [...countOf(y).values()].reduce((sum, t) => sum + t * (t - 1) * (2 * t + 5), 0);
  const slope = middle(sorted);
  const alone = (n * (n - 1) * (2 * n + 5) - ties) / 18;
  const variance =
    alone *
    neighbourFactor(
      y.map((value, i) => value - slope * (x[i] ?? 0)),
      Math.max(...y.map(Math.abs)),
    );
  const spread = Math.sqrt(Math.max(variance, 0));
  const z = spread === 0 ? 0 : (score - Math.sign(score)) / spread;
  const reach = normal.inv(0.5 + confidence / 2, 0, 1) * spread;
  const at = (rank: number) => sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(rank)))] ?? 0;
  return {
    slope,
    intercept: median(y.map((value, i) => value - slope * (x[i] ?? 0))),
    slopeFrom: at((sorted.length - reach) / 2 - 1),
    slopeTo: at((sorted.length + reach) / 2),
    z,
    p: 2 * (1 - normal.cdf(Math.abs(z), 0, 1)),
  };
}

/**
 * By how much neighbours that resemble each other widen what a series of so many tells: (1 + r) / (1 - r), r being the correlation
 * of each with the next of those left over from the trend, freed of the bias it has in a short series, E r1 = r - (2 + 4 r) / n.
 * Neighbours that differ more than chance has them narrow nothing.
 *
 * @param left what the trend leaves over, in order
 * @param size of the values themselves: what is left over by rounding alone has no order
 */
function neighbourFactor(left: readonly number[], size: number): number {
  const n = left.length;
  const mean = left.reduce((sum, value) => sum + value, 0) / n;
  let own = 0;
  let next = 0;
  for (let i = 0; i < n; i++) {
    const off = (left[i] ?? 0) - mean;
    own += off * off;
    if (i + 1 < n) next += off * ((left[i + 1] ?? 0) - mean);
  }
  if (next <= 0 || own <= n * (1e-12 * size) ** 2) return 1;
  const r = Math.min(0.95, ((next / own) * n + 2) / Math.max(1, n - 4));
  return (1 + r) / (1 - r);
}

const middle = (sorted: ArrayLike<number>) => {
  const n = sorted.length;
  return ((sorted[Math.floor((n - 1) / 2)] ?? 0) + (sorted[Math.floor(n / 2)] ?? 0)) / 2;
};

function countOf(values: readonly number[]): Map<number, number> {
  const counts = new Map<number, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return counts;
}

export interface Forecast {
  /** x at which the line meets the limit. */
  readonly at: number;
  readonly from: number;
  /** Infinity when the slower end of the interval never gets there. */
  readonly to: number;
}

/**
 * Where a trend meets a limit from above, with the interval its slope's interval gives, all three turned about the
 * middle of the points.
 * @param pivotX median of x
 * @returns null when the trend is not falling towards the limit
 */
export function forecastLimit(trend: Trend, limit: number, pivotX: number): Forecast | null {
  const pivotY = trend.intercept + trend.slope * pivotX;
  if (trend.slope >= 0 || pivotY <= limit) return null;
  const meets = (slope: number) => (slope < 0 ? pivotX + (limit - pivotY) / slope : Infinity);
  return { at: meets(trend.slope), from: meets(trend.slopeFrom), to: meets(trend.slopeTo) };
}
