import { AS_DRAWN, isCaliperOnly, isGood, numberFinding, showPoint, type Criterion } from '../look';
import { isValidMode, judgeReading, type LimitFound } from '../tug';
import { lookEvidence, pullLimit, type SetUp } from '../combination';
import { entriesOf, type Entry, type EntryBody, lotOf, ofLot } from '../entry';
import { atEnd, endOf } from '../terminal';
import { uncapital } from '../text';
import type { Disposed, LotHead, LotStep, PieceCheck } from './LotState';

/** Whether an entry tells something of a piece that was made. */
const isCheck = (body: EntryBody): body is Extract<EntryBody, { kind: 'finding' | 'reading' | 'measure' }> =>
  body.kind === 'finding' || body.kind === 'reading' || body.kind === 'measure';

/** The lots of a journal, by number. */
export function lotNumbers(journal: readonly Entry[]): number[] {
  return [...new Set(journal.filter((e) => e.body.kind === 'lot').flatMap((e) => lotOf(e.body) ?? []))].sort(
    (a, b) => a - b,
  );
}

/**
 * What a journal says of one lot: quantity, plan, how far it is, what was changed on the way.
 * @returns null when no such lot was opened
 */
export function readLot(journal: readonly Entry[], lot: number): LotHead | null {
  const entries = ofLot(journal, lot);
  const opened = entriesOf(entries, 'lot').at(-1);
  const first = entries.find((e) => e.body.kind === 'lot');
  if (!opened || !first) return null;
  const { name, pieces, plan, stands } = opened.body;
  const finish = entriesOf(entries, 'finish').at(-1);
  const steps = entriesOf(entries, 'progress')
    .map(({ at, by, body }): LotStep => ({
      step: body.step,
      at,
      by,
      what: body.what,
      made: body.made,
      change: body.change ?? null,
      to: body.to ?? null,
    }))
    .sort((a, b) => a.step - b.step);
  const toolChanges = steps.filter((s) => s.what === 'change' && s.change === 'tool');
  const releases = entriesOf(journal, 'release');
  const released = toolChanges.map(({ at, made }, i) => {
    const until = toolChanges[i + 1]?.at ?? '~';
    const since = releases.findLast((each) => each.at > at && each.at < until);
    return { after: made, stands: since?.body.stands ?? null };
  });
  const open = released.at(-1);
  const isPaused = steps.filter((s) => s.what === 'pause' || s.what === 'resume').at(-1)?.what === 'pause';
  return {
    lot,
    name,
    pieces,
    plan,
    stands,
    openedAt: first.at,
    openedBy: first.by,
    state: finish ? 'finished' : isPaused ? 'paused' : 'running',
    finishedAt: finish?.at ?? null,
    // A piece that was looked at, pulled or held has been made, whether it is counted yet or not.
    made: entries.reduce(
      (most, { body }) => (isCheck(body) || body.kind === 'hold' ? Math.max(most, body.piece) : most),
      Math.max(0, ...steps.map((s) => s.made)),
    ),
    steps,
    tools: [
      { after: 0, stands },
      ...released.flatMap((each) => (each.stands ? [{ ...each, stands: each.stands }] : [])),
    ],
    awaitsSetUp: finish || !open || open.stands ? null : open.after,
  };
}

/**
 * What was found on each piece of a lot that was looked at or pulled, in the order of the pieces. Each wire of a piece is
 * judged by its own limit; the worst decides.
 *
 * @param limits of each wire of the set-up, by the table the lot was opened with
 * @param points the points to look at; one that only a caliper can answer need not be there
 * @param pulls what is pulled of each piece
 * @param failedHolds pieces that did not hold, with what is told of them
 */
export function pieceChecks(
  journal: readonly Entry[],
  lot: number,
  limits: readonly LimitFound[],
  points: readonly Criterion[],
  pulls: SetUp['pulls'],
  failedHolds: ReadonlyMap<number, string> = new Map(),
): PieceCheck[] {
  const entries = ofLot(journal, lot);
  const about = new Map<number, { at: string; by: string }>();
  for (const { at, by, body } of entries) {
    if (
      isCheck(body) ||
      (body.kind === 'ruling' && about.has(body.piece)) ||
      (body.kind === 'hold' && failedHolds.has(body.piece))
    ) {
      about.set(body.piece, { at, by });
    }
  }
  const evidence = lookEvidence(entries);
  const notes = new Map(
    entriesOf(entries, 'finding').map(({ body }) => [`${body.piece}/${atEnd(body.criterion, endOf(body))}`, body.note]),
  );
  const findings = group(evidence.findings.map((f) => ({ ...f, note: notes.get(`${f.piece}/${f.criterion}`) ?? '' })));
  const measured = group(evidence.numbers);
  const readings = group(entriesOf(entries, 'reading').map((e) => e.body));
  const rulings = group(entriesOf(entries, 'ruling').map((e) => e.body));

  return [...about.entries()]
    .sort(([a], [b]) => a - b)
    .map(([piece, { at, by }]) => {
      const seen = findings.get(piece) ?? [];
      const out = (measured.get(piece) ?? []).flatMap(({ what, value }) => {
        const point = points.find((c) => c.key === what);
        return point?.number && !isGood(numberFinding(value, point.number))
          ? [{ note: `${point.title.toLowerCase()} ${showPoint(value, point.number.unit)}` }]
          : [];
      });
      const rejected = [...seen.filter((f) => !isGood(f.finding)), ...out];
      const isMeasured = points
        .filter((c) => c.number?.measured === 'each')
        .every((c) => measured.get(piece)?.some((m) => m.what === c.key));
      const isSeen =
        seen.length > 0 &&
        (seen.some((f) => f.criterion === AS_DRAWN) ||
          points.filter((c) => !isCaliperOnly(c)).every((c) => seen.some((f) => f.criterion === c.key)));
      const look = rejected.length
        ? ('rejected' as const)
        : isSeen && isMeasured
          ? ('accepted' as const)
          : ('open' as const);
      const made = (readings.get(piece) ?? []).map((body) => {
        const pull = pulls[(body.wire ?? 1) - 1];
        const limit = (pull && pullLimit(pull, limits, body.failedEnd))?.limit?.force ?? null;
        const ruling = (rulings.get(piece) ?? []).find((r) => (r.wire ?? 1) === (body.wire ?? 1))?.ruling;
        const counts = ruling === 'counts';
        const verdict =
          ruling === 'invalid' ? 'invalid' : judgeReading(body.force, limit, counts ? 'slid-out' : body.mode).verdict;
        return { body, verdict, isValid: counts || isValidMode(body.mode) };
      });
      const worst = (['below', 'quality', 'invalid', 'no-limit', 'holds'] as const).find((v) =>
        made.some((p) => p.verdict === v),
      );
      const tug = made.length < pulls.length && worst !== 'below' && worst !== 'invalid' ? 'open' : (worst ?? 'open');
      const valid = made.filter((p) => p.isValid).map((p) => p.body.force);
      const notHeld = failedHolds.get(piece) ?? null;
      const outcome =
        look === 'rejected' || tug === 'below' || notHeld !== null
          ? ('bad' as const)
          : tug === 'invalid'
            ? ('void' as const)
            : look === 'accepted' && tug === 'holds'
              ? ('good' as const)
              : ('open' as const);
      return {
        piece,
        at,
        by,
        look,
        isSeen,
        tug,
        force: valid.length ? Math.min(...valid) : null,
        outcome,
        text:
          notHeld !== null && look !== 'rejected' && tug !== 'below'
            ? `Piece ${piece} ${uncapital(notHeld)}`
            : tell(piece, outcome, look, tug, valid.length ? Math.min(...valid) : null, rejected[0]?.note ?? ''),
      };
    });
}

function tell(
  piece: number,
  outcome: PieceCheck['outcome'],
  look: PieceCheck['look'],
  tug: PieceCheck['tug'],
  force: number | null,
  note: string,
): string {
  const pull = force === null ? '' : ` at ${Number(force.toFixed(4))} N`;
  if (outcome === 'good') return `Piece ${piece} is as drawn and holds${pull}.`;
  if (look === 'rejected') return `Piece ${piece} is rejected${note ? `: ${note}` : ''}.`;
  if (tug === 'below') return `Piece ${piece} does not hold${pull}.`;
  if (outcome === 'void') return `The pull of piece ${piece} was no test; take the piece after it.`;
  if (tug === 'quality') return `Piece ${piece} is low and was called not valid: quality rules on it.`;
  if (tug === 'no-limit') return `Piece ${piece} cannot be judged: no limit applies.`;
  return look === 'open'
    ? `Piece ${piece} is pulled; it has still to be looked at.`
    : `Piece ${piece} is looked at; it has still to be pulled.`;
}

function group<T extends { readonly piece: number }>(bodies: readonly T[]): Map<number, T[]> {
  const groups = new Map<number, T[]>();
  for (const body of bodies) {
    const own = groups.get(body.piece);
    if (own) own.push(body);
    else groups.set(body.piece, [body]);
  }
  return groups;
}

/** What was decided about pieces of a lot, in the order it was decided. */
export function dispositions(journal: readonly Entry[], lot: number): Disposed[] {
  return entriesOf(ofLot(journal, lot), 'disposition').map(({ at, by, body }) => ({
    from: body.from,
    to: body.to,
    what: body.what,
    by,
    at,
    note: body.note,
  }));
}
