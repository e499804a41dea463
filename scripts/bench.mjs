import { spawn, spawnSync } from 'node:child_process';
import { buildPages, compress, ensurePages, PAGES } from './lib/pages.mjs';
import { ensureChromium, ensurePackages } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { freePort } from './lib/ports.mjs';
import { dropDatabase, ensureDatabase, startPostgres } from './lib/postgres.mjs';
import { ensurePrograms } from './lib/programs.mjs';
import { run, say } from './lib/say.mjs';
import { timeSecondStart } from './lib/secondStart.mjs';
import { startServer, startShop } from './lib/server.mjs';

/* npm run bench [part ...]: every figure as a ratio to a baseline of the same run. The database keeps its safe settings (fsync on):
   it is part of what is measured. */
run(async () => {
  const asked = process.argv.slice(2);
  const isAsked = (part) => !asked.length || asked.includes(part);
  ensurePackages();
  await Promise.all([ensurePages(), ensurePrograms()]);
  if (isAsked('start')) await benchStart();
  const empty = `${ROOT}web/dist/empty-shell/browser`;
  if (isAsked('load')) {
    say('Building the empty shell ...');
    await buildPages('empty-shell');
    compress(empty);
  }
  const cluster = await startPostgres('bench-postgres', { firstPort: 55070, settings: { max_connections: 100 } });
  let ours;
  let bare;
  const database = `bench_${Date.now()}`;
  try {
    await ensureDatabase(cluster, database);
    const url = cluster.url(database);
    const port = await freePort(5870);
    ours = await startShop({ TUG_DATABASE_URL: url, TUG_PORT: String(port), TUG_DEMO: '1', TUG_PAGES: PAGES });
    const barePort = await freePort(port + 1);
    bare = await startServer({ TUG_DATABASE_URL: url, TUG_PORT: String(barePort) }, 'bench/src/bareServer.ts');
    const code = await new Promise((resolve) => {
      spawn(process.execPath, ['--import', 'tsx', 'bench/src/main.ts', ...asked], {
        cwd: ROOT,
        stdio: 'inherit',
        env: {
          ...process.env,
          BENCH_DATABASE: url,
          BENCH_OURS: `http://127.0.0.1:${port}`,
          BENCH_OURS_PID: String(ours.pid),
          BENCH_REPORTS_PID: String(ours.reports().pid),
          BENCH_BARE: `http://127.0.0.1:${barePort}`,
          BENCH_PAGES: PAGES,
          BENCH_EMPTY: empty,
        },
      }).on('exit', resolve);
    });
    process.exitCode = code ?? 1;
    if (isAsked('pages')) {
      ensureChromium();
      const args = ['--import', 'tsx', 'e2e/src/measurePages.ts', `http://127.0.0.1:${port}`];
      const done = spawnSync(process.execPath, args, { cwd: ROOT, stdio: 'inherit' });
      if (done.status !== 0) process.exitCode = 1;
    }
  } finally {
    // Both of the shop's: the one for reports is started again by whoever only kills it.
    await ours?.end();
    bare?.kill();
    // A run of ten million readings leaves as many gigabytes behind.
    await dropDatabase(cluster, database);
    cluster.stop();
  }
});

/** Measured before anything else runs. */
async function benchStart() {
  const { ours, bare } = await timeSecondStart(5);
  const median = (values) => values.toSorted((a, b) => a - b)[values.length >> 1] / 1000;
  const ratio = median(ours) / median(bare);
  say(
    `second npm start, to its address / bare Fastify       ratio ${ratio.toFixed(1)} (goal: under 3 s)   [${median(ours).toFixed(2)} against ${median(bare).toFixed(2)} s, slowest ${(Math.max(...ours) / 1000).toFixed(2)}]`,
  );
}
