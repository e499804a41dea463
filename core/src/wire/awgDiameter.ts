/**
 * Diameter in mm of a solid round conductor of AWG number `n` (1/0 is 0, 2/0 is -1).
 * Definition: AWG 36 is 0.127 mm (0.005 in), AWG 4/0 is 92 times that, in 39 equal ratios between.
 * @example awgDiameter(18) // 1.0237
 */
export function awgDiameter(n: number): number {
  return 0.127 * 92 ** ((36 - n) / 39);
}
