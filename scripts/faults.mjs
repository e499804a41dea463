import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { ensurePackages } from './lib/packages.mjs';
import { freePort } from './lib/ports.mjs';
import { ensureDatabase, startPostgres } from './lib/postgres.mjs';
import { run, say } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';

/* npm run faults: kills the server 50 times and PostgreSQL 10 times with kill -9 while stations write, then counts. Every
   reading a station was told is kept has to be there, once, and every chain has to be whole.
   npm run faults -- 5 2 does it fewer times. */

const SETTINGS = { firstPort: 55170, settings: { max_connections: 100 } };
const STATIONS = 8;

run(async () => {
  ensurePackages();
  const [serverKills = 50, databaseKills = 10] = process.argv.slice(2).map(Number);
  let cluster = await startPostgres('fault-postgres', SETTINGS);
  const database = `faults_${Date.now()}`;
  await ensureDatabase(cluster, database);
  const port = await freePort(5970);
  const address = `http://127.0.0.1:${port}`;
  const databasePort = /:(\d+)\//.exec(cluster.url(database))?.[1];
  const serve = () =>
    startServer({
      TUG_DATABASE_URL: cluster.url(database),
      TUG_PORT: String(port),
      TUG_DEMO: '1',
      TUG_SIGN_INS_PER_MINUTE: '1000',
    });
  let server = await serve();
  const headers = { 'content-type': 'application/json' };
  const signedIn = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ name: 'Odile', password: 'demo-odile-bench' }),
  });
  const cookie = (signedIn.headers.get('set-cookie') ?? '').split(';')[0];

  const combinations = [];
  for (let i = 0; i < STATIONS; i++) {
    const list = 'wire id,wire part,length mm,terminal a,terminal b,quantity\nA1,FL-W-0075,100,FL-RT-0406,-,400';
    await fetch(`${address}/api/wire-lists?id=${randomUUID()}&name=faults-${i}`, {
      method: 'POST',
      headers: { 'content-type': 'text/csv', cookie },
      body: list,
    });
  }
  const { lines } = await (await fetch(`${address}/api/combinations`, { headers: { cookie } })).json();
  for (const line of lines.filter((l) => l.list.startsWith('faults-'))) combinations.push(line.id);

  /** Told kept by the server, by id. */
  const kept = new Map();
  let refused = 0;
  let repeats = 0;
  let isOver = false;
  /** Sends one entry until it is answered, as the outbox does: the same id every time. */
  const put = async (combination, body) => {
    const entry = { id: randomUUID(), body, corrects: null, why: null };
    for (let tries = 0; ; tries++) {
      try {
        const answer = await fetch(`${address}/api/combinations/${combination}/entries`, {
          method: 'POST',
          headers: { ...headers, cookie },
          body: JSON.stringify(entry),
          signal: AbortSignal.timeout(15_000),
        });
        const said = await answer.json();
        if (answer.status === 200 || answer.status === 201) {
          if (answer.status === 200) repeats += 1;
          kept.set(entry.id, combination);
          return;
        }
        if (answer.status < 500) {
          refused += 1;
          say(`refused: ${JSON.stringify(said).slice(0, 300)}`);
          return;
        }
      } catch {
        // Nobody answers: tried again, like every reading on its way.
      }
      await wait(30);
    }
  };
  const stations = combinations.map(async (combination) => {
    await put(combination, {
      kind: 'tool',
      tool: 'HT-11',
      die: 'A',
      nest: '1',
      look: { document: 'FL-LOOK-03', revision: 'B', class: '2' },
    });
    for (let piece = 1; !isOver && piece < 9999; piece++) {
      const force = 115 + (piece % 97) / 10;
      await put(combination, {
        kind: 'reading',
        piece,
        force,
        typed: String(force),
        unit: 'N',
        mode: 'slid-out',
        note: '',
        confirmed: [],
      });
    }
  });

  try {
    for (let kill = 1; kill <= serverKills; kill++) {
      await wait(200 + Math.random() * 500);
      const gone = new Promise((resolve) => server.once('exit', resolve));
      server.kill('SIGKILL');
      await gone;
      server = await serve();
      if (kill % 10 === 0) say(`server killed ${kill} times, ${kept.size} readings kept`);
    }
    for (let kill = 1; kill <= databaseKills; kill++) {
      await wait(500 + Math.random() * 800);
      process.kill(cluster.pid(), 'SIGKILL');
      await wait(1000);
      cluster = await startPostgres('fault-postgres', { ...SETTINGS, firstPort: Number(databasePort) });
      say(`database killed ${kill} times, ${kept.size} readings kept`);
    }
    await wait(1500);
    isOver = true;
    await Promise.all(stations);
    const { default: pg } = await import('pg');
    const client = new pg.Client({ connectionString: cluster.url(database) });
    await client.connect();
    const { rows } = await client.query('SELECT id, combination, slot FROM journal WHERE combination = ANY($1)', [
      combinations,
    ]);
    await client.end();
    const ids = new Set(rows.map((row) => row.id));
    const slots = new Set(rows.map((row) => `${row.combination} ${row.slot}`));
    const lost = [...kept.keys()].filter((id) => !ids.has(id)).length;
    const doubled = rows.length - slots.size;
    let broken = 0;
    for (let after = 0; after !== null;) {
      const report = await (await fetch(`${address}/api/chains?after=${after}`, { headers: { cookie } })).json();
      broken += report.breaks.length;
      after = report.next;
    }
    say(
      `${serverKills} kills of the server, ${databaseKills} of PostgreSQL, ${STATIONS} stations: ${kept.size} entries told kept, ` +
        `${lost} lost, ${doubled} doubled, ${repeats} sent twice and kept once, ${refused} refused, ${broken} chains broken`,
    );
    process.exitCode = lost || doubled || refused || broken ? 1 : 0;
  } finally {
    isOver = true;
    server.kill('SIGKILL');
    cluster.stop();
  }
});
