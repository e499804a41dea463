import { randomUUID } from 'node:crypto';
import pg from 'pg';
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

/** Fills the journal with readings of other lots, as many as wanted, without the triggers that would tell every station. */
async function fillJournal(client: pg.Client, rows: number): Promise<void> {
  await client.query("SET session_replication_role = 'replica'");
  await client.query('CREATE TEMP TABLE others AS SELECT gen_random_uuid() AS id, g FROM generate_series(1, 2000) g');
  await client.query(`
    INSERT INTO combinations (id, list, terminal, terminal_revision, wire, wire_revision, practice, practice_revision, pieces, place, class)
    SELECT id, 'bench of lots', 'FL-RT-0406', 1, 'FL-W-0075', 1, 'house', 1, 400, 'dry', '2' FROM others`);
  const each = Math.ceil(rows / 2000);
  // Ten million rows go in faster without the indexes, which are made again as they were.
  const { rows: indexes } = await client.query<{ indexname: string; indexdef: string }>(
    "SELECT indexname, indexdef FROM pg_indexes WHERE tablename = 'journal' AND indexname NOT IN (SELECT conname FROM pg_constraint)",
  );
  for (const { indexname } of indexes) await client.query(`DROP INDEX ${indexname}`);
  for (let from = 0; from < 2000; from += 100) {
    await client.query(
      `INSERT INTO journal (id, combination, seq, slot, kind, lot, body, verdict, limit_key, at, by_name, by_role, previous, hash)
       SELECT gen_random_uuid(), o.id, n, 'lot/' || (n / 400 + 1) || '/reading/' || (n % 400 + 1), 'reading', n / 400 + 1,
         json_build_object('kind', 'reading', 'lot', n / 400 + 1, 'piece', n % 400 + 1, 'force', 118.4, 'typed', '118.4', 'unit', 'N',
           'mode', 'slid-out', 'note', '', 'confirmed', '[]'::json),
         '{"verdict":"holds","margin":33.4,"text":"Holds","force":85}', NULL, now(), 'Odile', 'technician', '', ''
       FROM others o, generate_series(1, $1) n WHERE o.g > $2 AND o.g <= $3`,
      [each, from, from + 100],
    );
  }
  for (const { indexdef } of indexes) await client.query(indexdef);
  await client.query('DROP TABLE others');
  await client.query("SET session_replication_role = 'origin'");
  await client.query('VACUUM (ANALYZE) journal');
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
  await fillJournal(client, 10_000);
  await page();
  const few = await page();
  await fillJournal(client, rows);
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
