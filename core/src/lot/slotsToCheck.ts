import { GATES } from '../crimp';
import type { EntryBody } from './Entry';

/** The slots of the journal that {@link checkEntry} looks at for this entry, so that a long journal need not be read whole. */
export function slotsToCheck(body: EntryBody): string[] {
  switch (body.kind) {
    case 'tool':
      return [];
    case 'gate':
      return ['tool', ...GATES.map((gate) => `gate/${gate}`)];
    case 'ruling':
      return ['tool', `reading/${body.piece}`];
    default:
      return ['tool'];
  }
}
