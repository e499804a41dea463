import pg from 'pg';
import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { createServer } from 'node:net';
import { fileURLToPath } from 'node:url';

const ROOT = fileURLToPath(new URL('../../', import.meta.url));

function urlOf(database: string): string {
  const url = process.env['TUG_TEST_DATABASE_URL'];
  if (!url) throw new Error('TUG_TEST_DATABASE_URL is not set: run npm test');
  return url.replace(/[^/]*$/, database);
}

async function connected<T>(database: string, act: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: urlOf(database) });
  await client.connect();
  return act(client).finally(() => client.end());
}

const asAdmin = (statement: string, database = 'postgres') =>
  connected(database, async (client) => {
    await client.query(statement);
  });

/** Below the ports a system gives to connections that go out: one of those may be taken before the server listens on it. */
const PORTS = { from: 21_000, count: 11_000 };

async function freePort(): Promise<number> {
  const port = PORTS.from + Math.floor(Math.random() * PORTS.count);
  const isFree = await new Promise<boolean>((resolve) => {
    const probe = createServer();
    probe.once('error', () => {
      resolve(false);
    });
    probe.listen(port, '127.0.0.1', () => {
      probe.close(() => {
        resolve(true);
      });
    });
  });
  return isFree ? port : freePort();
}

/** Starts one process of the server and waits until it listens. */
function serve(env: Record<string, string>): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['--enable-source-maps', 'server/dist/main.js'], {
    cwd: ROOT,
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  return new Promise((resolve, reject) => {
    let said = '';
    child.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      if (said.includes('listening')) resolve(child);
    });
    child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
    child.once('exit', (code) => {
      reject(new Error(`the server ended with ${code}: ${said}`));
    });
  });
}

/** Journeys run side by side: one of them loads the demo shop, the others wait for it. Any number will do, if it is one. */
const LOADING = 4870;

/** The database of the demo shop that a run's journeys copy, loaded by a real server as at a first start. */
async function demoTemplate(): Promise<string> {
  const name = `e2e_demo_${process.env['TUG_TEST_RUN'] ?? process.pid}`;
  await connected('postgres', async (client) => {
    await client.query('SELECT pg_advisory_lock($1)', [LOADING]);
    const { rowCount } = await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]);
    if (rowCount) return;
    await client.query(`DROP DATABASE IF EXISTS ${name}_loading`);
    await client.query(`CREATE DATABASE ${name}_loading`);
    const port = String(await freePort());
    const loader = await serve({ TUG_DATABASE_URL: urlOf(`${name}_loading`), TUG_PORT: port, TUG_DEMO: '1' });
    await ended(loader, 'SIGTERM');
    await client.query(`ALTER DATABASE ${name}_loading RENAME TO ${name}`);
  });
  return name;
}

async function ended(child: ChildProcess, signal: 'SIGTERM' | 'SIGKILL'): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  await new Promise((resolve) => {
    child.once('exit', resolve);
    child.kill(signal);
  });
}

/** The two real server processes of npm start on a database of their own, which can be stopped, killed and started again. */
export class Server {
  private children: ChildProcess[] = [];

  private constructor(
    private readonly database: string,
    private readonly port: number,
    private readonly reportsPort: number,
    private readonly demo: boolean,
  ) {}

  static async open(kind: 'demo' | 'empty'): Promise<Server> {
    const database = `e2e_${randomUUID().replaceAll('-', '')}`;
    await asAdmin(`CREATE DATABASE ${database}${kind === 'demo' ? ` TEMPLATE ${await demoTemplate()}` : ''}`);
    const server = new Server(database, await freePort(), await freePort(), kind === 'demo');
    await server.start();
    return server;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(): Promise<void> {
    const both = { TUG_DATABASE_URL: urlOf(this.database), TUG_SIGN_INS_PER_MINUTE: '1000' };
    this.children = await Promise.all([
      serve({
        ...both,
        TUG_PORT: String(this.port),
        TUG_REPORTS: `http://127.0.0.1:${this.reportsPort}`,
        TUG_PAGES: `${ROOT}web/dist/tug-mark/browser`,
        TUG_DEMO: this.demo ? '1' : '0',
      }),
      serve({ ...both, TUG_PORT: String(this.reportsPort), TUG_ROLE: 'reports' }),
    ]);
  }

  /** Ends the processes: politely, or as a power cut would. */
  async stop(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    const { children } = this;
    this.children = [];
    await Promise.all(children.map((child) => ended(child, signal)));
  }

  /** Runs a statement on the shop's own database, behind the application's back. */
  sql(statement: string): Promise<void> {
    return asAdmin(statement, this.database);
  }

  /** Calls the API as one of the demo's people. */
  async as(name: string): Promise<(method: string, path: string, body?: unknown) => Promise<Response>> {
    const { shop } = (await (await fetch(`${this.address}/api/session`)).json()) as {
      shop: { demoSignIns: { name: string; password: string }[] };
    };
    const password = shop.demoSignIns.find((p) => p.name === name)?.password;
    const headers = { 'content-type': 'application/json' };
    const signedIn = await fetch(`${this.address}/api/session`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ name, password }),
    });
    const cookie = (signedIn.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
    return (method, path, body) =>
      fetch(`${this.address}/api/${path}`, {
        method,
        headers: { cookie, ...(body !== undefined && headers) },
        ...(body !== undefined && { body: JSON.stringify(body) }),
      });
  }

  async close(): Promise<void> {
    await this.stop();
    await asAdmin(`DROP DATABASE ${this.database} WITH (FORCE)`);
  }
}
