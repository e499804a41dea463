import { metalArea } from './metalArea';
import { sizesWithin, type SizeGuess } from './sizesWithin';
import type { Wire } from './Wire';

/** What was counted and measured on a wire in the hand. */
export interface WireSeen {
  readonly strands: number;
  /** Over one strand, mm. */
  readonly strandDiameter: number;
  /** By how much that reading may be off either way, mm: a caliper's last digit and the hand. */
  readonly uncertainty: number;
  /** Over the insulation, mm; null where it was not measured. */
  readonly insulationDiameter: number | null;
}

export interface WireGuess {
  /** Metal as counted, and the least and most it can be, mm2. */
  readonly area: number;
  readonly least: number;
  readonly most: number;
  /** Sizes it may be, the nearest first on each scale; empty where none is within reach. */
  readonly sizes: readonly SizeGuess[];
  /** Wires of the shop it may be, the likeliest first. */
  readonly wires: readonly { readonly wire: Wire; readonly text: string }[];
}

/** Over insulation, mm: soft, seldom round, and as the maker's lot has it. */
const INSULATION_WITHIN = 0.25;

/**
 * What a wire without a label may be, by counting and measuring it. Never one answer where two are within reach: a strand read
 * 0.01 mm wrong is 10 % of the metal of a 0.20 mm strand.
 *
 * The metal is strands x pi/4 x d squared; with d off by u it lies between those of d - u and d + u. A size is within reach where
 * its nominal area lies between them, widened by the 12 % constructions of one size differ by.
 * @example 24 strands of 0.20 mm, read to 0.005 mm: 0.754 mm2 (0.717 to 0.792), so 0.75 mm2 and AWG 18
 */
export function whatWire(seen: WireSeen, wires: readonly Wire[]): WireGuess {
  const { strands, strandDiameter, uncertainty, insulationDiameter } = seen;
  const metal = (diameter: number) => metalArea({ strands, strandDiameter: Math.max(0, diameter) });
  const [area, least, most] = [strandDiameter, strandDiameter - uncertainty, strandDiameter + uncertainty].map(metal);
  if (area === undefined || least === undefined || most === undefined) throw new Error('three areas were worked out');
  const off = ({ conductor }: Wire) => Math.abs(area / metalArea(conductor) - 1);
  const alike = wires
    .filter(({ conductor }) => {
      const own = metalArea(conductor);
      return conductor.strands === strands && own >= least && own <= most;
    })
    .map((wire) => ({
      wire,
      by: insulationDiameter === null ? 0 : Math.abs(wire.insulationDiameter - insulationDiameter),
    }))
    .filter(({ by }) => by <= INSULATION_WITHIN)
    .sort((a, b) => a.by - b.by || off(a.wire) - off(b.wire));
  return {
    ...{ area, least, most },
    sizes: sizesWithin(area, least, most),
    wires: alike.map(({ wire, by }) => ({
      wire,
      text:
        insulationDiameter === null
          ? `${strands} strands and their metal agree; measure over the insulation to tell it from others.`
          : `${strands} strands and their metal agree; over the insulation ${by < 0.005 ? 'the same' : `${by.toFixed(2)} mm off`}.`,
    })),
  };
}
