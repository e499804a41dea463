import type { EntryBody } from './Entry';

/**
 * The one place in a combination's journal an entry speaks about. Two uncorrected entries in one slot would
 * contradict each other, so the second has to be a correction of the first.
 */
export function entrySlot(body: EntryBody): string {
  switch (body.kind) {
    case 'tool':
      return 'tool';
    case 'gate':
      return `gate/${body.gate}`;
    case 'finding':
      return `finding/${body.piece}/${body.criterion}`;
    case 'reading':
      return `reading/${body.piece}`;
    case 'ruling':
      return `ruling/${body.piece}`;
  }
}
