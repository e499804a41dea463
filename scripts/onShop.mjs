import { spawnSync } from 'node:child_process';
import { ensurePackages } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { ensurePrograms } from './lib/programs.mjs';
import { run } from './lib/say.mjs';

/* onShop.mjs <program>: runs a program of the server on the demo shop's database (-- --empty: on that of the shop without
   demo data), or on the one in TUG_DATABASE_URL. The shop may be running meanwhile. npm run verify checks every chain;
   npm run standings works out once more where every combination stands. */
run(async () => {
  const [program, ...more] = process.argv.slice(2);
  ensurePackages({ forRunning: true });
  await ensurePrograms();
  let url = process.env.TUG_DATABASE_URL;
  if (!url) {
    const cluster = await startPostgres('postgres', { firstPort: 54870 });
    url = cluster.url(process.argv.includes('--empty') ? 'tug_mark_empty' : 'tug_mark_demo');
  }
  const done = spawnSync(process.execPath, ['--enable-source-maps', program, ...more], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, TUG_DATABASE_URL: url },
  });
  process.exitCode = done.status ?? 1;
});
