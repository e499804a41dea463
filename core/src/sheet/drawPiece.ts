import { wallOf, type LookContext, type Piece, type PointCode } from '../look';
import { familyOf, isSplice } from '../terminal';
import { envelopeDiameter } from '../wire';
import type { Drawing } from './drawSide';
import { extentOf, outlineCorners, outlinePath, PRESSED, type Point2 } from '../geometry';
import { circle, line, path, rect, text, type Shape } from './shapes';

const TONGUE = 9;
const WIRE_SHOWN = 9;
/** Share of the barrel's height left in a bite where no sheet says it. */
const USUAL_BITE = 0.72;

const tin = { fill: 'tin', stroke: 'tin-edge', width: 1.4 } as const;

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
  point: PointCode | 'blind' | null = null,
  width = 460,
): Drawing | null {
  const { terminal, wire, nest, bites } = context;
  const isBlind = point === 'blind';
  // Red says what is wrong; who is to find that out for themselves sees it drawn as it is.
  const wrong = isBlind ? 'ink' : 'fail';
  const { depth, inspection } = terminal.barrel;
  const known = knownSizes(context);
  if (!known) return null;
  const { length, outerDiameter } = known;
  const isOpen = terminal.barrel.seam === 'open';
  const splice = isSplice(terminal);
  const half = outerDiameter / 2;
  const wall = wallOf(context);
  const body = splice && !isOpen ? (depth ?? length) : length;
  const left = splice && !isOpen ? -2 * body : -length;
  const grips = terminal.barrel.betweenGrips ?? 0;
  const support = terminal.barrel.supportLength;
  const sleeve = piece.sleeve && (point === null || isBlind || point === 'seal') ? sleevePlace() : null;
  const front = left - (splice ? (isOpen ? 5 : 3) : isOpen ? terminal.brushMax + TONGUE / 2 : TONGUE);
  const from = Math.min(front, sleeve ? sleeve.left - 2 : front);
  const to = Math.max(Math.max(grips + support, piece.edge) + WIRE_SHOWN, sleeve ? sleeve.right + 3 : 0);
  const tall = Math.max(half, wire.insulationDiameter / 2) * 1.25;
  const k = Math.min(width / (to - from), 120 / tall);
  const x = (mm: number) => (mm - from) * k;
  const y = (mm: number) => mm * k;
  const shapes: Shape[] = [];

  if (familyOf(terminal).drawing.front !== 'none') tongue();
  else if (isOpen)
    shapes.push(rect(x(front + 0.4), y(half - wall), (grips + support - front - 0.4) * k, wall * k, tin));
  insulation();
  strandsBehind();
  wireInFront();
  barrel();
  grip();
  extras();
  dimension();
  const height = tall * k + 34;
  return { shapes, box: { x: 0, y: -height, width: (to - from) * k, height: height + tall * k + 48 }, scale: k };

  function sleevePlace(): { left: number; right: number } {
    const long = terminal.slideOn.find((item) => item.kind === 'sleeve')?.length ?? 20;
    const middle = (splice ? left / 2 : (support - length) / 2) + (piece.sleeve?.off ?? 0);
    return { left: middle - long / 2, right: middle + long / 2 };
  }

  /** Strands that stand out in front of the barrel. */
  function wireInFront(): void {
    const envelope = envelopeDiameter(wire.conductor);
    const end = piece.brush === null ? null : left - piece.brush;
    if (end === null) return;
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
  }

  function insulation(): void {
    const d = wire.insulationDiameter;
    const look = { fill: 'insulation', part: 'insulation' } as const;
    shapes.push(rect(x(piece.edge), y(-d / 2), (to - piece.edge) * k, d * k, look));
    shapes.push(rect(x(piece.edge), y(-d / 2), (to - piece.edge) * k, d * k * 0.28, { fill: 'insulation-light' }));
  }

  function strandsBehind(): void {
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
  }

  /** What goes onto the stud or into the cavity, bent about the barrel's front. */
  function tongue(): void {
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
    shapes.push(path(outlinePath(corners), { ...tin, part: 'tongue' }));
    // The floor of an open barrel does not bend with what stands in front of it.
    if (isOpen) shapes.push(rect(x(nose), y(half - wall), (grips + support - nose) * k, wall * k, tin));
    if (terminal.studHole !== null) {
      const hole = [
        at(tip + 1.5, half - thick),
        at(tip + 1.5, half),
        at(tip + 1.5 + terminal.studHole, half),
        at(tip + 1.5 + terminal.studHole, half - thick),
      ];
      shapes.push(path(outlinePath(hole), { fill: 'paper', stroke: 'tin-edge' }));
    }
  }

  /** Height of the conductor crimp: as measured, else the usual share of the barrel. */
  function pressedHeight(): number {
    return piece.height ?? USUAL_BITE * outerDiameter;
  }

  function barrel(): void {
    const h = pressedHeight();
    if (isOpen) {
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
      ].map((p) => ({ x: x(p.x), y: y(p.y) }));
      shapes.push(path(outlinePath(corners), { ...tin, part: 'conductor-grip' }));
      shapes.push(line(x(-bell), y(top), x(-bell), y(floor), 'tin-edge', 1, true));
      shapes.push(rect(x(-length / 2 + off) - 3, y(top), 6, h * k, { fill: 'steel', part: 'bite' }));
      return;
    }
    const single = nest.profile === 'indent-and-cradle' || nest.profile === 'window-indent';
    const drop = outerDiameter - h;
    const upper: Point2[] = [];
    const lower: Point2[] = [];
    const places = [...bites.map((b) => -b.centre), ...(splice ? bites.map((b) => left + b.centre) : [])].sort(
      (a, b) => a - b,
    );
    const w = Math.min(nest.width, length / Math.max(1, bites.length));
    upper.push({ x: left, y: -half });
    lower.push({ x: left, y: half });
    for (const centre of places) {
      const c = centre + piece.biteOff;
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
      shapes.push(rect(x(c - w / 2), y(-half), w * k, outerDiameter * k, { part: 'bite' }));
    }
    upper.push({ x: 0, y: -half });
    lower.push({ x: 0, y: half });
    const corners = [...upper, ...lower.reverse()].map((p) => ({ x: x(p.x), y: y(p.y) }));
    shapes.push(path(outlinePath(corners), { ...tin, part: 'barrel' }));
    if (inspection) {
      const fill = piece.windowFill ?? 0;
      const span = inspection.max - inspection.min;
      const size = Math.min(half * 0.9, 1.4);
      for (const mirrored of splice ? [false, true] : [false]) {
        const at = (mm: number) => (mirrored ? left + mm : -mm);
        const a = Math.min(at(inspection.min), at(inspection.max));
        shapes.push(rect(x(a), y(-size / 2), span * k, size * k, { fill: 'ink', part: 'window' }));
        const seen = span * (mirrored ? 1 : fill);
        // The wire comes from its own end: what is missing is missing at the far side.
        shapes.push(
          rect(x(mirrored ? a : -inspection.min - seen), y(-size / 2), seen * k, size * k, {
            fill: 'copper',
            part: mirrored ? 'other-window-fill' : 'window-fill',
          }),
        );
      }
    }
  }

  function grip(): void {
    if (piece.grip === null || support === 0) return;
    const d = wire.insulationDiameter * piece.grip;
    if (isOpen) {
      shapes.push(
        rect(x(grips), y(-d / 2), support * k, d * k, {
          fill: 'tin',
          stroke: 'tin-edge',
          width: 1.4,
          part: 'insulation-grip',
        }),
      );
      if (piece.grip < 0.86) {
        shapes.push(path(`M${x(grips)} ${y(-d / 2)}l5 9l5 -9l5 9l5 -9`, { stroke: wrong, width: 2 }));
      }
      return;
    }
    const sleeve = Math.max(d, wire.insulationDiameter * 0.6) + 0.5;
    shapes.push(
      rect(x(0), y(-sleeve / 2), support * k, sleeve * k, {
        stroke: 'soft',
        width: 1.6,
        dashed: true,
        part: 'insulation-grip',
      }),
    );
    // The wide half of a two-bite nest presses the sleeve onto the insulation in the same stroke.
    if (nest.profile !== 'two-bite') return;
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
  }

  function extras(): void {
    if (piece.sealShift !== null) {
      const item = terminal.slideOn.find((s) => s.kind === 'seal');
      const d = wire.insulationDiameter + 1.4;
      const a = grips + 0.2 - piece.sealShift;
      const long = item?.length ?? 4;
      shapes.push(rect(x(a), y(-d / 2), long * k, d * k, { fill: 'accent', stroke: 'ink', part: 'seal' }));
      for (let i = 1; i <= 3; i++) {
        const rib = x(a + long * (0.45 + 0.16 * i));
        shapes.push(line(rib, y(-d / 2) - 4, rib, y(d / 2) + 4, 'ink', 3));
      }
      if (piece.sealTorn) {
        shapes.push(
          path(`M${x(a + long * 0.3)} ${y(-d / 2)}l7 ${d * k * 0.3}l-7 ${d * k * 0.2}l6 ${d * k * 0.3}`, {
            stroke: wrong,
            width: 3,
            part: 'tear',
          }),
        );
      }
    }
    if (piece.crack > 0) {
      const n = 6;
      const step = piece.crack / n;
      const d = Array.from(
        { length: n },
        (_, i) => `L${x(-length * 0.85 + (i + 1) * step)} ${y(half * 0.15) + (i % 2 ? 5 : -5)}`,
      );
      shapes.push(
        path(`M${x(-length * 0.85)} ${y(half * 0.15)}${d.join('')}`, { stroke: 'ink', width: 2.4, part: 'crack' }),
      );
    }
    if (point === 'mark' || isBlind) {
      const label = isBlind
        ? markShown(nest.mark, piece.mark)
        : { right: nest.mark, faint: `${nest.mark}, faint`, wrong: 'another mark' }[piece.mark];
      shapes.push(
        text(x(left / 2), -half * k - 14, label, {
          anchor: 'middle',
          size: 17,
          bold: isBlind || piece.mark === 'right',
          ink: isBlind
            ? piece.mark === 'faint'
              ? 'line'
              : 'soft'
            : piece.mark === 'wrong'
              ? 'fail'
              : piece.mark === 'faint'
                ? 'soft'
                : 'ink',
        }),
      );
    }
    if (piece.sleeve && sleeve) {
      const { left: a, right: end } = sleeve;
      const long = end - a;
      const d = outerDiameter + 1;
      const ink = piece.sleeve.heat >= 1.8 ? 'ink' : piece.sleeve.heat >= 1.4 ? 'hold' : 'petrol';
      shapes.push(
        rect(x(a), y(-d / 2), long * k, d * k, {
          stroke: ink,
          width: piece.sleeve.heat >= 1.8 ? 4 : 2,
          part: 'sleeve',
        }),
      );
      if (piece.sleeve.heat >= 1.4) {
        const spots = piece.sleeve.heat >= 1.8 ? 5 : 2;
        for (let i = 0; i < spots; i++) {
          shapes.push(circle(x(a + (long * (i + 1)) / (spots + 1)), y(-d / 2) + 5, 6, { fill: ink, part: 'scorch' }));
        }
      }
      const ends = [a, end].slice(0, piece.sleeve.closed);
      for (const at of ends) {
        for (const side of [-1, 1]) {
          shapes.push(circle(x(at), y((side * d) / 2) - side * 5, 4.5, { fill: 'accent', part: 'adhesive' }));
        }
      }
    }
    if (piece.uncovered !== null && (isBlind || point === 'cover')) {
      const a = left - 1 + piece.uncovered;
      shapes.push(
        rect(x(a), y(-half - 0.6), (grips + support + 4 - a) * k, (outerDiameter + 1.2) * k, {
          stroke: 'petrol',
          width: 2.4,
          dashed: true,
          part: 'cover',
        }),
      );
    }
  }

  /** The number of the point in hand, as a dimension line under the piece. */
  function dimension(): void {
    const base = tall * k + 24;
    if (isBlind) {
      shapes.push(line(x(from) + 6, base, x(from) + 6 + 5 * k, base, 'ink', 2), text(x(from) + 6, base + 18, '5 mm'));
      return;
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
    } else if (point === 'tongue') {
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
  }
}

/** The mark a piece shows: the nest's own, or that of another one, which differs in its figure or is no such mark at all. */
function markShown(own: string, state: Piece['mark']): string {
  if (state !== 'wrong') return own;
  const other = own.replace(/\d/, (digit) => String((Number(digit) + 3) % 10));
  return other === own ? (own.includes('three') ? 'one dot' : 'three dots') : other;
}

/** Length and outer diameter of the barrel; null where the sheet leaves out a dimension the drawing needs. */
function knownSizes({ terminal }: LookContext): { length: number; outerDiameter: number } | null {
  const { length, outerDiameter, innerDiameter } = terminal.barrel;
  return length === null || outerDiameter === null || innerDiameter === null ? null : { length, outerDiameter };
}

/** A finished crimp end on, seen from the wire, from the numbers of the piece alone. See {@link drawPieceSide}. */
export function drawPieceEnd(
  context: LookContext,
  piece: Piece,
  point: PointCode | 'blind' | null = null,
): Drawing | null {
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
  shapes.push(path(outlinePath(outer), { ...tin, part: 'outline' }));
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
  const low = tall / 2 + 44;
  return {
    shapes,
    box: { x: -left, y: -tall / 2 - 24, width: left + right, height: low + tall / 2 + 24 },
    scale: k,
  };
}
