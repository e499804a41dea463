import { spawnSync } from 'node:child_process';
import { ensurePackages } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { run } from './lib/say.mjs';

/* npm run verify: checks the journals' hash chains of the demo shop (-- --empty: of the shop without demo data), or of
   the database in TUG_DATABASE_URL. The shop may be running meanwhile. */
run(async () => {
  ensurePackages();
  let url = process.env.TUG_DATABASE_URL;
  if (!url) {
    const cluster = await startPostgres('postgres', { firstPort: 54870 });
    url = cluster.url(process.argv.includes('--empty') ? 'tug_mark_empty' : 'tug_mark_demo');
  }
  const done = spawnSync(process.execPath, ['--import', 'tsx', 'server/src/verify/main.ts'], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, TUG_DATABASE_URL: url },
  });
  process.exitCode = done.status ?? 1;
});
