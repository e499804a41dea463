import type { Touched } from '@tug-mark/contract';
import { findLimit, isSameDocument, type DocumentKey } from '@tug-mark/core';
import type { Knex } from 'knex';
import { refusals } from '../http/problems';
import { batches, contextsOf, readShared } from '../combination/store';

/**
 * Combinations whose limit a table would change were it in effect now, with both limits: what would have to be proved
 * and released again. Read in batches, so that a shop of any size needs the memory of one.
 */
export async function touchedBy(db: Knex, key: DocumentKey, day: string): Promise<Touched[]> {
  const shared = await readShared(db);
  const tables = shared.limits;
  const table = tables.find((t) => isSameDocument(t, key));
  if (!table) throw refusals.notFound(`${key.document} rev ${key.revision}`);
  const touched: Touched[] = [];
  for await (const rows of batches(db, { class: key.class })) {
    const contexts = await contextsOf(db, rows, shared);
    for (const row of rows) {
      const context = contexts.get(row.id);
      if (!context) continue;
      const { wire, terminal, practice } = context;
      const before = findLimit(tables, wire, terminal, key.class, day, practice).limit?.force ?? null;
      const after = findLimit([table], wire, terminal, key.class, day, practice, table).limit?.force ?? null;
      if (before === after) continue;
      const { id, list, pieces } = row;
      touched.push({ id, list, terminal: row.terminal, wire: row.wire, pieces, before, after });
    }
  }
  return touched;
}
