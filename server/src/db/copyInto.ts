import type { Knex } from 'knex';
import { Readable, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Client, Submittable } from 'pg';
// @ts-expect-error the package ships no types of its own; the one function in use is typed below
import copyStreams from 'pg-copy-streams';

/** A COPY from what is written to it. */
const { from: copyFrom } = copyStreams as { from(statement: string): Writable & Submittable };

/** Rows that go to the database in one piece. */
const PORTION = 2000;

type Cell = string | number | null;

/**
 * Copies rows into a table inside a transaction.
 * @param into the table with its columns in the order of the cells
 */
export async function copyInto(
  trx: Knex.Transaction,
  into: string,
  rows: Iterable<readonly Cell[]> | AsyncIterable<readonly Cell[]>,
): Promise<void> {
  const lines = async function* () {
    let [text, count] = ['', 0];
    for await (const row of rows) {
      text += `${row.map(written).join('\t')}\n`;
      if (++count % PORTION === 0) {
        yield text;
        text = '';
      }
    }
    if (text) yield text;
  };
  const client = await (
    trx as unknown as { client: { acquireConnection(): Promise<Client> } }
  ).client.acquireConnection();
  await pipeline(Readable.from(lines()), client.query(copyFrom(`COPY ${into} FROM STDIN`)));
}

const SIGNS: Readonly<Record<string, string>> = { '\\': '\\\\', '\t': '\\t', '\n': '\\n', '\r': '\\r' };

/** COPY's own text form: what it reads as signs of its own is escaped. */
const written = (cell: Cell) =>
  cell === null ? '\\N' : String(cell).replace(/[\\\t\n\r]/g, (sign) => SIGNS[sign] ?? sign);
