import { familyOf, type Barrel, type Family } from '../terminal';
import type { Drawing } from './drawSide';
import { circle, line, path, rect, type Shape } from './shapes';

export const DIMENSIONS = [
  'studHole',
  'brushMax',
  'barrel.length',
  'barrel.depth',
  'barrel.inspection.min',
  'barrel.inspection.max',
  'barrel.betweenGrips',
  'barrel.supportLength',
  'barrel.outerDiameter',
  'barrel.innerDiameter',
] as const;
/** A dimension of a terminal, by the path of its field. */
export type DimensionPath = (typeof DIMENSIONS)[number];

/** What is known of a terminal while its sheet is being typed in. */
export interface TerminalOutline {
  readonly family: Family;
  /** The end that is not on the wire, e.g. 'ring'. */
  readonly shape: string;
  readonly seam: Barrel['seam'];
  /** mm; what is missing is drawn as such parts usually are. */
  readonly lengths: Readonly<Partial<Record<DimensionPath, number>>>;
}

/** A dimension as it stands on the drawing: a line between two points, and where its words go. */
export interface DrawnDimension {
  readonly path: DimensionPath;
  readonly title: string;
  /** mm; null where it is not typed yet. */
  readonly value: number | null;
  readonly from: { readonly x: number; readonly y: number };
  readonly to: { readonly x: number; readonly y: number };
  readonly label: { readonly x: number; readonly y: number; readonly anchor: 'start' | 'middle' | 'end' };
}

export interface TerminalDrawing extends Drawing {
  readonly dimensions: readonly DrawnDimension[];
}

const TITLES: Readonly<Record<DimensionPath, string>> = {
  studHole: 'stud hole',
  brushMax: 'room for the brush',
  'barrel.length': 'barrel',
  'barrel.depth': 'to the stop',
  'barrel.inspection.min': 'window from',
  'barrel.inspection.max': 'window to',
  'barrel.betweenGrips': 'between grips',
  'barrel.supportLength': 'support',
  'barrel.outerDiameter': 'outer',
  'barrel.innerDiameter': 'inner',
};

/** Drawn where nothing is typed, mm. */
const USUAL: Readonly<Record<DimensionPath, number>> = {
  studHole: 4.3,
  brushMax: 1.5,
  'barrel.length': 6,
  'barrel.depth': 5,
  'barrel.inspection.min': 2.4,
  'barrel.inspection.max': 3.6,
  'barrel.betweenGrips': 1.6,
  'barrel.supportLength': 3.5,
  'barrel.outerDiameter': 3.6,
  'barrel.innerDiameter': 2.4,
};

/** Lengths that are drawn as they are typed, mm. */
const DRAWN = { least: 0.05, most: 300 } as const;

/** Units between dimension lines that lie one below the other. */
const LANE = 34;
/** Units kept free around the part for words. */
const SIDES = { left: 60, right: 96, end: 18 } as const;
const TIN = { fill: 'tin', stroke: 'tin-edge', width: 1.6 } as const;
const SLEEVE = { fill: 'insulation-light', stroke: 'insulation', width: 1.4 } as const;

/**
 * A terminal of a family as a plan, its wire coming from the right, to scale by the lengths that are known: what is missing
 * is drawn as such parts usually are, and its dimension has no value.
 * @param has whether a terminal of the family has a field at all
 * @param width of the part with its words, in units; `plain` leaves the dimensions out, to choose a family by
 */
export function drawTerminal(
  { family, shape, seam, lengths }: TerminalOutline,
  has: (path: DimensionPath) => boolean,
  { width = 480, plain = false }: { readonly width?: number; readonly plain?: boolean } = {},
): TerminalDrawing {
  const given = (at: DimensionPath) => {
    const value = lengths[at];
    return value !== undefined && value > 0 && Number.isFinite(value) ? value : null;
  };
  /** As it is drawn: nobody sees a part by a length no part has. */
  const of = (at: DimensionPath) => {
    const value = given(at);
    return value !== null && value >= DRAWN.least && value <= DRAWN.most ? value : USUAL[at];
  };
  const { isSplice, isSleeved, drawing } = familyOf({ family });
  const isOpen = seam === 'open';
  const isFerrule = family === 'ferrule';
  const [long, outer] = [of('barrel.length'), of('barrel.outerDiameter')];
  const inner = Math.min(of('barrel.innerDiameter'), given('barrel.innerDiameter') === null ? outer * 0.66 : Infinity);
  const gap = has('barrel.betweenGrips') && isOpen ? of('barrel.betweenGrips') : 0;
  const hasSupport = isOpen || isSleeved || isFerrule || given('barrel.supportLength') !== null;
  const support = hasSupport ? of('barrel.supportLength') : 0;
  const hole = of('studHole');
  const front = frontOf(family, shape, has('studHole'), { long, outer, hole, brush: of('brushMax') });
  const left = isSplice ? -2 * long - (isOpen ? outer : 0) - support : -long - front.length;
  const right = gap + support;
  const half = Math.max(outer * (isSleeved || isOpen ? 0.72 : 0.5), front.half);
  const sides = plain ? { left: 4, right: 4, end: 8 } : SIDES;
  const k = Math.min((width - sides.left - sides.right) / (right - left), (plain ? width * 0.5 : 150) / (2 * half));
  const x = (mm: number) => (mm - left) * k;
  const y = (mm: number) => mm * k;
  const box = (from: number, to: number, tall: number, look: Parameters<typeof rect>[4]) =>
    rect(x(from), y(-tall / 2), (to - from) * k, tall * k, look);

  const shapes: Shape[] = [...front.draw(x, y)];
  const barrel = (from: number, to: number) => {
    if (isSleeved) shapes.push(box(from, to, outer * 1.44, SLEEVE));
    shapes.push(box(from, to, outer, TIN));
    if (isOpen) {
      // Wings stand up at both sides of an open grip.
      const lean = Math.min(outer * 0.2, (to - from) * 0.2);
      for (const side of [-1, 1]) {
        const edge = side * outer * 0.5;
        const tip = side * outer * 0.72;
        shapes.push(
          path(`M${x(from)} ${y(edge)}L${x(from + lean)} ${y(tip)}H${x(to - lean)}L${x(to)} ${y(edge)}Z`, TIN),
        );
      }
      return;
    }
    for (const side of [-1, 1])
      shapes.push(line(x(from), y((side * inner) / 2), x(to), y((side * inner) / 2), 'tin-edge', 1, true));
    if (seam === 'butted' || seam === 'brazed')
      shapes.push(line(x(from), 0, x(to), 0, 'ink', seam === 'brazed' ? 1.2 : 2.4));
  };
  barrel(-long, 0);
  if (isSplice) {
    const other = -2 * long - (isOpen ? outer : 0);
    barrel(other, other + long);
    if (isOpen) shapes.push(box(other + long, -long, outer * 0.5, TIN));
    if (support) shapes.push(box(other - support, other, outer * 1.2, isSleeved ? SLEEVE : TIN));
    if (!isOpen && !drawing.windowEndOn)
      shapes.push(rect(x(-long) - 2, y(-inner / 2), 4, inner * k, { fill: 'steel' }));
  }
  if (gap) shapes.push(box(0, gap, outer * 0.5, TIN));
  if (support) {
    if (isFerrule) {
      shapes.push(
        path(
          `M${x(0)} ${y(-outer / 2)}L${x(support)} ${y(-outer * 0.72)}V${y(outer * 0.72)}L${x(0)} ${y(outer / 2)}Z`,
          SLEEVE,
        ),
      );
    } else shapes.push(box(gap, gap + support, outer * 1.3, isSleeved ? SLEEVE : TIN));
  }
  const [from, to] = [of('barrel.inspection.min'), of('barrel.inspection.max')];
  const hasWindow = given('barrel.inspection.min') !== null || given('barrel.inspection.max') !== null;
  if (hasWindow || drawing.windowEndOn || drawing.front === 'pin') {
    const [near, far] = from < to ? [from, to] : [from, from + 0.4];
    const tall = Math.min(inner, far - near);
    shapes.push(rect(x(-far), y(-tall / 2), (far - near) * k, tall * k, { fill: 'paper', stroke: 'ink', width: 1.4 }));
  }

  const low = y(half);
  const dimensions: DrawnDimension[] = [];
  const dimension = (
    at: DimensionPath,
    a: DrawnDimension['from'],
    b: DrawnDimension['from'],
    label: DrawnDimension['label'],
  ) => {
    if (has(at) && !plain) dimensions.push({ path: at, title: TITLES[at], value: given(at), from: a, to: b, label });
  };
  /** One below the part, in its lane; above it for lanes below 0. */
  const across = (at: DimensionPath, a: number, b: number, lane: number) => {
    const level = lane < 0 ? -low + lane * LANE + 8 : low + lane * LANE + 20;
    const middle = (x(a) + x(b)) / 2;
    dimension(
      at,
      { x: x(a), y: level },
      { x: x(b), y: level },
      { x: middle, y: level + (lane < 0 ? -7 : 17), anchor: 'middle' },
    );
  };
  if (has('studHole')) across('studHole', front.hole - hole / 2, front.hole + hole / 2, -1);
  if (!isSplice && !isFerrule) across('brushMax', -long - of('brushMax'), -long, has('studHole') ? -2 : -1);
  across('barrel.length', -long, 0, 0);
  if (hasSupport) across('barrel.supportLength', gap, gap + support, gap ? 1 : 0);
  if (gap) across('barrel.betweenGrips', 0, gap, 0);
  if (!isOpen) across('barrel.depth', -of('barrel.depth'), 0, 1);
  if (hasWindow || drawing.windowEndOn || drawing.front === 'pin') {
    across('barrel.inspection.min', -from, 0, 2);
    across('barrel.inspection.max', -to, 0, 3);
  }
  /** Upright, beside the part: the words of the first stand above it, those of the second below, so that neither hides a line. */
  const beside = (at: DimensionPath, tall: number, off: number, isAbove: boolean) => {
    const level = x(right) + off;
    const end = y(tall / 2);
    const label = { x: level - 6, y: isAbove ? -end - 9 : end + 19, anchor: 'start' as const };
    dimension(at, { x: level, y: -end }, { x: level, y: end }, label);
  };
  beside('barrel.outerDiameter', outer, 16, true);
  if (!isOpen) beside('barrel.innerDiameter', inner, 34, false);
  const top = Math.min(-low, ...dimensions.map(({ label }) => label.y - 16)) - sides.end / 2;
  const bottom = Math.max(low, ...dimensions.map(({ label }) => label.y)) + sides.end / 2;
  return {
    shapes,
    dimensions,
    scale: k,
    box: { x: -sides.left, y: top, width: x(right) + sides.left + sides.right, height: bottom - top },
  };
}

interface Front {
  /** mm in front of the barrel. */
  readonly length: number;
  /** Half its height, mm. */
  readonly half: number;
  /** Where the middle of the stud hole is, mm. */
  readonly hole: number;
  readonly draw: (x: (mm: number) => number, y: (mm: number) => number) => Shape[];
}

/** What lies in front of the barrel: tongue, pin or box; nothing of a splice or a ferrule. */
function frontOf(
  family: Family,
  shape: string,
  hasHole: boolean,
  { long, outer, hole, brush }: { long: number; outer: number; hole: number; brush: number },
): Front {
  const { isSplice, drawing } = familyOf({ family });
  if (isSplice || drawing.front === 'none') return { length: 0, half: 0, hole: 0, draw: () => [] };
  const neck = Math.max(brush + 0.6, outer * 0.5);
  const start = -long - neck;
  const band = (x: (mm: number) => number, y: (mm: number) => number, from: number, to: number, tall: number) =>
    rect(x(from), y(-tall / 2), x(to) - x(from), y(tall), TIN);
  if (hasHole && !['tab', 'receptacle', 'bullet', 'pin', 'socket'].includes(shape)) {
    const radius = hole * 0.95;
    const middle = start - radius * 0.92;
    return {
      ...{ length: neck + radius * 1.92, half: radius, hole: middle },
      draw: (x, y) => [
        band(x, y, start - radius * 0.3, -long, outer * 0.66),
        circle(x(middle), 0, y(radius), TIN),
        circle(x(middle), 0, y(hole / 2), { fill: 'paper', stroke: 'tin-edge', width: 1.4 }),
        ...(shape === 'fork'
          ? [rect(x(middle - radius) - 2, y(-hole / 2), x(middle) - x(middle - radius) + 2, y(hole), { fill: 'paper' })]
          : []),
      ],
    };
  }
  const isThin = drawing.front === 'pin' || shape === 'pin' || shape === 'bullet';
  const reach = isThin ? 6 : 5.5;
  const tall = isThin ? outer * 0.45 : outer * 1.15;
  return {
    ...{ length: neck + reach, half: Math.max(tall / 2, outer / 2), hole: start - reach / 2 },
    draw: (x, y) => [
      band(x, y, start, -long, outer * 0.5),
      ...(isThin
        ? [
            path(
              `M${x(start)} ${y(-tall / 2)}H${x(start - reach * 0.86)}L${x(start - reach)} ${y(-tall * 0.2)}V${y(tall * 0.2)}L${x(start - reach * 0.86)} ${y(tall / 2)}H${x(start)}Z`,
              TIN,
            ),
          ]
        : [band(x, y, start - reach, start, tall), line(x(start - reach), 0, x(start), 0, 'tin-edge', 1.2)]),
    ],
  };
}
