import { gaugeSchema, type Gauge } from '@tug-mark/contract';
import type { Knex } from 'knex';

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
export async function keepGauge(db: Knex, gauge: Gauge, by: string): Promise<void> {
  const body = JSON.stringify(gauge);
  await db('gauges')
    .insert({ id: gauge.id, body, by_name: by })
    .onConflict('id')
    .merge({ body, by_name: by, changed_at: db.fn.now() });
}
