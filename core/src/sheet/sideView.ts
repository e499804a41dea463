import type { Bite } from '../crimp';
import { wirePlace, type StripWindow } from '../prepare';
import { isSplice, type Terminal } from '../terminal';
import type { Nest } from '../tool';
import { envelopeDiameter, type Wire } from '../wire';

/** A box in mm: x grows from the tongue towards the wire, 0 at the barrel's wire end; y from the barrel's axis down. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface SideView {
  /** What the drawing spans, mm. */
  readonly from: number;
  readonly to: number;
  readonly halfHeight: number;
  /** Upper and lower wall of the conductor barrel as cut along its axis; an open barrel has only its floor. */
  readonly walls: readonly Box[];
  /** Insulation grip, sleeve or second barrel; null where there is none. */
  readonly support: Box | null;
  readonly strands: readonly Box[];
  readonly insulation: Box;
  readonly window: Box | null;
  /** A wire seal lying in the insulation wings; null without one. */
  readonly seal: Box | null;
  /** Barrel length, outer and inner diameter as drawn, mm. */
  readonly length: number;
  readonly outer: number;
  readonly inner: number;
  readonly bites: readonly { readonly order: number; readonly centre: number; readonly width: number }[];
  /** The wide bite of a two-bite nest, made on the insulation in the same stroke; null for all other nests. */
  readonly gripBite: { readonly centre: number; readonly width: number } | null;
  /** Conductor end and insulation edge, mm: their distance is the strip length. */
  readonly wireEnd: number;
  readonly insulationEdge: number;
  /** The brush as drawn, mm; null for a stop-located wire. */
  readonly brush: number | null;
  readonly gap: number;
}

/** Strands shown in the side view; more would run together. */
const MOST_ROWS = 6;
const TONGUE = 9;
/** Die drawn where no tool is chosen yet, mm. */
const USUAL_WIDTH = 3;
const INSULATION_SHOWN = 11;

/**
 * The side view, in mm, from the computed numbers alone: the strip length drawn is the set point (folded back: what of
 * it lies in the barrel), and the insulation edge lies in the middle of where it may lie at that set point.
 * @returns null where the terminal's sheet leaves out a dimension the drawing needs
 */
export function sideView(
  terminal: Terminal,
  wire: Wire,
  strip: StripWindow,
  bites: readonly Bite[],
  nest: Pick<Nest, 'width' | 'profile'> | null,
): SideView | null {
  const { barrel } = terminal;
  const { length, outerDiameter, innerDiameter } = barrel;
  if (length === null || outerDiameter === null || innerDiameter === null) return null;
  const place = wirePlace(terminal, wire, strip);
  if (!place) return null;
  const { bare: stripLength, edge: gap } = place;
  const wireEnd = gap - stripLength;
  const outer = outerDiameter / 2;
  const inner = innerDiameter / 2;
  const isOpen = barrel.seam === 'open';
  const isDouble = isSplice(terminal);
  const body = isDouble ? (barrel.depth ?? length) : length;
  const left = isDouble ? -2 * body : -length;
  const wall = outer - inner;
  const walls: Box[] = [
    ...(isOpen ? [] : [{ x: left, y: -outer, width: -left, height: wall }]),
    { x: left, y: inner, width: -left, height: wall },
  ];
  const support: Box | null =
    barrel.supportLength > 0
      ? {
          x: barrel.betweenGrips ?? 0,
          y: -wire.insulationDiameter / 2 - 0.25,
          width: barrel.supportLength,
          height: wire.insulationDiameter + 0.5,
        }
      : null;
  const envelope = envelopeDiameter(wire.conductor);
  const rows = Math.min(MOST_ROWS, Math.max(1, Math.round(envelope / wire.conductor.strandDiameter)));
  const pitch = envelope / rows;
  const strands = Array.from({ length: rows }, (_, i) => ({
    x: wireEnd,
    y: -envelope / 2 + i * pitch + pitch * 0.06,
    width: stripLength + 0.8,
    height: pitch * 0.88,
  }));
  const insulation = {
    x: gap,
    y: -wire.insulationDiameter / 2,
    width: INSULATION_SHOWN,
    height: wire.insulationDiameter,
  };
  const inspection = barrel.inspection;
  const sealed = terminal.slideOn.find((item) => item.kind === 'seal');
  return {
    from: isDouble
      ? Math.min(left - 1.5, wireEnd - 4.5)
      : Math.min(left - TONGUE, wireEnd - 2, left - terminal.brushMax - 2),
    to: gap + INSULATION_SHOWN,
    halfHeight: Math.max(outer, wire.insulationDiameter / 2 + 0.25),
    walls,
    support,
    strands,
    insulation,
    seal: sealed
      ? {
          x: (barrel.betweenGrips ?? 0) + 0.2,
          y: -wire.insulationDiameter / 2 - 0.7,
          width: sealed.length,
          height: wire.insulationDiameter + 1.4,
        }
      : null,
    length,
    outer,
    inner,
    window: inspection && { x: -inspection.max, y: -outer, width: inspection.max - inspection.min, height: wall },
    bites: bites.map((bite) => ({ order: bite.order, centre: -bite.centre, width: nest?.width ?? USUAL_WIDTH })),
    gripBite:
      nest?.profile === 'two-bite' && support
        ? { centre: support.x + support.width / 2, width: Math.min(nest.width, support.width) }
        : null,
    wireEnd,
    insulationEdge: gap,
    brush: place.brush,
    gap,
  };
}
