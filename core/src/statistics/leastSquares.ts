import { inverse, Matrix } from 'ml-matrix';

/** Values to be fitted by a sum of terms. */
export interface Points {
  readonly count: number;
  /** Terms of each. */
  readonly size: number;
  /** Writes the terms of one into rows, from a place on. */
  readonly terms: (k: number, rows: Float64Array, at: number) => void;
  readonly value: (k: number) => number;
}

/** A fit by least squares. */
export interface Fit {
  /** Standard deviation of what is left. */
  readonly rest: number;
  /** Value of a combination of the terms, and its standard error. */
  at(terms: ArrayLike<number>): { readonly value: number; readonly error: number };
}

/** Points farther off than so many standard deviations are left out the second time. */
const OUTLIER = 4;

/**
 * Fits values by a sum of terms. What lies far off is left out and the rest fitted again.
 * @returns null where there are no more values than terms, or two terms say the same
 */
export function leastSquares(points: Points): Fit | null {
  const { count, size } = points;
  const rows = new Float64Array(count * size);
  const values = new Float64Array(count);
  for (let k = 0; k < count; k++) {
    points.terms(k, rows, k * size);
    values[k] = points.value(k);
  }
  const first = solve(rows, values, size, null, Infinity);
  if (!first || first.rest === 0) return first;
  const bound = OUTLIER * first.rest;
  return first.farthest > bound ? (solve(rows, values, size, first.found, bound) ?? first) : first;
}

function offAt(rows: Float64Array, values: Float64Array, size: number, found: readonly number[], k: number): number {
  let off = values[k] as number;
  for (let t = 0; t < size; t++) off -= (found[t] as number) * (rows[k * size + t] as number);
  return off;
}

/** @param before coefficients whose points farther off than the bound do not count; null: all do */
function solve(
  rows: Float64Array,
  values: Float64Array,
  size: number,
  before: readonly number[] | null,
  bound: number,
): (Fit & { readonly found: readonly number[]; readonly farthest: number }) | null {
  const count = values.length;
  // Line by line; what lies below its diagonal is as above it.
  const normal = new Float64Array(size * size);
  const right = new Float64Array(size);
  let n = 0;
  const counts = (k: number) => before === null || Math.abs(offAt(rows, values, size, before, k)) <= bound;
  for (let k = 0; k < count; k++) {
    if (!counts(k)) continue;
    n++;
    const at = k * size;
    const value = values[k] as number;
    for (let r = 0; r < size; r++) {
      const own = rows[at + r] as number;
      for (let c = r, i = r * size + r; c < size; c++, i++)
        normal[i] = (normal[i] as number) + own * (rows[at + c] as number);
      right[r] = (right[r] as number) + own * value;
    }
  }
  if (n <= size) return null;
  let spread: number[][];
  try {
    const cell = (r: number, c: number) => normal[Math.min(r, c) * size + Math.max(r, c)] as number;
    spread = inverse(
      new Matrix(Array.from({ length: size }, (_, r) => Array.from({ length: size }, (__, c) => cell(r, c)))),
    ).to2DArray();
  } catch {
    return null;
  }
  const found = spread.map((line) => line.reduce((sum, value, c) => sum + value * (right[c] as number), 0));
  let squares = 0;
  let farthest = 0;
  for (let k = 0; k < count; k++) {
    if (!counts(k)) continue;
    const off = offAt(rows, values, size, found, k);
    squares += off * off;
    farthest = Math.max(farthest, Math.abs(off));
  }
  const rest = Math.sqrt(squares / (n - size));
  return {
    rest,
    found,
    farthest,
    at(terms) {
      let value = 0;
      let square = 0;
      for (let r = 0; r < size; r++) {
        value += (terms[r] as number) * (found[r] as number);
        for (let c = 0; c < size; c++) square += (terms[r] as number) * (spread[r]?.[c] ?? 0) * (terms[c] as number);
      }
      return { value, error: rest * Math.sqrt(Math.max(0, square)) };
    },
  };
}
