import type { EntryBody } from './Entry';
import { lotOf, runOf } from './runs';

/**
 * The one place in a combination's journal an entry speaks about. Two uncorrected entries in one slot would
 * contradict each other, so the second has to be a correction of the first. Later runs and lots have slots of their own;
 * lots are counted over all runs.
 */
export function entrySlot(body: EntryBody): string {
  if (body.kind === 'run') return `run/${body.run}`;
  const lot = lotOf(body);
  const place = placeOf(body);
  if (lot !== null) return place === '' ? lotSlot(lot) : `${lotSlot(lot)}/${place}`;
  return slotInRun(runOf(body), place);
}

/** The slot a lot is opened in; everything about it begins with this and a stroke. */
export function lotSlot(lot: number): string {
  return `lot/${lot}`;
}

/** A slot's name in a run. */
export function slotInRun(run: number, slot: string): string {
  return run === 1 ? slot : `run${run}/${slot}`;
}

function placeOf(body: Exclude<EntryBody, { kind: 'run' }>): string {
  switch (body.kind) {
    case 'tool':
      return 'tool';
    case 'gate':
      return `gate/${body.gate}`;
    case 'measure':
      return `measure/${body.what}/${body.piece}`;
    case 'finding':
      return `finding/${body.piece}/${body.criterion}`;
    case 'reading':
      return `reading/${body.piece}${wireSlot(body.wire)}`;
    case 'ruling':
      return `ruling/${body.piece}${wireSlot(body.wire)}`;
    case 'hold':
      return `hold/${body.piece}`;
    case 'retention':
      return `retention/${body.piece}/${body.cavity}`;
    case 'photo':
      return `photo/${body.photo.id}`;
    case 'marks':
      return `marks/${body.photo}`;
    case 'section':
      return `section/${body.photo}`;
    case 'cause':
      return `cause/${body.step}`;
    case 'release':
      return 'release';
    case 'lot':
      return '';
    case 'progress':
      return `step/${body.step}`;
    case 'disposition':
      return `disposition/${body.step}`;
    case 'finish':
      return 'finish';
  }
}

/** Behind a reading's place for all but the first of several wires in a barrel. */
export function wireSlot(wire: number | undefined): string {
  return wire === undefined || wire === 1 ? '' : `/wire${wire}`;
}
