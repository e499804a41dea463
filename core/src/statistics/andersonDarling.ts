import { erf } from './specialFunctions';
import { summarise } from './summarise';

export interface NormalityTest {
  /** A^2 with the correction for mean and variance taken from the readings. */
  readonly statistic: number;
  /** How likely readings from a normal process look this far from normal, or farther. */
  readonly p: number;
}

/** Below this many readings the test tells nothing worth knowing. */
export const LEAST_FOR_NORMALITY = 8;

/**
 * Anderson-Darling test of normality with mean and variance estimated from the readings:
 * A^2 = -n - (1/n) sum (2i - 1) (ln Phi(z_i) + ln(1 - Phi(z_(n+1-i)))), corrected to A^2 (1 + 0.75/n + 2.25/n^2), and its
 * p-value by the four-piece fit of D'Agostino and Stephens (1986).
 *
 * Checked against their critical values: 0.631 gives p = 0.10, 0.752 gives 0.05, 0.873 gives 0.025, 1.035 gives 0.01 (to
 * two digits); and the statistic by hand for n = 8 in the spec.
 *
 * @returns null below 8 readings or when all are equal
 */
export function andersonDarling(values: readonly number[]): NormalityTest | null {
  const n = values.length;
  const summary = summarise(values);
  if (n < LEAST_FOR_NORMALITY || !summary?.s) return null;
  const { mean, s } = summary;
  const z = [...values].sort((a, b) => a - b).map((value) => (value - mean) / s);
  let sum = 0;
  for (let i = 0; i < n; i++) {
    sum += (2 * i + 1) * (Math.log(lowerTail(z[i] ?? 0)) + Math.log(lowerTail(-(z[n - 1 - i] ?? 0))));
  }
  const statistic = (-n - sum / n) * (1 + 0.75 / n + 2.25 / (n * n));
  return { statistic, p: pOfStatistic(statistic) };
}

/** Phi(z), never 0: far out the logarithm would be lost. */
const lowerTail = (z: number) => Math.max(0.5 * (1 + erf(z / Math.SQRT2)), 1e-300);

/** p-value of the corrected statistic. */
export function pOfStatistic(a: number): number {
  if (a >= 0.6) return Math.exp(1.2937 - 5.709 * a + 0.0186 * a * a);
  if (a > 0.34) return Math.exp(0.9177 - 4.279 * a - 1.38 * a * a);
  if (a > 0.2) return 1 - Math.exp(-8.318 + 42.796 * a - 59.938 * a * a);
  return 1 - Math.exp(-13.436 + 101.14 * a - 223.73 * a * a);
}
