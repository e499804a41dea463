import { envelopeDiameter } from '../../wire';
import { line, path, rect, type Shape } from '../shapes';
import type { SideFrame } from './SideFrame';

/** Insulation behind the barrel. */
export function insulation(side: SideFrame): Shape[] {
  const { wire, piece, to, k, x, y } = side;
  const shapes: Shape[] = [];
  const d = wire.insulationDiameter;
  const look = { fill: 'insulation', part: 'insulation' } as const;
  shapes.push(rect(x(piece.edge), y(-d / 2), (to - piece.edge) * k, d * k, look));
  shapes.push(rect(x(piece.edge), y(-d / 2), (to - piece.edge) * k, d * k * 0.28, { fill: 'insulation-light' }));
  return shapes;
}

/** Bare wire between insulation and barrel, and strands that missed the barrel. */
export function strandsBehind(side: SideFrame): Shape[] {
  const { wire, piece, length, half, k, x, y } = side;
  const shapes: Shape[] = [];
  const envelope = envelopeDiameter(wire.conductor);
  if (piece.edge > 0) {
    const rows = 5;
    for (let i = 0; i < rows; i++) {
      shapes.push(
        rect(x(-0.2), y(-envelope / 2 + (i * envelope) / rows), (piece.edge + 0.2) * k, (envelope / rows) * k * 0.9, {
          fill: 'copper',
          stroke: 'copper-light',
          part: 'bare-wire',
        }),
      );
    }
  }
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
