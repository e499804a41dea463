import type { Piece } from '../../look';
import { circle, line, path, rect, text, type Shape } from '../shapes';
import type { SideFrame } from './SideFrame';

/** A wire seal in its wings. */
export function seal(side: SideFrame): Shape[] {
  const { terminal, wire, piece, wrong, grips, k, x, y } = side;
  const shapes: Shape[] = [];
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
  return shapes;
}

/** A crack in the barrel. */
export function crack(side: SideFrame): Shape[] {
  const { piece, length, half, x, y } = side;
  const shapes: Shape[] = [];
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
  return shapes;
}

/** The mark the die left. */
export function mark(side: SideFrame): Shape[] {
  const { nest, piece, point, isBlind, half, left, k, x } = side;
  const shapes: Shape[] = [];
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
  return shapes;
}

/** The shrunk sleeve with its adhesive. */
export function shrunkSleeve(side: SideFrame): Shape[] {
  const { piece, outerDiameter, sleeve, k, x, y } = side;
  const shapes: Shape[] = [];
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
    if (piece.sleeve.split) {
      const from = a + long * 0.3;
      const step = (long * 0.3) / 4;
      const jagged = [1, 2, 3, 4].map((i) => `L${x(from + i * step)} ${y(d * (i % 2 ? 0.12 : -0.1))}`).join('');
      shapes.push(path(`M${x(from)} ${y(0)}${jagged}`, { stroke: 'ink', width: 3, part: 'split' }));
    }
    for (let i = 0; i < piece.sleeve.bubbles; i++) {
      const at = a + long * (0.2 + 0.17 * i);
      shapes.push(circle(x(at), y(d * (i % 2 ? 0.3 : -0.3)), 7, { fill: 'paper', stroke: 'ink', part: 'bubble' }));
    }
    const ends = [a, end].slice(0, piece.sleeve.closed);
    for (const at of ends) {
      for (const side of [-1, 1]) {
        shapes.push(circle(x(at), y((side * d) / 2) - side * 5, 4.5, { fill: 'accent', part: 'adhesive' }));
      }
    }
  }
  return shapes;
}

/** The wire's insulation beside the sleeve, where heat ran along it: swollen, then melted down to the conductor. */
export function meltedInsulation(side: SideFrame): Shape[] {
  const { piece, wire, sleeve, k, x, y } = side;
  if (!piece.melted || !sleeve) return [];
  const d = wire.insulationDiameter;
  const from = sleeve.right + 0.4;
  const long = 2.2;
  const swell = (sign: -1 | 1, by: number) =>
    `M${x(from)} ${y((sign * d) / 2)}q${(long * k) / 2} ${sign * by * k} ${long * k} 0z`;
  const swollen = [-1, 1].map((sign) =>
    path(swell(sign as -1 | 1, 0.9), { fill: 'insulation', stroke: 'hold', width: 2, part: 'swollen' }),
  );
  return piece.melted < 2
    ? swollen
    : [
        rect(x(from), y(-d / 2), long * k, d * k, { fill: 'paper', part: 'melted' }),
        rect(x(from), y(-d * 0.24), long * k, d * 0.48 * k, { fill: 'copper' }),
        ...[-1, 1].map((sign) => path(swell(sign as -1 | 1, -1), { fill: 'insulation', stroke: 'ink' })),
      ];
}

/** A cover over the whole contact. */
export function cover(side: SideFrame): Shape[] {
  const { piece, point, isBlind, outerDiameter, half, left, grips, support, k, x, y } = side;
  const shapes: Shape[] = [];
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
  return shapes;
}

/** The mark a piece shows: the nest's own, or that of another one, which differs in its figure or is no such mark at all. */
function markShown(own: string, state: Piece['mark']): string {
  if (state !== 'wrong') return own;
  const other = own.replace(/\d/, (digit) => String((Number(digit) + 3) % 10));
  return other === own ? (own.includes('three') ? 'one dot' : 'three dots') : other;
}
