import type { KeptEntry } from '@tug-mark/contract';
import { computeSetUp, openToolBook, type SetUp, type SetUpContext } from '@tug-mark/core';
import type { Knex } from 'knex';
import { readJournals, takenSince } from '../entry/rows';
import { contextsOf, readShared, type CombinationRow } from './store';

/** A combination set up from what is on record of it. */
export interface RowSetUp {
  readonly row: CombinationRow;
  readonly context: SetUpContext;
  readonly entries: readonly KeptEntry[];
  readonly setUp: SetUp;
}

/**
 * Set-ups of many combinations, in their order: what they share is read once, and the tools are opened once.
 * @param which as much of each journal as is looked at
 * @param now ISO instant
 */
export async function setUpsOf(
  db: Knex,
  rows: readonly CombinationRow[],
  which: 'set-up' | 'newest-lot',
  now: string,
): Promise<RowSetUp[]> {
  if (!rows.length) return [];
  const journals = await readJournals(
    db,
    rows.map(({ id }) => id),
    which,
  );
  const shared = await readShared(db, takenSince(journals.values()));
  const contexts = await contextsOf(db, rows, shared);
  const book = openToolBook(shared.tools, shared, now, shared);
  return rows.flatMap((row) => {
    const context = contexts.get(row.id);
    const entries = journals.get(row.id) ?? [];
    return context ? [{ row, context, entries, setUp: computeSetUp(context, entries, now, book) }] : [];
  });
}
