/**
 * AWG number, not rounded, whose solid area is `area` mm2: the inverse of {@link awgArea}.
 * @param area metal area, mm2, above 0
 * @example areaToAwg(0.75) // 18.40
 */
export function areaToAwg(area: number): number {
  return 36 - (39 * Math.log(Math.sqrt((4 * area) / Math.PI) / 0.127)) / Math.log(92);
}
