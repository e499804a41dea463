import type { StripWindow } from '../prepare';
import { familyOf, isSplice, type End, type Range, type Terminal } from '../terminal';
import { path, rect, text, type Shape } from './shapes';
import type { SideView } from './sideView';
import { showRange } from '../units';

export interface Drawing {
  readonly shapes: readonly Shape[];
  /** Left upper corner and size in the drawing's own units. */
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  /** Units per mm of the parts drawn. */
  readonly scale: number;
}

const mm = (value: number) => value.toFixed(1);
const span = (range: Range | null) => (range ? showRange(range, 1) : 'none');

/**
 * The side view with its dimension lines as shapes, `width` units wide. Text keeps its size in units, so a wider drawing
 * shows the parts larger.
 * @param otherStrip of the wire at the other end of a splice; null where none is drawn
 * @param seamAngle degrees of the seam; 180 draws it in the lower wall; null where it is not shown
 */
export function drawSide(
  terminal: Terminal,
  view: SideView,
  strip: StripWindow,
  seamAngle: number | null,
  width = 640,
  otherStrip: StripWindow | null = null,
): Drawing {
  const k = Math.min(width / (view.to - view.from), width / 9 / view.halfHeight);
  const x = (value: number) => (value - view.from) * k;
  const y = (value: number) => value * k;
  const box = (b: { x: number; y: number; width: number; height: number }, look: Parameters<typeof rect>[4]) =>
    rect(x(b.x), y(b.y), b.width * k, b.height * k, look);
  const tin = { fill: 'tin', stroke: 'tin-edge', width: 1.4 } as const;
  const shapes: Shape[] = [];
  const { barrel } = terminal;
  const isOpen = barrel.seam === 'open';
  const { drawing, words } = familyOf(terminal);
  const hasTongue =
    terminal.studHole !== null || (!isOpen && terminal.cavity === null && drawing.front === 'by-dimensions');
  if (hasTongue) shapes.push(path(tongue(), tin));
  else if (isOpen) shapes.push(path(floor(), tin));
  else if (drawing.front === 'pin') {
    shapes.push(
      rect(x(view.from) + 2, y(-view.inner * 0.7), x(-view.length) - x(view.from) - 2, view.inner * 1.4 * k, tin),
    );
  }
  for (const wall of view.walls) shapes.push(box(wall, tin));
  for (const window of view.windows) {
    shapes.push(
      rect(x(window.x), y(window.y) - 1, window.width * k, window.height * k + 2, {
        fill: 'paper',
        stroke: 'tin-edge',
      }),
    );
  }
  const [first] = view.windows;
  if (first) {
    const ends = view.windows.flatMap((window) => [window.x, window.x + window.width]);
    // No bite comes near it.
    const middle = x((Math.min(...ends) + Math.max(...ends)) / 2);
    shapes.push(text(middle, y(-view.halfHeight) - 8, words.holeInShort, { anchor: 'middle', ink: 'soft' }));
  }
  for (const { strands, insulation } of [view, ...(view.other ? [view.other] : [])]) {
    for (const strand of strands) shapes.push(box(strand, { fill: 'copper', stroke: 'copper-light' }));
    shapes.push(box(insulation, { fill: 'insulation' }));
    shapes.push(box({ ...insulation, height: insulation.height * 0.28 }, { fill: 'insulation-light' }));
  }
  if (view.seal) {
    shapes.push(box(view.seal, { fill: 'accent', stroke: 'ink' }));
    const ribs = 3;
    for (let i = 1; i <= ribs; i++) {
      const at = view.seal.x + view.seal.width * (0.45 + 0.16 * i);
      shapes.push(
        path(`M${x(at)} ${y(view.seal.y) - 4}V${y(view.seal.y + view.seal.height) + 4}`, { stroke: 'ink', width: 3 }),
      );
    }
  }
  for (const support of [view.support, view.other?.support ?? null]) {
    if (!support) continue;
    const isSleeve = !isOpen;
    shapes.push(
      box(support, isSleeve ? { stroke: 'soft', width: 1.4, dashed: true } : { stroke: 'tin-edge', width: 3 }),
    );
    shapes.push(
      text(
        x(support.x + support.width / 2),
        y(Math.max(support.y + support.height, view.seal ? view.seal.y + view.seal.height : 0)) + 17,
        !isSleeve ? (view.seal ? 'seal in its wings' : 'insulation grip') : words.support,
        { anchor: 'middle', ink: 'soft' },
      ),
    );
  }
  if (seamAngle === 180 && (barrel.seam === 'butted' || barrel.seam === 'brazed')) {
    shapes.push(
      path(`M${x(view.walls[0]?.x ?? 0) + 5} ${y(view.halfHeight) - 4}H${x(0) - 5}`, {
        stroke: 'ink',
        width: 2.5,
        dashed: true,
      }),
    );
  }
  const pressed = (centre: number, across: number, label: string) => {
    const top = y(-view.halfHeight);
    const half = Math.min((across * k) / 2, 60);
    shapes.push(path(`M${x(centre) - half} ${top - 14}h${2 * half}l${-half} 13z`, { fill: 'steel', part: 'bite' }));
    shapes.push(text(x(centre), top - 18, label, { anchor: 'middle', bold: true }));
  };
  const ofEnd = (end: End) => (view.other ? `${end}.` : '');
  for (const bite of view.bites) pressed(bite.centre, bite.width, `${ofEnd(1)}${bite.order}`);
  for (const bite of view.other?.bites ?? []) pressed(bite.centre, bite.width, `${ofEnd(2)}${bite.order}`);
  if (view.gripBite) pressed(view.gripBite.centre, view.gripBite.width, 'wide');
  const base = y(view.halfHeight) + 34;
  const dim = (d: string) => shapes.push(path(d, { stroke: 'ink' }));
  if (view.brush !== null) {
    dim(`M${x(view.wireEnd)} ${y(0.2)}V${base + 41}M${x(-view.length)} ${y(view.halfHeight)}V${base + 14}`);
    dim(`M${x(view.wireEnd)} ${base + 8}H${x(-view.length)}`);
    shapes.push(
      text(x(view.wireEnd) - 6, base + 12, `brush ${mm(view.brush)} (${span(strip.brush)})`, { anchor: 'end' }),
    );
  } else {
    dim(`M${x(view.wireEnd)} ${y(view.halfHeight)}V${base + 41}`);
    // Of a splice both wires meet the stop from their own side.
    const side = view.other ? 6 : -6;
    shapes.push(text(x(view.wireEnd) + side, base + 12, 'at the stop', { anchor: view.other ? 'start' : 'end' }));
  }
  dim(`M${x(0)} ${y(view.halfHeight)}V${base + 14}M${x(view.insulationEdge)} ${y(view.halfHeight)}V${base + 41}`);
  // A lug's barrel grows over the bare wire: what is drawn is before the bite, what the practice limits is after it.
  const grows = strip.rule === 'lug' ? barrel.growth : 0;
  const position = { min: strip.position.min + grows, max: strip.position.max + grows };
  shapes.push(
    text(
      x(view.insulationEdge) + 6,
      base + 12,
      strip.rule === 'ferrule'
        ? `insulation home in the ${words.support}`
        : `${strip.rule === 'window' ? 'edge' : 'gap'} ${mm(view.gap)} (${span(position)})${grows ? `, ${mm(view.gap - grows)} after` : ''}`,
    ),
  );
  dim(`M${x(view.wireEnd)} ${base + 38}H${x(view.insulationEdge)}`);
  // Of a splice each length stands on its own side of the stop.
  const middle = view.other ? x(view.wireEnd) + 8 : x((view.wireEnd + view.insulationEdge) / 2);
  shapes.push(
    text(
      middle,
      base + 60,
      `strip ${strip.setPoint ?? 'none'}  (${span(strip.window)} mm)${strip.folded ? ', folded back' : ''}`,
      { anchor: view.other ? 'start' : 'middle', bold: true, size: 18 },
    ),
  );
  if (view.other && otherStrip) {
    const { wireEnd, insulationEdge, gap } = view.other;
    dim(`M${x(wireEnd)} ${y(view.halfHeight)}V${base + 41}M${x(insulationEdge)} ${y(view.halfHeight)}V${base + 41}`);
    dim(`M${x(insulationEdge)} ${base + 38}H${x(wireEnd)}`);
    const said = `${otherStrip.rule === 'window' ? 'edge' : 'gap'} ${mm(gap)} (${span(otherStrip.position)})`;
    shapes.push(
      text(x(insulationEdge) - 6, base + 12, said, { anchor: 'end' }),
      text(
        x(wireEnd) - 8,
        base + 60,
        `strip ${otherStrip.setPoint ?? 'none'}  (${span(otherStrip.window)} mm)${otherStrip.folded ? ', folded back' : ''}`,
        { anchor: 'end', bold: true, size: 18 },
      ),
      text(x(insulationEdge) - 6, base + 84, 'end 2', { anchor: 'end', ink: 'soft' }),
      text(x(view.insulationEdge) + 6, base + 84, 'end 1', { ink: 'soft' }),
    );
  }
  const height = view.halfHeight * k;
  return {
    shapes,
    box: { x: 0, y: -height - 40, width, height: 2 * height + 40 + (view.other ? 126 : 102) },
    scale: k,
  };

  /** Outline of the tongue or pad, bent down from the barrel's floor. */
  function tongue(): string {
    const wall = view.outer - view.inner;
    const top = y(view.outer - wall);
    const x0 = x(-view.length);
    const x1 = x(view.from + 0.3);
    const thick = wall * k;
    const bend = Math.min(30, (x0 - x1) / 3);
    return `M${x0} ${top}C${x0 - bend} ${top} ${x0 - bend} ${top + thick * 0.5} ${x0 - 2 * bend} ${top + thick * 0.5}H${x1}V${top + thick * 1.5}H${x0}Z`;
  }

  /** Floor of an open barrel under both grips, and the body in front of it. */
  function floor(): string {
    const top = y(view.inner);
    const thick = (view.outer - view.inner) * k;
    const front = x(view.from + 0.3);
    const reach = (barrel.betweenGrips ?? 0) + barrel.supportLength;
    const back = x(reach);
    const start = view.other && isSplice(terminal) ? x(view.leftEnd - reach) : front;
    if (isSplice(terminal)) return `M${start} ${top}H${back}V${top + thick}H${start}Z`;
    // The body begins where the room for the brush ends.
    const nose = x(-view.length - terminal.brushMax);
    return `M${front} ${top - thick * 2}H${nose}V${top}H${back}V${top + thick}H${front}Z`;
  }
}
