import { awgDiameter } from './awgDiameter';

/** Area in mm2 of a solid round conductor of AWG number `n`. @example awgArea(18) // 0.8230 */
export function awgArea(n: number): number {
  return (Math.PI / 4) * awgDiameter(n) ** 2;
}
