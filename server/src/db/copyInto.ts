import type { Knex } from 'knex';
import { Readable, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Client, Submittable } from 'pg';
// @ts-expect-error the package ships no types of its own; the one function in use is typed below
import copyStreams from 'pg-copy-streams';

/** A COPY from what is written to it, and one to whoever reads it. */
const { from: copyFrom, to: copyTo } = copyStreams as {
  from(statement: string): Writable & Submittable;
  to(statement: string): Readable & Submittable;
};

/**
 * Copies rows into a table inside a transaction.
 * @param into the table with its columns in the order of the cells
 * @param lines in COPY's own text form: cells with tabs between, each row with a new line behind; some hundreds at a time
 */
export async function copyInto(
  trx: Knex.Transaction,
  into: string,
  lines: AsyncIterable<string | Buffer>,
): Promise<void> {
  const client = await connectionOf(trx);
  await pipeline(Readable.from(lines), client.query(copyFrom(`COPY ${into} FROM STDIN`)));
}

/**
 * Rows as COPY writes them, as bytes: lines with tabs between the cells, in pieces of any length.
 * @param from a query in brackets, or a table with its columns
 */
export async function copyOut(trx: Knex.Transaction, from: string): Promise<Readable> {
  return (await connectionOf(trx)).query(copyTo(`COPY ${from} TO STDOUT`));
}

const connectionOf = (trx: Knex.Transaction): Promise<Client> =>
  (trx as unknown as { client: { acquireConnection(): Promise<Client> } }).client.acquireConnection();

const SIGNS: Readonly<Record<string, string>> = { '\\': '\\\\', '\t': '\\t', '\n': '\\n', '\r': '\\r' };

/** A cell of a line: what COPY reads as signs of its own is escaped. Ids, hashes, numbers and instants have none. */
export function copyCell(text: string | null): string {
  if (text === null) return '\\N';
  // Most cells have none, and a search for one sign is many times quicker than one for any of four.
  if (!text.includes('\\') && !text.includes('\n') && !text.includes('\t') && !text.includes('\r')) return text;
  return text.replace(/[\\\t\n\r]/g, (sign) => SIGNS[sign] ?? sign);
}
