import { metalArea } from './metalArea';

/** Metal, strands and their diameter: two of them give the third. */
export interface Construction {
  /** mm2 */
  readonly area: number;
  readonly strands: number;
  /** mm */
  readonly strandDiameter: number;
}

/**
 * The third of metal, strands and strand diameter from the other two: area = strands x pi/4 x diameter squared. Where all three
 * are given, the area is what strands and diameter come to.
 * @returns null where fewer than two are given. A count comes as the nearest whole one.
 * @example construction({ area: 0.75, strands: 24 }) // strandDiameter 0.1995
 * @example construction({ area: 0.75, strandDiameter: 0.2 }) // strands 24
 */
export function construction(known: Partial<Construction>): Construction | null {
  const { area, strands, strandDiameter } = known;
  if (strands !== undefined && strandDiameter !== undefined) {
    return { area: metalArea({ strands, strandDiameter }), strands, strandDiameter };
  }
  if (area === undefined) return null;
  if (strands !== undefined) return { area, strands, strandDiameter: Math.sqrt((4 * area) / (Math.PI * strands)) };
  if (strandDiameter === undefined) return null;
  const count = Math.max(1, Math.round(area / metalArea({ strands: 1, strandDiameter })));
  return { area, strands: count, strandDiameter };
}
