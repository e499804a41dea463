import {
  limitTableSchema,
  listColumnsSchema,
  lookSheetSchema,
  name,
  practiceSchema,
  shopSettingsSchema,
  zone,
} from '@tug-mark/contract';
import { CATALOGUE_KINDS, CATALOGUES } from '@tug-mark/core';
import type { Knex } from 'knex';
import type { z } from 'zod';

/** The first bytes of every PNG. */
const PNG = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
/** Rows read at a time. */
const PORTION = 500;

/**
 * What of a shop that was taken in this release could not show: chains say that nothing was changed, not that it was ever
 * right.
 * @returns what does not read, in words; empty where all does
 */
export async function checkMoved(trx: Knex, most: number): Promise<string[]> {
  const faults: string[] = [];
  const tell = (what: string, schema: z.ZodType, value: unknown) => {
    const read = schema.safeParse(value);
    const [issue] = read.error?.issues ?? [];
    if (issue && faults.length < most)
      faults.push(`${what}: ${issue.path.map(String).join('.')} ${issue.message}`.trim());
  };
  const shop = (await trx('shop').first('name', 'zone', 'settings', 'logo')) as {
    name: string;
    zone: string;
    settings: object;
    logo: Buffer | null;
  };
  tell('The shop’s name', name, shop.name);
  tell('The shop’s zone', zone, shop.zone);
  tell('The shop’s settings', shopSettingsSchema.strip(), shop.settings);
  if (shop.logo && (shop.logo.length < 24 || !shop.logo.subarray(0, PNG.length).equals(PNG))) {
    faults.push('The shop’s logo: is no PNG picture');
  }
  for (const kind of [...CATALOGUE_KINDS, 'practice'] as const) {
    const schema = kind === 'practice' ? practiceSchema : (CATALOGUES[kind].schema as z.ZodType);
    for await (const { part, revision, body } of rowsOf(trx, kind)) tell(`${part}, revision ${revision}`, schema, body);
  }
  for (const [table, schema] of [
    ['limit_tables', limitTableSchema],
    ['look_sheets', lookSheetSchema],
  ] as const) {
    const rows = (await trx(table).select('document', 'revision', 'body')) as {
      document: string;
      revision: string;
      body: unknown;
    }[];
    for (const { document, revision, body } of rows) tell(`${document}, revision ${revision}`, schema, body);
  }
  const lists = (await trx('wire_lists').whereNotNull('columns').select('name', 'columns')) as {
    name: string;
    columns: unknown;
  }[];
  for (const list of lists) tell(`Columns of ${list.name}`, listColumnsSchema, list.columns);
  return faults;
}

/** The newest revision of each part: what stood before it may be as an earlier release wrote it. */
async function* rowsOf(trx: Knex, kind: string): AsyncGenerator<{ part: string; revision: number; body: unknown }> {
  for (let after = ''; ;) {
    const rows = (await trx('parts')
      .distinctOn('part')
      .where({ kind })
      .where('part', '>', after)
      .orderBy(['part', { column: 'revision', order: 'desc' }])
      .limit(PORTION)
      .select('part', 'revision', 'body')) as { part: string; revision: number; body: unknown }[];
    yield* rows;
    const last = rows.at(-1);
    if (!last || rows.length < PORTION) return;
    after = last.part;
  }
}
