import { studentt } from './specialFunctions';

/** Force as it follows crimp height, and where both hold. */
export interface HeightWindow {
  /** Coefficients of force = a + b x + c x2, x in mm from `centre`. */
  readonly centre: number;
  readonly fit: readonly [number, number, number];
  /** Residual standard deviation, N. */
  readonly spread: number;
  /**
   * Spans of heights between the lowest and highest tried at which the next pull holds with the wanted confidence, in order.
   * More than one: it does not hold between them, which no single way of crimping does.
   */
  readonly holds: readonly { readonly min: number; readonly max: number }[];
  /** Lower bound of the next pull at a height, N. */
  readonly lower: (height: number) => number;
  readonly mean: (height: number) => number;
}

/** Fewest pairs a curve of three numbers is drawn through. */
export const LEAST_PAIRS = 8;

/**
 * Fits force over crimp height with a parabola by least squares and finds the heights at which the lower one-sided
 * prediction bound of the next pull stays at or above the limit. Never beyond the heights that were tried.
 *
 * Bound: f(x) - t(confidence; n - 3) s sqrt(1 + v' (X'X)^-1 v), v = (1, x, x2).
 *
 * @param pairs crimp height, mm, and force of the same piece, N
 * @param limit least force, N
 * @returns null below {@link LEAST_PAIRS} pairs or fewer than three different heights
 */
export function heightWindow(
  pairs: readonly { readonly height: number; readonly force: number }[],
  limit: number,
  confidence = 0.95,
): HeightWindow | null {
  const n = pairs.length;
  const heights = new Set(pairs.map((p) => p.height));
  if (n < LEAST_PAIRS || heights.size < 3) return null;
  const centre = pairs.reduce((sum, p) => sum + p.height, 0) / n;
  const rows = pairs.map(({ height, force }) => ({ v: terms(height - centre), force }));
  const normal = [0, 1, 2].map((i) => [0, 1, 2].map((j) => rows.reduce((s, r) => s + at(r.v, i) * at(r.v, j), 0)));
  const inverse = invert(normal);
  if (!inverse) return null;
  const right = [0, 1, 2].map((i) => rows.reduce((s, r) => s + at(r.v, i) * r.force, 0));
  const fit = inverse.map((row) => row.reduce((s, value, j) => s + value * at(right, j), 0)) as [
    number,
    number,
    number,
  ];
  const mean = (height: number) => terms(height - centre).reduce((s, value, i) => s + value * at(fit, i), 0);
  const squares = pairs.reduce((s, p) => s + (p.force - mean(p.height)) ** 2, 0);
  const spread = Math.sqrt(squares / (n - 3));
  const t = studentt.inv(confidence, n - 3);
  const lower = (height: number) => {
    const v = terms(height - centre);
    const leverage = inverse.reduce(
      (s, row, i) => s + at(v, i) * row.reduce((r, value, j) => r + value * at(v, j), 0),
      0,
    );
    return mean(height) - t * spread * Math.sqrt(1 + Math.max(0, leverage));
  };
  return { centre, fit, spread, holds: spansWhere((height) => lower(height) >= limit, heights), lower, mean };
}

/** Steps the tried heights are looked through in, before each edge is closed in on. */
const STEPS = 400;

/** Spans between the lowest and highest height in which something holds, each edge to a millionth of a step. */
function spansWhere(isGood: (height: number) => boolean, heights: ReadonlySet<number>) {
  const least = Math.min(...heights);
  const step = (Math.max(...heights) - least) / STEPS;
  const edge = (good: number, bad: number) => {
    for (let i = 0; i < 20; i++) {
      const middle = (good + bad) / 2;
      if (isGood(middle)) good = middle;
      else bad = middle;
    }
    return good;
  };
  const spans: { min: number; max: number }[] = [];
  let open: { min: number; max: number } | null = null;
  for (let i = 0; i <= STEPS; i++) {
    const height = least + i * step;
    if (isGood(height)) {
      if (open) open.max = height;
      else {
        open = { min: i === 0 ? height : edge(height, height - step), max: height };
        spans.push(open);
      }
    } else if (open) {
      open.max = edge(open.max, height);
      open = null;
    }
  }
  return spans;
}

const terms = (x: number) => [1, x, x * x];
const at = (list: readonly number[], i: number) => list[i] ?? 0;

/** Inverse of a 3 x 3 matrix by Gauss and Jordan; null when it has none. */
function invert(matrix: readonly (readonly number[])[]): number[][] | null {
  const n = matrix.length;
  const rows = matrix.map((row, i) => [...row, ...Array.from({ length: n }, (_, j) => (i === j ? 1 : 0))]);
  for (let c = 0; c < n; c++) {
    let pivot = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(at(rows[r] ?? [], c)) > Math.abs(at(rows[pivot] ?? [], c))) pivot = r;
    const top = rows[pivot];
    const own = rows[c];
    if (!top || !own || Math.abs(at(top, c)) < 1e-14) return null;
    [rows[c], rows[pivot]] = [top, own];
    const scale = at(top, c);
    rows[c] = top.map((value) => value / scale);
    rows.forEach((row, r) => {
      const share = at(row, c);
      if (r !== c && share !== 0) rows[r] = row.map((value, k) => value - share * at(rows[c] ?? [], k));
    });
  }
  return rows.map((row) => row.slice(n));
}
