import { GATES } from '../crimp';
import type { EntryBody } from './Entry';
import { slotInRun } from './entrySlot';
import { runOf } from './runs';

/**
 * The slots of the journal that {@link checkEntry} looks at for this entry, so that a long journal need not be read
 * whole; null where it looks at all of it.
 */
export function slotsToCheck(body: EntryBody): string[] | null {
  const run = runOf(body);
  const slots = slotsInRun(body);
  // Its own run and the next one tell whether the entry belongs to the current run.
  return slots && [...slots.map((slot) => slotInRun(run, slot)), `run/${run}`, `run/${run + 1}`];
}

function slotsInRun(body: EntryBody): string[] | null {
  switch (body.kind) {
    case 'tool':
    case 'release':
    case 'run':
      return null;
    case 'gate':
      return ['tool', ...GATES.map((gate) => `gate/${gate}`)];
    case 'ruling':
      return ['tool', `reading/${body.piece}`];
    default:
      return ['tool'];
  }
}
