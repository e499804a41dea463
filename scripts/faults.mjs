import { setTimeout as wait } from 'node:timers/promises';
import { chainFaults, compare } from './faults/compare.mjs';
import { startProxy } from './faults/proxy.mjs';
import { openStations, runStations } from './faults/stations.mjs';
import { ensurePackages, ensureChromium } from './lib/packages.mjs';
import { ensurePages, PAGES } from './lib/pages.mjs';
import { freePort } from './lib/ports.mjs';
import { ensureDatabase, startPostgres } from './lib/postgres.mjs';
import { ensurePrograms } from './lib/programs.mjs';
import { run, say } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';
import { startBrowsers } from './faults/browsers.mjs';

/* npm run faults: kills the server 50 times, ten times the process for reports with it, and PostgreSQL 10 times with kill -9,
   and takes the database away 50 times for up to 12 s while both stand, under 8 stations that write. Then every entry a station was told is kept has to be
   there, once, at its place, with its hash and its force, and every chain has to be whole.
   npm run faults -- 5 2 3 does it fewer times; --browsers lets two people type at real pages meanwhile;
   --self-test plants faults and expects each to be noticed. */

const STATIONS = 8;
/** Readings kept between two blows, at the least. */
const AT_WORK = 40;
const settings = (more = {}) => ({ firstPort: 55170, settings: { max_connections: 100, ...more } });
const args = process.argv.slice(2);
const flags = new Set(args.filter((arg) => arg.startsWith('--')));
const [serverKills = 50, databaseKills = 10, outages = 50] = args.filter((arg) => !arg.startsWith('--')).map(Number);

/** A cluster with a demo shop of its own and a server on it. */
async function openShop(name, more) {
  let cluster = await startPostgres(name, settings(more));
  const database = `faults_${Date.now()}`;
  await ensureDatabase(cluster, database);
  const port = await freePort(5970);
  const databasePort = Number(/:(\d+)\//.exec(cluster.url(database))?.[1]);
  const reportsPort = await freePort(6970);
  const common = { TUG_DATABASE_URL: cluster.url(database), TUG_SIGN_INS_PER_MINUTE: '1000' };
  const serve = () =>
    startServer({
      ...common,
      TUG_PORT: String(port),
      TUG_REPORTS: `http://127.0.0.1:${reportsPort}`,
      TUG_DEMO: '1',
      ...(flags.has('--browsers') && { TUG_PAGES: PAGES }),
    });
  const serveReports = () => startServer({ ...common, TUG_PORT: String(reportsPort), TUG_ROLE: 'reports' });
  const endOf = (child) => new Promise((resolve) => child.once('exit', resolve));
  let [server, reports] = await Promise.all([serve(), serveReports()]);
  return {
    address: `http://127.0.0.1:${port}`,
    url: () => cluster.url(database),
    killServer: async () => {
      const gone = endOf(server);
      server.kill('SIGKILL');
      await gone;
      server = await serve();
    },
    killReports: async () => {
      const gone = endOf(reports);
      reports.kill('SIGKILL');
      await gone;
      reports = await serveReports();
    },
    killDatabase: async () => {
      process.kill(cluster.pid(), 'SIGKILL');
      await wait(1000);
      cluster = await startPostgres(name, { ...settings(more), firstPort: databasePort });
    },
    takeAway: async (ms) => {
      cluster.stop();
      await wait(ms);
      cluster = await startPostgres(name, { ...settings(more), firstPort: databasePort });
    },
    close: () => {
      server.kill('SIGKILL');
      reports.kill('SIGKILL');
      cluster.stop();
    },
  };
}

/** One drill whose faults are planted: it has to find some, and of the kind it is about. */
async function noticed(what, kind, more, work) {
  const shop = await openShop('fault-postgres', more);
  try {
    const { cookie, combinations } = await openStations(shop.address, { stations: STATIONS });
    const faults = await work(shop, cookie, combinations);
    const found = faults.filter((text) => text.startsWith(kind));
    say(
      `${found.length ? 'noticed' : 'MISSED '}  ${what}: ${found.length} faults${found[0] ? `, first: ${found[0]}` : ''}`,
    );
    return found.length > 0;
  } finally {
    shop.close();
  }
}

async function selfTest() {
  const spoiled = (fault) => async (shop, cookie, combinations) => {
    const proxy = await startProxy(shop.address, fault);
    const stations = runStations(proxy.address, cookie, combinations);
    await wait(8000);
    await stations.stop();
    proxy.close();
    return compare(shop.url(), stations.kept, 500);
  };
  const results = [
    await noticed('one entry in 100 dropped', 'lost', {}, spoiled('dropped')),
    await noticed('one entry in 100 with another force', 'changed', {}, spoiled('other-force')),
    // Commits that are told before they are on disk: what a power cut takes with it.
    await noticed(
      'commits that are not synchronous',
      'lost',
      { synchronous_commit: 'off', wal_writer_delay: '10s' },
      async (shop, cookie, combinations) => {
        const stations = runStations(shop.address, cookie, combinations);
        for (let kill = 0; kill < 3; kill++) {
          await wait(2500);
          await shop.killDatabase();
        }
        await stations.stop();
        return compare(shop.url(), stations.kept, 200);
      },
    ),
  ];
  process.exitCode = results.every(Boolean) ? 0 : 1;
}

async function drill() {
  const shop = await openShop('fault-postgres', {});
  let browsers = null;
  try {
    const { cookie, combinations } = await openStations(shop.address, { stations: STATIONS });
    if (flags.has('--browsers')) browsers = await startBrowsers(shop.address);
    const stations = runStations(shop.address, cookie, combinations);
    const tell = (what, count) => {
      if (count % 10 === 0) say(`${what} ${count} times, ${stations.kept.length} entries kept`);
    };
    // Each blow falls on stations that are at work: not before every one of them has had time for a few readings.
    const atWork = async () => {
      const enough = stations.kept.length + AT_WORK;
      for (const until = Date.now() + 10_000; stations.kept.length < enough && Date.now() < until;) await wait(20);
    };
    for (let kill = 1; kill <= serverKills; kill++) {
      await atWork();
      await wait(Math.random() * 500);
      await (kill % 5 ? shop.killServer() : Promise.all([shop.killServer(), shop.killReports()]));
      tell('server killed', kill);
    }
    for (let kill = 1; kill <= databaseKills; kill++) {
      await atWork();
      await wait(Math.random() * 800);
      await shop.killDatabase();
      tell('database killed', kill);
    }
    for (let outage = 1; outage <= outages; outage++) {
      await atWork();
      await wait(Math.random() * 800);
      // Mostly short, now and then as long as a restart of the machine takes.
      await shop.takeAway(12_000 * Math.random() ** 3);
      tell('database away', outage);
    }
    await wait(1500);
    const typed = (await browsers?.finish()) ?? [];
    await stations.stop();
    const events = serverKills + databaseKills + outages;
    const faults = [
      ...(await compare(shop.url(), stations.kept, AT_WORK * events)),
      ...(await chainFaults(shop.address, cookie)),
      ...stations.refused.map((text) => `refused: ${text}`),
      ...typed,
    ];
    for (const fault of faults.slice(0, 20)) say(fault);
    say(
      `${serverKills} kills of the server, ${databaseKills} of PostgreSQL, ${outages} outages of the database, ${STATIONS} stations` +
        `${browsers ? ` and ${browsers.count} browsers (${browsers.told()} readings typed)` : ''}: ${stations.kept.length} entries told kept, ` +
        `${stations.repeats()} sent twice and kept once, ${faults.length} faults`,
    );
    process.exitCode = faults.length ? 1 : 0;
  } finally {
    browsers?.close();
    shop.close();
  }
}

run(async () => {
  ensurePackages();
  await ensurePrograms();
  if (flags.has('--browsers')) {
    ensureChromium();
    await ensurePages();
  }
  await (flags.has('--self-test') ? selfTest() : drill());
});
