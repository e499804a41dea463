import { line, path, text, type Shape } from '../shapes';
import type { SideFrame } from './SideFrame';

/** The number of the point in hand, as a dimension line under the piece; a scale where nothing is to be told. */
export function dimension(side: SideFrame): Shape[] {
  const {
    nest,
    bites,
    piece,
    point,
    isBlind,
    length,
    outerDiameter,
    isOpen,
    half,
    left,
    grips,
    sleeve,
    from,
    tall,
    drop,
    k,
    x,
    y,
  } = side;
  const shapes: Shape[] = [];
  const base = (tall + drop) * k + 24;
  if (isBlind) {
    shapes.push(line(x(from) + 6, base, x(from) + 6 + 5 * k, base, 'ink', 2), text(x(from) + 6, base + 18, '5 mm'));
    return shapes;
  }
  const span = (a: number, b: number, label: string) => {
    shapes.push(line(x(a), y(half) + 3, x(a), base + 5, 'ink'), line(x(b), y(half) + 3, x(b), base + 5, 'ink'));
    shapes.push(line(x(a), base, x(b), base, 'ink', 1.4));
    shapes.push(text((x(a) + x(b)) / 2, base + 18, label, { anchor: 'middle', bold: true, size: 17 }));
  };
  if (point === 'brush' && piece.brush !== null) {
    span(left - piece.brush, left, `${piece.brush.toFixed(1)} mm`);
  } else if (point === 'gap') span(0, piece.edge, `${piece.edge.toFixed(1)} mm`);
  else if (point === 'bellmouth' && piece.bellmouth !== null) {
    span(-piece.bellmouth, 0, `${piece.bellmouth.toFixed(2)} mm`);
  } else if (point === 'bite') {
    const meant = -(bites[0]?.centre ?? length / 2);
    span(meant, meant + piece.biteOff, `${Math.abs(piece.biteOff).toFixed(1)} mm off`);
  } else if (point === 'height' && piece.height !== null) {
    const at = x(-(bites[0]?.centre ?? length / 2) + (isOpen ? 0 : piece.biteOff));
    const drop = outerDiameter - piece.height;
    const top = isOpen ? half - piece.height : -half + (nest.profile.includes('indent') ? drop : drop / 2);
    shapes.push(
      path(`M${at} ${y(top)}V${y(top + piece.height)}`, { stroke: 'ink', width: 2.4, part: 'height' }),
      text(at + 8, -tall * k - 12, `${piece.height.toFixed(2)} mm high`, { bold: true, size: 17 }),
    );
  } else if (point === 'tongue' || point === 'straight') {
    shapes.push(text(x(from) + 4, base + 18, `bent ${Math.abs(piece.bend).toFixed(0)}°`, { bold: true, size: 17 }));
  } else if (point === 'wire-seal' && piece.sealShift !== null) {
    span(grips + 0.2 - piece.sealShift, grips + 0.2, `${Math.abs(piece.sealShift).toFixed(1)} mm off`);
  } else if (point === 'seal' && sleeve && piece.sleeve?.off) {
    const middle = (sleeve.left + sleeve.right) / 2;
    span(middle - piece.sleeve.off, middle, `${Math.abs(piece.sleeve.off).toFixed(1)} mm off`);
  } else if (point === 'cover' && piece.uncovered) {
    span(left - 1, left - 1 + piece.uncovered, `${piece.uncovered.toFixed(1)} mm bare`);
  } else if (point === 'window' && piece.windowFill !== null) {
    shapes.push(
      text(x(left / 2), base + 18, `${(piece.windowFill * 100).toFixed(0)} % filled`, {
        anchor: 'middle',
        bold: true,
        size: 17,
      }),
    );
  }
  return shapes;
}
