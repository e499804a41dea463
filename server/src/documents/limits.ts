import type { LimitRecord } from '@tug-mark/contract';
import { checkLimitTable, type LimitTable } from '@tug-mark/core';
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
