import type { Orientation } from '../crimp';
import { familyOf, type NestProfile, type Terminal } from '../terminal';
import { envelopeDiameter, type Wire } from '../wire';
import type { Drawing } from './drawSide';
import { PRESSED } from '../geometry';
import { DIES } from './dies';
import { packStrands } from './packStrands';
import { circle, path, rect, text, type Shape } from './shapes';

/** The moment that is drawn: lying in the nest, pressed, or lying the wrong way round. */
export type EndState = 'before' | 'after' | 'wrong';

/** Half the width of the drawing in its own units; the barrel's outer diameter fills about half of it. */
const HALF = 110;
/** More strands than this run together: fewer, thicker ones stand for them. */
const MOST_STRANDS = 91;

const NAMES: Readonly<Record<NestProfile, readonly [upper: string, lower: string]>> = {
  'indent-and-cradle': ['indent', 'cradle'],
  'symmetric-oval': ['oval half', 'oval half'],
  'two-bite': ['narrow half', 'wide half'],
  rolled: ['rolling half', 'anvil'],
  'window-indent': ['indent', 'cradle'],
  'four-indent': ['', ''],
  hex: ['moving die', 'fixed die'],
  contoured: ['moving die', 'fixed die'],
  trapezoid: ['narrow die', 'wide die'],
  square: ['die', 'die'],
};

/**
 * Looking along the wire into the nest, in a box of 290 x 280 units: which way round the terminal lies before the bite,
 * what the bite makes of it, or the way it must not lie. Strands, barrel and seam are to scale with each other; the
 * pressed outline is the nest's, not a prediction of the metal.
 */
export function drawEnd(
  terminal: Terminal,
  wire: Wire,
  profile: NestProfile,
  lies: Orientation,
  state: EndState = 'before',
): Drawing | null {
  const { innerDiameter, outerDiameter, seam } = terminal.barrel;
  if (innerDiameter === null || outerDiameter === null) return null;
  const k = (HALF * 0.92) / outerDiameter;
  const outer = (outerDiameter / 2) * k;
  const inner = (innerDiameter / 2) * k;
  const angle = state === 'wrong' ? (lies.wrong?.angle ?? null) : lies.angle;
  const shapes: Shape[] = [];
  const isOpen = seam === 'open';
  const at = (degrees: number, radius: number) => {
    const turn = (degrees * Math.PI) / 180;
    return { x: -radius * Math.sin(turn), y: -radius * Math.cos(turn) };
  };
  const pointer = (x: number, y: number, name: string) => {
    if (state === 'wrong') return;
    shapes.push(path(`M${x} ${y}L104 ${y - 6}`, { stroke: 'ink', width: 1.2 }), text(106, y - 2, name, { size: 22 }));
  };

  if (state === 'after') {
    const grow = outer / 50;
    shapes.push(path(scaled(PRESSED[profile], grow), { fill: 'tin', stroke: 'tin-edge', width: 1.4 }));
    shapes.push(path(scaled(PRESSED[profile], grow * 0.74), { fill: 'copper', stroke: 'copper-light' }));
    if (isOpen) shapes.push(path(`M0 ${-18 * grow}V${6 * grow}`, { stroke: 'ink', width: 2 }));
    const where = angle ?? 180;
    if ((seam === 'butted' || seam === 'brazed') && where === 180) {
      shapes.push(path(`M0 ${outer + 1}V${outer * 0.76}`, { stroke: 'ink', width: 4 }));
      pointer(0, outer * 0.9, 'seam closed');
    }
    return drawing(shapes, k, -72, shapes.some((shape) => shape.kind === 'text') ? 230 : 72, 72);
  }

  for (const d of DIES[profile]) shapes.push(path(d, { fill: 'steel' }));
  const [upper, lower] = NAMES[profile];
  shapes.push(text(0, -112, upper, { anchor: 'middle', ink: 'white', size: 22 }));
  shapes.push(text(0, 126, lower, { anchor: 'middle', ink: 'white', size: 22 }));
  if (isOpen) {
    const turned = angle === 180 ? -1 : 1;
    shapes.push(path(openBarrel(outer, inner, turned), { fill: 'tin', stroke: 'tin-edge', width: 1.4 }));
  } else {
    shapes.push(circle(0, 0, outer, { fill: 'tin', stroke: 'tin-edge', width: 1.4 }));
    shapes.push(circle(0, 0, inner, { fill: 'paper', stroke: 'tin-edge', width: 1.4 }));
  }
  const envelope = (envelopeDiameter(wire.conductor) / 2) * k;
  const packed = packStrands(Math.min(wire.conductor.strands, MOST_STRANDS), Math.min(envelope, inner));
  const drop = Math.max(0, inner - envelope) * 0.9 * (isOpen && angle === 180 ? -1 : 1);
  for (const strand of packed.at) {
    shapes.push(
      circle(strand.x, strand.y + drop, packed.r * 0.97, { fill: 'copper', stroke: 'copper-light', width: 0.6 }),
    );
  }
  if ((seam === 'butted' || seam === 'brazed') && angle !== null) {
    const a = at(angle, inner - 1);
    const b = at(angle, outer + 1);
    shapes.push(path(`M${a.x} ${a.y}L${b.x} ${b.y}`, { stroke: 'ink', width: 4 }));
    const s = at(angle, (outer + inner) / 2);
    pointer(s.x, s.y, 'seam');
  }
  if (familyOf(terminal).drawing.windowEndOn) {
    const where = angle ?? 0;
    const s = at(where, (outer + inner) / 2);
    const wall = outer - inner + 2;
    shapes.push(
      where === 0
        ? rect(-9, -outer - 1, 18, wall, { fill: 'paper', stroke: 'tin-edge' })
        : rect(s.x - wall / 2, s.y - 9, wall, 18, { fill: 'paper', stroke: 'tin-edge' }),
    );
    pointer(where === 0 ? 8 : s.x + wall / 2, where === 0 ? -outer + 4 : s.y, 'window');
  }
  if (isOpen) pointer(outer * 1.02, (angle === 180 ? 1 : -1) * outer * 0.5, 'wings');
  if (lies.turn !== null && state === 'before') shapes.push(...otherBite(lies.turn, outer));
  if (state === 'wrong') shapes.push(path('M-104 -128L104 128M104 -128L-104 128', { stroke: 'fail', width: 7 }));
  return state === 'wrong' ? drawing(shapes, k, -112, 112, 140) : drawing(shapes, k, -140, 190, 140);
}

/** Where the bite of end 1 lies behind this one, as it is seen from the side the splice is held by now. */
function otherBite(turn: 0 | 90, outer: number): Shape[] {
  const flat = outer * 0.5;
  const out = outer * 0.86;
  const edges =
    turn === 0
      ? [`M${-flat} ${-out}H${flat}`, `M${-flat} ${out}H${flat}`]
      : [`M${-out} ${-flat}V${flat}`, `M${out} ${-flat}V${flat}`];
  return [
    ...edges.map((d) => path(d, { stroke: 'hold', width: 5, dashed: true, part: 'other-bite' })),
    text(106, outer * 0.7, 'bite of end 1', { size: 20, ink: 'hold' }),
    turn === 0
      ? path(`M${flat} ${out}L104 ${outer * 0.64}`, { stroke: 'hold', width: 1.2 })
      : path(`M${out} ${flat}L104 ${outer * 0.64}`, { stroke: 'hold', width: 1.2 }),
  ];
}

function drawing(shapes: readonly Shape[], scale: number, left: number, right: number, half: number): Drawing {
  return { shapes, box: { x: left, y: -half, width: right - left, height: 2 * half }, scale };
}

function openBarrel(o: number, i: number, turned: 1 | -1): string {
  const t = o - i;
  const sweep = turned === 1 ? 0 : 1;
  const y = (value: number) => value * turned;
  return `M${-o * 1.05} ${y(-o * 1.1)}L${-o * 1.05 + t} ${y(-o * 1.12)}L${-i} 0A${i} ${i} 0 0 ${sweep} ${i} 0L${o * 1.05 - t} ${y(-o * 1.12)}L${o * 1.05} ${y(-o * 1.1)}L${o} 0A${o} ${o} 0 0 ${1 - sweep} ${-o} 0Z`;
}

/** Path data of absolute coordinates with every number multiplied. */
function scaled(d: string, by: number): string {
  return d.replace(/-?\d+(?:\.\d+)?/g, (number) => String(Number((Number(number) * by).toFixed(2))));
}
