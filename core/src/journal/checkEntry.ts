import { pullLimit, wireOf, type PullSetUp, type SetUp, type WireSetUp } from '../combination';
import { currentRun, lotOf, ofCurrentRun, ofLot, runOf, entriesOf, type Entry, type EntryBody } from '../entry';
import { endOf } from '../terminal';
import type { Limit, ReadingVerdict } from '../tug';
import { entrySlot } from './entrySlot';
import { isReason } from './isReason';
import { refuse, type EntryRefusal, type Needs, type Rests } from './Kind';
import { kindOf } from './kindOf';
import { checkLotPiece, lotHead } from './lotHead';
import { askedBefore } from './slotsToCheck';
import { counted } from '../text';

export type EntryCheck =
  | {
      readonly ok: true;
      readonly reading: ReadingVerdict | null;
      /** What the reading was judged by; null for other kinds and without a limit. */
      readonly limit: Limit | null;
    }
  | { readonly ok: false; readonly refusal: EntryRefusal };

/** Sample pieces can be replaced, but not without end. */
const MOST_PIECES = 9999;

/**
 * Whether an entry may go on record for this set-up, by the rules of the job. The browser asks before it sends, the
 * server asks again before it keeps: typed at the bench, in a file of pulls, or replayed, there is no other way in.
 *
 * @param setUp the set-up with the tool on record
 * @param journal the journal so far, or the slots of it that {@link slotsToCheck} names
 * @param body what is to be kept; its shape is valid already
 * @param about whether it corrects an earlier entry, the reason given, and who puts it on record
 * @param rests for kinds that rest on the whole journal only
 */
export function checkEntry(
  setUp: SetUp,
  journal: readonly Entry[],
  body: EntryBody,
  about: { readonly why: string | null; readonly isCorrection: boolean; readonly by?: string },
  rests: Rests | null = null,
): EntryCheck {
  const no = (refusal: EntryRefusal): EntryCheck => ({ ok: false, refusal });
  const { isCorrection, why, by = '' } = about;
  if (isCorrection && !isReason(why ?? '')) {
    return no(
      refuse('reason-missing', 'why', 'A correction needs its reason: say what was wrong with the first entry.'),
    );
  }
  const kind = kindOf(body);
  const run = currentRun(journal);
  const set = ofCurrentRun(journal);
  const lot = lotOf(body);
  const after = typeof kind.after === 'function' ? kind.after(body) : kind.after;
  const missing = standsBefore(setUp, set, body, run, after);
  if (missing) return no(missing);
  if (lot !== null && kind.place(body) !== '' && kind.reads(body)) {
    const closed = 'piece' in body ? checkLotPiece(journal, lot, body.piece) : closedLot(journal, lot);
    if (closed) return no(closed);
  }
  if (lot === null && 'piece' in body && body.piece > MOST_PIECES) {
    return no(refuse('piece-out-of-range', 'piece', `Sample pieces are numbered 1 to ${MOST_PIECES}.`));
  }
  const place = placeOf(setUp, body);
  if ('code' in place) return no(place);
  const { wire, pull } = place;
  const failed = body.kind === 'reading' ? (body.failedEnd ?? null) : null;
  const found = lot === null ? setUp.wires.map((each) => each.limit) : setUp.lots.get(lot);
  const bench = {
    setUp,
    journal,
    own: lot === null ? set : ofLot(journal, lot),
    run,
    lot,
    ...{ wire, pull },
    limit: (found && pullLimit(pull, found, failed))?.limit ?? (lot === null ? null : pull.limit.limit),
    points: lot === null ? setUp.criteria : (setUp.lotCriteria.get(lot) ?? setUp.criteria),
    isCorrection,
    by,
    rests,
  };
  const refusal = kind.check(body, bench);
  if (refusal) return no(refusal);
  const reading = kind.judge?.(body, bench) ?? null;
  return { ok: true, reading, limit: reading && bench.limit };
}

/** The wire and the pull an entry is about, or why there is no such. */
function placeOf(setUp: SetUp, body: EntryBody): { readonly wire: WireSetUp; readonly pull: PullSetUp } | EntryRefusal {
  if (endOf(body) === 2 && !setUp.other) {
    return refuse('end-unknown', 'end', 'This set-up has one end: there is no end 2 to put anything on record for.');
  }
  const number = 'wire' in body ? (body.wire ?? 1) : 1;
  const isPulled = body.kind === 'reading' || body.kind === 'ruling' || body.kind === 'hold';
  const pull = setUp.pulls[isPulled ? number - 1 : 0];
  const wire = isPulled ? pull?.wires[0] : wireOf(setUp, body);
  if (wire && pull) return { wire, pull };
  const text = setUp.other
    ? `There is no ${isPulled ? 'pull' : 'wire'} ${number} of this splice.`
    : `This barrel holds ${counted(setUp.wires.length, 'wire')}; there is no wire ${number}.`;
  return refuse('wire-unknown', 'wire', text);
}

/** What an entry needs on record before it, and what to say when it is not there; null when it is. */
export function checkAsked(journal: readonly Entry[], body: EntryBody): EntryRefusal | null {
  const asked = askedBefore(body);
  if (!asked || journal.some((entry) => entrySlot(entry.body).startsWith(asked.prefix))) return null;
  return asked.refusal;
}

function standsBefore(
  setUp: SetUp,
  set: readonly Entry[],
  body: EntryBody,
  run: number,
  after: Needs,
): EntryRefusal | null {
  if (after === 'nothing') return null;
  if (runOf(body) !== run) {
    return refuse(
      'run-over',
      'run',
      `This set-up was begun again (run ${run}). What was entered for run ${runOf(body)} is not taken: open the combination afresh.`,
    );
  }
  if (setUp.fit.verdict === 'no') {
    const bad = setUp.fit.reasons.find((r) => r.weight === 'bad');
    return refuse('pair-refused', '', `This wire and terminal do not belong together. ${bad?.text ?? ''}`.trim());
  }
  return after === 'tool' && !entriesOf(set, 'tool').length
    ? refuse('tool-first', '', 'Take a tool first: the steps, the points to look at and the mark all depend on it.')
    : null;
}

function closedLot(journal: readonly Entry[], lot: number): EntryRefusal | null {
  const head = lotHead(journal, lot);
  return 'code' in head ? head : null;
}
