import { judgeCombination, type SheetInput } from '@tug-mark/core';
import type { Knex } from 'knex';
import { setUpsOf } from '../combination/setUps';
import { batches } from '../combination/store';

/** What a sheet is drawn from, beside shop, link and date. */
export type SheetSource = Pick<SheetInput, 'about' | 'context' | 'setUp' | 'judgement'> & { readonly id: string };

/** The sheets of one combination or of a whole list, in order. */
export async function* readSheets(db: Knex, which: { id: string } | { list: string }): AsyncGenerator<SheetSource> {
  const now = new Date().toISOString();
  for await (const rows of batches(db, which)) {
    for (const { row, context, entries, setUp } of await setUpsOf(db, rows, 'set-up', now)) {
      yield {
        id: row.id,
        about: { list: row.list, terminal: row.terminal, wire: row.wire, pieces: row.pieces },
        context,
        setUp,
        judgement: judgeCombination(setUp, entries, context, now),
      };
    }
  }
}
