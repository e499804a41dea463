import {
  recordSchema,
  type ChartChoice,
  type CombinationRecord,
  type ForeignLine,
  type KeptEntry,
} from '@tug-mark/contract';
import { describeEntry, type EntryBody } from '@tug-mark/core';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { connect as connectSocket } from 'node:net';
import type { AddressInfo } from 'node:net';
import { firstContent } from '../src/chain/hashes';
import { buildApp } from '../src/app';
import { beginLedgers } from '../src/chain/deeds';
import { appendDeeds, stateDigest } from '../src/chain/ledger';
import { seal } from '../src/chain/seal';
import { up as first } from '../src/db/migrations/001-first';
import { up as second } from '../src/db/migrations/002-set-up-in-full';
import { up as third } from '../src/db/migrations/003-lots';
import { up as fourth } from '../src/db/migrations/004-look';
import { up as fifth } from '../src/db/migrations/005-one-door';
import { up as sixth } from '../src/db/migrations/006-entries-together';
import { up as seventh } from '../src/db/migrations/007-standings';
import { up as eighth } from '../src/db/migrations/008-reading-blocks';
import { up as ninth } from '../src/db/migrations/009-sites';
import { up as tenth } from '../src/db/migrations/010-one-plan';
import { up as eleventh } from '../src/db/migrations/011-checks-of-dies';
import { up as twelfth } from '../src/db/migrations/012-bench';
import { up as thirteenth } from '../src/db/migrations/013-unsent';
import { up as fourteenth } from '../src/db/migrations/014-own-passwords';
import { up as fifteenth } from '../src/db/migrations/015-roles-and-settings';
import { up as sixteenth } from '../src/db/migrations/016-moved-in';
import { up as seventeenth } from '../src/db/migrations/017-list-columns';
import { up as eighteenth } from '../src/db/migrations/018-other-ends';
import { up as nineteenth } from '../src/db/migrations/019-connectors';
import { up as twentieth } from '../src/db/migrations/020-plan';
import { isAway } from '../src/http/handleErrors';
import { formats } from '../src/records/formats';
import {
  faultsOf,
  FRESH,
  openLot,
  problemOf,
  proveSetUp,
  reading,
  releaseSetUp,
  Shop,
  TAKE_TOOL,
  type Visitor,
} from './harness';

describe('A shop of the version before', () => {
  it('is carried along: every old row byte for byte, its chains proved, and sealed by the first row of this one', async () => {
    const shop = await Shop.open('empty');
    const { db } = shop;
    await db.raw('DROP SCHEMA public CASCADE; CREATE SCHEMA public');
    for (const up of [first, second, third, fourth]) await up(db);
    await db('wire_lists').insert({ id: randomUUID(), name: 'Own', digest: 'x', by_name: 'Ada' });
    const [own, foreign] = [randomUUID(), randomUUID()];
    const parts = {
      terminal: 'T',
      terminal_revision: 1,
      wire: 'W',
      wire_revision: 1,
      practice: 'P',
      practice_revision: 1,
    };
    for (const [id, list] of [
      [own, 'Own'],
      [foreign, 'From a file'],
    ] as const) {
      await db('combinations').insert({ id, list, ...parts, pieces: 4, place: 'dry', class: 'standard' });
      for (let piece = 1; piece <= 5; piece++) {
        // Keys in another order than any schema's: the first version hashed them as they came.
        const body = {
          piece,
          kind: 'reading',
          mode: 'slid-out',
          force: 100 + piece / 3,
          typed: '1',
          unit: 'N',
          note: 'é',
          confirmed: [],
        };
        const entry = {
          id: randomUUID(),
          body,
          verdict: null,
          limit: null,
          at: `2026-01-0${piece}T08:00:00.000Z`,
          by: 'Odile',
          role: 'technician',
          corrects: null,
          why: null,
        };
        await db.raw('SELECT * FROM append_entry(NULL, NULL, ?, ?, ?, ?, NULL, NULL, ?, ?, ?, NULL, NULL, ?)', [
          entry.id,
          id,
          `reading/${piece}`,
          JSON.stringify(body),
          entry.at,
          entry.by,
          entry.role,
          firstContent(entry as never),
        ]);
      }
    }
    const sealedColumns =
      'id, combination, seq, slot, body::text, verdict::text, limit_key::text, at, by_name, by_role, corrects, why, previous, hash';
    const rows = () =>
      db.raw<{ rows: unknown[] }>(`SELECT ${sealedColumns} FROM journal ORDER BY combination, seq`).then((r) => r.rows);
    const before = await rows();
    await fifth(db);
    // And by every release since.
    const ada = { id: randomUUID(), name: 'Ada', role: 'engineer', qualified_until: '2027-06-30' };
    await db('people').insert({ ...ada, password_hash: 'x' });
    for (const up of [sixth, seventh, eighth, ninth, tenth, eleventh, twelfth, thirteenth]) await up(db);
    for (const up of [fourteenth, fifteenth, sixteenth, seventeenth, eighteenth, nineteenth, twentieth]) await up(db);
    await beginLedgers(db);
    // Somebody of one role says what people said when there was no other way to say it.
    const said = { name: 'Ada', role: 'engineer', active: true, qualifiedUntil: '2027-06-30' };
    const deed = (await db('ledger').where({ chain: 'people', subject: ada.id }).first('digest')) as { digest: string };
    expect(deed.digest).toBe(stateDigest(said) ?? '');
    // A combination with one end says what it said when there could be no other.
    const combination = {
      ...{ list: 'Own', terminal: 'T', wire: 'W', practice: 'P', pieces: 4, place: 'dry', class: 'standard' },
      ...{ customer: null, together: [], readIn: false, revisions: { terminal: 1, wire: 1, practice: 1 } },
      demand: { stud: null, temperature: null, current: null, voltage: null },
    };
    const stood = (await db('ledger')
      .where({ chain: 'lists', subject: `combination/${own}` })
      .first('digest')) as { digest: string };
    expect(stood.digest).toBe(stateDigest(combination) ?? '');
    // A check as releases before the eleventh kept it: no die, and in the ledger what it said then.
    const check = { id: randomUUID(), tool: 'HT-1', at: '2026-01-02T06:00:00.000Z', by_name: 'Odile', setting: '5' };
    await db('tool_checks').insert({ ...check, go_passed: true, no_go_stopped: false });
    const { id: subject, tool, at, setting } = check;
    const state = { tool, at, goPassed: true, noGoStopped: false, by: 'Odile', setting, cycles: null };
    await db.transaction((trx) =>
      appendDeeds(trx, 'tool-checks', [{ subject, did: 'checked', state }], { by: 'Odile', role: 'technician' }),
    );
    expect(await rows()).toEqual(before);
    expect(await faultsOf(db)).toEqual([]);
    await seal(db);
    const columns = (await db('journal').where({ combination: own }).first('kind', 'lot', 'version')) as object;
    expect(columns).toEqual({ kind: 'reading', lot: null, version: 1 });
    expect(await db('combinations').orderBy('number').pluck('read_in')).toEqual([false, true]);
    // A row of the first version is still guarded by its hash, and its end by the seal.
    await db.transaction(async (trx) => {
      await trx.raw('SET LOCAL session_replication_role = replica');
      await trx('journal').where({ combination: own, seq: 2 }).update({ by_name: 'Nobody' });
      await trx('journal').where({ combination: foreign, seq: 5 }).delete();
    });
    expect(await faultsOf(db)).toEqual([
      'Entry 2 is not what was put on record.',
      jasmine.stringMatching(/^Entries 5 to 5 stand in seal 1 and are gone\.$/),
      'The chain ends at its entry 4, and should at 5.',
    ]);
    await shop.close();
  });
});

describe('Pulls in a file', () => {
  let shop: Shop;
  let odile: Visitor;
  let id: string;
  const file = (lot: number, rows: string[], header = 'piece,force N,how it let go,note') =>
    odile.call('POST', `/api/combinations/${id}/lots/${lot}/readings`, [header, ...rows].join('\n'), {
      'content-type': 'text/csv',
    });
  beforeEach(async () => {
    shop = await Shop.open();
    odile = await shop.signIn('Odile');
    const ines = await shop.signIn('Ines');
    id = (await odile.combination(...FRESH)).id;
    await proveSetUp(odile, id);
    await releaseSetUp(ines, id);
    await openLot(odile, id);
  });
  afterEach(() => shop.close());

  it('are taken by the rules of the bench and no others: what is refused there is refused here, by row', async () => {
    const cases: readonly (readonly [string, Partial<Extract<EntryBody, { kind: 'reading' }>>])[] = [
      ['1,9000,1,', { force: 9000, typed: '9000' }],
      ['401,140,1,', { piece: 401, force: 140, typed: '140' }],
      ['1,90,6,', { force: 90, typed: '90', mode: 'grip-slipped' }],
    ];
    for (const [row, changes] of cases) {
      const bench = problemOf(await odile.put(id, reading(1, 140, { lot: 1, ...changes })));
      const refused = problemOf(await file(1, [row]));
      expect(refused.errors?.[0]?.text).withContext(row).toBe(bench.title);
      expect(refused.errors?.[0]?.row).toBe(2);
    }
    const twoWires = problemOf(await file(1, ['1,140,1,,2'], 'piece,force N,how it let go,note,wire'));
    expect(twoWires.errors?.[0]).toEqual(
      jasmine.objectContaining({ where: 'wire', text: 'This barrel holds 1 wire; there is no wire 2.' }),
    );
  });

  it('stand in the run the set-up is in, are marked as read from a file, and keep the chain whole', async () => {
    expect((await file(1, ['1,140.5,1,', '2,139,1,'])).json()).toEqual({ readings: 2 });
    const kept = (await odile.view(id)).entries.slice(-2);
    expect(kept.map(({ body }) => (body.kind === 'reading' ? body.confirmed : []))).toEqual([
      ['imported'],
      ['imported'],
    ]);
    expect(kept.map((e) => e.verdict?.verdict)).toEqual(['holds', 'holds']);
    expect(await faultsOf(shop.db)).toEqual([]);
    expect(problemOf(await file(1, ['2,139,1,'])).errors?.[0]?.text).toBe('Piece 2 has a reading on record already.');
  });
});

describe('A certificate', () => {
  it('shows what was corrected, what it was, and why; so does its table', async () => {
    const shop = await Shop.open();
    const [odile, ines] = [await shop.signIn('Odile'), await shop.signIn('Ines')];
    const { id } = await odile.combination(...FRESH);
    await proveSetUp(odile, id);
    await releaseSetUp(ines, id);
    await openLot(odile, id, { pieces: 2 });
    const seen = (piece: number): EntryBody => ({
      kind: 'finding',
      lot: 1,
      piece,
      criterion: 'as-drawn',
      finding: 'accept',
      note: '',
    });
    let firstPull: KeptEntry | null = null;
    for (const piece of [1, 2]) {
      await odile.kept(id, { kind: 'progress', lot: 1, step: piece, what: 'made', made: piece, note: '' });
      await odile.kept(id, seen(piece));
      const kept = await odile.kept(id, reading(piece, 140 + piece, { lot: 1 }));
      firstPull ??= kept;
    }
    await odile.kept(id, reading(1, 139.5, { lot: 1 }), { corrects: firstPull?.id ?? '', why: '=read the wrong line' });
    await odile.kept(id, { kind: 'finish', lot: 1, note: '' });
    const url = `/api/combinations/${id}/lots/1/certificate`;
    const { corrections } = await odile.get<{ corrections: { was: string; is: string; why: string }[] }>(`${url}.json`);
    expect(corrections).toEqual([
      jasmine.objectContaining({
        piece: 1,
        was: describeEntry(firstPull?.body as EntryBody),
        is: describeEntry(reading(1, 139.5, { lot: 1 })),
        why: '=read the wrong line',
        by: 'Odile',
      }),
    ]);
    const csv = (await odile.call('GET', `${url}.csv`)).body;
    expect(csv).toContain('141 N (typed 141 N)');
    const pdf = await odile.call('GET', `${url}.pdf`);
    expect(pdf.statusCode).toBe(200);
    await shop.close();
  });
});

describe('A stream of news', () => {
  it('ends when its person signs out, and when the account is shut', async () => {
    const shop = await Shop.open();
    await shop.app.listen({ host: '127.0.0.1', port: 0 });
    const { port } = shop.app.server.address() as AddressInfo;
    const marek = await shop.signIn('Marek');
    for (const end of ['sign out', 'shut'] as const) {
      const odile = await shop.signIn('Odile');
      const answer = await fetch(`http://127.0.0.1:${port}/api/live`, { headers: { cookie: odile.cookie } });
      const reader = answer.body?.getReader();
      await reader?.read();
      // The line to the database has to be listening before it can hear.
      await new Promise((resolve) => setTimeout(resolve, 300));
      if (end === 'sign out') await odile.call('DELETE', '/api/session');
      else {
        const people = await marek.get<{ id: string; name: string }[]>('/api/people');
        const own = people.find((p) => p.name === 'Odile');
        await marek.call('PATCH', `/api/people/${own?.id}`, { active: false, qualifiedUntil: null });
      }
      let done = false;
      for (const until = Date.now() + 5000; !done && Date.now() < until;) done = (await reader?.read())?.done ?? true;
      expect(done).withContext(end).toBeTrue();
    }
    await shop.close();
  }, 20_000);
});

describe('The server', () => {
  it('says that the database is away, and never that the entry is refused', async () => {
    const shop = await Shop.open();
    const odile = await shop.signIn('Odile');
    const { id } = await odile.combination(...FRESH);
    await odile.kept(id, TAKE_TOOL);
    // Every line to the database is cut, as when PostgreSQL is stopped; the next request gets one that works.
    const cut = () =>
      shop.db
        .raw(
          `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = current_database() AND pid <> pg_backend_pid()`,
        )
        .catch(() => undefined);
    const answers = [];
    for (let piece = 1; piece <= 30; piece++) {
      const [answer] = await Promise.all([odile.put(id, reading(piece, 118.4)), piece % 3 === 0 ? cut() : null]);
      answers.push(answer);
    }
    const codes = new Set(answers.map((a) => a.statusCode));
    expect([...codes].every((code) => [201, 503].includes(code)))
      .withContext([...codes].join())
      .toBeTrue();
    for (const [i, answer] of answers.entries()) {
      if (answer.statusCode === 503) expect(problemOf(answer).code).toBe('away');
      else expect(answer.json<KeptEntry>().body).toEqual(jasmine.objectContaining({ piece: i + 1, force: 118.4 }));
    }
    expect([
      isAway(Object.assign(new Error('x'), { code: 'ECONNREFUSED' })),
      isAway(Object.assign(new Error('x'), { code: '57P01' })),
      isAway(Object.assign(new Error('x'), { code: '23505' })),
      isAway(new Error('a bug')),
    ]).toEqual([true, true, false, false]);
    await shop.close();
  }, 30_000);

  it('ends requests that never end, and is not held up by one when it stops', async () => {
    const shop = await Shop.open('empty');
    const app = await buildApp({ db: shop.db, pages: null, grace: 200 });
    expect([app.server.requestTimeout, app.server.headersTimeout]).toEqual([120_000, 20_000]);
    await app.listen({ host: '127.0.0.1', port: 0 });
    const { port } = app.server.address() as AddressInfo;
    const half = connectSocket(port, '127.0.0.1');
    half.on('error', () => undefined);
    await once(half, 'connect');
    half.write(
      'POST /api/session HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Length: 50\r\n\r\n{"na',
    );
    await new Promise((resolve) => setTimeout(resolve, 100));
    await app.close();
    await shop.close();
  });

  it('refuses text that cannot be kept before it is kept, whatever it is in', async () => {
    const shop = await Shop.open();
    const marek = await shop.signIn('Marek');
    const wire = (await marek.get<{ wires: Record<string, unknown>[] }>('/api/cabinet')).wires[0] ?? {};
    const json = { 'content-type': 'application/json' };
    for (const label of ['\\u0000', '\\ud800']) {
      const text = JSON.stringify({ opened: 0, body: { ...wire, part: 'NEW', label: 'LABEL' } }).replace(
        'LABEL',
        label,
      );
      const answer = await marek.call('PUT', '/api/cabinet/wire', text, json);
      expect(problemOf(answer).errors?.[0]?.where).withContext(label).toBe('body.label');
    }
    const deep = `{"opened":0,"body":${'['.repeat(5000)}${']'.repeat(5000)}}`;
    expect(problemOf(await marek.call('PUT', '/api/cabinet/wire', deep, json)).code).toBe('too-deep');
    const twice = {
      format: 'tug-mark/parts',
      version: 1,
      kind: 'wire',
      parts: [1, 2].map(() => ({ ...wire, part: 'NEW' })),
    };
    expect(problemOf(await marek.call('POST', '/api/cabinet/wire/parts', twice)).errors?.[0]?.text).toBe(
      'NEW stands in it more than once.',
    );
    const id = randomUUID();
    const people = await Promise.all(
      Array.from({ length: 6 }, () =>
        marek.call('POST', '/api/people', {
          id: randomUUID(),
          name: 'Runa',
          roles: ['technician'],
          password: 'ivory lathe mast 7',
          qualifiedUntil: null,
        }),
      ),
    );
    expect(people.map((a) => a.statusCode).sort()).toEqual([200, 409, 409, 409, 409, 409]);
    const person = { id, name: 'Una', roles: ['technician'], password: 'ivory lathe mast 7', qualifiedUntil: null };
    expect((await marek.call('POST', '/api/people', person)).statusCode).toBe(200);
    expect((await marek.call('POST', '/api/people', person)).statusCode).toBe(200);
    expect(problemOf(await marek.call('POST', '/api/people', { ...person, roles: ['quality'] })).code).toBe('id-taken');
    await shop.close();
  });
});

describe('A table that goes out', () => {
  it('runs no formula in a spreadsheet, and comes back as it was', async () => {
    const shop = await Shop.open();
    const marek = await shop.signIn('Marek');
    const { wires } = await marek.get<{ wires: { part: string; label: string }[] }>('/api/cabinet');
    const label = '=HYPERLINK("http://x","y")';
    const made = { ...wires[0], part: 'NEW-1', label };
    expect((await marek.call('PUT', '/api/cabinet/wire', { opened: 0, body: made })).statusCode).toBe(200);
    const csv = (await marek.call('GET', '/api/cabinet/wire/parts.csv')).body;
    expect(csv).toContain(`"'=HYPERLINK(""http://x"",""y"")"`);
    const back = await marek.call('POST', '/api/cabinet/wire/table', csv, { 'content-type': 'text/csv' });
    expect(back.json()).toEqual({ parts: wires.length + 1, changed: 0 });
    await shop.close();
  });
});

describe('The shop’s day', () => {
  it('is its zone’s: a qualification lasts until the shop’s midnight, not that of UTC', async () => {
    const shop = await Shop.open();
    const odile = await shop.signIn('Odile');
    const { id } = await odile.combination(...FRESH);
    await odile.kept(id, TAKE_TOOL);
    const now = new Date();
    // Somewhere it is another day than in UTC already, or still; which depends on the hour.
    const [zone, off] = now.getUTCHours() >= 10 ? ['Pacific/Kiritimati', 1] : ['Pacific/Pago_Pago', -1];
    const dayIn = (days: number) => new Date(now.getTime() + days * 86_400_000).toISOString().slice(0, 10);
    await shop
      .db('people')
      .where({ name: 'Odile' })
      .update({ qualified_until: dayIn(off === 1 ? 0 : -1) });
    const put = async (z: string, piece: number) => {
      await shop.db('shop').update({ zone: z, version: shop.db.raw('version + 1') });
      return (await odile.put(id, reading(piece, 118.4))).statusCode;
    };
    expect(await put('UTC', 1)).toBe(off === 1 ? 201 : 403);
    expect(await put(zone as string, 2)).toBe(off === 1 ? 403 : 201);
    await shop.close();
  });
});

describe('A record read in before records were kept apart', () => {
  it('feeds no chart and no cause', async () => {
    const shop = await Shop.open();
    const odile = await shop.signIn('Odile');
    const { id } = await odile.combination('FL-OC-2825', 'FL-W-0150', 'Sensor bar');
    const about = async () => (await odile.get<ChartChoice[]>('/api/charts')).some((c) => c.value === id);
    expect(await about()).toBeTrue();
    await shop.db('combinations').where({ id }).update({ read_in: true });
    expect(await about()).toBeFalse();
    expect((await odile.view(id)).combination.readIn).toBeTrue();
    expect((await odile.call('GET', `/api/combinations/${id}/record.csv`)).body).toContain(
      'read in from a record file',
    );
    expect(problemOf(await odile.call('GET', `/api/combinations/${id}/lots/1/certificate.json`)).code).toBe('not-own');
    await shop.close();
  });
});

describe('The shipped schemas', () => {
  it('compile in a strict validator of another make, and take what the shop writes', async () => {
    const ajv = new Ajv2020({ strict: true, allErrors: true, allowUnionTypes: true });
    addFormats(ajv);
    const validators = new Map(
      Object.entries(formats()).map(([name, text]) => [name, ajv.compile(JSON.parse(text) as object)]),
    );
    const shop = await Shop.open();
    const ines = await shop.signIn('Ines');
    const { id } = await ines.combination('FL-OC-2825', 'FL-W-0150', 'Sensor bar');
    const record = await ines.get<CombinationRecord>(`/api/combinations/${id}/record.json`);
    const validate = validators.get('record-2.schema.json');
    expect(validate?.(record))
      .withContext(JSON.stringify(validate?.errors?.slice(0, 3)))
      .toBeTrue();
    const first = { ...record, version: 1, entries: [], seal: undefined, zone: undefined };
    expect(validators.get('record-1.schema.json')?.(JSON.parse(JSON.stringify(first)))).toBeTrue();
    expect(recordSchema.safeParse(JSON.parse(JSON.stringify(first))).success).toBeTrue();
    const read = await ines.call('POST', '/api/records/elsewhere', JSON.parse(JSON.stringify(first)));
    expect(read.json<ForeignLine>().entries).withContext(read.body.slice(0, 200)).toBe(0);
    await shop.close();
  });
});
