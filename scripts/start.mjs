import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { checkNode, ensurePackages } from './lib/packages.mjs';
import { ensurePages, PAGES } from './lib/pages.mjs';
import { STATE } from './lib/paths.mjs';
import { freePort, isFree } from './lib/ports.mjs';
import { ensureDatabase, startPostgres } from './lib/postgres.mjs';
import { ensurePrograms } from './lib/programs.mjs';
import { explain, run, say, Stop } from './lib/say.mjs';
import { startGauges, startShop } from './lib/server.mjs';

const HELP = `npm start              the demo shop
npm start -- --empty   a shop without demo data; its first page makes the first engineer's account

TUG_PORT          port of the pages (4870, or the next free one)
TUG_DATABASE_URL  an existing PostgreSQL database to use instead of a private cluster
                  (filled with the demo shop only when TUG_DEMO=1 is set too)`;

/** One start per checkout: the second would fight the first over the database. */
function takeTurn() {
  const file = `${STATE}start.json`;
  mkdirSync(STATE, { recursive: true });
  if (existsSync(file)) {
    const { pid, address } = JSON.parse(readFileSync(file, 'utf8') || '{}');
    if (pid && isRunning(pid))
      throw new Stop(
        `Tug Mark runs from this folder already${address ? `: ${address}` : ''}. Stop it there first (Ctrl-C).`,
      );
  }
  const note = (address) => writeFileSync(file, JSON.stringify({ pid: process.pid, address }));
  note(null);
  return { note, end: () => rmSync(file, { force: true }) };
}

function isRunning(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs');
  } catch {
    return false;
  }
}

async function choosePort() {
  const wanted = process.env.TUG_PORT;
  if (!wanted) return freePort(4870);
  const port = Number(wanted);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Stop(`TUG_PORT is '${wanted}', which is no port. Use a number from 1024 to 65535.`);
  if (!(await isFree(port)))
    throw new Stop(`Port ${port} is taken by another program. Set TUG_PORT to another, or leave it out.`);
  return port;
}

run(async () => {
  const args = process.argv.slice(2);
  if (args.includes('--help')) return say(HELP);
  const unknown = args.find((arg) => arg !== '--empty');
  if (unknown) throw new Stop(`'${unknown}' is not known here.\n${HELP}`);
  const empty = args.includes('--empty');

  checkNode();
  const turn = takeTurn();
  let cluster;
  let server;
  let gauges = [];
  let stopping = false;
  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    await server?.end();
    for (const gauge of gauges) gauge.kill('SIGTERM');
    cluster?.stop();
    turn.end();
    process.exit(code);
  };
  process.on('SIGINT', () => void stop(0));
  process.on('SIGTERM', () => void stop(0));
  process.on('SIGHUP', () => void stop(0));

  try {
    const port = await choosePort();
    ensurePackages({ forRunning: true });
    const findDatabase = async () => {
      if (process.env.TUG_DATABASE_URL) return process.env.TUG_DATABASE_URL;
      cluster = await startPostgres('postgres', { firstPort: 54870 });
      const database = empty ? 'tug_mark_empty' : 'tug_mark_demo';
      await ensureDatabase(cluster, database);
      return cluster.url(database);
    };
    const demo = process.env.TUG_DATABASE_URL ? process.env.TUG_DEMO === '1' : !empty;
    const findPrograms = async () => {
      await ensurePrograms();
      if (demo) gauges = await startGauges();
    };
    const ready = await Promise.allSettled([findDatabase(), ensurePages(), findPrograms()]);
    const failed = ready.find(({ status }) => status === 'rejected');
    if (failed) throw failed.reason;
    server = await startShop({
      TUG_DATABASE_URL: ready[0].value,
      TUG_PORT: String(port),
      TUG_PAGES: PAGES,
      TUG_DEMO: demo ? '1' : '0',
    });
    const address = `http://127.0.0.1:${port}`;
    turn.note(address);
    say(`\nTug Mark is up: ${address}`);
    const { shop } = await (await fetch(`${address}/api/session`)).json();
    if (shop.isNew) say("The shop is empty: the first page makes the first engineer's account.");
    for (const { name, role, password, note } of shop.demoSignIns) {
      say(`  ${name.padEnd(6)} ${role.padEnd(11)} password ${password}${note.includes('lapsed') ? `  (${note})` : ''}`);
    }
    if (shop.isDemo) say(`${shop.name} is a made-up demo shop. Its limits are made up too.`);
    for (const gauge of gauges) say(`Stand-in ${gauge.what}: http://127.0.0.1:${gauge.panel}`);
    say('Ctrl-C stops it.');
    server.once('exit', (code) => {
      if (!stopping) {
        say(`The server ended (code ${code}). Run npm start again; every record is kept.`);
        void stop(1);
      }
    });
  } catch (error) {
    if (stopping) return;
    process.stderr.write(`${explain(error)}\n`);
    await stop(1);
  }
});
