import { legendre } from './legendre';
import { erf, gammaln, normal } from './specialFunctions';

const RULE = legendre(64);
const ROOT_TWO_PI = Math.sqrt(2 * Math.PI);

/**
 * One-sided normal tolerance factor k: with confidence `confidence`, a share `coverage` of the population lies above
 * mean - k s, for mean and s of `n` readings.
 *
 * k = t'(confidence; n - 1, z sqrt n) / sqrt n with t' the quantile of the noncentral t and z = quantile of the normal
 * at `coverage`; see {@link noncentralT}. Inverted by Newton's method in log t, held between bounds.
 *
 * Checked against the published table for 0.99 / 0.95: n = 2: 37.094, 3: 10.553, 5: 5.741, 10: 3.981, 30: 3.064,
 * 100: 2.684 (all digits given), and for 0.90 / 0.95: n = 5: 3.407, 10: 2.355.
 *
 * @param n number of readings, 2 or more
 * @returns k, or Infinity below two readings
 */
export function toleranceFactor(n: number, coverage: number, confidence: number): number {
  if (n < 2) return Infinity;
  const key = `${n}/${coverage}/${confidence}`;
  const known = computed.get(key);
  if (known !== undefined) return known;
  const k = solveToleranceFactor(n, coverage, confidence);
  if (computed.size >= MOST_COMPUTED) computed.clear();
  computed.set(key, k);
  return k;
}

/** A list of combinations asks for the same few factors over and over. */
const computed = new Map<string, number>();
const MOST_COMPUTED = 500;

/** {@link toleranceFactor} computed each time. */
export function solveToleranceFactor(n: number, coverage: number, confidence: number): number {
  const root = Math.sqrt(n);
  const delta = normal.inv(coverage, 0, 1) * root;
  const distribution = noncentralT(n - 1, delta);
  let low = 0;
  let high = Infinity;
  let t = Math.max(delta, 1);
  for (let round = 0; round < 200; round++) {
    const { probability, density } = distribution(t);
    if (probability < confidence) low = t;
    else high = t;
    const next = t * Math.exp((confidence - probability) / Math.max(density * t, 1e-300));
    const inside = next > low && next < high && next < 4 * t && Number.isFinite(next);
    const following = inside ? next : high === Infinity ? 2 * t : (low + high) / 2;
    if (Math.abs(following - t) <= 1e-13 * t) return following / root;
    t = following;
  }
  return t / root;
}

/**
 * Distribution function and density of the noncentral t at t > 0.
 *
 * With U = s / sigma, a chi over the square root of its degrees of freedom, P(T <= t) = integral over u of
 * Phi(t u - delta) f(u), and the density is the integral of u phi(t u - delta) f(u). The step of Phi lies at delta / t
 * and is 1/t wide, f is 1 / sqrt(2 nu) wide around 1: integrated by Gauss-Legendre rules of 64 nodes below, across and
 * above the step, each cut to where f matters.
 *
 * @param nu degrees of freedom, 1 or more
 * @param delta noncentrality
 * @example noncentralT(4, 2.3263 * Math.sqrt(5))(5.741 * Math.sqrt(5)).probability // 0.9500
 */
export function noncentralT(
  nu: number,
  delta: number,
): (t: number) => { readonly probability: number; readonly density: number } {
  const spread = 10 / Math.sqrt(2 * nu);
  const least = Math.max(0, 1 - spread);
  const most = 1 + spread;
  const norm = Math.log(2) + (nu / 2) * Math.log(nu / 2) - gammaln(nu / 2);
  const f = (u: number) => Math.exp(norm + (nu - 1) * Math.log(u) - (nu * u * u) / 2);
  const { nodes, weights } = RULE;

  return (t) => {
    let probability = 0;
    let density = 0;
    const from = Math.min(Math.max((delta - 9) / t, least), most);
    const to = Math.min(Math.max((delta + 9) / t, least), most);
    const middle = Math.min(Math.max(delta / t, from), to);
    const panel = (a: number, b: number, isAbove: boolean) => {
      if (b <= a) return;
      const half = (b - a) / 2;
      for (let i = 0; i < nodes.length; i++) {
        const u = a + half * (1 + (nodes[i] ?? 0));
        const weight = half * (weights[i] ?? 0) * f(u);
        if (isAbove) {
          probability += weight;
          continue;
        }
        const x = t * u - delta;
        probability += weight * 0.5 * (1 + erf(x / Math.SQRT2));
        density += (weight * u * Math.exp((-x * x) / 2)) / ROOT_TWO_PI;
      }
    };
    panel(from, middle, false);
    panel(middle, to, false);
    panel(to, most, true);
    return { probability, density };
  };
}
