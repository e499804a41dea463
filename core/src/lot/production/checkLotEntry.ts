import { reterminationBudget } from '../../prepare';
import type { EntryRefusal, Rests } from '../checkEntry';
import type { SetUp } from '../computeSetUp';
import { entriesOf } from '../entriesOf';
import type { Entry, EntryBody } from '../Entry';
import { ofLot } from '../runs';
import { sameStanding } from '../sameStanding';
import { lotNumbers, readLot } from './readLot';

/** Most pieces one lot can have. */
export const MOST_LOT_PIECES = 999_999;

type LotBody = Extract<EntryBody, { kind: 'lot' | 'progress' | 'disposition' | 'finish' }>;

const refuse = (code: string, field: string, text: string): EntryRefusal => ({ code, field, text });

/** Whether a combination has this lot. */
export function checkLotKnown(journal: readonly Entry[], lot: number): EntryRefusal | null {
  return readLot(journal, lot) ? null : unknown(lot);
}

const unknown = (lot: number): EntryRefusal =>
  refuse('lot-unknown', 'lot', `There is no lot ${lot} of this combination.`);

/** Whether a lot takes entries about this piece: it is open, and the piece is one of its own. */
export function checkLotPiece(journal: readonly Entry[], lot: number, piece: number): EntryRefusal | null {
  const head = readLot(journal, lot);
  if (!head) return unknown(lot);
  if (head.state === 'finished') {
    return refuse('lot-finished', 'lot', `Lot ${head.name} is finished; nothing more is put on record for its pieces.`);
  }
  if (piece > head.pieces) {
    return refuse(
      'piece-out-of-range',
      'piece',
      `Lot ${head.name} has pieces 1 to ${head.pieces}; ${piece} is none of them.`,
    );
  }
  return null;
}

/**
 * Whether an entry about a lot as a whole may go on record.
 * @param rests for opening a lot, finishing one and disposing of pieces: what the server worked out from the whole journal
 * @returns the refusal, or null
 */
export function checkLotEntry(
  setUp: SetUp,
  journal: readonly Entry[],
  body: LotBody,
  { isCorrection, rests }: { readonly isCorrection: boolean; readonly rests: Rests | null },
): EntryRefusal | null {
  const head = readLot(journal, body.lot);
  if (body.kind === 'lot') return isCorrection ? checkCorrected(journal, body) : checkOpening(journal, body, rests);
  if (!head) return unknown(body.lot);
  switch (body.kind) {
    case 'progress': {
      if (head.state === 'finished') return refuse('lot-finished', 'lot', `Lot ${head.name} is finished.`);
      if (body.step > head.steps.length + 1) {
        return refuse('step-order', 'step', `Lot ${head.name} is at its step ${head.steps.length}. Look again.`);
      }
      const others = head.steps.filter((s) => s.step !== body.step);
      const before = Math.max(0, ...others.filter((s) => s.step < body.step).map((s) => s.made));
      const after = Math.min(head.pieces, ...others.filter((s) => s.step > body.step).map((s) => s.made));
      if (body.made < before) {
        return refuse(
          'made-less',
          'made',
          `${before} pieces were counted before; a count does not go back. If that was wrong, correct it with its reason.`,
        );
      }
      if (body.made > after) {
        return refuse(
          'made-more',
          'made',
          `Lot ${head.name} has ${head.pieces} pieces. If more are made, correct its quantity first.`,
        );
      }
      if (body.what === 'change' && !body.change) return refuse('change-missing', 'change', 'Say what was changed.');
      if (body.what === 'change' && body.change === 'repair' && !body.note.trim()) {
        return refuse('note-missing', 'note', 'Say what was wrong and what was done about it.');
      }
      return null;
    }
    case 'disposition': {
      if (body.from > body.to || body.from < 1 || body.to > head.pieces) {
        return refuse('range-wrong', 'from', `Pieces run from 1 to ${head.pieces}, the first no higher than the last.`);
      }
      if (body.to > head.made) return refuse('not-made', 'to', `Only ${head.made} pieces are made.`);
      if (!body.note.trim()) return refuse('note-missing', 'note', 'A disposition needs its reason.');
      if (body.what === 'accept') {
        const reworked = entriesOf(ofLot(journal, body.lot), 'disposition').some(
          (e) => e.body.what === 'rework' && e.body.from <= body.from && e.body.to >= body.to,
        );
        if (!reworked) {
          return refuse(
            'not-reworked',
            'what',
            'Only reworked pieces are accepted. Pieces that stay as they are, are used as is, or scrapped.',
          );
        }
      }
      if (body.what === 'rework') {
        const strip = setUp.preparation?.strip.setPoint ?? null;
        if (!body.budget || strip === null) {
          return refuse(
            'budget-missing',
            'budget',
            'Rework cuts the end off: say how long the wires were cut and the least they may be.',
          );
        }
        const { cut, shortest, trim } = body.budget;
        const { attempts, text } = reterminationBudget({ cut, shortest }, { strip, crimp: 0, trim });
        const times = entriesOf(ofLot(journal, body.lot), 'disposition').filter(
          (e) => e.body.what === 'rework' && e.body.from <= body.to && e.body.to >= body.from,
        ).length;
        if (attempts < times + 1) {
          return refuse(
            'no-length-left',
            'budget',
            `${text}${times ? ` These were reworked ${times === 1 ? 'once' : `${times} times`} already.` : ''} Scrap them.`,
          );
        }
      }
      return null;
    }
    case 'finish': {
      if (head.made < head.pieces) {
        return refuse(
          'not-all-made',
          '',
          `${head.made} of ${head.pieces} pieces are counted. Count the rest, or correct the quantity.`,
        );
      }
      const [first] = rests?.unfinished ?? ['The server has not answered what is still open.'];
      return first === undefined ? null : refuse('checks-missing', '', first);
    }
  }
}

function checkOpening(
  journal: readonly Entry[],
  body: Extract<LotBody, { kind: 'lot' }>,
  rests: Rests | null,
): EntryRefusal | null {
  const numbers = lotNumbers(journal);
  const next = (numbers.at(-1) ?? 0) + 1;
  if (body.lot !== next)
    return refuse('lot-order', 'lot', `The next lot of this combination is its lot ${next}. Look again.`);
  const open = numbers.map((n) => readLot(journal, n)).find((l) => l?.state !== 'finished');
  if (open) return refuse('lot-open', 'lot', `Lot ${open.name} is still open. Finish it first.`);
  if (!rests?.isReleased || !rests.stands) {
    return refuse('not-released', 'lot', 'A lot is made with a released set-up. See what holds the release back.');
  }
  if (!sameStanding(body.stands, rests.stands)) {
    return refuse(
      'stands-stale',
      'stands',
      'Tool, limits or revisions have changed since this page was read. Look again.',
    );
  }
  return checkQuantity(body) ?? checkName(journal, body);
}

function checkCorrected(journal: readonly Entry[], body: Extract<LotBody, { kind: 'lot' }>): EntryRefusal | null {
  const head = readLot(journal, body.lot);
  if (!head) return unknown(body.lot);
  if (head.state === 'finished') return refuse('lot-finished', 'lot', `Lot ${head.name} is finished.`);
  if (!sameStanding(body.stands, head.stands)) {
    return refuse('stands-fixed', 'stands', 'What a lot is judged by stays what it was opened with.');
  }
  if (body.pieces < head.made) {
    return refuse(
      'quantity-less',
      'pieces',
      `${head.made} pieces are made or pulled already; a lot cannot have fewer.`,
    );
  }
  return checkQuantity(body) ?? checkName(journal, body);
}

function checkQuantity({ pieces, plan }: Extract<LotBody, { kind: 'lot' }>): EntryRefusal | null {
  if (pieces < 1 || pieces > MOST_LOT_PIECES) {
    return refuse('quantity-wrong', 'pieces', `A lot has 1 to ${MOST_LOT_PIECES} pieces.`);
  }
  if (plan.everyPieces !== null && plan.everyPieces < 1) {
    return refuse('plan-wrong', 'plan', 'A check every 0 pieces is none: say 1 or more, or leave it out.');
  }
  return plan.everyHours !== null && !(plan.everyHours > 0)
    ? refuse('plan-wrong', 'plan', 'A check every 0 hours is none: say more, or leave it out.')
    : null;
}

function checkName(journal: readonly Entry[], { lot, name }: Extract<LotBody, { kind: 'lot' }>): EntryRefusal | null {
  if (!name.trim()) return refuse('name-missing', 'name', 'A lot needs its number, as it stands on its label.');
  const twin = lotNumbers(journal)
    .map((n) => readLot(journal, n))
    .find((l) => l && l.lot !== lot && l.name === name);
  return twin ? refuse('name-taken', 'name', `Lot ${name} of this combination is on record already.`) : null;
}
