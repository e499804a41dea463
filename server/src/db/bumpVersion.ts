import type { Knex } from 'knex';

/** Tells every process that cabinet, limits or tool checks have changed. Call it inside the change's transaction. */
export async function bumpVersion(trx: Knex): Promise<void> {
  await trx.raw('UPDATE shop SET version = version + 1');
}
