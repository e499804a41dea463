import { spawnSync } from 'node:child_process';
import { ensureChromium, ensurePackages } from './lib/packages.mjs';
import { ensurePages } from './lib/pages.mjs';
import { ROOT } from './lib/paths.mjs';
import { ensurePrograms } from './lib/programs.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { run } from './lib/say.mjs';

/* npm run screenshots: makes docs/screenshots again from demo data. */
run(async () => {
  ensurePackages();
  ensureChromium();
  await Promise.all([ensurePages(), ensurePrograms()]);
  const cluster = await startPostgres('test-postgres', {
    firstPort: 54970,
    settings: { fsync: 'off', max_connections: 200 },
  });
  try {
    const done = spawnSync(process.execPath, ['--import', 'tsx', 'e2e/src/takePictures.ts'], {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, TUG_TEST_DATABASE_URL: cluster.url('postgres') },
    });
    process.exitCode = done.status ?? 1;
  } finally {
    cluster.stop();
  }
});
