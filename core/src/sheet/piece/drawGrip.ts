import { path, type Shape } from '../shapes';
import type { SideFrame } from './SideFrame';

/** What grips or covers the insulation behind the barrel. */
export function grip(side: SideFrame): Shape[] {
  const { wire, nest, piece, wrong, isOpen, grips, support, k, x, y, box } = side;
  const shapes: Shape[] = [];
  if (piece.grip === null || support === 0) return shapes;
  const d = wire.insulationDiameter * piece.grip;
  if (isOpen) {
    shapes.push(
      path(box(grips, -d / 2, support, d), {
        fill: 'tin',
        stroke: 'tin-edge',
        width: 1.4,
        part: 'insulation-grip',
      }),
    );
    if (piece.grip < 0.86) {
      shapes.push(path(`M${x(grips)} ${y(-d / 2)}l5 9l5 -9l5 9l5 -9`, { stroke: wrong, width: 2 }));
    }
    return shapes;
  }
  const sleeve = Math.max(d, wire.insulationDiameter * 0.6) + 0.5;
  shapes.push(
    path(box(0, -sleeve / 2, support, sleeve), {
      stroke: 'soft',
      width: 1.6,
      dashed: true,
      part: 'insulation-grip',
    }),
  );
  // The wide half of a two-bite nest presses the sleeve onto the insulation in the same stroke.
  if (nest.profile !== 'two-bite') return shapes;
  const wide = Math.min(nest.width, support) * 0.8;
  for (const side of [-1, 1]) {
    const edge = y((side * sleeve) / 2);
    const middle = x(support / 2);
    shapes.push(
      path(
        `M${middle - (wide * k) / 2} ${edge}l${wide * k * 0.15} ${-side * 5}h${wide * k * 0.7}l${wide * k * 0.15} ${side * 5}`,
        {
          stroke: 'ink',
          width: 1.6,
          part: 'grip-bite',
        },
      ),
    );
  }
  return shapes;
}
