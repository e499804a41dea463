import type { Entry } from '../entry';
import { readLot, type LotHead } from '../lot';
import { refuse, type EntryRefusal } from './Kind';

/** What the journal says of a lot, or that there is none. */
export function lotHead(journal: readonly Entry[], lot: number): LotHead | EntryRefusal {
  return readLot(journal, lot) ?? refuse('lot-unknown', 'lot', `There is no lot ${lot} of this combination.`);
}

/** Whether a lot takes entries about this piece: it is open, and the piece is one of its own. */
export function checkLotPiece(journal: readonly Entry[], lot: number, piece: number): EntryRefusal | null {
  const head = lotHead(journal, lot);
  if ('code' in head) return head;
  if (head.state === 'finished') {
    return refuse('lot-finished', 'lot', `Lot ${head.name} is finished; nothing more is put on record for its pieces.`);
  }
  return piece > head.pieces
    ? refuse(
        'piece-out-of-range',
        'piece',
        `Lot ${head.name} has pieces 1 to ${head.pieces}; ${piece} is none of them.`,
      )
    : null;
}
