import { normal, studentt } from './specialFunctions';

export interface Kappa {
  /** 1: always agree; 0: as chance would have it; null where chance alone explains everything (all gave one answer). */
  readonly kappa: number | null;
  readonly from: number | null;
  readonly to: number | null;
  /** Share of pairs that agree. */
  readonly agreement: number;
  readonly n: number;
}

/**
 * Cohen's kappa of two raters over the same items, with the large-sample interval of Fleiss, Cohen and Everitt (1969):
 *
 * Var = { sum p_ii [(1 - pe) - (p_i. + p_.i)(1 - po)]^2 + (1 - po)^2 sum_(i != j) p_ij (p_.i + p_j.)^2 - (po pe - 2 pe + po)^2 } / [n (1 - pe)^4]
 *
 * Where an item stands in several pairs, these resemble each other and tell less than as many items would: the interval is then
 * a jackknife over the items, with Student's t.
 *
 * @param pairs answers of both to each item
 * @param items the item of each pair, where one stands in several; else every pair is an item of its own
 * @param confidence two-sided
 */
export function cohenKappa(
  pairs: readonly (readonly [string, string])[],
  items: readonly number[] | null = null,
  confidence = 0.95,
): Kappa {
  if (items) return byItem(pairs, items, confidence);
  const n = pairs.length;
  const names = [...new Set(pairs.flat())];
  const p = new Map<string, number>();
  const rows = new Map<string, number>();
  const columns = new Map<string, number>();
  const add = (map: Map<string, number>, key: string) => map.set(key, (map.get(key) ?? 0) + 1 / n);
  for (const [a, b] of pairs) {
    add(p, `${a}\n${b}`);
    add(rows, a);
    add(columns, b);
  }
  const of = (map: Map<string, number>, key: string) => map.get(key) ?? 0;
  const agreed = names.reduce((sum, i) => sum + of(p, `${i}\n${i}`), 0);
  const expected = names.reduce((sum, i) => sum + of(rows, i) * of(columns, i), 0);
  if (n === 0 || 1 - expected < 1e-12) return { kappa: null, from: null, to: null, agreement: n ? agreed : 0, n };
  const kappa = (agreed - expected) / (1 - expected);
  let sum = 0;
  for (const i of names) {
    const own = of(p, `${i}\n${i}`);
    sum += own * (1 - expected - (of(rows, i) + of(columns, i)) * (1 - agreed)) ** 2;
    for (const j of names) {
      if (i !== j) sum += (1 - agreed) ** 2 * of(p, `${i}\n${j}`) * (of(columns, i) + of(rows, j)) ** 2;
    }
  }
  const variance = (sum - (agreed * expected - 2 * expected + agreed) ** 2) / (n * (1 - expected) ** 4);
  return interval(kappa, Math.sqrt(Math.max(0, variance)), agreed, n, confidence);
}

function byItem(pairs: readonly (readonly [string, string])[], items: readonly number[], confidence: number): Kappa {
  const whole = cohenKappa(pairs);
  const different = [...new Set(items)];
  const count = different.length;
  const { kappa } = whole;
  if (kappa === null || count < 3) return { ...whole, from: null, to: null };
  const without = different.map((item) => cohenKappa(pairs.filter((_, i) => items[i] !== item)).kappa ?? kappa);
  const mean = without.reduce((sum, k) => sum + k, 0) / count;
  const error = Math.sqrt(((count - 1) / count) * without.reduce((sum, k) => sum + (k - mean) ** 2, 0));
  const reach = studentt.inv(0.5 + confidence / 2, count - 1) * error;
  return { ...whole, from: Math.max(-1, kappa - reach), to: Math.min(1, kappa + reach) };
}

/**
 * Fleiss' kappa of any number of raters, each item rated by the same number of them, with the variance of Fleiss, Levin
 * and Paik for kappa = 0 replaced by a jackknife over the items, which holds away from chance too.
 *
 * @param items answers to each item, one per rater
 */
export function fleissKappa(items: readonly (readonly string[])[], confidence = 0.95): Kappa {
  const n = items.length;
  const whole = fleiss(items);
  if (whole.kappa === null || n < 3) {
    return { kappa: whole.kappa, from: null, to: null, agreement: whole.agreement, n };
  }
  const { kappa } = whole;
  const left = items.map((_, i) => fleiss(items.filter((__, j) => j !== i)).kappa ?? kappa);
  const mean = left.reduce((sum, k) => sum + k, 0) / n;
  const error = Math.sqrt(((n - 1) / n) * left.reduce((sum, k) => sum + (k - mean) ** 2, 0));
  return interval(kappa, error, whole.agreement, n, confidence);
}

function fleiss(items: readonly (readonly string[])[]): { kappa: number | null; agreement: number } {
  const raters = items[0]?.length ?? 0;
  const totals = new Map<string, number>();
  let agreed = 0;
  for (const answers of items) {
    const counts = new Map<string, number>();
    for (const a of answers) {
      counts.set(a, (counts.get(a) ?? 0) + 1);
      totals.set(a, (totals.get(a) ?? 0) + 1);
    }
    agreed += [...counts.values()].reduce((sum, c) => sum + c * (c - 1), 0) / (raters * (raters - 1));
  }
  const agreement = agreed / items.length;
  const all = items.length * raters;
  const expected = [...totals.values()].reduce((sum, c) => sum + (c / all) ** 2, 0);
  return { agreement, kappa: 1 - expected < 1e-12 ? null : (agreement - expected) / (1 - expected) };
}

function interval(kappa: number, error: number, agreement: number, n: number, confidence: number): Kappa {
  const reach = normal.inv(0.5 + confidence / 2, 0, 1) * error;
  return { kappa, from: Math.max(-1, kappa - reach), to: Math.min(1, kappa + reach), agreement, n };
}
