import type { Knex } from 'knex';
import { Readable, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Client, Submittable } from 'pg';
// @ts-expect-error the package ships no types of its own; the one function in use is typed below
import copyStreams from 'pg-copy-streams';

/** A COPY from what is written to it. */
const { from: copyFrom } = copyStreams as { from(statement: string): Writable & Submittable };

type Cell = string | number | null;

/**
 * Copies rows into a table inside a transaction.
 * @param into the table with its columns in the order of the cells
 * @param portions rows, some hundreds at a time
 */
export async function copyInto(
  trx: Knex.Transaction,
  into: string,
  portions: AsyncIterable<readonly (readonly Cell[])[]>,
): Promise<void> {
  const lines = async function* () {
    for await (const rows of portions)
      if (rows.length) yield rows.map((row) => `${row.map(written).join('\t')}\n`).join('');
  };
  const client = await (
    trx as unknown as { client: { acquireConnection(): Promise<Client> } }
  ).client.acquireConnection();
  await pipeline(Readable.from(lines()), client.query(copyFrom(`COPY ${into} FROM STDIN`)));
}

const SIGNS: Readonly<Record<string, string>> = { '\\': '\\\\', '\t': '\\t', '\n': '\\n', '\r': '\\r' };

/** COPY's own text form: what it reads as signs of its own is escaped. */
function written(cell: Cell): string | number {
  if (cell === null) return '\\N';
  if (typeof cell === 'number') return cell;
  // Most cells have none, and a search for one sign is many times quicker than one for any of four.
  if (!cell.includes('\\') && !cell.includes('\n') && !cell.includes('\t') && !cell.includes('\r')) return cell;
  return cell.replace(/[\\\t\n\r]/g, (sign) => SIGNS[sign] ?? sign);
}
