import { gaugeSchema, type Gauge } from '@tug-mark/contract';
import type { Knex } from 'knex';
import { noteDeeds } from '../../chain/deeds';
import type { Doer } from '../../chain/ledger';

/** Every gauge of the shop, in use or not. */
export async function listGauges(db: Knex): Promise<Gauge[]> {
  const rows = (await db('gauges').orderBy('id').select('body')) as { body: unknown }[];
  return rows.map((row) => gaugeSchema.parse(row.body));
}

export async function readGauge(db: Knex, id: string): Promise<Gauge | null> {
  const row = (await db('gauges').where({ id }).first('body')) as { body: unknown } | undefined;
  return row ? gaugeSchema.parse(row.body) : null;
}

/** Keeps a gauge's settings; the newest stand. */
export async function keepGauge(db: Knex, gauge: Gauge, doer: Doer): Promise<void> {
  const body = JSON.stringify(gauge);
  await db.transaction(async (trx) => {
    await trx('gauges')
      .insert({ id: gauge.id, body, by_name: doer.by })
      .onConflict('id')
      .merge({ body, by_name: doer.by, changed_at: trx.fn.now() });
    await noteDeeds(trx, 'gauges', 'kept', [gauge.id], doer);
  });
}
