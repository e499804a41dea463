import { lotOf, runOf, type EntryBody } from '../entry';
import { slotInLot, slotInRun } from './entrySlot';
import { kindOf } from './kindOf';

/**
 * The slots of the journal that {@link checkEntry} looks at for this entry, so that a long journal need not be read
 * whole; null where it looks at all of it.
 */
export function slotsToCheck(body: EntryBody): string[] | null {
  const reads = kindOf(body).reads(body);
  if (!reads) return null;
  const run = runOf(body);
  const lot = lotOf(body);
  return [
    slotInRun(run, 'tool'),
    ...(lot === null
      ? reads.run.map((place) => slotInRun(run, place))
      : ['', 'finish', ...reads.lot].map((place) => slotInLot(lot, place))),
    // Its own run and the next one tell whether the entry belongs to the current run.
    `run/${run}`,
    `run/${run + 1}`,
  ];
}

/**
 * What has to be on record before an entry: the beginning of the slots of which one has to be taken, and what to say when
 * none is. Apart from {@link slotsToCheck}, so that the server can ask the database as it keeps the entry.
 */
export function askedBefore(body: EntryBody) {
  const asked = kindOf(body).asks?.(body);
  if (!asked) return null;
  const lot = lotOf(body);
  const prefix = lot === null ? slotInRun(runOf(body), asked.prefix) : slotInLot(lot, asked.prefix);
  return { prefix, refusal: asked.refusal };
}
