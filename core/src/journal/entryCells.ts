import type { EntryBody } from '../entry';
import type { EntryCells } from './Kind';
import { kindOf } from './kindOf';

/** What an entry says in the columns of a record's CSV file; forces in N and lengths in mm, with every digit. */
export function entryCells(body: EntryBody): EntryCells {
  return {
    piece: 'piece' in body ? body.piece : '',
    answer: '',
    measured: '',
    unit: '',
    force: '',
    mode: '',
    ...kindOf(body).cells?.(body),
  };
}
