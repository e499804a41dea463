import knex, { type Knex } from 'knex';
import pg from 'pg';

// Dates without time stay the text they are: a calendar day has no zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

/** Opens the pool on a PostgreSQL database. */
export function connect(url: string, max = 10): Knex {
  return knex({ client: 'pg', connection: url, pool: { min: 0, max } });
}
