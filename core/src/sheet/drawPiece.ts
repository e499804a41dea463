import type { LookContext, Piece } from '../look';
import { familyOf } from '../terminal';
import type { Drawing } from './drawSide';
import { extentOf, outlineCorners, outlinePath, PRESSED, type Point2 } from '../geometry';
import { closedBarrel, conductorGrip, inspectionWindow } from './piece/drawBarrel';
import { dimension } from './piece/drawDimension';
import { cover, crack, mark, seal, meltedInsulation, shrunkSleeve } from './piece/drawExtras';
import { grip } from './piece/drawGrip';
import { floor, tongue } from './piece/drawTongue';
import { insulation, strandsBehind, wireInFront } from './piece/drawWire';
import { sideFrame, TIN, type PointShown } from './piece/SideFrame';
import { circle, line, path, text, type Shape } from './shapes';

/**
 * A finished crimp from the side, `width` units wide, drawn from the numbers of the piece alone. Shapes carry the part
 * they show ('wire-end', 'insulation', 'bite' ...), so that a test can measure the drawing.
 *
 * @param point the point in hand: its number is drawn as a dimension. 'blind': everything there is to see, a scale, and
 *   no word about any of it
 * @returns null where the terminal's sheet leaves out a dimension the drawing needs
 */
export function drawPieceSide(
  context: LookContext,
  piece: Piece,
  point: PointShown = null,
  width = 460,
): Drawing | null {
  const side = sideFrame(context, piece, point, width);
  if (!side) return null;
  const { terminal, isOpen, from, to, tall, drop, k } = side;
  const shapes = [
    ...(familyOf(terminal).drawing.front !== 'none' ? tongue(side) : isOpen ? floor(side) : []),
    ...insulation(side),
    ...strandsBehind(side),
    ...wireInFront(side),
    ...(isOpen ? conductorGrip(side) : [...closedBarrel(side), ...inspectionWindow(side)]),
    ...grip(side),
    ...[seal, crack, mark, shrunkSleeve, meltedInsulation, cover].flatMap((draw) => draw(side)),
    ...dimension(side),
  ];
  // Where no number is drawn, none needs room.
  const [above, below] = point === null ? [8, 8] : [34, 48];
  const height = tall * k + above;
  return {
    shapes,
    box: { x: 0, y: -height, width: (to - from) * k, height: height + (tall + drop) * k + below },
    scale: k,
  };
}

/** A finished crimp end on, seen from the wire, from the numbers of the piece alone. See {@link drawPieceSide}. */
export function drawPieceEnd(context: LookContext, piece: Piece, point: PointShown = null): Drawing | null {
  const { terminal, nest, orientation } = context;
  const { outerDiameter, seam } = terminal.barrel;
  if (outerDiameter === null) return null;
  const isOpen = seam === 'open';
  const k = 100 / outerDiameter;
  const raw = outlineCorners(PRESSED[nest.profile]);
  const size = extentOf(raw);
  const tall = (piece.height ?? (outerDiameter * (size.bottom - size.top)) / 100) * k;
  const wide = (piece.width ?? (outerDiameter * (size.right - size.left)) / 100) * k;
  const isFlipped = Math.abs(piece.turn) > 90 && isOpen;
  const shape = (by: number) =>
    raw.map(({ x, y }): Point2 => {
      const px = (x / (size.right - size.left)) * wide * by;
      const middle = (size.top + size.bottom) / 2;
      let py = ((y - middle) / (size.bottom - size.top)) * tall * by;
      // The side that went farther is lower at its top.
      if (py < 0) py *= 1 - 1.6 * piece.lean * (px / (wide / 2));
      return { x: px, y: isFlipped ? -py : py };
    });
  const shapes: Shape[] = [];
  const outer = shape(1);
  shapes.push(path(outlinePath(outer), { ...TIN, part: 'outline' }));
  shapes.push(path(outlinePath(shape(0.74)), { fill: 'copper', stroke: 'copper-light', part: 'conductor' }));
  const at = (degrees: number, r: number): Point2 => {
    const a = (degrees * Math.PI) / 180;
    return { x: -(wide / 2) * r * Math.sin(a), y: -(tall / 2) * r * Math.cos(a) };
  };
  const where = (orientation.angle ?? 180) + piece.turn;
  if (seam === 'butted' || seam === 'brazed') {
    const a = at(where, 0.74);
    const b = at(where, 1.02);
    shapes.push(line(a.x, a.y, b.x, b.y, 'ink', Math.abs(piece.turn) > 90 ? 5 : 3));
    shapes.push({ ...line(b.x, b.y, b.x * 1.02, b.y * 1.02, 'ink'), part: 'seam' });
    if (Math.abs(piece.turn) > 90) {
      shapes.push(
        path(`M${b.x} ${b.y}l14 -16l10 8z`, {
          fill: 'tin',
          stroke: point === 'blind' ? 'ink' : 'fail',
          width: 2,
          part: 'standing-edge',
        }),
      );
    }
  }
  if (isOpen) {
    const turn = isFlipped ? -1 : 1;
    shapes.push(line(0, -turn * tall * 0.22, 0, turn * tall * 0.08, 'ink', 2));
    shapes.push({ ...line(0, -turn * tall * 0.5, 0, -turn * tall * 0.5, 'ink'), part: 'wing-tips' });
  }
  if (familyOf(terminal).drawing.windowEndOn) {
    const w = at(where, 0.9);
    shapes.push(circle(w.x, w.y, 9, { fill: 'paper', stroke: 'ink', part: 'window' }));
  }
  // The tongue's or contact's far edge, behind the crimp.
  const a = (piece.twist * Math.PI) / 180;
  const reach = wide * 0.75;
  const y0 = tall / 2 + 4;
  shapes.push({
    ...line(
      -reach * Math.cos(a),
      y0 - reach * Math.sin(a),
      reach * Math.cos(a),
      y0 + reach * Math.sin(a),
      'tin-edge',
      5,
    ),
    part: 'tongue-edge',
  });
  if (piece.flash > 0) {
    for (const side of [-1, 1]) {
      const x0 = (side * wide) / 2;
      shapes.push(path(`M${x0} -6L${x0 + side * piece.flash * k} 0L${x0} 6Z`, { fill: 'tin-edge', part: 'flash' }));
    }
  }
  if (piece.stray > 0) {
    for (let i = 0; i < Math.min(3, piece.stray); i++) {
      shapes.push(circle(wide / 2 + 8 + 9 * i, -tall / 2 - 4, 4, { fill: 'copper', part: 'stray-strand' }));
    }
  }
  const label = (content: string) =>
    shapes.push(text(0, tall / 2 + 34, content, { anchor: 'middle', bold: true, size: 17 }));
  if (point === 'twist') label(`turned ${Math.abs(piece.twist).toFixed(0)}°`);
  if (point === 'width' && piece.width !== null) label(`${piece.width.toFixed(2)} mm wide`);
  const left = Math.max(wide * 0.75, wide / 2 + 30);
  let right = left;
  if ((point === 'insulation-grip' || point === 'blind') && piece.grip !== null) {
    const r = 34;
    const cx = right + r + 24;
    shapes.push(circle(cx, 0, r, { fill: 'insulation', stroke: 'insulation-light' }));
    shapes.push(circle(cx, 0, r * piece.grip, { stroke: 'tin-edge', width: 7, part: 'insulation-grip' }));
    if (point !== 'blind') {
      shapes.push(
        text(cx, tall / 2 + 34, piece.grip > 1.06 ? 'open' : piece.grip < 0.86 ? 'cuts in' : 'snug', {
          anchor: 'middle',
          bold: true,
          size: 17,
        }),
      );
    }
    right = cx + r * 1.3 + 8;
  }
  // Where no number is drawn, none needs room: only what stands out by itself does.
  const [above, below] =
    point === null ? [10 + 0.8 * tall * Math.abs(piece.lean), 12 + reach * Math.abs(Math.sin(a))] : [24, 44];
  return {
    shapes,
    box: { x: -left, y: -tall / 2 - above, width: left + right, height: tall + above + below },
    scale: k,
  };
}
