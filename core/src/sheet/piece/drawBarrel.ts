import { outlinePath, type Point2 } from '../../geometry';
import { line, path, type Shape } from '../shapes';
import { TIN, type SideFrame, pressedHeight } from './SideFrame';

/** The conductor grip of an open barrel, rolled. */
export function conductorGrip(side: SideFrame): Shape[] {
  const { piece, length, half, k, at, box } = side;
  const shapes: Shape[] = [];
  const h = pressedHeight(side);
  const bell = piece.bellmouth ?? 0;
  const floor = half;
  const top = floor - h;
  const flare = Math.min(half * 0.5, 0.4 * h);
  const off = piece.biteOff;
  const corners = [
    { x: -length, y: floor },
    { x: -length, y: top - (off < 0 ? 0 : flare * 0.25) },
    { x: -length + 0.15 * length, y: top },
    { x: -bell, y: top },
    { x: 0, y: top - (bell > 0 ? flare : 0) },
    { x: 0, y: floor },
  ].map((p) => at(p.x, p.y));
  const [high, low] = [at(-bell, top), at(-bell, floor)];
  shapes.push(path(outlinePath(corners), { ...TIN, part: 'conductor-grip' }));
  shapes.push(line(high.x, high.y, low.x, low.y, 'tin-edge', 1, true));
  shapes.push(path(box(-length / 2 + off - 3 / k, top, 6 / k, h), { fill: 'steel', part: 'bite' }));
  return shapes;
}

/** A closed barrel with its bites. */
export function closedBarrel(side: SideFrame): Shape[] {
  const { nest, bites, piece, length, outerDiameter, splice, half, left, box, at } = side;
  const shapes: Shape[] = [];
  const drop = outerDiameter - pressedHeight(side);
  const single = nest.profile === 'indent-and-cradle' || nest.profile === 'window-indent';
  const upper: Point2[] = [];
  const lower: Point2[] = [];
  const places = [...bites.map((b) => -b.centre), ...(splice ? bites.map((b) => left + b.centre) : [])].sort(
    (a, b) => a - b,
  );
  const w = Math.min(nest.width, length / Math.max(1, bites.length));
  upper.push({ x: left, y: -half });
  lower.push({ x: left, y: half });
  for (const centre of places) {
    // The other end of a splice is as it should be.
    const isOther = splice && centre < left / 2;
    const c = centre + (isOther ? 0 : piece.biteOff);
    const top = -half + (single ? drop : drop / 2);
    const bottom = half - (single ? 0 : drop / 2);
    for (const [dx, isIn] of [
      [-w / 2, false],
      [-w / 2 + 0.15 * w, true],
      [w / 2 - 0.15 * w, true],
      [w / 2, false],
    ] as const) {
      upper.push({ x: c + dx, y: isIn ? top : -half });
      lower.push({ x: c + dx, y: isIn ? bottom : half });
    }
    shapes.push(path(box(c - w / 2, -half, w, outerDiameter), { part: isOther ? 'other-bite' : 'bite' }));
  }
  upper.push({ x: 0, y: -half });
  lower.push({ x: 0, y: half });
  if (splice) {
    // Where a splice bends, its walls have a corner.
    const middle = (wall: Point2[], y: number) =>
      wall.splice(
        wall.findIndex((p) => p.x > left / 2),
        0,
        { x: left / 2, y },
      );
    middle(upper, -half);
    middle(lower, half);
  }
  const corners = [...upper, ...lower.reverse()].map((p) => at(p.x, p.y));
  shapes.push(path(outlinePath(corners), { ...TIN, part: 'barrel' }));
  return shapes;
}

/** The inspection hole and what is seen in it; a splice has it from both ends. */
export function inspectionWindow(side: SideFrame): Shape[] {
  const { piece, inspection, splice, half, left, box } = side;
  const shapes: Shape[] = [];
  if (!inspection) return shapes;
  const fill = piece.windowFill ?? 0;
  const span = inspection.max - inspection.min;
  const size = Math.min(half * 0.9, 1.4);
  for (const mirrored of splice ? [false, true] : [false]) {
    const at = (mm: number) => (mirrored ? left + mm : -mm);
    const a = Math.min(at(inspection.min), at(inspection.max));
    shapes.push(path(box(a, -size / 2, span, size), { fill: 'ink', part: 'window' }));
    const seen = span * (mirrored ? 1 : fill);
    // The wire comes from its own end: what is missing is missing at the far side.
    shapes.push(
      path(box(mirrored ? a : -inspection.min - seen, -size / 2, seen, size), {
        fill: 'copper',
        part: mirrored ? 'other-window-fill' : 'window-fill',
      }),
    );
  }
  return shapes;
}
