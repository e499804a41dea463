import { outlinePath, type Point2 } from '../../geometry';
import { wallOf, type LookContext, type Piece, type PointCode } from '../../look';
import { wirePlace } from '../../prepare';
import { isSplice } from '../../terminal';

const TONGUE = 9;
const WIRE_SHOWN = 9;
/** Share of the barrel's height left in a bite where no sheet says it. */
const USUAL_BITE = 0.72;

export const TIN = { fill: 'tin', stroke: 'tin-edge', width: 1.4 } as const;

/** The point in hand; 'blind' shows everything there is to see and says no word about any of it. */
export type PointShown = PointCode | 'blind' | null;

/** Where everything of a finished crimp lies, seen from the side. Lengths mm; x and y give units of the drawing. */
export type SideFrame = NonNullable<ReturnType<typeof sideFrame>>;

/** @returns null where the terminal's sheet leaves out a dimension the drawing needs */
export function sideFrame(context: LookContext, piece: Piece, point: PointShown, width: number) {
  const { terminal, wire, nest, bites, opposite } = context;
  const isBlind = point === 'blind';
  const known = knownSizes(context);
  if (!known) return null;
  const { length, outerDiameter } = known;
  const { depth, inspection } = terminal.barrel;
  const isOpen = terminal.barrel.seam === 'open';
  const splice = isSplice(terminal);
  const half = outerDiameter / 2;
  const body = splice && !isOpen ? (depth ?? length) : length;
  const left = splice && !isOpen ? -2 * body : -length;
  const grips = terminal.barrel.betweenGrips ?? 0;
  const support = terminal.barrel.supportLength;
  const sleeve =
    piece.sleeve && (point === null || isBlind || point === 'seal' || point === 'wire-insulation')
      ? sleevePlace()
      : null;
  const other = splice && opposite ? wirePlace(terminal, opposite.wire, opposite.strip) : null;
  const shown = other && !isOpen ? other.edge + WIRE_SHOWN : isOpen ? 5 : 3;
  const front = left - (splice ? shown : isOpen ? terminal.brushMax + TONGUE / 2 : TONGUE);
  const from = Math.min(front, sleeve ? sleeve.left - 2 : front);
  const to = Math.max(Math.max(grips + support, piece.edge) + WIRE_SHOWN, sleeve ? sleeve.right + 3 : 0);
  const widest = Math.max(wire.insulationDiameter, other && opposite ? opposite.wire.insulationDiameter : 0);
  const turn = splice ? (piece.bend * Math.PI) / 180 : 0;
  // A closed splice bends in its middle, an open one in front of its grip.
  const hinge = isOpen ? left - 1 : left / 2;
  const tall = Math.max(half, widest / 2) * 1.25;
  // What is bent down needs room below.
  const drop = Math.abs(Math.sin(turn)) * (to - hinge);
  const k = Math.min(width / (to - from), 120 / tall);
  return {
    ...{ terminal, wire, nest, bites, piece, point, isBlind, inspection, length, outerDiameter, isOpen, splice },
    ...{ half, left, grips, support, sleeve, front, from, to, tall, drop, k },
    // Red says what is wrong; who is to find that out for themselves sees it drawn as it is.
    wrong: isBlind ? ('ink' as const) : ('fail' as const),
    wall: wallOf(context),
    other: other && opposite && !isOpen ? { wire: opposite.wire, edge: other.edge } : null,
    x: (mm: number) => (mm - from) * k,
    y: (mm: number) => mm * k,
    ...{ at, hinge },
    /** A box from its left upper corner, bent with the end it belongs to. */
    box: (left: number, top: number, wide: number, high: number) =>
      outlinePath([at(left, top), at(left + wide, top), at(left + wide, top + high), at(left, top + high)]),
  };

  /** Where a point lies in the drawing: the near end of a splice is bent against the far one about a hinge. */
  function at(mmX: number, mmY: number): Point2 {
    const dx = mmX - hinge;
    const isBent = turn !== 0 && dx > 0;
    const [bentX, bentY] = isBent
      ? [hinge + dx * Math.cos(turn) - mmY * Math.sin(turn), dx * Math.sin(turn) + mmY * Math.cos(turn)]
      : [mmX, mmY];
    return { x: (bentX - from) * k, y: bentY * k };
  }

  function sleevePlace(): { left: number; right: number } {
    const long = terminal.slideOn.find((item) => item.kind === 'sleeve')?.length ?? 20;
    const middle = (splice ? left / 2 : (support - length) / 2) + (piece.sleeve?.off ?? 0);
    return { left: middle - long / 2, right: middle + long / 2 };
  }
}

/** Height of the conductor crimp: as measured, else the usual share of the barrel. */
export function pressedHeight({ piece, outerDiameter }: SideFrame): number {
  return piece.height ?? USUAL_BITE * outerDiameter;
}

/** Length and outer diameter of the barrel; null where the sheet leaves out a dimension the drawing needs. */
function knownSizes({ terminal }: LookContext): { length: number; outerDiameter: number } | null {
  const { length, outerDiameter, innerDiameter } = terminal.barrel;
  return length === null || outerDiameter === null || innerDiameter === null ? null : { length, outerDiameter };
}
