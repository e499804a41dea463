import type { EntryBody } from './Entry';
import { runOf } from './runs';

/**
 * The one place in a combination's journal an entry speaks about. Two uncorrected entries in one slot would
 * contradict each other, so the second has to be a correction of the first. Later runs have slots of their own.
 */
export function entrySlot(body: EntryBody): string {
  if (body.kind === 'run') return `run/${body.run}`;
  return slotInRun(runOf(body), placeOf(body));
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
      return `reading/${body.piece}`;
    case 'ruling':
      return `ruling/${body.piece}`;
    case 'release':
      return 'release';
  }
}
