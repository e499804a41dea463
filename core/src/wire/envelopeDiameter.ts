import type { Conductor } from './Wire';

/** Concentric lays: strand count to envelope in strand diameters (one centre strand, then layers of 6 more each). */
const CONCENTRIC = new Map([
  [1, 1],
  [7, 3],
  [19, 5],
  [37, 7],
  [61, 9],
]);

/**
 * Diameter in mm of the circle around the bare conductor. Concentric lays of 1, 7, 19, 37, 61 strands are
 * 1, 3, 5, 7, 9 strand diameters; everything else is taken as bunched: 1.155 x sqrt(strands) x strand diameter.
 * @example 24 strands of 0.20 mm bunched: 1.132 mm
 */
export function envelopeDiameter(conductor: Pick<Conductor, 'strands' | 'strandDiameter' | 'lay'>): number {
  const layers =
    conductor.lay === 'concentric' || conductor.strands === 1 ? CONCENTRIC.get(conductor.strands) : undefined;
  return (layers ?? 1.155 * Math.sqrt(conductor.strands)) * conductor.strandDiameter;
}
