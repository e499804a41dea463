import type { ShopFile } from '@tug-mark/contract';
import type { Knex } from 'knex';
import { bumpVersion } from '../db/bumpVersion';
import { keepDrafts } from '../documents/store';
import { LOOK_SHEETS } from '../look/store';
import { LIMIT_TABLES } from '../tug/store';
import { keepParts } from './store';

/** Reads a shop file into the cabinet, whole or not at all. Its documents enter as drafts and leave those that stand alone. */
export async function keepShopFile(
  db: Knex,
  file: ShopFile,
  by: string,
): Promise<{ parts: number; limits: number; looks: number }> {
  return db.transaction(async (trx) => {
    const parts =
      (await keepParts(trx, 'wire', file.wires, by)) +
      (await keepParts(trx, 'terminal', file.terminals, by)) +
      (await keepParts(trx, 'stripper', file.strippers, by)) +
      (await keepParts(trx, 'tool', file.tools, by)) +
      (await keepParts(trx, 'covering', file.coverings, by)) +
      (await keepParts(trx, 'practice', file.practices, by));
    const limits = await keepDrafts(trx, LIMIT_TABLES, file.limits, by);
    const looks = await keepDrafts(trx, LOOK_SHEETS, file.looks, by);
    await bumpVersion(trx);
    return { parts, limits, looks };
  });
}
