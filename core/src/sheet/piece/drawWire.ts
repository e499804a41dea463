import { envelopeDiameter } from '../../wire';
import { line, path, rect, type Shape } from '../shapes';
import type { SideFrame } from './SideFrame';

/** Strands drawn where bare wire is seen. */
const ROWS = 5;

/** Insulation behind the barrel; of a splice that of both wires. */
export function insulation(side: SideFrame): Shape[] {
  const { wire, piece, to, from, left, other, box } = side;
  const d = wire.insulationDiameter;
  const shapes = [
    path(box(piece.edge, -d / 2, to - piece.edge, d), { fill: 'insulation', part: 'insulation' }),
    path(box(piece.edge, -d / 2, to - piece.edge, d * 0.28), { fill: 'insulation-light' }),
  ];
  if (!other) return shapes;
  const od = other.wire.insulationDiameter;
  const long = left - other.edge - from;
  return [
    ...shapes,
    path(box(from, -od / 2, long, od), { fill: 'insulation', part: 'other-insulation' }),
    path(box(from, -od / 2, long, od * 0.28), { fill: 'insulation-light' }),
  ];
}

/** Bare wire between insulation and barrel, and strands that missed the barrel. */
export function strandsBehind(side: SideFrame): Shape[] {
  const { wire, piece, length, half, left, other, x, y, box } = side;
  const envelope = envelopeDiameter(wire.conductor);
  const bare = (from: number, long: number, across: number, part: string) =>
    Array.from({ length: ROWS }, (_, i) =>
      path(box(from, -across / 2 + (i * across) / ROWS, long, (across / ROWS) * 0.9), {
        ...{ fill: 'copper', stroke: 'copper-light', part },
      }),
    );
  const shapes: Shape[] = [
    ...(piece.edge > 0 ? bare(-0.2, piece.edge + 0.2, envelope, 'bare-wire') : []),
    ...(other && other.edge > 0
      ? bare(left - other.edge, other.edge + 0.2, envelopeDiameter(other.wire.conductor), 'other-bare-wire')
      : []),
  ];
  // Strands that missed the barrel lie along its outside.
  for (let i = 0; i < Math.min(3, piece.stray); i++) {
    const out = half + 0.25 + 0.3 * i;
    shapes.push(
      path(
        `M${x(Math.max(0.3, piece.edge))} ${y(-envelope / 3)}C${x(0)} ${y(-out)} ${x(-length * 0.4)} ${y(-out)} ${x(-length * 0.8)} ${y(-out - 0.4 - 0.2 * i)}`,
        { stroke: 'copper', width: 3, part: 'stray-strand' },
      ),
    );
  }
  if (piece.brush === null && piece.cut > 0 && piece.edge > 0.2) {
    shapes.push(
      path(`M${x(piece.edge * 0.5)} ${y(-envelope / 2)}l6 -12`, { stroke: 'copper', width: 3, part: 'cut-strand' }),
    );
  }
  return shapes;
}

/** Strands that stand out in front of the barrel. */
export function wireInFront(side: SideFrame): Shape[] {
  const { wire, piece, isBlind, half, left, k, x, y } = side;
  const shapes: Shape[] = [];
  const envelope = envelopeDiameter(wire.conductor);
  const end = piece.brush === null ? null : left - piece.brush;
  if (end === null) return shapes;
  const start = Math.min(0, end < left ? left : end);
  if (end < left) {
    const short = Math.min(piece.cut, 3);
    const rows = Math.max(3, Math.min(5, wire.conductor.strands));
    for (let i = 0; i < rows; i++) {
      const isCut = i < short;
      const tip = isCut ? (end + left) / 2 : end;
      shapes.push(
        rect(x(tip), y(-envelope / 2 + (i * envelope) / rows), (left - tip) * k, (envelope / rows) * k * 0.9, {
          fill: 'copper',
          stroke: 'copper-light',
          part: isCut ? 'cut-strand' : 'wire-end',
        }),
      );
    }
  } else if (!isBlind) {
    // It ends inside, where no eye sees it: a broken line through the wall.
    shapes.push(line(x(start), y(-half), x(start), y(half), 'fail', 2, true));
  }
  return shapes;
}
