import type { Conductor } from './Wire';

/**
 * Real metal area of a conductor in mm2: strands x pi/4 x strand diameter squared. It may differ from the
 * nominal size by 10 to 20 %, which is why computations use this and not the label.
 * @example 24 strands of 0.20 mm: 0.7540 mm2
 */
export function metalArea(conductor: Pick<Conductor, 'strands' | 'strandDiameter'>): number {
  return conductor.strands * (Math.PI / 4) * conductor.strandDiameter ** 2;
}
