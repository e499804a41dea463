import { spawnSync } from 'node:child_process';
import pg from 'pg';
import { firstByte, readAll } from './ask';
import { fillCombination, fillList } from './fill';
import { median } from './median';
import { memory, OURS, prepare, say, setting } from './stations';

const ROUNDS = 5;

async function withClient<T>(work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: setting('BENCH_DATABASE') });
  await client.connect();
  return work(client).finally(() => client.end());
}

/** The whole bench list, page by page, as a ratio to a bare server that reads the same rows by their index. */
export async function benchList(cookie: string, rows: number): Promise<void> {
  const combinations = 5000;
  await withClient((client) => fillList(client, 'bench of lists', combinations, rows));
  // As the one command does it; the projector would take its pauses.
  const made = spawnSync(process.execPath, ['server/dist/standings.js'], {
    env: { ...process.env, TUG_DATABASE_URL: setting('BENCH_DATABASE') },
    encoding: 'utf8',
  });
  if (made.status !== 0) throw new Error(made.stderr);
  const walk = async (page: (after: number) => string) => {
    const before = performance.now();
    let lines = 0;
    for (let after: number | null = 0; after !== null;) {
      const answer: { lines: unknown[]; next: number | null } = (await (
        await fetch(page(after), { headers: { cookie } })
      ).json()) as { lines: unknown[]; next: number | null };
      lines += answer.lines.length;
      after = answer.next;
    }
    if (lines < combinations) throw new Error(`${lines} lines`);
    return performance.now() - before;
  };
  const own: number[] = [];
  const bare: number[] = [];
  for (let round = 0; round <= ROUNDS; round++) {
    bare.push(await walk((after) => `${setting('BENCH_BARE')}/api/bare-lines?after=${after}`));
    own.push(await walk((after) => `${OURS}/api/combinations?after=${after}`));
  }
  const ratio = median(own.slice(1).map((ms, i) => ms / (bare[i + 1] ?? 1)));
  say(
    `bench list of ${combinations} combinations among ${rows.toLocaleString('en')} entries / bare indexed query   ratio ${ratio.toFixed(2)} (goal at most 2)   [${median(own.slice(1)).toFixed(0)} against ${median(bare.slice(1)).toFixed(0)} ms, all pages]`,
  );
}

/** A chart of a million readings at a glance and in full, and what taking them up costs, against one pass over the table. */
export async function benchChart(cookie: string): Promise<void> {
  const readings = 1_000_000;
  const { stations } = await prepare(1);
  const [{ combination } = { combination: '' }] = stations;
  await withClient((client) => fillCombination(client, combination, readings, 'lots'));
  const query = `kind=combination&value=${combination}`;
  const cold = (await readAll(`${OURS}/api/charts/glances?${query}`, cookie)).last;
  const scans: number[] = [];
  const glances: number[] = [];
  const points: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    scans.push(
      await withClient(async (client) => {
        await client.query('SET enable_indexscan = off; SET enable_bitmapscan = off');
        const before = performance.now();
        await client.query('SELECT sum(length(body::text)) FROM journal WHERE combination = $1', [combination]);
        return performance.now() - before;
      }),
    );
    glances.push((await readAll(`${OURS}/api/charts/glances?${query}`, cookie)).last);
    points.push((await readAll(`${OURS}/api/charts/points?${query}`, cookie)).last);
  }
  const scan = median(scans);
  say(
    `chart of ${readings.toLocaleString('en')} readings: at a glance ${median(glances).toFixed(0)} ms (goal under 300); every point / one sequential scan   ratio ${(median(points) / scan).toFixed(2)} (goal at most 2)   [${median(points).toFixed(0)} against ${scan.toFixed(0)} ms; taking them all up once ${(cold / scan).toFixed(1)} scans]`,
  );
  const path = `${OURS}/api/combinations/${combination}/record.json`;
  const firsts: number[] = [];
  for (let round = 0; round < ROUNDS; round++) firsts.push(await firstByte(path, cookie));
  let peak = 0;
  const look = () => (peak = Math.max(peak, memory(setting('BENCH_REPORTS_PID'))));
  look();
  const before = peak;
  const record = await readAll(path, cookie, look);
  say(
    `record of ${readings.toLocaleString('en')} entries: first byte after ${median(firsts).toFixed(0)} ms (goal 50), memory at its peak / before   ratio ${(peak / before).toFixed(2)} (level: near 1)   [${(record.bytes / 1e6).toFixed(0)} MB in ${(record.last / 1000).toFixed(1)} s, ${peak.toFixed(0)} against ${before.toFixed(0)} MB]`,
  );
}
