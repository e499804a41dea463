import { lotOf, runOf, type EntryBody } from '../entry';
import { kindOf } from './kindOf';

/**
 * The one place in a combination's journal an entry speaks about. Two uncorrected entries in one slot would
 * contradict each other, so the second has to be a correction of the first. Later runs and lots have slots of their own;
 * lots are counted over all runs.
 */
export function entrySlot(body: EntryBody): string {
  const place = kindOf(body).place(body);
  if (body.kind === 'run') return place;
  const lot = lotOf(body);
  return lot === null ? slotInRun(runOf(body), place) : slotInLot(lot, place);
}

/** A place's slot in a lot; the lot's own where the place is empty. */
export function slotInLot(lot: number, place: string): string {
  return place === '' ? `lot/${lot}` : `lot/${lot}/${place}`;
}

/** A place's slot in the set-up of a run. */
export function slotInRun(run: number, place: string): string {
  return run === 1 ? place : `run${run}/${place}`;
}
