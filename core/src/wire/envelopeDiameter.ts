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
 * Smallest circle around that many equal circles, in their diameters, from two on: the proven or best known packings. A bunch of few
 * strands cannot be tighter.
 */
const PACKED = [
  2, 2.1547, 2.4142, 2.7013, 3, 3, 3.3048, 3.6131, 3.813, 3.9238, 4.0296, 4.2361, 4.3284, 4.5214, 4.6154, 4.792, 4.8637,
];

/**
 * Diameter in mm of the circle around the bare conductor. Concentric lays of 1, 7, 19, 37, 61 strands are
 * 1, 3, 5, 7, 9 strand diameters; everything else is taken as bunched: 1.155 x sqrt(strands) x strand diameter, and
 * with up to 18 strands no less than the tightest packing of as many circles (2: 2, 3: 1 + 2/sqrt 3, 4: 1 + sqrt 2).
 * @example 24 strands of 0.20 mm bunched: 1.132 mm
 */
export function envelopeDiameter(conductor: Pick<Conductor, 'strands' | 'strandDiameter' | 'lay'>): number {
  const layers =
    conductor.lay === 'concentric' || conductor.strands === 1 ? CONCENTRIC.get(conductor.strands) : undefined;
  const bunched = Math.max(1.155 * Math.sqrt(conductor.strands), PACKED[conductor.strands - 2] ?? 0);
  return (layers ?? bunched) * conductor.strandDiameter;
}
