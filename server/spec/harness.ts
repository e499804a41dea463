import {
  setUpContext,
  type CombinationLine,
  type CombinationView,
  type KeptEntry,
  type NewEntry,
  type Problem,
} from '@tug-mark/contract';
import {
  computeSetUp,
  type EntryBody,
  gateAbout,
  isCaliperOnly,
  type Measure,
  ofCurrentRun,
  ofEnd,
  ownSheet,
  standingOf,
} from '@tug-mark/core';
import type { FastifyInstance, InjectOptions, LightMyRequestResponse } from 'fastify';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { setTimeout } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { buildApp } from '../src/app';
import { connect } from '../src/db/connect';
import { migrate } from '../src/db/migrate';
import { loadDemo } from '../src/demo/loadDemo';
import { DEMO_SIGN_INS } from '../src/shop/demoSignIns';
import { rebuildStandings } from '../src/standing/rebuild';
import { verifyJournals, verifyShop } from '../src/verify/verifyShop';

export const DEMO_FOLDER = fileURLToPath(new URL('../../demo', import.meta.url));

function urlOf(database: string): string {
  const url = process.env['TUG_TEST_DATABASE_URL'];
  if (!url) throw new Error('TUG_TEST_DATABASE_URL is not set: run npm test');
  return url.replace(/[^/]*$/, database);
}

// The first test to ask makes the demo shop for all of them.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 90_000;
const templates: { demo?: Promise<string>; empty?: Promise<string> } = {};

/** The demo shop, or one that nobody has entered yet: made once per run, copied by every test. */
async function makeTemplate(admin: Knex, kind: 'demo' | 'empty'): Promise<string> {
  const name = `template_${kind}_${process.pid}`;
  await admin.raw(`CREATE DATABASE ${name}`);
  const db = connect(urlOf(name), 4);
  await migrate(db);
  if (kind === 'demo') {
    await loadDemo(db, DEMO_FOLDER, new Date());
    // Worked out once, and not by each shop that is copied from here.
    await rebuildStandings(db);
  }
  await db.destroy();
  return name;
}

/** A shop of its own for one test, on a real PostgreSQL: the demo shop, or an empty one. */
export class Shop {
  private constructor(
    readonly db: Knex,
    readonly app: FastifyInstance,
    private readonly database: string,
    /** An account of the database made for this shop alone. */
    private readonly owner: string | null = null,
  ) {}

  static async open(kind: 'demo' | 'empty' = 'demo', signInsPerMinute = 1000): Promise<Shop> {
    const admin = connect(urlOf('postgres'), 1);
    const database = `shop_${randomUUID().replaceAll('-', '')}`;
    try {
      const template = await (templates[kind] ??= makeTemplate(admin, kind));
      await admin.raw(`CREATE DATABASE ${database} TEMPLATE ${template} STRATEGY FILE_COPY`);
    } finally {
      await admin.destroy();
    }
    const db = connect(urlOf(database), 6);
    await migrate(db);
    return new Shop(db, await buildApp({ db, pages: null, signInsPerMinute }), database);
  }

  /** An empty shop whose tables belong to an account that is no superuser, as where somebody else runs the database. */
  static async openOwned(): Promise<Shop> {
    const admin = connect(urlOf('postgres'), 1);
    const name = `shop_${randomUUID().replaceAll('-', '')}`;
    await admin.raw(`CREATE ROLE ${name} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE PASSWORD '${name}'`);
    await admin.raw(`CREATE DATABASE ${name} OWNER ${name}`);
    await admin.destroy();
    const url = Object.assign(new URL(urlOf(name)), { username: name, password: name });
    const db = connect(url.href, 6);
    await migrate(db);
    return new Shop(db, await buildApp({ db, pages: null, signInsPerMinute: 1000 }), name, name);
  }

  /** A second server process's worth of application on the same database. */
  another(signInsPerMinute = 1000): Promise<FastifyInstance> {
    return buildApp({ db: this.db, pages: null, signInsPerMinute });
  }

  /** An empty shop with its first engineer, signed in. */
  async firstEngineer(more: object = {}): Promise<Visitor> {
    const visitor = new Visitor(this.app);
    await visitor.call('POST', '/api/first-engineer', {
      shopName: 'Elsewhere',
      name: 'Ada',
      password: 'ivory lathe mast 7',
      ...more,
    });
    return visitor;
  }

  async close(): Promise<void> {
    await this.app.close();
    await this.db.destroy();
    const admin = connect(urlOf('postgres'), 1);
    await admin.raw(`DROP DATABASE ${this.database} WITH (FORCE)`);
    if (this.owner) await admin.raw(`DROP ROLE ${this.owner}`);
    await admin.destroy();
  }

  async signIn(name: string, password?: string): Promise<Visitor> {
    const known = DEMO_SIGN_INS.find((person) => person.name === name)?.password ?? '';
    const visitor = new Visitor(this.app);
    const answer = await visitor.call('POST', '/api/session', { name, password: password ?? known });
    if (answer.statusCode !== 200) throw new Error(answer.body);
    return visitor;
  }
}

/** A demo shop with Odile signed in, and a combination nobody has touched. */
export async function openBench(): Promise<{ shop: Shop; odile: Visitor; id: string }> {
  const shop = await Shop.open();
  const odile = await shop.signIn('Odile');
  const { id } = await odile.combination(...FRESH);
  return { shop, odile, id };
}

/** Terminal, wire and, where several lists have the two, the list. */
type LineAsked = [terminal: string, wire: string, list?: string];

function findLine(lines: readonly CombinationLine[], [terminal, wire, list]: LineAsked): CombinationLine {
  const found = lines.find((line) => line.terminal === terminal && line.wire === wire && (!list || line.list === list));
  if (!found) throw new Error(`no combination ${terminal} on ${wire}`);
  return found;
}

const SETTLED_WITHIN_MS = 60_000;

/** Somebody with a cookie jar. */
export class Visitor {
  cookie = '';

  constructor(readonly app: FastifyInstance) {}

  async call(
    method: InjectOptions['method'],
    url: string,
    payload?: unknown,
    headers: Record<string, string> = {},
  ): Promise<LightMyRequestResponse> {
    const answer = await this.app.inject({
      ...(method && { method }),
      url,
      headers: { ...(this.cookie && { cookie: this.cookie }), ...headers },
      ...(payload !== undefined && { payload: payload as object }),
    });
    const set = answer.cookies[0];
    if (set) this.cookie = `${set.name}=${set.value}`;
    return answer;
  }

  async get<T>(url: string): Promise<T> {
    return (await this.call('GET', url)).json<T>();
  }

  importCsv(name: string, content: string | Buffer, id = randomUUID()): Promise<LightMyRequestResponse> {
    return this.call('POST', `/api/wire-lists?id=${id}&name=${encodeURIComponent(name)}`, content, {
      'content-type': 'text/csv',
    });
  }

  async combination(...asked: LineAsked): Promise<CombinationLine> {
    return findLine((await this.get<{ lines: CombinationLine[] }>('/api/combinations')).lines, asked);
  }

  /** Where a combination stands once all that is on record has been worked out. */
  async standing(...asked: LineAsked): Promise<CombinationLine> {
    return findLine(await this.settled(), asked);
  }

  /** Every line as it stands once nothing is behind: on a busy machine standings follow the journal by seconds. */
  async settled(): Promise<readonly CombinationLine[]> {
    for (const end = Date.now() + SETTLED_WITHIN_MS; Date.now() < end; await setTimeout(50)) {
      const { lines } = await this.get<{ lines: CombinationLine[] }>('/api/combinations');
      if (lines.every(({ behind }) => behind === 0)) return lines;
    }
    throw new Error('standings did not catch up with the journal');
  }

  view(id: string): Promise<CombinationView> {
    return this.get(`/api/combinations/${id}`);
  }

  put(combination: string, body: EntryBody, changes: Partial<NewEntry> = {}): Promise<LightMyRequestResponse> {
    return this.call('POST', `/api/combinations/${combination}/entries`, {
      id: randomUUID(),
      body,
      corrects: null,
      why: null,
      ...changes,
    });
  }

  async kept(combination: string, body: EntryBody, changes: Partial<NewEntry> = {}): Promise<KeptEntry> {
    const answer = await this.put(combination, body, changes);
    if (answer.statusCode !== 201) throw new Error(answer.body);
    return answer.json<KeptEntry>();
  }
}

export const problemOf = (answer: LightMyRequestResponse) => answer.json<Problem>();

export const reading = (
  piece: number,
  force: number,
  changes: Partial<Extract<EntryBody, { kind: 'reading' }>> = {},
): EntryBody => ({
  kind: 'reading',
  piece,
  force,
  typed: String(force),
  unit: 'N',
  mode: 'slid-out',
  note: '',
  // Most checks here are about the pull alone.
  confirmed: ['pulled-already'],
  ...changes,
});

/** Red ring on 1.0 mm2 of the chassis loom: set up, tool not taken yet. */
export const FRESH = ['FL-RT-0406', 'FL-W-0100'] as const;
/** The sheet of the standard grade that is in effect in the demo shop. */
export const LOOK = { document: 'FL-LOOK-03', revision: 'B', class: 'standard' } as const;
export const TAKE_TOOL: EntryBody = { kind: 'tool', tool: 'HT-11', die: 'A', nest: '1', look: LOOK };

export const sprayerLoom = () => readFile(`${DEMO_FOLDER}/sprayer-loom.csv`, 'utf8');

const measured = (piece: number, what: Measure, value: number, at: object): EntryBody => ({
  ...{ kind: 'measure', piece, what, value, typed: String(value), unit: 'mm', note: '' },
  ...at,
});

async function setUpOf(who: Visitor, id: string) {
  const view = await who.view(id);
  const setUp = computeSetUp(setUpContext(view), view.entries, new Date().toISOString());
  return { setUp, stands: standingOf(setUp, ofCurrentRun(view.entries), view.revisions) };
}

/** Takes a fresh combination through all six stages: the tool that is proposed, every number in its middle, every answer good. */
export async function proveSetUp(technician: Visitor, id: string): Promise<void> {
  const { chosen, look } = await setUpOf(technician, id).then(({ setUp: { toolChoice, lookInEffect } }) => ({
    chosen: toolChoice.chosen,
    look: ownSheet(lookInEffect),
  }));
  if (!chosen) throw new Error('no tool');
  const { tool, die, nest, setting, positioner, state } = chosen;
  if (state.state !== 'ready') {
    const check = { id: randomUUID(), tool: tool.part, die: die.id, goPassed: true, noGoStopped: true };
    await technician.call('POST', '/api/tool-checks', check);
  }
  await technician.kept(id, {
    ...{ kind: 'tool', tool: tool.part, die: die.id, nest: nest.id },
    ...(setting !== null && { setting }),
    ...(positioner && { positioner: positioner.id }),
    ...(look && { look }),
  });
  const { setUp } = await setUpOf(technician, id);
  for (let piece = 1; piece <= 3; piece++) {
    for (const { end, number, preparation } of setUp.wires) {
      const at = { ...ofEnd(end), ...(number > 1 && { wire: number }) };
      await technician.kept(id, measured(piece, 'strip', preparation?.strip.setPoint ?? 0, at));
    }
    for (const { code, end, number } of setUp.criteria.filter((c) => c.number?.measured === 'first')) {
      const { min, max } = number?.range ?? { min: 0, max: 0 };
      await technician.kept(id, measured(piece, code, Number(((min + max) / 2).toFixed(3)), ofEnd(end)));
    }
  }
  for (const step of setUp.gates)
    await technician.kept(id, { kind: 'gate', ...gateAbout(step), answer: 'yes', note: '' });
  for (let piece = 1; piece <= 5; piece++) {
    for (const { code, end } of setUp.criteria.filter((c) => !isCaliperOnly(c)))
      await technician.kept(id, {
        kind: 'finding',
        piece,
        ...ofEnd(end),
        criterion: code,
        finding: 'accept',
        note: '',
      });
  }
  for (const [i, force] of [141.6, 138.2, 140.1, 139.4, 142.7].entries())
    await technician.kept(id, reading(i + 1, force, setUp.other ? { failedEnd: 1 } : {}));
}

export async function releaseSetUp(quality: Visitor, id: string): Promise<LightMyRequestResponse> {
  const { stands } = await setUpOf(quality, id);
  if (!stands) throw new Error('nothing to stand on');
  return quality.put(id, { kind: 'release', stands, note: '' });
}

/** Opens the first lot of a released set-up. */
export async function openLot(
  technician: Visitor,
  id: string,
  changes: Partial<Extract<EntryBody, { kind: 'lot' }>> = {},
): Promise<LightMyRequestResponse> {
  const { stands } = await setUpOf(technician, id);
  if (!stands) throw new Error('nothing to stand on');
  return technician.put(id, {
    kind: 'lot',
    lot: 1,
    name: 'L-0412',
    pieces: 400,
    plan: { everyPieces: 50, everyHours: null, afterChange: ['wire-reel'], bothSides: true },
    stands,
    note: '',
    ...changes,
  });
}

/** Whatever the chains of a shop find wrong with themselves, in words. */
export async function faultsOf(db: Knex): Promise<string[]> {
  const faults: string[] = [];
  for await (const { faults: found } of verifyJournals(db, 0)) faults.push(...found.map((f) => f.text));
  faults.push(...(await verifyShop(db)).faults.map((f) => f.text));
  return faults;
}
