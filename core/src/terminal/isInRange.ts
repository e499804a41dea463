import type { Range } from './Terminal';

/** Whether a value lies in a range. Its ends belong to it, also where a sum or a conversion has cost the last digit. */
export function isInRange(value: number, { min, max }: Range): boolean {
  return value >= min - 1e-9 && value <= max + 1e-9;
}
