import { computeSetUp, judgeCombination, openToolBook, type SheetInput } from '@tug-mark/core';
import type { Knex } from 'knex';
import { batches, contextsOf, readShared } from '../combination/store';
import { readJournals, takenSince } from '../entry/rows';

/** What a sheet is drawn from, beside shop, link and date. */
export type SheetSource = Pick<SheetInput, 'about' | 'context' | 'setUp' | 'judgement'> & { readonly id: string };

/** The sheets of one combination or of a whole list, in order. */
export async function* readSheets(db: Knex, which: { id: string } | { list: string }): AsyncGenerator<SheetSource> {
  const now = new Date().toISOString();
  for await (const rows of batches(db, which)) {
    const journals = await readJournals(
      db,
      rows.map((row) => row.id),
      'set-up',
    );
    const shared = await readShared(db, takenSince(journals.values()));
    const contexts = await contextsOf(db, rows, shared);
    const book = openToolBook(shared.tools, shared, now, shared);
    for (const row of rows) {
      const context = contexts.get(row.id);
      if (!context) continue;
      const entries = journals.get(row.id) ?? [];
      const setUp = computeSetUp(context, entries, now, book);
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
