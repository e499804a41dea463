import { erf, gammaln, normal } from './specialFunctions';

/** Even number of Simpson intervals; enough for 7 digits of k from n = 2 up. */
const INTERVALS = 2048;

/**
 * One-sided normal tolerance factor k: with confidence `confidence`, a share `coverage` of the population lies above
 * mean - k s, for mean and s of `n` readings.
 *
 * k = t'(confidence; n - 1, z sqrt n) / sqrt n with t' the quantile of the noncentral t and z = quantile of the normal
 * at `coverage`. The distribution function is integrated over U = s / sigma (a scaled chi):
 * P(T <= t) = integral of Phi(t u - z sqrt n) f(u) du, by Simpson's rule, and inverted by bisection.
 *
 * Checked against the published table for 0.99 / 0.95: n = 2: 37.094, 3: 10.553, 5: 5.741, 10: 3.981, 30: 3.064,
 * 100: 2.684 (all digits given).
 *
 * @param n number of readings, 2 or more
 * @returns k, or Infinity below two readings
 */
export function toleranceFactor(n: number, coverage: number, confidence: number): number {
  if (n < 2) return Infinity;
  const key = `${n}/${coverage}/${confidence}`;
  const known = computed.get(key);
  if (known !== undefined) return known;
  const k = solve(n, coverage, confidence);
  if (computed.size >= MOST_COMPUTED) computed.clear();
  computed.set(key, k);
  return k;
}

/** A list of combinations asks for the same few factors over and over; each takes some milliseconds. */
const computed = new Map<string, number>();
const MOST_COMPUTED = 500;

function solve(n: number, coverage: number, confidence: number): number {
  const nu = n - 1;
  const root = Math.sqrt(n);
  const delta = normal.inv(coverage, 0, 1) * root;
  const spread = 10 / Math.sqrt(2 * nu);
  const from = Math.max(0, 1 - spread);
  const step = (1 + spread - from) / INTERVALS;
  const norm = Math.log(2) + (nu / 2) * Math.log(nu / 2) - gammaln(nu / 2);

  // Density of U and its Simpson weight do not depend on k: computed once.
  const us = new Float64Array(INTERVALS + 1);
  const weights = new Float64Array(INTERVALS + 1);
  for (let i = 0; i <= INTERVALS; i++) {
    const u = from + i * step;
    const density =
      u === 0 ? (nu === 1 ? Math.exp(norm) : 0) : Math.exp(norm + (nu - 1) * Math.log(u) - (nu * u * u) / 2);
    us[i] = u;
    weights[i] = ((i === 0 || i === INTERVALS ? 1 : i % 2 ? 4 : 2) * density * step) / 3;
  }
  const probability = (k: number) => {
    const t = k * root;
    let sum = 0;
    for (let i = 0; i <= INTERVALS; i++) {
      sum += (weights[i] ?? 0) * 0.5 * (1 + erf((t * (us[i] ?? 0) - delta) / Math.SQRT2));
    }
    return sum;
  };

  let low = 0;
  let high = 4;
  while (probability(high) < confidence && high < 1e6) high *= 2;
  while (high - low > 1e-9 * high) {
    const middle = (low + high) / 2;
    if (probability(middle) < confidence) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
