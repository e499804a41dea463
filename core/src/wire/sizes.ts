/* Sizes conductors are made in. */

/** Preferred metric sizes, mm2, in order. */
export const METRIC_SIZES: readonly number[] = [
  0.05, 0.08, 0.14, 0.22, 0.25, 0.34, 0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120, 150, 185, 240, 300,
  400, 500, 630, 800, 1000,
];
/** AWG sizes of stranded wire from the thinnest, by number: even ones to 2, then 1, 1/0 (0) to 4/0 (-3). */
export const AWG_SIZES: readonly number[] = [...Array.from({ length: 20 }, (_, i) => 40 - 2 * i), 1, 0, -1, -2, -3];
export const LARGEST_AWG = -3;
export const SMALLEST_AWG = 40;
/** mm2: AWG 40 is 0.0050. */
export const SMALLEST_AREA = 0.005;
export const LARGEST_AREA = 1000;

/** What a refusal of a size says is possible. */
export const SIZES_MADE = `from ${SMALLEST_AREA} to ${LARGEST_AREA} mm2 or AWG 4/0 to ${SMALLEST_AWG}`;
