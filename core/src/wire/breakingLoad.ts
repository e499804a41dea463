import { metalArea } from './metalArea';
import type { ConductorMaterial } from './kinds';
import type { Conductor } from './Wire';

/**
 * Tensile strength in MPa (N/mm2) used for the breaking load. Annealed copper is typically 220 to 250; the middle
 * is used. The other values are typical handbook figures for soft aluminium and for a hardened copper alloy.
 */
const TENSILE_STRENGTH: Readonly<Record<ConductorMaterial, number>> = {
  copper: 235,
  'tinned-copper': 235,
  'high-strength-copper': 400,
  aluminium: 110,
};

/**
 * Force in N at which the conductor itself breaks: metal area x tensile strength. No pull on a crimp can be far
 * above it, so it is the ceiling of the force scale.
 * @example 24 strands of 0.20 mm copper: 0.7540 x 235 = 177.2 N
 */
export function breakingLoad(conductor: Pick<Conductor, 'strands' | 'strandDiameter' | 'material'>): number {
  return metalArea(conductor) * TENSILE_STRENGTH[conductor.material];
}
