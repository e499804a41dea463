import type { LookRecord } from '@tug-mark/contract';
import { checkLookSheet, type LookSheet } from '@tug-mark/core';
import type { Knex } from 'knex';
import { listDocumentRecords, listDocuments, type DocumentKind } from './store';

export const LOOK_SHEETS: DocumentKind<LookSheet> = {
  table: 'look_sheets',
  ledger: 'looks',
  problems: (_, today) => Promise.resolve((sheet) => checkLookSheet(sheet, today)),
  complete: (kept) => kept,
};

/** Every revision of every sheet pieces are looked at by. */
export function listLooks(db: Knex): Promise<LookSheet[]> {
  return listDocuments(db, LOOK_SHEETS);
}

/** The sheets with their history, and what stands against releasing each draft. */
export async function listLookRecords(db: Knex, today: string): Promise<LookRecord[]> {
  const records = await listDocumentRecords(db, LOOK_SHEETS, today);
  return records.map(({ document, ...rest }) => ({ sheet: document, ...rest }));
}
