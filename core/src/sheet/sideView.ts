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
  /** The inspection hole; of a splice what of its window each wire shows in. */
  readonly windows: readonly Box[];
  /** A wire seal lying in the insulation wings; null without one. */
  readonly seal: Box | null;
  /** The barrel's far end, mm: its mouth for the other wire of a splice, else where what lies in front begins. */
  readonly leftEnd: number;
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
  /** The wire that comes from the other side of a splice; null where there is none, or nothing is known of it. */
  readonly other: {
    readonly strands: readonly Box[];
    readonly insulation: Box;
    readonly support: Box | null;
    readonly bites: SideView['bites'];
    readonly wireEnd: number;
    readonly insulationEdge: number;
    readonly gap: number;
  } | null;
}

/** A wire of a splice, as it is made. */
export interface OtherWire {
  readonly wire: Wire;
  readonly strip: StripWindow;
  readonly bites: readonly Bite[];
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
 * @param opposite the wire at the other end of a splice, drawn from its own side
 * @returns null where the terminal's sheet leaves out a dimension the drawing needs
 */
export function sideView(
  terminal: Terminal,
  wire: Wire,
  strip: StripWindow,
  bites: readonly Bite[],
  nest: Pick<Nest, 'width' | 'profile'> | null,
  opposite: OtherWire | null = null,
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
  // Between the two grips of an open splice both wires stand out of theirs.
  const left = isDouble ? -2 * (isOpen && opposite ? body + terminal.brushMax : body) : -length;
  const wall = outer - inner;
  const walls: Box[] = [
    ...(isOpen ? [] : [{ x: left, y: -outer, width: -left, height: wall }]),
    { x: left, y: inner, width: -left, height: wall },
  ];
  const own = wireBoxes(terminal, wire, wireEnd, gap);
  const otherPlace = opposite && isDouble ? wirePlace(terminal, opposite.wire, opposite.strip) : null;
  const mirrored = (box: Box): Box => ({ ...box, x: left - box.x - box.width });
  const bitesAt = (places: readonly Bite[], at: (centre: number) => number) =>
    places.map(({ order, centre }) => ({ order, centre: at(centre), width: nest?.width ?? USUAL_WIDTH }));
  const theirs =
    opposite && otherPlace && wireBoxes(terminal, opposite.wire, otherPlace.edge - otherPlace.bare, otherPlace.edge);
  const other = opposite &&
    otherPlace &&
    theirs && {
      strands: theirs.strands.map(mirrored),
      insulation: mirrored(theirs.insulation),
      support: theirs.support && mirrored(theirs.support),
      bites: bitesAt(opposite.bites, (centre) => left + centre),
      wireEnd: left - (otherPlace.edge - otherPlace.bare),
      insulationEdge: left - otherPlace.edge,
      gap: otherPlace.edge,
    };
  const { inspection } = barrel;
  const hole = inspection && { x: -inspection.max, y: -outer, width: inspection.max - inspection.min, height: wall };
  const sealed = terminal.slideOn.find((item) => item.kind === 'seal');
  return {
    from: isDouble
      ? (other?.insulation.x ?? Math.min(left - 1.5, wireEnd - 4.5))
      : Math.min(left - TONGUE, wireEnd - 2, left - terminal.brushMax - 2),
    to: gap + INSULATION_SHOWN,
    halfHeight: Math.max(
      outer,
      ...[wire, ...(opposite ? [opposite.wire] : [])].map((w) => w.insulationDiameter / 2 + 0.25),
    ),
    walls,
    ...own,
    seal: sealed
      ? {
          x: (barrel.betweenGrips ?? 0) + 0.2,
          y: -wire.insulationDiameter / 2 - 0.7,
          width: sealed.length,
          height: wire.insulationDiameter + 1.4,
        }
      : null,
    leftEnd: left,
    length,
    outer,
    inner,
    windows: hole ? [hole, ...(isDouble ? [mirrored(hole)] : [])] : [],
    bites: bitesAt(bites, (centre) => -centre),
    gripBite:
      nest?.profile === 'two-bite' && own.support
        ? { centre: own.support.x + own.support.width / 2, width: Math.min(nest.width, own.support.width) }
        : null,
    wireEnd,
    insulationEdge: gap,
    brush: place.brush,
    gap,
    other,
  };
}

/** A wire in its barrel: its strands, its insulation, and what grips or covers that. */
function wireBoxes({ barrel }: Terminal, wire: Wire, wireEnd: number, edge: number) {
  const envelope = envelopeDiameter(wire.conductor);
  const rows = Math.min(MOST_ROWS, Math.max(1, Math.round(envelope / wire.conductor.strandDiameter)));
  const pitch = envelope / rows;
  const support: Box | null =
    barrel.supportLength > 0
      ? {
          x: barrel.betweenGrips ?? 0,
          y: -wire.insulationDiameter / 2 - 0.25,
          width: barrel.supportLength,
          height: wire.insulationDiameter + 0.5,
        }
      : null;
  return {
    support,
    strands: Array.from({ length: rows }, (_, i): Box => ({
      x: wireEnd,
      y: -envelope / 2 + i * pitch + pitch * 0.06,
      width: edge - wireEnd + 0.8,
      height: pitch * 0.88,
    })),
    insulation: { x: edge, y: -wire.insulationDiameter / 2, width: INSULATION_SHOWN, height: wire.insulationDiameter },
  };
}
