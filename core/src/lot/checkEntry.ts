import { isValidMode, judgeReading, plausibleForce, type ReadingVerdict } from '../tug';
import type { SetUp } from './computeSetUp';
import { entriesOf } from './entriesOf';
import type { Entry, EntryBody } from './Entry';

/** Why an entry is not taken on record: where, what is wrong and what to do. */
export interface EntryRefusal {
  readonly code: string;
  /** Path in the entry's body, e.g. 'force'; empty when it is about the whole. */
  readonly field: string;
  readonly text: string;
}

export type EntryCheck =
  | { readonly ok: true; readonly reading: ReadingVerdict | null }
  | { readonly ok: false; readonly refusal: EntryRefusal };

/** Sample pieces can be replaced, but not without end. */
const MOST_PIECES = 9999;

/**
 * Whether an entry may go on record for this set-up, by the rules of the job. The browser asks before it sends, the
 * server asks again before it keeps.
 *
 * @param setUp the set-up with the tool on record
 * @param entries the journal so far
 * @param body what is to be kept; its shape is valid already
 * @param correction whether it corrects an earlier entry, and the reason given
 */
export function checkEntry(
  setUp: SetUp,
  entries: readonly Entry[],
  body: EntryBody,
  correction: { readonly why: string | null; readonly isCorrection: boolean },
): EntryCheck {
  const refuse = (code: string, field: string, text: string): EntryCheck => ({
    ok: false,
    refusal: { code, field, text },
  });
  const fine: EntryCheck = { ok: true, reading: null };

  if (correction.isCorrection && !correction.why?.trim()) {
    return refuse('reason-missing', 'why', 'A correction needs its reason: say what was wrong with the first entry.');
  }
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
    return fine;
  }
  if (!entriesOf(entries, 'tool').length) {
    return refuse(
      'tool-first',
      '',
      'Take a tool first: the steps, the points to look at and the mark all depend on it.',
    );
  }
  switch (body.kind) {
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
      const criterion = setUp.criteria.find((c) => c.code === body.criterion);
      if (!criterion) return refuse('criterion-unknown', 'criterion', 'This set-up has no such point to look at.');
      if (body.piece > MOST_PIECES)
        return refuse('piece-out-of-range', 'piece', `Sample pieces are numbered 1 to ${MOST_PIECES}.`);
      if (!criterion.findings.includes(body.finding)) {
        return refuse(
          'finding-not-allowed',
          'finding',
          `'${criterion.title}' cannot be reworked: accept or reject it.`,
        );
      }
      return fine;
    }
    case 'reading': {
      if (!(Number.isFinite(body.force) && body.force > 0))
        return refuse('force-impossible', 'force', 'A force is a number above 0.');
      if (body.piece > MOST_PIECES)
        return refuse('piece-out-of-range', 'piece', `Sample pieces are numbered 1 to ${MOST_PIECES}.`);
      if (body.force > plausibleForce(setUp.breaks) && !body.confirmed.includes('above-wire')) {
        return refuse(
          'above-wire',
          'force',
          `${body.force.toFixed(1)} N is more than this wire can bear (it breaks near ${setUp.breaks.toFixed(0)} N). Check value and unit, then confirm it.`,
        );
      }
      if (!isValidMode(body.mode) && !body.note.trim()) {
        return refuse('note-missing', 'note', 'A reading that is not valid needs its reason: say what happened.');
      }
      return { ok: true, reading: judgeReading(body.force, setUp.limit.limit?.force ?? null, body.mode) };
    }
    case 'ruling': {
      const reading = entriesOf(entries, 'reading').find((e) => e.body.piece === body.piece);
      const limit = setUp.standing.limit?.force ?? null;
      if (!reading || judgeReading(reading.body.force, limit, reading.body.mode).verdict !== 'quality') {
        return refuse(
          'nothing-to-rule',
          'piece',
          `Piece ${body.piece} has no low reading called not valid, so there is nothing to rule on.`,
        );
      }
      if (!body.note.trim()) return refuse('note-missing', 'note', 'A ruling needs its reason.');
      return fine;
    }
  }
}
