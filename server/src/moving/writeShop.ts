import type { Knex } from 'knex';
import { SCHEMAS } from '../db/migrate';
import { copyOut } from '../db/copyInto';
import { END_OF_ROWS, FORMAT, LEFT_AT_HOME, MOVED_TABLES, VERSION, type MovedTable } from './tables';

/**
 * The whole shop as lines (docs/formats/whole-shop.md): rows as they stand, byte for byte, so that every chain proves on the
 * other side as it does here. All of it as it stood at one moment, whatever is put on record meanwhile.
 */
export async function* writeShop(db: Knex, now: Date): AsyncGenerator<string | Buffer> {
  const trx = await db.transaction({ isolationLevel: 'repeatable read', readOnly: true });
  try {
    const shop = (await trx('shop').first('id', 'name')) as { id: string; name: string };
    const schema = SCHEMAS.at(-1);
    yield `${JSON.stringify({ format: FORMAT, version: VERSION, schema, shop, madeAt: now.toISOString() })}\n`;
    for (const table of MOVED_TABLES) {
      const columns = await columnsOf(trx, table);
      yield `${JSON.stringify({ table, columns })}\n`;
      const list = columns.map((column) => `"${column}"`).join(', ');
      for await (const bytes of await copyOut(trx, `${table} (${list})`)) yield bytes as Buffer;
      yield `${END_OF_ROWS}\n`;
    }
    yield `${JSON.stringify({ end: true })}\n`;
  } finally {
    await trx.rollback();
  }
}

/** Columns of a table that move, in their order. */
export async function columnsOf(db: Knex, table: MovedTable): Promise<string[]> {
  const all = (await db('information_schema.columns')
    .where({ table_schema: 'public', table_name: table })
    .orderBy('ordinal_position')
    .pluck('column_name')) as string[];
  return all.filter((column) => !LEFT_AT_HOME[table]?.includes(column));
}
