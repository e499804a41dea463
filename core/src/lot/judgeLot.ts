import { uncapital } from '../text';
import { isSameDocument } from '../document';
import { checkPassed } from '../tool';
import { judgeGroup, type GroupVerdict } from '../tug';
import { reason, type Reason } from '../verdict';
import { pullLimit, type SetUp, type SetUpContext } from '../combination';
import type { Entry } from '../entry';
import { containment, type Containment, type ToolSuspicion } from './containment';
import { checksDue } from './checksDue';
import { keptInLot } from './keptInLot';
import type { Disposed, Due, LotHead, PieceCheck, Span } from './LotState';
import { plannedPulls } from './planRisk';
import { dispositions, pieceChecks, readLot } from './readLot';

export interface LotVerdict extends Containment {
  readonly head: LotHead;
  readonly checks: readonly PieceCheck[];
  readonly due: readonly Due[];
  readonly disposed: readonly Disposed[];
  /** Over all valid pulls of the lot. */
  readonly group: GroupVerdict;
  /** Pieces by what became of them. `left`: made, not spent, not scrapped: what can be delivered once it is clear. */
  readonly counts: {
    readonly spent: number;
    readonly scrapped: number;
    readonly suspect: number;
    readonly left: number;
  };
  /** Why the lot cannot be finished yet, soonest first; empty when it can. */
  readonly unfinished: readonly string[];
  /**
   * 'accepted' needs a finished lot, every piece clear or disposed of, and a controlled limit table;
   * 'meets-made-up-limits' is the same against demo limits; 'held' while something is suspect or low.
   */
  readonly verdict: 'running' | 'held' | 'accepted' | 'meets-made-up-limits';
  readonly headline: string;
  readonly reasons: readonly Reason[];
}

/**
 * Judges one lot: its checks, what is due, which pieces are clear and which suspect, what to pull next, and whether it can
 * be finished and accepted. Look and tug are separate evidence: a check counts only when both are there.
 *
 * @param journal entries of the set-up and at least this lot
 * @param now ISO instant
 * @returns null when no such lot was opened
 */
export function judgeLot(
  setUp: SetUp,
  journal: readonly Entry[],
  context: Pick<SetUpContext, 'practice' | 'checks' | 'limits'>,
  lot: number,
  now: string,
): LotVerdict | null {
  const head = readLot(journal, lot);
  if (!head) return null;
  const limits = setUp.lots.get(lot) ?? [];
  const points = setUp.lotCriteria.get(lot) ?? setUp.criteria;
  const disposed = dispositions(journal, lot);
  const kept = keptInLot(setUp, journal, head, limits, disposed);
  const checks = pieceChecks(journal, lot, limits, points, setUp.pulls, kept.failedHolds);
  const suspicions = toolSuspicions(head, context.checks);
  const contained = containment(head, checks, disposed, suspicions);
  const due = checksDue(head, checks, now);
  const [pull] = setUp.pulls;
  const limit = (pull && pullLimit(pull, limits))?.limit ?? null;
  const forces = checks.flatMap((c) => (c.force === null ? [] : [c.force]));
  const group = judgeGroup(forces, limit?.force ?? 0, context.practice, plannedPulls(head.pieces, head.plan));
  const count = (...states: Span['state'][]) =>
    contained.spans.filter((s) => states.includes(s.state)).reduce((sum, s) => sum + s.to - s.from + 1, 0);
  const pulled = checks.filter((c) => c.tug !== 'open');
  const spent = pulled.length;
  const thrown = contained.spans.filter((s) => s.state === 'scrapped');
  const scrapped =
    count('scrapped') - pulled.filter((c) => thrown.some((s) => s.from <= c.piece && c.piece <= s.to)).length;
  const counts = { spent, scrapped, suspect: count('suspect'), left: Math.max(0, head.made - spent - scrapped) };

  const reasons: Reason[] = [];
  const atQuality = checks.filter((c) => c.tug === 'quality');
  for (const c of atQuality) reasons.push(reason('at-quality', 'hold', c.text, { piece: c.piece }));
  for (const c of checks.filter((check) => check.outcome === 'bad'))
    reasons.push(reason('check-failed', 'bad', c.text, { piece: c.piece }));
  reasons.push(...kept.bad);
  const suspectSpans = contained.spans.filter((s) => s.state === 'suspect');
  for (const s of suspectSpans) {
    reasons.push(reason(`suspect-${s.why}`, 'hold', `${label(s)}: ${uncapital(s.text)}`, { from: s.from, to: s.to }));
  }
  const table = context.limits.find((t) => isSameDocument(t, head.stands.limit));
  const isRuled = disposed.some((d) => d.from === 1 && d.to >= head.made && d.what === 'use-as-is');
  const isWithdrawn = table?.status === 'withdrawn' && head.state !== 'finished' && !isRuled;
  if (table && isWithdrawn) {
    reasons.push(
      reason(
        'limit-withdrawn',
        'hold',
        `${table.document} rev ${table.revision}, which this lot is judged by, was withdrawn while it was made. Quality decides whether it stands; until then it is held.`,
      ),
    );
  }

  const needing = contained.spans.filter((s) => s.state === 'suspect' || s.state === 'open' || s.state === 'rework');
  const unfinished = [
    ...(head.awaitsSetUp === null ? [] : [awaits(head.awaitsSetUp)]),
    ...(head.made < head.pieces ? [`${head.pieces - head.made} of ${head.pieces} pieces are not made yet.`] : []),
    ...due
      .filter((d) => d.code !== 'contain' && d.inPieces <= 0)
      .map((d) => `A check is missing: piece ${d.piece}. ${d.text}`),
    ...checks.filter((c) => c.outcome === 'open').map((c) => c.text),
    ...needing.map((s) =>
      s.state === 'suspect'
        ? `${label(s)} ${s.from === s.to ? 'is' : 'are'} suspect and nothing is decided about ${s.from === s.to ? 'it' : 'them'}.`
        : s.state === 'rework'
          ? `${label(s)} ${s.from === s.to ? 'is' : 'are'} to be reworked; check and accept ${s.from === s.to ? 'it' : 'them'}, or scrap.`
          : `${label(s)} ${s.from === s.to ? 'waits' : 'wait'} for the next good check.`,
    ),
    ...kept.bad.map(({ text }) => text),
    ...kept.open,
    ...(isWithdrawn ? ['The limit table was withdrawn while the lot was made; quality has not decided yet.'] : []),
  ];
  const isHeld =
    suspectSpans.length > 0 ||
    atQuality.length > 0 ||
    kept.bad.length > 0 ||
    isWithdrawn ||
    needing.some((s) => s.state === 'rework');
  const isDone = head.state === 'finished';
  const madeUp = limit?.table.origin !== 'controlled';
  const verdict = isHeld ? 'held' : !isDone ? 'running' : madeUp ? 'meets-made-up-limits' : 'accepted';
  const next = due[0];
  const headline = {
    held: `Held: ${(reasons.find((r) => r.weight === 'hold') ?? reasons[0])?.text ?? ''}`,
    running:
      head.awaitsSetUp !== null
        ? awaits(head.awaitsSetUp)
        : head.state === 'paused'
          ? `Paused at piece ${head.made}.`
          : next
            ? `${head.made} of ${head.pieces} made. Next check: piece ${next.piece}.`
            : `${head.made} of ${head.pieces} made. Every check is there.`,
    'meets-made-up-limits': `Finished: ${counts.left} pieces are clear, against made-up limits. They release nothing for real use.`,
    accepted: `Accepted: ${counts.left} pieces are clear.`,
  }[verdict];
  return { ...contained, head, checks, due, disposed, group, counts, unfinished, verdict, headline, reasons };
}

const awaits = (made: number) => `The tool was changed after piece ${made}: the set-up is proved with it first.`;

const label = ({ from, to }: { from: number; to: number }) =>
  from === to ? `Piece ${from}` : `Pieces ${from} to ${to}`;

/** Stretches of the lot between a good check of a tool it was made with and the next one, where that failed. */
function toolSuspicions(head: LotHead, checks: SetUpContext['checks']): ToolSuspicion[] {
  return head.tools.flatMap(({ after, stands }, i) =>
    suspicionsOf(head, stands.tool, checks).flatMap((found) => {
      const from = Math.max(found.after, after);
      const upTo = Math.min(found.upTo, head.tools[i + 1]?.after ?? head.pieces);
      return upTo > from ? [{ ...found, after: from, upTo }] : [];
    }),
  );
}

function suspicionsOf(head: LotHead, tool: string, checks: SetUpContext['checks']): ToolSuspicion[] {
  const own = checks.filter((c) => c.tool === tool).sort((a, b) => a.at.localeCompare(b.at));
  return own.flatMap((check, i) => {
    const before = own.slice(0, i).findLast(checkPassed);
    // The first failure after a good check speaks for the time since it; further ones find the tool locked already.
    if (checkPassed(check) || (own[i - 1] !== undefined && !checkPassed(own[i - 1] as typeof check))) return [];
    const after = before ? madeAt(head, before.at) : 0;
    const upTo = check.at < head.openedAt ? 0 : madeBy(head, check.at);
    return upTo > after ? [{ tool, at: check.at, after, upTo }] : [];
  });
}

/** Pieces counted at an instant: what was counted since may have been made later. */
function madeAt(head: LotHead, at: string): number {
  return head.steps.filter((s) => s.at <= at).at(-1)?.made ?? 0;
}

/** Pieces that may have been made by an instant: what is counted next may have been made before it. */
function madeBy(head: LotHead, at: string): number {
  return head.steps.find((s) => s.at >= at)?.made ?? head.made;
}
