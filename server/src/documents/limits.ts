import type { LimitRecord } from '@tug-mark/contract';
import { checkLimitTable, type HoldRule, type LimitRow, type LimitTable } from '@tug-mark/core';
import type { Knex } from 'knex';
import { listParts } from '../cabinet/store';
import { listDocumentRecords, listDocuments, type DocumentKind } from './store';

export const LIMIT_TABLES: DocumentKind<LimitTable> = {
  table: 'limit_tables',
  ledger: 'limits',
  problems: async (db, today) => {
    const wires = await listParts(db, 'wire');
    return (table) => checkLimitTable(table, wires, today);
  },
  complete: (kept: Kept) => ({
    ...kept,
    hold: kept.hold && { percent: null, force: null, ...kept.hold },
    pushes: kept.pushes ?? [],
    rows: kept.rows.map((row) => ({ ...row, hold: row.hold ?? null })),
  }),
};

/** A table as it may lie in the database: rows had no hold of their own, and contacts no rows. */
type Kept = Omit<LimitTable, 'hold' | 'pushes' | 'rows'> & {
  readonly hold: (Pick<HoldRule, 'seconds'> & Partial<HoldRule>) | null;
  readonly pushes?: LimitTable['pushes'];
  readonly rows: readonly (Omit<LimitRow, 'hold'> & Partial<Pick<LimitRow, 'hold'>>)[];
};

/** Every revision of every limit table. */
export function listLimits(db: Knex): Promise<LimitTable[]> {
  return listDocuments(db, LIMIT_TABLES);
}

/** The limit tables with their history, and what stands against releasing each draft. */
export async function listLimitRecords(db: Knex, today: string): Promise<LimitRecord[]> {
  const records = await listDocumentRecords(db, LIMIT_TABLES, today);
  return records.map(({ document, ...rest }) => ({ table: document, ...rest }));
}
