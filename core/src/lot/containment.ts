import { bracketPlan, type BracketPlan } from './bracketPlan';
import type { Disposed, LotHead, PieceCheck, Span } from './LotState';

/** A stretch made with a tool that failed its check afterwards. */
export interface ToolSuspicion {
  readonly tool: string;
  /** Instant of the failed check. */
  readonly at: string;
  /** Pieces made when it last passed, and when it failed. */
  readonly after: number;
  readonly upTo: number;
}

export interface Containment {
  /** Every piece of the lot, in order, alike ones together. */
  readonly spans: readonly Span[];
  /** What to pull next; null while nothing is suspect or where bracketing cannot help. */
  readonly bracket: BracketPlan | null;
  /** Why bracketing does not apply where something is suspect; null where it does. */
  readonly noBracket: string | null;
}

interface Mark {
  state: Span['state'];
  why: string;
  text: string;
  /** When it became known, for what is suspect: whoever let the piece go before did not know. */
  at?: string;
}

/**
 * Which pieces of a lot are clear, not covered yet, or suspect, and what to pull next.
 *
 * The rule: between two good checks with nothing failed between them, pieces are clear. From the last good check to a
 * bad one, and on until it was put right and a good check follows, pieces are suspect. Where a good piece follows a bad
 * one and nothing was changed between, the fault comes and goes: then no single piece clears others, and everything from
 * the last good check before the first bad to the first good after the last bad is held. What a failed tool check covers
 * is suspect whatever was pulled: a pull samples, the tool made them all.
 *
 * Repairs and changes cut the lot into stretches; a fault is taken to have begun once in a stretch. Pieces cleared before a
 * failure was known are suspect again: whoever decided did not know of it.
 */
export function containment(
  head: Pick<LotHead, 'pieces' | 'made' | 'steps' | 'plan'>,
  checks: readonly PieceCheck[],
  disposed: readonly Disposed[],
  suspicions: readonly ToolSuspicion[] = [],
): Containment {
  const { pieces, made } = head;
  const marks: Mark[] = Array.from({ length: pieces + 1 }, (_, i) =>
    i > made
      ? { state: 'not-made', why: 'not-made', text: 'Not made yet.' }
      : { state: 'open', why: 'between-checks', text: 'Waits for the next good check.' },
  );
  const set = (from: number, to: number, state: Span['state'], why: string, text: string, at?: string) => {
    for (let i = Math.max(1, from); i <= Math.min(to, pieces); i++) marks[i] = { state, why, text, ...(at && { at }) };
  };
  const isDecided = (from: number, to: number, at: string) =>
    disposed.some((d) => d.from <= from && d.to >= to && d.at >= at);

  const known = checks.filter((c) => c.outcome === 'good' || c.outcome === 'bad');
  const cuts = head.steps.filter((s) => s.what === 'change').map((s) => s.made);
  const isCut = (from: number, to: number) => cuts.some((cut) => cut >= from && cut < to);
  let bracket: BracketPlan | null = null;
  let noBracket: string | null = null;
  const spent = new Set(checks.filter((c) => c.tug !== 'open').map((c) => c.piece));
  const gone = (piece: number) =>
    spent.has(piece) || disposed.some((d) => d.what === 'scrap' && piece >= d.from && piece <= d.to);

  // The set-up's samples stand for piece 0: released, so good.
  let lastGood = 0;
  let i = 0;
  while (i < known.length) {
    const check = known[i] as PieceCheck;
    if (check.outcome === 'good') {
      set(
        lastGood + 1,
        check.piece,
        'clear',
        'between-checks',
        `Clear: good checks at ${name(lastGood)} and piece ${check.piece}.`,
      );
      lastGood = check.piece;
      i += 1;
      continue;
    }
    // A failure: follow it to the cut that ends its stretch.
    const begin = check.piece;
    let lastBad = check.piece;
    let goodAfter: number | null = null;
    let comesAndGoes = false;
    let j = i + 1;
    while (j < known.length && !isCut(lastBad, (known[j] as PieceCheck).piece)) {
      const next = known[j] as PieceCheck;
      if (next.outcome === 'bad') {
        comesAndGoes ||= goodAfter !== null;
        lastBad = next.piece;
        goodAfter = null;
      } else goodAfter ??= next.piece;
      j += 1;
    }
    const cut = cuts.filter((c) => c >= lastBad).sort((a, b) => a - b)[0] ?? null;
    if (goodAfter !== null || comesAndGoes) {
      const end = goodAfter ?? Math.min(cut ?? made, made);
      const text = `A good piece follows a bad one between pieces ${begin} and ${Math.max(end, lastBad)}, and nothing was changed between them: the fault comes and goes.`;
      set(lastGood + 1, end, 'suspect', 'comes-and-goes', text, known[j - 1]?.at ?? check.at);
      if (!isDecided(lastGood + 1, end, check.at)) {
        noBracket ??= `${text} Pulling single pieces cannot clear the others: hold pieces ${lastGood + 1} to ${end} back, find the cause, and decide about all of them.`;
      }
      lastGood = end;
      const after = known.findIndex((c) => c.piece > end);
      i = after < 0 ? known.length : after;
      continue;
    }
    const end = Math.min(cut ?? made, made);
    const told = `Good at ${name(lastGood)}, failed at piece ${begin}.`;
    set(lastGood + 1, begin, 'suspect', 'began', told, check.at);
    set(
      begin + 1,
      end,
      'suspect',
      'since',
      `Made after piece ${begin} failed${cut === null ? '' : ' and before it was put right'}.`,
      check.at,
    );
    if (!isDecided(lastGood + 1, begin, check.at)) bracket ??= bracketPlan(lastGood, begin, (piece) => !gone(piece));
    // What follows the cut is a stretch of its own, clear once its first check is good.
    lastGood = end;
    i = j;
  }

  for (const { tool, at, after, upTo } of suspicions) {
    set(
      after + 1,
      upTo,
      'suspect',
      'tool-check',
      `Made with ${tool} between its last good check and the one it failed.`,
      at,
    );
  }
  for (const { from, to, what, by, at, note } of disposed) {
    const state = ({ rework: 'rework', accept: 'clear', scrap: 'scrapped', 'use-as-is': 'used-as-is' } as const)[what];
    for (let piece = from; piece <= Math.min(to, pieces); piece++) {
      const mark = marks[piece];
      const didNotKnow = mark?.state === 'suspect' && what !== 'scrap' && at < (mark.at ?? at);
      if (mark?.state !== 'not-made' && !didNotKnow)
        marks[piece] = { state, why: 'disposed', text: `${SAID[what]} by ${by}: ${note}` };
    }
  }

  const spans: Span[] = [];
  for (let piece = 1; piece <= pieces; piece++) {
    const mark = marks[piece] as Mark;
    const last = spans.at(-1);
    if (last?.state === mark.state && last.text === mark.text) spans[spans.length - 1] = { ...last, to: piece };
    else spans.push({ from: piece, to: piece, ...mark });
  }
  return { spans, bracket, noBracket };
}

const SAID = {
  rework: 'To be reworked',
  accept: 'Reworked and accepted',
  scrap: 'Scrapped',
  'use-as-is': 'Used as is',
} as const;

const name = (piece: number) => (piece === 0 ? 'the set-up' : `piece ${piece}`);
