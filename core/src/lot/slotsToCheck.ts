import { GATES } from '../crimp';
import type { EntryBody } from './Entry';
import { lotSlot, slotInRun, wireSlot } from './entrySlot';
import { lotOf, runOf } from './runs';

/**
 * The slots of the journal that {@link checkEntry} looks at for this entry, so that a long journal need not be read
 * whole; null where it looks at all of it.
 */
export function slotsToCheck(body: EntryBody): string[] | null {
  const run = runOf(body);
  const slots = slotsInRun(body);
  const lot = lotOf(body);
  if (slots && lot !== null) {
    const inLot =
      body.kind === 'ruling'
        ? [`${lotSlot(lot)}/reading/${body.piece}${wireSlot(body.wire)}`]
        : body.kind === 'finding'
          ? [`${lotSlot(lot)}/measure/${body.criterion}/${body.piece}`]
          : body.kind === 'marks' || body.kind === 'section'
            ? [`${lotSlot(lot)}/photo/${body.photo}`]
            : [];
    return [slotInRun(run, 'tool'), lotSlot(lot), `${lotSlot(lot)}/finish`, ...inLot, `run/${run}`, `run/${run + 1}`];
  }
  // Its own run and the next one tell whether the entry belongs to the current run.
  return slots && [...slots.map((slot) => slotInRun(run, slot)), `run/${run}`, `run/${run + 1}`];
}

function slotsInRun(body: EntryBody): string[] | null {
  switch (body.kind) {
    case 'tool':
    case 'release':
    case 'run':
    case 'lot':
    case 'progress':
    case 'disposition':
    case 'finish':
      return null;
    case 'gate':
      return ['tool', ...GATES.map((gate) => `gate/${gate}`)];
    case 'ruling':
      return ['tool', `reading/${body.piece}${wireSlot(body.wire)}`];
    case 'finding':
      return ['tool', `measure/${body.criterion}/${body.piece}`];
    case 'marks':
    case 'section':
      return ['tool', `photo/${body.photo}`];
    default:
      return ['tool'];
  }
}
