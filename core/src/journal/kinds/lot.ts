import type { Entry } from '../../entry';
import { sameStanding } from '../../combination';
import { lotNumbers, readLot } from '../../lot';
import { lotHead } from '../lotHead';
import { noted, refuse, type BodyOf, type EntryRefusal, type Kind, type Rests } from '../Kind';

/** Most pieces one lot can have. */
export const MOST_LOT_PIECES = 999_999;

type LotBody = BodyOf<'lot'>;

/** A lot opened with a released set-up; its quantity and plan are corrected, what it stands on is not. */
export const lot: Kind<LotBody> = {
  place: () => '',
  reads: () => null,
  after: 'tool',
  rests: true,
  check: (body, { journal, isCorrection, rests }) =>
    isCorrection ? checkCorrected(journal, body) : checkOpening(journal, body, rests),
  sentence: (body) =>
    `Lot ${body.name} opened: ${body.pieces} pieces, checked ${body.plan.everyPieces === null ? 'first and last' : `every ${body.plan.everyPieces}`}${noted(body.note)}`,
  cells: (body) => ({ answer: body.name }),
};

function checkOpening(journal: readonly Entry[], body: LotBody, rests: Rests | null): EntryRefusal | null {
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

function checkCorrected(journal: readonly Entry[], body: LotBody): EntryRefusal | null {
  const head = lotHead(journal, body.lot);
  if ('code' in head) return head;
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

function checkQuantity({ pieces, plan }: LotBody): EntryRefusal | null {
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

function checkName(journal: readonly Entry[], { lot, name }: LotBody): EntryRefusal | null {
  if (!name.trim()) return refuse('name-missing', 'name', 'A lot needs its number, as it stands on its label.');
  const twin = lotNumbers(journal)
    .map((n) => readLot(journal, n))
    .find((l) => l && l.lot !== lot && l.name === name);
  return twin ? refuse('name-taken', 'name', `Lot ${name} of this combination is on record already.`) : null;
}
