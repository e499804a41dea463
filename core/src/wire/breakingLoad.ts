import { metalArea } from './metalArea';
import type { ConductorMaterial } from './kinds';
import type { Conductor } from './Wire';

/** Tensile strengths the shop reckons with, MPa (N/mm2). */
export interface TensileStrengths {
  /** Annealed copper, plain or tinned. */
  readonly tensileCopper: number;
  /** A hardened copper alloy. */
  readonly tensileHighStrength: number;
  readonly tensileAluminium: number;
}

/**
 * What a shop that knows nothing better begins with. Annealed copper is typically 220 to 250; the middle is used. The other
 * values are typical handbook figures for soft aluminium and for a hardened copper alloy.
 */
export const TYPICAL_STRENGTHS: TensileStrengths = {
  tensileCopper: 235,
  tensileHighStrength: 400,
  tensileAluminium: 110,
};

const KEYS: Readonly<Record<ConductorMaterial, keyof TensileStrengths>> = {
  copper: 'tensileCopper',
  'tinned-copper': 'tensileCopper',
  'high-strength-copper': 'tensileHighStrength',
  aluminium: 'tensileAluminium',
};

/**
 * Force in N at which the conductor itself breaks: metal area x tensile strength. No pull on a crimp can be far
 * above it, so it is the ceiling of the force scale.
 * @param strengths those of the house rules
 * @example 24 strands of 0.20 mm copper: 0.7540 x 235 = 177.2 N
 */
export function breakingLoad(
  conductor: Pick<Conductor, 'strands' | 'strandDiameter' | 'material'>,
  strengths: TensileStrengths,
): number {
  return metalArea(conductor) * strengths[KEYS[conductor.material]];
}
