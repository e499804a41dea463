export const FORCE_UNITS = ['N', 'lbf', 'kgf'] as const;
export type ForceUnit = (typeof FORCE_UNITS)[number];

/** Newtons in one unit. Source: 1 lbf = 0.45359237 kg x 9.80665 m/s2; 1 kgf = 9.80665 N, both exact by definition. */
const NEWTONS: Readonly<Record<ForceUnit, number>> = {
  N: 1,
  lbf: 4.4482216152605,
  kgf: 9.80665,
};

/** Force in newtons of `value` given in `unit`. Example: `toNewtons(10, 'kgf')` is 98.0665. */
export function toNewtons(value: number, unit: ForceUnit): number {
  return value * NEWTONS[unit];
}

/** Force in `unit` of `newtons`. */
export function fromNewtons(newtons: number, unit: ForceUnit): number {
  return newtons / NEWTONS[unit];
}
