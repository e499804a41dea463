import { isSameDocument } from '../document';
import { CAUSES } from '../diagnosis';
import { AS_DRAWN, FAULTS, MARK_POINTS, isGood, numberFinding, ownSheet } from '../look';
import { isValidMode, judgeReading, plausibleForce, type Limit, type ReadingVerdict } from '../tug';
import type { SetUp } from './computeSetUp';
import type { Judgement } from './judgeCombination';
import { entriesOf } from './entriesOf';
import type { Entry, EntryBody, Revisions, Standing } from './Entry';
import { lapseReasons } from './judgeRelease';
import { checkLotEntry, checkLotKnown, checkLotPiece } from './production/checkLotEntry';
import { lotNumbers, readLot } from './production/readLot';
import { currentRun, lotOf, ofCurrentRun, ofLot, runOf } from './runs';
import { measureAsked } from './measureAsked';
import { sameRevisions, sameStanding } from './sameStanding';

/** Why an entry is not taken on record: where, what is wrong and what to do. */
export interface EntryRefusal {
  readonly code: string;
  /** Path in the entry's body, e.g. 'force'; empty when it is about the whole. */
  readonly field: string;
  readonly text: string;
}

export type EntryCheck =
  | {
      readonly ok: true;
      readonly reading: ReadingVerdict | null;
      /** What the reading was judged by; null for other kinds and without a limit. */
      readonly limit: Limit | null;
    }
  | { readonly ok: false; readonly refusal: EntryRefusal };

/** What a release or a new run rests on, worked out from the whole journal. */
export interface Rests {
  readonly verdict: Judgement['verdict'];
  /** What a release made now would stand on. */
  readonly stands: Standing | null;
  /** Newest revisions in the cabinet. */
  readonly newest: Revisions;
  /** Whether the set-up is released, and its release has not lapsed. */
  readonly isReleased: boolean;
  /** Why the lot in question cannot be finished yet; empty when it can. */
  readonly unfinished: readonly string[];
}

/** Sample pieces can be replaced, but not without end. */
const MOST_PIECES = 9999;

/**
 * Whether an entry may go on record for this set-up, by the rules of the job. The browser asks before it sends, the
 * server asks again before it keeps.
 *
 * @param setUp the set-up with the tool on record
 * @param journal the journal so far, or the slots of it that {@link slotsToCheck} names
 * @param body what is to be kept; its shape is valid already
 * @param correction whether it corrects an earlier entry, and the reason given
 * @param rests for a release or a new run only: what they rest on
 */
export function checkEntry(
  setUp: SetUp,
  journal: readonly Entry[],
  body: EntryBody,
  correction: { readonly why: string | null; readonly isCorrection: boolean },
  rests: Rests | null = null,
): EntryCheck {
  const refuse = (code: string, field: string, text: string): EntryCheck => ({
    ok: false,
    refusal: { code, field, text },
  });
  const fine: EntryCheck = { ok: true, reading: null, limit: null };

  if (correction.isCorrection && !correction.why?.trim()) {
    return refuse('reason-missing', 'why', 'A correction needs its reason: say what was wrong with the first entry.');
  }
  const run = currentRun(journal);
  if (body.kind === 'run') {
    if (body.run !== run + 1) {
      return refuse('run-order', 'run', `The set-up is in its run ${run}; the next one is ${run + 1}.`);
    }
    if (!body.cause.trim()) return refuse('note-missing', 'cause', 'Say why the set-up begins again.');
    const open = lotNumbers(journal)
      .map((lot) => readLot(journal, lot))
      .find((lot) => lot?.state !== 'finished');
    if (open) {
      return refuse(
        'lot-open',
        'run',
        `Lot ${open.name} is still being made with this set-up. Correct its quantity to what is made and finish it first.`,
      );
    }
    return rests && sameRevisions(body.revisions, rests.newest)
      ? fine
      : refuse('revisions-stale', 'revisions', 'The cabinet has other revisions now. Look again, then begin.');
  }
  if (runOf(body) !== run) {
    return refuse(
      'run-over',
      'run',
      `This set-up was begun again (run ${run}). What was entered for run ${runOf(body)} is not taken: open the combination afresh.`,
    );
  }
  const entries = ofCurrentRun(journal);
  if (setUp.fit.verdict === 'no') {
    const bad = setUp.fit.reasons.find((r) => r.weight === 'bad');
    return refuse('pair-refused', '', `This wire and terminal do not belong together. ${bad?.text ?? ''}`.trim());
  }
  if (body.kind === 'tool') {
    const wanted = setUp.toolChoice.candidates.find(
      (c) => c.tool.part === body.tool && c.die.id === body.die && c.nest.id === body.nest,
    );
    if (!wanted)
      return refuse(
        'tool-not-suitable',
        'tool',
        `${body.tool}, nest ${body.nest} is not among the tools for this pair.`,
      );
    if (wanted.state.state !== 'ready') {
      const why = wanted.state.reasons.find((r) => r.weight !== 'good' && r.weight !== 'note');
      return refuse('tool-refused', 'tool', why?.text ?? `${wanted.tool.label} is not fit for use.`);
    }
    const stops = wanted.reasons.find((r) => r.weight === 'bad');
    if (stops) return refuse('tool-refused', 'tool', stops.text);
    if ((body.setting ?? null) !== wanted.setting) {
      return refuse('setting-wrong', 'setting', `The selector has to stand at ${wanted.setting ?? 'no setting'}.`);
    }
    if ((body.positioner ?? null) !== (wanted.positioner?.id ?? null)) {
      return refuse('positioner-wrong', 'positioner', `It needs ${wanted.positioner?.label ?? 'no positioner'}.`);
    }
    const named = ownSheet(setUp.lookInEffect);
    if (!isSameDocument(body.look, named)) {
      return refuse(
        'look-stale',
        'look',
        named
          ? `Pieces are looked at by ${named.document} rev ${named.revision} now. Look again, then take the tool.`
          : 'No sheet to look by is in effect any more. Look again, then take the tool.',
      );
    }
    if (entries.some((e) => e.body.kind === 'finding' || e.body.kind === 'reading')) {
      return refuse(
        'pieces-made',
        'tool',
        'Pieces made with the first tool are on record, and prove nothing about another. Begin the set-up again, then take the other tool.',
      );
    }
    return fine;
  }
  if (!entriesOf(entries, 'tool').length) {
    return refuse(
      'tool-first',
      '',
      'Take a tool first: the steps, the points to look at and the mark all depend on it.',
    );
  }
  if (body.kind === 'lot' || body.kind === 'progress' || body.kind === 'disposition' || body.kind === 'finish') {
    const why = checkLotEntry(setUp, journal, body, { isCorrection: correction.isCorrection, rests });
    return why ? { ok: false, refusal: why } : fine;
  }
  const lot = lotOf(body);
  if (lot !== null) {
    const why = 'piece' in body ? checkLotPiece(journal, lot, body.piece) : checkLotKnown(journal, lot);
    if (why) return { ok: false, refusal: why };
  }
  const wire = 'wire' in body ? (body.wire ?? 1) : 1;
  const own = setUp.wires[wire - 1];
  if (!own)
    return refuse('wire-unknown', 'wire', `This barrel holds ${setUp.wires.length} wires; there is no wire ${wire}.`);
  const limit = (lot === null ? own.limit : (setUp.lots.get(lot)?.[wire - 1] ?? own.limit)).limit;
  const points = lot === null ? setUp.criteria : (setUp.lotCriteria.get(lot) ?? setUp.criteria);
  const wholePiece = setUp.look?.practice.lookRecord === 'whole-piece';
  const valueOf = (piece: number, what: string) =>
    entriesOf(lot === null ? entries : ofLot(journal, lot), 'measure').find(
      (e) => e.body.piece === piece && e.body.what === what,
    )?.body.value ?? null;
  switch (body.kind) {
    case 'release': {
      if (!rests?.stands || (rests.verdict !== 'accepted' && rests.verdict !== 'meets-made-up-limits')) {
        return refuse('not-proven', '', 'A set-up is released when every stage has passed. See what holds it back.');
      }
      if (!sameStanding(body.stands, rests.stands)) {
        return refuse(
          'stands-stale',
          'stands',
          'Tool, limits or revisions have changed since this page was read. Look again.',
        );
      }
      const [lapse] = lapseReasons(setUp, body.stands, rests.stands, rests.newest);
      return lapse
        ? refuse('would-lapse', 'stands', `A release would lapse at once. ${lapse.text} Begin the set-up again.`)
        : fine;
    }
    case 'measure': {
      const asked = measureAsked(lot === null ? setUp : { ...setUp, criteria: points }, body.what);
      if (!asked) {
        return refuse(
          'measure-not-asked',
          'what',
          'Nothing says what this should be, so there is nothing to compare it with.',
        );
      }
      const isLength = asked.unit === 'mm';
      if (!Number.isFinite(body.value) || body.value < 0 || (body.value === 0 && asked.range.min > 0)) {
        return refuse('measure-impossible', 'value', `${asked.title}: type a number above 0.`);
      }
      if (isLength !== (body.unit === 'mm' || body.unit === 'in') || (!isLength && body.unit !== asked.unit)) {
        return refuse('measure-unit', 'unit', `${asked.title} is measured in ${isLength ? 'mm or in' : asked.unit}.`);
      }
      if (asked.unit === 'strands' && !Number.isInteger(body.value)) {
        return refuse('measure-impossible', 'value', 'Strands are counted: type a whole number.');
      }
      if (body.value > Math.max(10 * asked.range.max, asked.unit === 'mm' ? 20 : 360)) {
        return refuse(
          'length-implausible',
          'value',
          `${body.value} ${asked.unit} is far more than it may be. Check value and unit.`,
        );
      }
      return fine;
    }
    case 'photo':
      return fine;
    case 'marks':
    case 'section': {
      const photo = entriesOf(lot === null ? entries : ofLot(journal, lot), 'photo').find(
        (e) => e.body.photo.id === body.photo,
      );
      if (!photo) return refuse('photo-unknown', 'photo', 'The photograph this is about is not on record.');
      if (body.kind === 'marks') {
        const open = body.marks.marks.find((m) => m.points.length < MARK_POINTS[m.kind].least);
        return open ? refuse('mark-open', 'marks', `A mark for ${open.kind} is not finished: it lacks points.`) : fine;
      }
      return body.figures.metal > 0 && body.pxPerMm > 0
        ? fine
        : refuse('section-empty', 'figures', 'The section shows no metal. Set its scale and read it again.');
    }
    case 'cause':
      return CAUSES.some((c) => c.code === body.cause)
        ? fine
        : refuse('cause-unknown', 'cause', `'${body.cause}' is not among the causes.`);
    case 'gate': {
      const index = setUp.gates.findIndex((g) => g.gate === body.gate);
      if (index < 0) return refuse('gate-unknown', 'gate', 'This set-up has no such step.');
      const answered = new Map(entriesOf(entries, 'gate').map((e) => [e.body.gate, e.body.answer]));
      const before = setUp.gates.slice(0, index).find((g) => answered.get(g.gate) !== 'yes');
      if (before) return refuse('gate-order', 'gate', `An earlier step is not confirmed yet: ${before.headline}`);
      if (body.answer === 'no' && !body.note.trim()) return refuse('note-missing', 'note', 'Say what differs.');
      return fine;
    }
    case 'finding': {
      if (lot === null && body.piece > MOST_PIECES)
        return refuse('piece-out-of-range', 'piece', `Sample pieces are numbered 1 to ${MOST_PIECES}.`);
      if (body.criterion === AS_DRAWN) {
        if (lot === null && !wholePiece)
          return refuse(
            'criterion-unknown',
            'criterion',
            'This shop’s practice has a set-up piece looked at point by point.',
          );
        return body.finding === 'accept'
          ? fine
          : refuse('finding-not-allowed', 'finding', 'Say which point is not as drawn.');
      }
      const criterion = points.find((c) => c.code === body.criterion);
      if (!criterion) return refuse('criterion-unknown', 'criterion', 'This set-up has no such point to look at.');
      if (!criterion.findings.includes(body.finding)) {
        return refuse(
          'finding-not-allowed',
          'finding',
          `'${criterion.title}' cannot be '${body.finding}': it is ${criterion.findings.join(' or ')}.`,
        );
      }
      if (body.finding === 'note' && !body.note.trim() && !body.fault) {
        return refuse('note-missing', 'note', 'A process note says what has moved.');
      }
      if (body.fault && !FAULTS.some((f) => f.code === body.fault && f.point === body.criterion)) {
        return refuse('fault-unknown', 'fault', `'${criterion.title}' has no such fault.`);
      }
      const value = valueOf(body.piece, body.criterion);
      if (
        value !== null &&
        criterion.number &&
        isGood(body.finding) &&
        !isGood(numberFinding(value, criterion.number))
      ) {
        return refuse(
          'number-says-otherwise',
          'finding',
          `Piece ${body.piece} was measured outside its range there. Correct the number if it is wrong; it cannot be accepted over it.`,
        );
      }
      return fine;
    }
    case 'reading': {
      if (!(Number.isFinite(body.force) && body.force > 0))
        return refuse('force-impossible', 'force', 'A force is a number above 0.');
      if (lot === null && body.piece > MOST_PIECES)
        return refuse('piece-out-of-range', 'piece', `Sample pieces are numbered 1 to ${MOST_PIECES}.`);
      if (body.force > plausibleForce(own.breaks) && !body.confirmed.includes('above-wire')) {
        return refuse(
          'above-wire',
          'force',
          `${body.force.toFixed(1)} N is more than this wire can bear (it breaks near ${own.breaks.toFixed(0)} N). Check value and unit, then confirm it.`,
        );
      }
      if (!isValidMode(body.mode) && !body.note.trim()) {
        return refuse('note-missing', 'note', 'A reading that is not valid needs its reason: say what happened.');
      }
      return { ok: true, reading: judgeReading(body.force, limit?.force ?? null, body.mode), limit };
    }
    case 'ruling': {
      const reading = entriesOf(lot === null ? entries : ofLot(journal, lot), 'reading').find(
        (e) => e.body.piece === body.piece && (e.body.wire ?? 1) === wire,
      );
      const judgedBy = lot === null ? own.standing.limit : limit;
      if (
        !reading ||
        judgeReading(reading.body.force, judgedBy?.force ?? null, reading.body.mode).verdict !== 'quality'
      ) {
        return refuse(
          'nothing-to-rule',
          'piece',
          `Piece ${body.piece} has no low reading called not valid, so there is nothing to rule on.`,
        );
      }
      if (!body.note.trim()) return refuse('note-missing', 'note', 'A ruling needs its reason.');
      return fine;
    }
    case 'hold': {
      if (!(body.force > 0 && body.seconds > 0 && body.moved >= 0)) {
        return refuse('hold-impossible', '', 'A hold has a force and a time above 0, and a movement of 0 or more.');
      }
      if (body.force > plausibleForce(own.breaks)) {
        return refuse(
          'above-wire',
          'force',
          `${body.force.toFixed(1)} N is more than this wire can bear. Check value and unit.`,
        );
      }
      return setUp.limit.limit?.table.hold
        ? fine
        : refuse(
            'hold-not-asked',
            '',
            'The limit table names no force and time to hold, so there is nothing to judge a hold by.',
          );
    }
    case 'retention': {
      if (!setUp.retention) return refuse('no-cavity', '', 'This terminal goes into no cavity.');
      if (!body.cavity.trim()) return refuse('cavity-missing', 'cavity', 'Say which cavity.');
      if (body.force !== null && !(body.force > 0))
        return refuse('force-impossible', 'force', 'A push is a force above 0.');
      if (setUp.retention.secondaryLock && body.locked === null) {
        return refuse('lock-missing', 'locked', 'This connector has a secondary lock: say whether it went home.');
      }
      if (!(body.clicked && body.stayed && body.locked !== false) && !body.note.trim()) {
        return refuse('note-missing', 'note', 'Say what differs.');
      }
      return fine;
    }
  }
}
