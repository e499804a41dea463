import { fileURLToPath } from 'node:url';
import { buildApp } from './app';
import { connect } from './db/connect';
import { migrate } from './db/migrate';
import { DEMO } from './files/places';
import { giveWay } from './giveWay';
import { readShop } from './shop/store';

/**
 * The server as a process. Settings come from the environment; `scripts/start.mjs` sets them. One process does everything;
 * two share the work when one has TUG_ROLE=reports and the other its address in TUG_REPORTS.
 */
const REPORTS_PRIORITY = 10;
const url = process.env['TUG_DATABASE_URL'];
const port = Number(process.env['TUG_PORT'] ?? 4870);
if (!url) {
  process.stderr.write('TUG_DATABASE_URL is not set: run npm start, or name a PostgreSQL database in it.\n');
  process.exit(2);
}

const isForReports = process.env['TUG_ROLE'] === 'reports';
// Whatever it does, a reading comes first.
if (isForReports) giveWay(REPORTS_PRIORITY);

const db = connect(url, Number(process.env['TUG_POOL'] ?? 10), isForReports);
await migrate(db);
if (process.env['TUG_DEMO'] === '1' && !isForReports && (await readShop(db)).isNew) {
  const { loadDemo } = await import('./demo/loadDemo');
  await loadDemo(db, fileURLToPath(DEMO), new Date());
}
const app = await buildApp({
  db,
  reports: process.env['TUG_REPORTS'] ?? null,
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
