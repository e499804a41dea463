import { envelopeDiameter } from './envelopeDiameter';
import { metalArea } from './metalArea';
import { sizesWithin } from './sizesWithin';
import type { WireGuess } from './whatWire';
import type { Wire } from './Wire';

export const PACKINGS = ['bunched', 'concentric', 'compacted', 'solid'] as const;
/** How the strands lie together, as far as the eye tells. */
export type Packing = (typeof PACKINGS)[number];

/**
 * Share of the circle around the strands that is metal, as usual and at its ends. Concentric 7, 19, 37 and 61 strands fill 7/9,
 * 19/25, 37/49 and 61/81 of it: 0.75 to 0.78. Bunched ones 1/1.155 squared, 0.75, looser or tighter by how they were drawn;
 * compacted ones are pressed to 0.84 to 0.93.
 */
const FILL: Readonly<Record<Packing, { readonly usual: number; readonly least: number; readonly most: number }>> = {
  bunched: { usual: 0.75, least: 0.68, most: 0.78 },
  concentric: { usual: 0.76, least: 0.75, most: 0.78 },
  compacted: { usual: 0.88, least: 0.84, most: 0.93 },
  solid: { usual: 1, least: 1, most: 1 },
};

/**
 * What a wire may be by a caliper over its bare strands: coarser than counting them, quicker, and never one answer where two are
 * within reach. The metal is pi/4 x d squared x the packing; with d off by u it lies between those of d - u at the loosest and d + u
 * at the tightest.
 *
 * @param seen over the strands and how far that may be off, mm
 * @example 1.13 mm over bunched strands, to 0.05 mm: 0.752 mm2 (0.623 to 0.853)
 */
export function caliperedWire(
  seen: { readonly diameter: number; readonly uncertainty: number; readonly packing: Packing },
  wires: readonly Wire[],
): WireGuess {
  const { diameter, uncertainty, packing } = seen;
  const { usual, least: loosest, most: tightest } = FILL[packing];
  const circle = (over: number) => metalArea({ strands: 1, strandDiameter: Math.max(0, over) });
  const area = circle(diameter) * usual;
  const [least, most] = [circle(diameter - uncertainty) * loosest, circle(diameter + uncertainty) * tightest];
  const alike = wires
    .filter(({ conductor }) => (conductor.strands === 1) === (packing === 'solid'))
    .map((wire) => ({ wire, over: envelopeDiameter(wire.conductor), own: metalArea(wire.conductor) }))
    .filter(({ over, own }) => Math.abs(over - diameter) <= uncertainty + 0.1 * diameter && own >= least && own <= most)
    .sort((a, b) => Math.abs(a.over - diameter) - Math.abs(b.over - diameter));
  return {
    ...{ area, least, most, sizes: sizesWithin(area, least, most) },
    wires: alike.map(({ wire, over }) => ({
      wire,
      text: `${over.toFixed(2)} mm over its strands as computed; count them to tell it from others.`,
    })),
  };
}
