export interface Summary {
  readonly n: number;
  readonly min: number;
  readonly mean: number;
  /** Sample standard deviation (n - 1); null below two readings. */
  readonly s: number | null;
}

/**
 * Count, minimum, mean and sample standard deviation, in two passes so that a large common offset costs no digits.
 * @param values finite numbers; null is returned for none
 */
export function summarise(values: ArrayLike<number>): Summary | null {
  const n = values.length;
  if (n === 0) return null;
  let sum = 0;
  let min = Infinity;
  for (let i = 0; i < n; i++) {
    const value = values[i] as number;
    sum += value;
    if (value < min) min = value;
  }
  const mean = sum / n;
  let squares = 0;
  for (let i = 0; i < n; i++) {
    const off = (values[i] as number) - mean;
    squares += off * off;
  }
  return { n, min, mean, s: n > 1 ? Math.sqrt(squares / (n - 1)) : null };
}
