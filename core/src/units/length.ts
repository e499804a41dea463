export const LENGTH_UNITS = ['mm', 'in'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

/** Millimetres in one inch, exact by definition since 1959. */
export const MM_PER_INCH = 25.4;

/** Length in millimetres of `value` given in `unit`. Example: `toMillimetres(0.5, 'in')` is 12.7. */
export function toMillimetres(value: number, unit: LengthUnit): number {
  return unit === 'in' ? value * MM_PER_INCH : value;
}
