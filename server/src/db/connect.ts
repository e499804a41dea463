import knex, { type Knex } from 'knex';
import pg from 'pg';

// Dates without time stay the text they are: a calendar day has no zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

/**
 * Opens the pool on a PostgreSQL database.
 *
 * @param isForReports a large query keeps to one core: the others are for the readings
 */
export function connect(url: string, max = 10, isForReports = false): Knex {
  const options = isForReports ? '-c max_parallel_workers_per_gather=0' : undefined;
  return knex({ client: 'pg', connection: { connectionString: url, options }, pool: { min: 0, max } });
}
