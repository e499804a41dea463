import { outlinePath, type Point2 } from '../../geometry';
import { path, rect, type Shape } from '../shapes';
import { TIN, type SideFrame } from './SideFrame';

/** What goes onto the stud or into the cavity, bent about the barrel’s front. */
export function tongue(side: SideFrame): Shape[] {
  const { terminal, piece, length, isOpen, half, wall, grips, support, front, k, x, y } = side;
  const shapes: Shape[] = [];
  const a = (piece.bend * Math.PI) / 180;
  // The body of a contact begins where the room for the wire’s end is over.
  const nose = isOpen ? -length - Math.max(0.4, terminal.brushMax) : -length;
  const hinge = { x: nose, y: half - wall / 2 };
  const at = (px: number, py: number): Point2 => {
    const dx = px - hinge.x;
    const dy = py - hinge.y;
    return {
      x: x(hinge.x + dx * Math.cos(a) - dy * Math.sin(a)),
      y: y(hinge.y + dx * Math.sin(a) + dy * Math.cos(a)),
    };
  };
  const tip = front + 0.4;
  const thick = isOpen && terminal.studHole === null ? 3 * wall : wall;
  const corners = [at(nose, half - thick), at(tip, half - thick), at(tip, half), at(nose, half)];
  shapes.push(path(outlinePath(corners), { ...TIN, part: 'tongue' }));
  // The floor of an open barrel does not bend with what stands in front of it.
  if (isOpen) shapes.push(rect(x(nose), y(half - wall), (grips + support - nose) * k, wall * k, TIN));
  if (terminal.studHole !== null) {
    const hole = [
      at(tip + 1.5, half - thick),
      at(tip + 1.5, half),
      at(tip + 1.5 + terminal.studHole, half),
      at(tip + 1.5 + terminal.studHole, half - thick),
    ];
    shapes.push(path(outlinePath(hole), { fill: 'paper', stroke: 'tin-edge' }));
  }
  return shapes;
}

/** The floor of an open splice, which has no tongue; it bends in front of the grip. */
export function floor({ front, half, wall, grips, support, hinge, box }: SideFrame): Shape[] {
  const start = front + 0.4;
  return [
    path(box(start, half - wall, hinge - start, wall), TIN),
    path(box(hinge, half - wall, grips + support - hinge, wall), TIN),
  ];
}
