import { spawnSync } from 'node:child_process';
import { ensurePackages } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { ensurePrograms } from './lib/programs.mjs';
import { run } from './lib/say.mjs';

/* npm run group -- <group database> <site database> ...: see docs/group.md. */
run(async () => {
  ensurePackages({ forRunning: true });
  await ensurePrograms();
  const args = ['--enable-source-maps', 'server/dist/group.js', ...process.argv.slice(2)];
  process.exitCode = spawnSync(process.execPath, args, { cwd: ROOT, stdio: 'inherit' }).status ?? 1;
});
