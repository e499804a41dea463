import type { Bite, Orientation } from '../crimp';
import type { Practice } from '../practice';
import type { StripWindow } from '../prepare';
import type { End, Range, Terminal } from '../terminal';
import type { Nest } from '../tool';
import type { Wire } from '../wire';

/** What has been settled for the combination, as far as eye and caliper need it. */
export interface LookContext {
  readonly terminal: Terminal;
  readonly wire: Wire;
  readonly practice: Practice;
  readonly strip: StripWindow;
  readonly nest: Nest;
  readonly orientation: Orientation;
  readonly bites: readonly Bite[];
  /** Crimp height and width the sheet gives for this wire, mm. */
  readonly height: Range | null;
  readonly width: Range | null;
  /** The end of a splice it is about; 1 for everything that has one. */
  readonly end: End;
  /** The wire at the other end of a splice, and how it is made; null where there is none, or nothing is known of it. */
  readonly opposite: {
    readonly wire: Wire;
    readonly strip: StripWindow;
    readonly bites: readonly Bite[];
    readonly orientation: Orientation;
  } | null;
}

/** Thickness of the barrel's wall, mm; a guess from its length where the sheet gives no diameters. */
export function wallOf({ terminal }: Pick<LookContext, 'terminal'>): number {
  const { outerDiameter, innerDiameter, length } = terminal.barrel;
  if (outerDiameter !== null && innerDiameter !== null) return (outerDiameter - innerDiameter) / 2;
  return (length ?? 4) / 10;
}

/** How far a bite may lie off its place before the die reaches past an end of the barrel, mm. */
export function biteRoom({ terminal, nest, bites }: Pick<LookContext, 'terminal' | 'nest' | 'bites'>): number {
  const length = terminal.barrel.length ?? nest.width;
  const half = Math.min(nest.width, length) / 2;
  const room = Math.min(...bites.map((b) => Math.min(b.centre - half, length - half - b.centre)));
  // Bites that fill the barrel still have the play of a hand placing them.
  return Math.min(1, Math.max(0.3, Number.isFinite(room) ? room : 0.3));
}

/**
 * How far the conductor grip of an open barrel flares towards the wire, mm: half to twice the wall's thickness, and
 * never more than a quarter of the grip. A shop's sheet may say otherwise.
 */
export function bellmouthRange(context: Pick<LookContext, 'terminal'>): Range {
  const wall = wallOf(context);
  const max = Math.min(2 * wall, (context.terminal.barrel.length ?? 8 * wall) / 4);
  return { min: Math.min(0.5 * wall, max / 2), max };
}
