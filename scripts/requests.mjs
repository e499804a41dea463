import { ensurePackages } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { run } from './lib/say.mjs';
import { follow } from './lib/shell.mjs';

/* npm run requests: 20,000 requests made from the contract's schemas, right and wrong, by every role; none may end in a fault.
   npm run requests -- 50000 7 makes more, from another seed. */
run(async () => {
  ensurePackages();
  const [requests = '20000', seed = '1'] = process.argv.slice(2);
  const cluster = await startPostgres('test-postgres', {
    firstPort: 54970,
    settings: { fsync: 'off', max_connections: 200 },
  });
  try {
    const args = ['--import', 'tsx', 'node_modules/jasmine/bin/jasmine.js', '--config=scripts/jasmine-server.json'];
    const { code, out } = await follow(process.execPath, [...args, '--filter=A request made from the contract'], {
      cwd: ROOT,
      env: {
        ...process.env,
        TUG_TEST_DATABASE_URL: cluster.url('postgres'),
        TUG_REQUESTS: requests,
        TUG_SEED: seed,
      },
    });
    process.stdout.write(out);
    process.exitCode = code ?? 1;
  } finally {
    cluster.stop();
  }
});
