import { fileURLToPath } from 'node:url';
import { buildApp } from './app';
import { connect } from './db/connect';
import { migrate } from './db/migrate';
import { loadDemo } from './demo/loadDemo';
import { readShop } from './people/store';

/** The server as a process. Settings come from the environment; `scripts/start.mjs` sets them. */
const url = process.env['TUG_DATABASE_URL'];
const port = Number(process.env['TUG_PORT'] ?? 4870);
if (!url) {
  process.stderr.write('TUG_DATABASE_URL is not set: run npm start, or name a PostgreSQL database in it.\n');
  process.exit(2);
}

const db = connect(url, Number(process.env['TUG_POOL'] ?? 10));
await migrate(db);
if (process.env['TUG_DEMO'] === '1' && (await readShop(db)).isNew) {
  await loadDemo(db, fileURLToPath(new URL('../../demo/', import.meta.url)), new Date());
}
const app = await buildApp({
  db,
  pages: process.env['TUG_PAGES'] ?? null,
  signInsPerMinute: Number(process.env['TUG_SIGN_INS_PER_MINUTE'] ?? 20),
  logger: { level: 'warn' },
});
await app.listen({ host: '127.0.0.1', port });
process.stdout.write(`listening ${port}\n`);

let closing = false;
function close(): void {
  if (closing) return;
  closing = true;
  void app
    .close()
    .then(() => db.destroy())
    .then(() => process.exit(0));
}
process.once('SIGINT', close);
process.once('SIGTERM', close);
if (process.env['TUG_ENDS_WITH_PARENT'] === '1') process.stdin.once('close', close).resume();
