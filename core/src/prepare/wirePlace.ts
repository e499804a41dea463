import type { Range, Terminal } from '../terminal';
import { envelopeDiameter, type Wire } from '../wire';
import type { StripWindow } from './stripWindow';

/** Where the wire lies in the barrel. */
export interface WirePlace {
  /** Stripped conductor that goes into the barrel, mm; folded back, less than what is stripped. */
  readonly bare: number;
  /** Insulation edge behind the barrel, mm; inside the barrel when negative. */
  readonly edge: number;
  /** Wire past the barrel, mm; null for a stop-located wire. */
  readonly brush: number | null;
}

/**
 * Where the wire lies when it is made as set: the strip length at its set point, the insulation edge in the middle of
 * where brush and gap both stay in range.
 * @returns null where the terminal's sheet gives no barrel length
 */
export function wirePlace({ barrel }: Terminal, wire: Wire, strip: StripWindow): WirePlace | null {
  const { length, depth } = barrel;
  if (length === null) return null;
  const set = strip.setPoint ?? (strip.window ? (strip.window.min + strip.window.max) / 2 : length);
  const bare = strip.folded ? (set - (Math.PI / 2) * envelopeDiameter(wire.conductor)) / 2 : set;
  if (!strip.brush) return { bare, edge: Math.max(0, bare - (depth ?? length)), brush: null };
  const range: Range = {
    min: Math.max(strip.position.min, bare - length - strip.brush.max),
    max: Math.min(strip.position.max, bare - length - strip.brush.min),
  };
  const edge = (range.min + range.max) / 2;
  return { bare, edge, brush: bare - length - edge };
}
