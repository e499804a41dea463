import type { Trace } from '@tug-mark/core';

/** A measured force, N, with every digit it came with, and two at the least: 89.996 N must not be kept as 90.00. */
export function asMeasured(newtons: number): string {
  for (let places = 2; places < 6; places++) {
    const text = newtons.toFixed(places);
    // Curves hold single precision: digits beyond it were never measured.
    if (Math.fround(Number(text)) === Math.fround(newtons)) return text;
  }
  return newtons.toFixed(6);
}

/** What a gauge of hundredths cannot have said is left off; N. */
export const tidy = (newtons: number) => Number(newtons.toFixed(6));

/** Decimals a number is written with. */
export const decimalsOf = (value: number) => String(value).split('.')[1]?.length ?? 0;

/** Highest force of a curve, N; without end for one of no samples. */
export function peakOf({ forces }: Trace): number {
  let peak = -Infinity;
  for (let i = 0, n = forces.length; i < n; i++) peak = Math.max(peak, forces[i] as number);
  return peak;
}
