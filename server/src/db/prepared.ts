import type { Knex } from 'knex';
import type { Client } from 'pg';

/**
 * Runs a statement the database has planned already, on a connection of Knex's own pool. Knex parses and builds every
 * raw statement again; on the path of a reading that costs more than the insert itself.
 *
 * @param name one name for one text; the database keeps the plan under it, per connection
 * @param values in the order of $1, $2 ...
 */
export async function runPrepared<Row>(db: Knex, name: string, text: string, values: unknown[]): Promise<Row[]> {
  const client = db.client as {
    acquireConnection(): Promise<Client>;
    releaseConnection(connection: Client): Promise<void>;
  };
  const connection = await client.acquireConnection();
  try {
    return (await connection.query({ name, text, values })).rows as Row[];
  } finally {
    await client.releaseConnection(connection);
  }
}
