import { spawn } from 'node:child_process';
import { ROOT } from './paths.mjs';
import { freePort } from './ports.mjs';
import { Stop } from './say.mjs';

/** Room for what lives as long as one request, MB: it is then mostly gone before anybody has to collect it. */
const YOUNG = ['--max-semi-space-size=32'];

/**
 * Starts the server process and waits until it listens.
 * @param env its settings, see server/src/main.ts
 * @param entry another program that says when it listens
 * @returns the child process
 */
export function startServer(env, entry = 'server/dist/main.js', args = []) {
  return new Promise((resolve, reject) => {
    // A program that is not bundled is a bench or a drill, with the packages of development at hand.
    const how = entry.endsWith('.ts') ? ['--import', 'tsx'] : ['--enable-source-maps', ...YOUNG];
    const child = spawn(process.execPath, [...how, entry, ...args], {
      cwd: ROOT,
      env: { ...process.env, ...env, TUG_ENDS_WITH_PARENT: '1' },
      // The server sees its input close when this process dies, even of kill -9, and ends with it.
      stdio: ['pipe', 'pipe', 'pipe'],
    });
    let said = '';
    child.stdout.on('data', (chunk) => {
      said += chunk;
      if (/^listening \d+$/m.test(said)) resolve(child);
    });
    child.stderr.on('data', (chunk) => {
      said += chunk;
      process.stderr.write(chunk);
    });
    child.on('exit', (code) => reject(new Stop(explain(said, code))));
  });
}

/**
 * Starts the shop's two processes: one that answers stations, and one for lists, records and reports, which is started
 * again whenever it ends.
 * @param env settings of both
 * @returns the process for stations, with `end()`, which stops both
 */
export async function startShop(env) {
  const reportsPort = await freePort(Number(env.TUG_PORT) + 1000);
  let reports;
  let ended = false;
  const startReports = async () => {
    reports = await startServer({ ...env, TUG_PORT: String(reportsPort), TUG_ROLE: 'reports', TUG_DEMO: '0' });
    reports.once('exit', () => {
      if (!ended) setTimeout(() => void startReports().catch(() => undefined), 1000).unref();
    });
  };
  const [server] = await Promise.all([
    startServer({ ...env, TUG_REPORTS: `http://127.0.0.1:${reportsPort}` }),
    startReports(),
  ]);
  return Object.assign(server, {
    reports: () => reports,
    end: async () => {
      ended = true;
      await Promise.all([server, reports].map(stopProcess));
    },
  });
}

/** Asks a process to stop, and after ten seconds no longer asks. */
function stopProcess(child) {
  if (child.exitCode !== null || child.signalCode !== null) return undefined;
  return new Promise((resolve) => {
    child.once('exit', resolve);
    child.kill('SIGTERM');
    setTimeout(() => child.kill('SIGKILL'), 10_000).unref();
  });
}

/** Ports of the demo's stand-in gauges and their panels, as demo/gauges.json names them. */
const GAUGES = [
  { port: 4881, panel: 4882, seed: 11 },
  { port: 4883, panel: 4884, seed: 12 },
  { entry: 'stand-ins/dist/runCaliper.js', port: 4885, panel: 4886, seed: 13 },
];

/** Starts the demo's force gauges and caliper; one whose port is taken is left out, and its station hears that it does not answer. */
export async function startGauges() {
  const started = await Promise.all(
    GAUGES.map(async ({ entry = 'stand-ins/dist/runForceGauge.js', port, panel, seed }) => {
      const args = ['--port', String(port), '--panel', String(panel), '--seed', String(seed)];
      try {
        const child = await startServer({}, entry, args);
        const what = entry.includes('Caliper') ? 'caliper, to measure with' : 'force gauge, to pull with';
        return Object.assign(child, { panel, what });
      } catch {
        process.stderr.write(`Port ${port} is taken: the stand-in gauge there is left out.\n`);
        return null;
      }
    }),
  );
  return started.filter(Boolean);
}

function explain(said, code) {
  if (/EADDRINUSE/.test(said)) return 'The port is taken by another program. Set TUG_PORT to a free one.';
  if (/ECONNREFUSED|ENOTFOUND/.test(said))
    return 'The database does not answer. Check TUG_DATABASE_URL and that PostgreSQL runs.';
  if (/password authentication failed|28P01/.test(said))
    return 'The database refuses the name or password in TUG_DATABASE_URL.';
  if (/permission denied|42501/.test(said))
    return 'The database account may not make tables. Give it a database of its own.';
  return `The server ended with code ${code} before it listened.`;
}
