import { cautions } from '../crimp';
import type { Judgement, SetUp, SetUpContext } from '../combination';
import { familyName, isSplice, takesLabel } from '../terminal';
import { sizeLabel, type Wire } from '../wire';
import { drawEnd } from './drawEnd';
import { drawSide } from './drawSide';
import { MARGIN, PAPER_SIZES, PageWriter, type Letterhead, type Page, type Paper } from './PageWriter';
import { qrPath } from './qrPath';
import { papersOf } from './papersOf';
import { line, path, rect, text } from './shapes';
import { sideView } from './sideView';
import { wrapText } from './wrapText';
import { showRange } from '../units';

/** What a set-up sheet says. */
export interface SheetInput {
  readonly shop: Letterhead;
  readonly about: {
    readonly list: string;
    readonly terminal: string;
    readonly wire: string;
    readonly pieces: number;
  };
  readonly context: Pick<
    SetUpContext,
    'terminal' | 'wire' | 'together' | 'opposite' | 'practice' | 'use' | 'class' | 'revisions'
  >;
  readonly setUp: SetUp;
  readonly judgement: Judgement;
  /** Address of this set-up, for the QR code. */
  readonly link: string;
  /** When it is printed, in words. */
  readonly printedAt: string;
}

const GAP = 5;
/** Units a drawing end on takes beside others at the least: its name stands above it. */
const LEAST = 230;

/**
 * The set-up sheet of one combination: drawing, true-size strip bar with a 50 mm check bar, steps with their gates,
 * points to look at, limits, cautions, release and a QR code back to it. One page where it fits, else two.
 */
export function drawSheet(input: SheetInput, paper: Paper): Page[] {
  const [width, height] = PAPER_SIZES[paper];
  const writer = new PageWriter(width, height);
  head(writer, input);
  drawings(writer, input);
  stripBar(writer, input.setUp);
  answers(writer, input);
  lists(writer, input);
  const { shop, context } = input;
  const { revisions, practice } = context;
  writer.foot(
    `${shop.name}${shop.isDemo ? ' (demo shop, all data made up)' : ''}. Terminal rev ${revisions.terminal}, wire rev ${revisions.wire}, ${practice.label} rev ${revisions.practice}.`,
    input.printedAt,
  );
  return writer.pages;
}

function head(writer: PageWriter, { shop, about, context, judgement, setUp, link }: SheetInput): void {
  const { terminal, wire, together, opposite, use } = context;
  const side = 24;
  writer.put(path(qrPath(link, writer.inner + MARGIN - side, MARGIN, side), { fill: 'ink' }));
  const logo = writer.logo(shop, side + GAP);
  const room = writer.inner - side - GAP - (logo && logo + GAP);
  const named = (of: readonly Wire[]) => of.map((w) => `${w.part} (${sizeLabel(w.conductor.size)})`).join(' with ');
  const wires = `${named([wire, ...together])}${opposite.length ? `; end 2: ${named(opposite)}` : isSplice(terminal) ? '; one end, the list names no other wire' : ''}`;
  writer.put(text(MARGIN, MARGIN + 5, `${about.terminal} on ${about.wire}`, { size: 6.4, bold: true }));
  let y = MARGIN + 10;
  for (const words of [
    `${terminal.label}; ${familyName(terminal.family)}, range ${takesLabel(terminal)}. Wire ${wires}.`,
    `${about.list}: ${about.pieces} pieces, grade ${context.class}, ${use.place} place${use.fuelNear ? ', fuel near: no flame' : ''}.`,
  ]) {
    for (const part of wrapText(words, 3.1, room)) {
      writer.put(text(MARGIN, y, part, { size: 3.1, face: 'text' }));
      y += 4;
    }
  }
  const { release } = judgement;
  const ink = release.state === 'released' ? 'pass' : release.state === 'lapsed' ? 'fail' : 'hold';
  const said = {
    released: release.reasons[0]?.text ?? 'Released.',
    lapsed: `Release lapsed: ${release.reasons[0]?.text ?? ''}`,
    none: `Not released. ${judgement.headline}`,
  }[release.state];
  const madeUp =
    setUp.standing.limit?.table.origin === 'made-up' ? ' Limits are made up: this releases nothing for real use.' : '';
  const lines = wrapText(`${said}${madeUp}`, 3.3, room - 5);
  const tall = lines.length * 4.2 + 2;
  writer.put(rect(MARGIN, y - 1.4, 1.6, tall, { fill: ink }));
  for (const part of lines) {
    writer.put(text(MARGIN + 4, y + 2.4, part, { size: 3.3, face: 'text', bold: true }));
    y += 4.2;
  }
  writer.y = Math.max(y + 2, MARGIN + side) + GAP - 1;
}

function drawings(writer: PageWriter, { context, setUp }: SheetInput): void {
  const { terminal, wire } = context;
  const { orientation, preparation, tool } = setUp;
  if (orientation) {
    writer.put(text(MARGIN, writer.y + 3, orientation.headline, { size: 5, bold: true }));
    writer.y += 6.5;
    const notes = setUp.biteNotes.map((note) => ` ${note.text}`).join('');
    const why = `${orientation.critical ? 'Critical. ' : ''}${orientation.why}${notes}`;
    for (const part of wrapText(why, 3.1, writer.inner)) {
      writer.put(text(MARGIN, writer.y + 1, part, { size: 3.1, face: 'text' }));
      writer.y += 4;
    }
    const second = setUp.other?.orientation;
    if (second) writer.paragraph(`End 2. ${second.headline} ${second.why}`, 3.1);
  }
  const strip = preparation?.strip;
  const { other } = setUp;
  const otherStrip = other?.preparation?.strip ?? null;
  const opposite = other && otherStrip ? { wire: other.wire, strip: otherStrip, bites: other.bites } : null;
  const view = strip ? sideView(terminal, wire, strip, setUp.bites, tool?.nest ?? null, opposite) : null;
  if (!strip || !view) {
    writer.put(
      text(MARGIN, writer.y + 3, 'No drawing: the terminal’s sheet leaves out a dimension it needs.', {
        size: 3.3,
        face: 'text',
      }),
    );
    writer.y += 8;
    return;
  }
  const sideWidth = writer.inner * 0.56;
  const side = drawSide(terminal, view, strip, orientation?.angle ?? null, 560, otherStrip);
  const tall = writer.place(side, MARGIN, writer.y, sideWidth);
  let lowest = 0;
  if (tool && orientation) {
    const states = orientation.wrong ? (['before', 'wrong', 'after'] as const) : (['before', 'after'] as const);
    const ends = other?.orientation ? [{ wire: other.wire, lies: other.orientation, state: 'end 2' as const }] : [];
    const drawn = [...states.map((state) => ({ wire, lies: orientation, state })), ...ends].flatMap((one) => {
      const at = one.state === 'end 2' ? 'before' : one.state;
      const found = drawEnd(terminal, one.wire, tool.nest.profile, one.lies, at);
      return found ? [{ state: one.state, found }] : [];
    });
    const units = Math.max(
      560,
      drawn.reduce((sum, { found }) => sum + Math.max(found.box.width, LEAST), 0),
    );
    const scale = (writer.inner - sideWidth - 2) / units;
    let x = MARGIN + sideWidth + 2;
    for (const { state, found } of drawn) {
      const room = found.box.width * scale;
      const name = { before: 'like this', wrong: 'not like this', after: 'after the bite', 'end 2': 'end 2' }[state];
      const isWrong = state === 'wrong';
      writer.put(text(x, writer.y + 3, name, { size: 2.6, bold: isWrong, ink: isWrong ? 'fail' : 'ink' }));
      lowest = Math.max(lowest, 5 + writer.place(found, x, writer.y + 5, room));
      x += Math.max(room, LEAST * scale);
    }
  }
  writer.y += Math.max(tall, lowest) + 2;
}

/** The strip window in true size, and a bar of 50 mm to check the printer by. */
function stripBar(writer: PageWriter, { preparation, other }: SetUp): void {
  const strip = preparation?.strip;
  if (!strip?.window) return;
  const x = MARGIN;
  const y = writer.y;
  const longest = Math.ceil((strip.window.max + 4) / 5) * 5;
  writer.put(rect(x + strip.window.min, y, strip.window.max - strip.window.min, 7, { fill: 'copper-light' }));
  for (let at = 0; at <= longest; at++) {
    writer.put(line(x + at, y, x + at, y + (at % 5 === 0 ? 4.6 : 2.4), 'ink', 0.15));
    if (at % 5 === 0) writer.put(text(x + at, y + 9.6, String(at), { size: 2.5, anchor: 'middle' }));
  }
  if (strip.setPoint !== null) writer.put(line(x + strip.setPoint, y, x + strip.setPoint, y + 7, 'ink', 0.6));
  const checkX = MARGIN + writer.inner - 50;
  // A strip too long to stand beside the check bar stands above it.
  const isLong = longest > writer.inner - 56;
  if (isLong) writer.y += 13;
  const checkY = writer.y;
  writer.put(rect(checkX, checkY, 50, 2.2, { fill: 'ink' }));
  wrapText('This bar is 50 mm. If not, the strip bar is wrong too: print again at 100 %.', 2.6, 50).forEach(
    (part, index) => {
      writer.put(text(checkX, checkY + 5.8 + index * 3.3, part, { size: 2.6, face: 'text' }));
    },
  );
  if (!isLong) {
    const edge =
      strip.kind === 'positioned'
        ? ` Insulation edge ${showRange(strip.position, 1, ' to ')} mm behind the barrel.`
        : '';
    const said = `${other ? 'End 1: strip' : 'Strip'} ${strip.setPoint ?? 'none'} mm, true size: cut insulation at 0, wire end in the band.${edge}${secondStrip(other)}`;
    const room = writer.inner - 54 - longest;
    wrapText(said, 2.8, room).forEach((part, index) => {
      writer.put(text(x + longest + 3, y + 3 + index * 3.6, part, { size: 2.8, face: 'text' }));
    });
  }
  writer.y += 14;
}

/** How long the other wire of a splice is stripped; the bar in true size is of end 1. */
function secondStrip(other: SetUp['other']): string {
  const strip = other?.preparation?.strip;
  return strip?.window ? ` End 2: strip ${strip.setPoint ?? 'none'} mm (${showRange(strip.window, 1)}).` : '';
}

function answers(writer: PageWriter, { judgement, setUp }: SheetInput): void {
  const limit = setUp.standing.limit;
  const rows = judgement.stages.map((stage) => [
    stage.stage,
    stage.stage === 'tug' && limit
      ? `${[...new Set(setUp.wires.map(({ standing }) => standing.reason.text))].join(' ')} Speed ${limit.table.speed.min}–${limit.table.speed.max} mm/min. ${setUp.pulledWith}`.trim()
      : stage.answer,
  ]);
  rows.push(['papers', papersOf(setUp)]);
  for (const [name = '', answer = ''] of rows) {
    const lines = wrapText(answer, 3, writer.inner - 20);
    writer.put(line(MARGIN, writer.y - 0.8, MARGIN + writer.inner, writer.y - 0.8, 'line', 0.2));
    writer.put(text(MARGIN, writer.y + 2.6, name, { size: 3.2, bold: true, ink: 'petrol' }));
    lines.forEach((part, index) => {
      writer.put(text(MARGIN + 20, writer.y + 2.6 + index * 3.8, part, { size: 3, face: 'text' }));
    });
    writer.y += Math.max(1, lines.length) * 3.8 + 1.2;
  }
  writer.y += 2;
}

function lists(writer: PageWriter, { setUp, context }: SheetInput): void {
  const half = (writer.inner - GAP) / 2;
  const size = 2.9;
  const step = 3.6;
  const steps = setUp.gates.map((gate) => `${setUp.other && gate.end === 2 ? 'End 2: ' : ''}${gate.headline}`);
  const points = setUp.criteria.map((point) => `${point.title}: ${point.accept}`);
  const measure = (items: readonly string[]) =>
    items.reduce((sum, item) => sum + wrapText(item, size, half - 6).length * step + 1, 6);
  const after = [...setUp.after, ...cautions(context.terminal, setUp.tool?.tool ?? null)];
  writer.need(Math.max(measure(steps), measure(points)));
  const column = (x: number, title: string, items: readonly string[], boxes: boolean): number => {
    let y = writer.y;
    writer.put(text(x, y + 3, title, { size: 3.6, bold: true }));
    y += 6;
    items.forEach((item, index) => {
      if (boxes) writer.put(rect(x, y - 0.2, 2.8, 2.8, { stroke: 'ink', width: 0.2 }));
      wrapText(`${boxes ? '' : `${index + 1} `}${item}`, size, half - 6).forEach((part) => {
        writer.put(text(x + (boxes ? 4.4 : 0), y + 2.2, part, { size, face: 'text' }));
        y += step;
      });
      y += 1;
    });
    return y;
  };
  const left = column(MARGIN, 'Steps', steps, true);
  const right = column(MARGIN + half + GAP, 'Look at', points, false);
  writer.y = Math.max(left, right) + 2;
  const lines = after.map((item) => wrapText(item, size, writer.inner - 6));
  writer.need(lines.reduce((sum, l) => sum + l.length * step, 8));
  writer.put(
    text(MARGIN, writer.y + 3, setUp.after.length ? 'Afterwards, and cautions' : 'Cautions', { size: 3.6, bold: true }),
  );
  writer.y += 6;
  for (const item of lines) {
    writer.put(rect(MARGIN, writer.y + 0.6, 1.4, 1.4, { fill: 'hold' }));
    for (const part of item) {
      writer.put(text(MARGIN + 4, writer.y + 2.2, part, { size, face: 'text' }));
      writer.y += step;
    }
  }
}
