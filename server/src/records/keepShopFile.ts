import type { ShopFile } from '@tug-mark/contract';
import type { Knex } from 'knex';
import type { Doer } from '../chain/ledger';
import { bumpVersion } from '../db/bumpVersion';
import { keepDrafts } from '../documents/store';
import { LOOK_SHEETS } from '../documents/looks';
import { LIMIT_TABLES } from '../documents/limits';
import { keepParts } from '../cabinet/store';

/** Reads a shop file into the cabinet, whole or not at all. Its documents enter as drafts and leave those that stand alone. */
export async function keepShopFile(
  db: Knex,
  file: ShopFile,
  doer: Doer,
): Promise<{ parts: number; limits: number; looks: number }> {
  return db.transaction(async (trx) => {
    const parts =
      (await keepParts(trx, 'wire', file.wires, doer)) +
      (await keepParts(trx, 'terminal', file.terminals, doer)) +
      (await keepParts(trx, 'stripper', file.strippers, doer)) +
      (await keepParts(trx, 'tool', file.tools, doer)) +
      (await keepParts(trx, 'covering', file.coverings, doer)) +
      (await keepParts(trx, 'connector', file.connectors, doer)) +
      (await keepParts(trx, 'practice', file.practices, doer));
    const limits = await keepDrafts(trx, LIMIT_TABLES, file.limits, doer);
    const looks = await keepDrafts(trx, LOOK_SHEETS, file.looks, doer);
    await bumpVersion(trx);
    return { parts, limits, looks };
  });
}
