import { studentt } from './specialFunctions';
import { summarise } from './summarise';

export interface Outlier {
  /** Place in the list given. */
  readonly index: number;
  readonly value: number;
  /** Distance from the mean in standard deviations. */
  readonly g: number;
  readonly critical: number;
}

/**
 * Critical value of Grubbs' test for the one reading farthest from the mean, either side:
 * (n - 1) / sqrt n x sqrt(t^2 / (n - 2 + t^2)) with t the quantile of Student's t, n - 2 degrees of freedom, at
 * significance / (2 n).
 *
 * Checked against the published table, 0.05 two-sided: n = 3: 1.154 (1.155 rounded up there), 5: 1.715, 10: 2.290,
 * 20: 2.708 (2.709 there), 30: 2.908; one-sided 0.05 is this at 0.10: 5: 1.672, 10: 2.176, 20: 2.557, 100: 3.207.
 *
 * @param n number of readings, 3 or more
 */
export function grubbsCritical(n: number, significance = 0.05): number {
  if (n < 3) return Infinity;
  const t = studentt.inv(significance / (2 * n), n - 2);
  return ((n - 1) / Math.sqrt(n)) * Math.sqrt((t * t) / (n - 2 + t * t));
}

/**
 * The reading farthest from the mean, when Grubbs' test calls it an outlier.
 * @returns null with fewer than three readings, without spread, or when none stands out
 */
export function findOutlier(values: ArrayLike<number>, significance = 0.05): Outlier | null {
  const summary = summarise(values);
  if (!summary?.s || summary.n < 3) return null;
  const { mean, s, n } = summary;
  let index = 0;
  for (let i = 1; i < n; i++) {
    if (Math.abs((values[i] as number) - mean) > Math.abs((values[index] as number) - mean)) index = i;
  }
  const value = values[index] as number;
  const g = Math.abs(value - mean) / s;
  const critical = grubbsCritical(n, significance);
  return g > critical ? { index, value, g, critical } : null;
}
