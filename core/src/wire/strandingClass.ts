import { metalArea } from './metalArea';
import type { Conductor } from './Wire';

/** Largest strand, mm, of flexible (5) and extra flexible (6) conductors, by metal area up to, mm2. */
const LARGEST_STRAND = [
  { upTo: 0.55, flexible: 0.21, extraFlexible: 0.16 },
  { upTo: 1.1, flexible: 0.21, extraFlexible: 0.16 },
  { upTo: 2.7, flexible: 0.26, extraFlexible: 0.16 },
  { upTo: 4.4, flexible: 0.31, extraFlexible: 0.16 },
  { upTo: 6.6, flexible: 0.31, extraFlexible: 0.21 },
  { upTo: 55, flexible: 0.41, extraFlexible: 0.21 },
  { upTo: Infinity, flexible: 0.51, extraFlexible: 0.31 },
] as const;

/**
 * The stranding class a conductor's construction amounts to: '1' solid, '2' stranded, '5' flexible, '6' extra
 * flexible. The bounds are the usual largest strand diameters of flexible conductors by size.
 * @example 24 strands of 0.20 mm (0.75 mm2): '5'
 */
export function strandingClass(
  conductor: Pick<Conductor, 'kind' | 'strands' | 'strandDiameter'>,
): '1' | '2' | '5' | '6' {
  if (conductor.kind === 'solid' || conductor.strands === 1) return '1';
  const area = metalArea(conductor);
  const row = LARGEST_STRAND.find((r) => area <= r.upTo) ?? LARGEST_STRAND[LARGEST_STRAND.length - 1];
  if (!row) return '2';
  return conductor.strandDiameter <= row.extraFlexible ? '6' : conductor.strandDiameter <= row.flexible ? '5' : '2';
}
