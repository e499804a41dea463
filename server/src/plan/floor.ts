import type { FloorKept } from '@tug-mark/contract';
import { checkFloor, EMPTY_FLOOR, shopFloorSchema, type ShopFloor } from '@tug-mark/core';
import type { Knex } from 'knex';
import { listParts } from '../cabinet/store';
import { noteDeeds } from '../chain/deeds';
import type { Doer } from '../chain/ledger';
import { bumpVersion } from '../db/bumpVersion';
import { refusals } from '../http/problems';

interface FloorRow {
  readonly revision: number;
  readonly body: unknown;
  readonly at: Date;
  readonly by_name: string;
}

/** The floor as it stands; an empty one before anything was said of it. What a later version knows of it is left out. */
export async function readFloor(db: Knex): Promise<FloorKept> {
  const row = (await db('floors').orderBy('revision', 'desc').first('revision', 'body', 'at', 'by_name')) as
    FloorRow | undefined;
  if (!row) return { revision: 0, by: null, at: null, floor: EMPTY_FLOOR };
  const floor = shopFloorSchema.strip().parse(row.body);
  return { revision: row.revision, by: row.by_name, at: row.at.toISOString(), floor };
}

/** Names of the accounts of the shop by their ids. */
export async function readNames(db: Knex): Promise<Map<string, string>> {
  const rows = (await db('people').select('id', 'name')) as { id: string; name: string }[];
  return new Map(rows.map(({ id, name }) => [id, name]));
}

/**
 * Keeps the floor as its next revision; the same again changes nothing.
 * @param revision the one it was changed from
 * @throws Refusal when somebody kept another meanwhile, or something of it cannot be meant
 */
export async function keepFloor(db: Knex, revision: number, floor: ShopFloor, doer: Doer): Promise<FloorKept> {
  const strippers = new Set((await listParts(db, 'stripper')).map(({ part }) => part));
  const faults = checkFloor(floor, await readNames(db), strippers);
  if (faults.length) throw refusals.floorProblems(faults.map(({ at, text }) => ({ where: at.join('.'), text })));
  return db.transaction(async (trx) => {
    await trx.raw('LOCK TABLE floors IN EXCLUSIVE MODE');
    const stands = await readFloor(trx);
    if (stands.revision > 0 && JSON.stringify(stands.floor) === JSON.stringify(floor)) return stands;
    if (stands.revision !== revision) throw refusals.staleRevision('The floor', stands.revision);
    await trx('floors').insert({ revision: revision + 1, body: JSON.stringify(floor), by_name: doer.by });
    await noteDeeds(trx, 'plan', 'kept', [`floor/${revision + 1}`], doer);
    await bumpVersion(trx);
    return readFloor(trx);
  });
}
