import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { fillList } from './fill';
import { median } from './median';

type Call = (method: string, path: string, body?: unknown, type?: string) => Promise<Response>;

/** A client of our server with one person's cookie. */
export function callAs(address: string, cookie: string): Call {
  return (method, path, body, type = 'application/json') =>
    fetch(`${address}/api/${path}`, {
      method,
      headers: { cookie, ...(body !== undefined && { 'content-type': type }) },
      ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
}

async function ok<T>(answer: Promise<Response>): Promise<T> {
  const got = await answer;
  if (!got.ok) throw new Error(`${got.status}: ${await got.text()}`);
  return (await got.json()) as T;
}

/** The page of one lot before and after the table has many other readings, by its answer time over HTTP. */
export async function benchLotPage(
  call: Call,
  url: string,
  rows: number,
): Promise<{ ratio: number; few: number; many: number; rows: number }> {
  const { lines } = await ok<{ lines: { id: string; lot: { name: string } | null }[] }>(call('GET', 'combinations'));
  const id = lines.find((line) => line.lot?.name === 'L-0391')?.id ?? '';
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const page = async () => {
    const times: number[] = [];
    for (let i = 0; i < 60; i++) {
      const before = performance.now();
      await (await call('GET', `combinations/${id}`)).arrayBuffer();
      times.push(performance.now() - before);
    }
    return median(times);
  };
  await fillList(client, 'bench of lots', 2000, 10_000);
  await page();
  const few = await page();
  await fillList(client, 'more lots', 2000, rows);
  await page();
  const many = await page();
  await client.end();
  return { ratio: many / few, few, many, rows };
}

const READINGS = 200_000;

/** Importing 200,000 pulls from CSV as a ratio to a raw COPY of the same finished rows into a table like it. */
export async function benchImport(
  technician: Call,
  quality: Call,
  url: string,
): Promise<{ ratio: number; ours: number; baseline: number }> {
  const { lines } = await ok<{ lines: { id: string; lot: { name: string } | null }[] }>(
    technician('GET', 'combinations'),
  );
  const id = lines.find((line) => line.lot?.name === 'L-0388')?.id ?? '';
  const view = await ok<{ entries: { body: { kind: string; stands?: unknown } }[] }>(
    technician('GET', `combinations/${id}`),
  );
  const stands = view.entries.findLast((e) => e.body.kind === 'release')?.body.stands;
  const plan = { everyPieces: null, everyHours: null, afterChange: [], bothSides: false };
  await ok(
    quality('POST', `combinations/${id}/entries`, {
      id: randomUUID(),
      body: { kind: 'lot', lot: 2, name: 'bench', pieces: READINGS, plan, stands, note: '' },
      corrects: null,
      why: null,
    }),
  );
  const file = ['piece,force N,how it let go,note'];
  for (let piece = 1; piece <= READINGS; piece++) file.push(`${piece},${115 + (piece % 97) / 10},1,`);
  let before = performance.now();
  await ok(technician('POST', `combinations/${id}/lots/2/readings`, file.join('\n'), 'text/csv'));
  const ours = performance.now() - before;
  // The baseline: the same rows, finished, from one COPY of the database into another table with the same indexes.
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query('CREATE TABLE copied (LIKE journal INCLUDING ALL)');
  await client.query(
    "CREATE TABLE source AS SELECT * FROM journal WHERE combination = $1 AND lot = 2 AND body ->> 'kind' = 'reading'".replace(
      '$1',
      `'${id}'`,
    ),
  );
  const columns =
    'id, combination, seq, slot, kind, lot, version, site, body, verdict, limit_key, at, by_name, by_role, corrects, why, previous, hash';
  const folder = await client.query<{ data_directory: string }>('SHOW data_directory');
  const path = `${folder.rows[0]?.data_directory ?? '/tmp'}/bench-copy.txt`;
  await client.query(`COPY source (${columns}) TO '${path}'`);
  before = performance.now();
  await client.query(`COPY copied (${columns}) FROM '${path}'`);
  const baseline = performance.now() - before;
  await client.query('DROP TABLE copied, source');
  await client.end();
  return { ratio: baseline / ours, ours, baseline };
}
