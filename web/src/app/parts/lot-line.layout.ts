import type { LotVerdict } from '@tug-mark/core';

export interface SamplePiece {
  readonly piece: number;
  readonly look: 'accepted' | 'rework' | 'rejected' | 'open';
  readonly tug: 'holds' | 'below' | 'invalid' | 'open';
}

/** Width of the line in its own units. */
export const LINE_WIDTH = 1000;
/** Checks drawn: more would stand on each other. */
const MOST_DOTS = 120;
/** Samples side by side: more find no room beside the bar, and a page open all day would grow with them. */
const MOST_SAMPLES = 12;
/** Percent of the line two numbers stand apart, at the least. */
const APART = 4;

const isWrong = ({ look, tug }: SamplePiece) =>
  look === 'rejected' || look === 'rework' || tug === 'below' || tug === 'invalid';

/** The newest samples, and before them those something is wrong with. */
export function drawnSamples(all: readonly SamplePiece[]): readonly SamplePiece[] {
  if (all.length <= MOST_SAMPLES) return all;
  const wrong = all.filter(isWrong).slice(-MOST_SAMPLES / 2);
  const others = all.filter((sample) => !wrong.includes(sample)).slice(wrong.length - MOST_SAMPLES);
  return [...wrong, ...others].sort((a, b) => a.piece - b.piece);
}

/** How many samples are not drawn, and how many of them are not good; empty when all are. */
export function leftOutText(all: readonly SamplePiece[], drawn: readonly SamplePiece[]): string {
  const left = all.filter((sample) => !drawn.includes(sample));
  if (!left.length) return '';
  const wrong = left.filter(isWrong).length;
  return `${left.length} more${wrong ? `, ${wrong} not good` : ''}`;
}

/** A stretch of the line in one state; `x` and `width` in the line's units. */
export interface DrawnSpan {
  readonly from: number;
  readonly state: string;
  readonly x: number;
  readonly width: number;
}

/** The lot as it is drawn: `at` in percent of the line, `x` in its units. */
export interface DrawnLot {
  readonly spans: readonly DrawnSpan[];
  readonly dues: readonly { readonly piece: number; readonly x: number; readonly now: boolean }[];
  readonly checks: readonly { readonly piece: number; readonly outcome: string; readonly at: number }[];
  readonly labels: readonly { readonly piece: number; readonly strong: boolean; readonly at: number }[];
}

/** Lays a lot out along its line: spans, checks that are due, checks made, and the numbers that find room. */
export function layOutLot({ head, spans, due, checks }: LotVerdict): DrawnLot {
  const x = (piece: number) => (piece / head.pieces) * LINE_WIDTH;
  const middle = (piece: number) => (x(piece - 0.5) / LINE_WIDTH) * 100;
  const dues = due.filter((d) => d.code !== 'contain');
  return {
    spans: mergeSpans(spans).map(({ from, to, state }) => ({
      from,
      state,
      x: x(from - 1),
      width: x(to) - x(from - 1),
    })),
    dues: dues.map((d) => ({ piece: d.piece, x: x(d.piece - 0.5), now: d.inPieces <= 0 })),
    checks: drawnChecks(checks).map(({ piece, outcome }) => ({ piece, outcome, at: middle(piece) })),
    labels: placeLabels(
      [
        { piece: 1, strong: false, at: 0 },
        ...checks
          .filter((c) => c.outcome === 'bad')
          .slice(0, MOST_DOTS)
          .map((c) => ({ piece: c.piece, strong: true, at: middle(c.piece) })),
        ...dues.slice(0, 1).map((d) => ({ piece: d.piece, strong: true, at: middle(d.piece) })),
        { piece: head.pieces, strong: false, at: 100 },
      ].map((label) =>
        label.piece === 1 ? { ...label, at: 0 } : label.piece === head.pieces ? { ...label, at: 100 } : label,
      ),
    ),
  };
}

type Span = Pick<LotVerdict['spans'][number], 'from' | 'to' | 'state'>;

/** Alike stretches side by side are drawn as one: a lot of thousands has few. */
function mergeSpans(spans: readonly Span[]): readonly Span[] {
  const merged: { from: number; to: number; state: Span['state'] }[] = [];
  for (const { from, to, state } of spans) {
    const last = merged.at(-1);
    if (last?.state === state) last.to = to;
    else merged.push({ from, to, state });
  }
  return merged;
}

/** Dots stand side by side at most; of more checks every so many-th good one is drawn, and all others first. */
function drawnChecks(checks: LotVerdict['checks']): LotVerdict['checks'] {
  const good = checks.filter((c) => c.outcome === 'good');
  const others = checks.filter((c) => c.outcome !== 'good').slice(0, MOST_DOTS);
  const step = Math.max(1, Math.ceil(good.length / MOST_DOTS));
  return [...good.filter((_, i) => i % step === 0 || i === good.length - 1), ...others];
}

type Label = DrawnLot['labels'][number];

/** Numbers that would stand on each other are left out, plain ones first. */
function placeLabels(labels: readonly Label[]): readonly Label[] {
  const kept: Label[] = [];
  for (const label of [...labels].sort((a, b) => a.piece - b.piece)) {
    const last = kept.at(-1);
    if (!last || label.at - last.at > APART) kept.push(label);
    else if (label.strong && !last.strong) kept[kept.length - 1] = label;
  }
  return kept;
}

/** The lot for those who do not see its line. */
export function lotText({ head, headline, checks }: LotVerdict): string {
  const last = checks.slice(-MOST_DOTS).map((c) => c.text);
  return `Pieces of lot ${head.name}. ${headline} ${last.join(' ')}`;
}
