import {
  API,
  recordSchema,
  shopFileSchema,
  type Cabinet,
  type CombinationRecord,
  type ForeignLine,
  type ForeignRecord,
  type LimitRecord,
  type ListColumns,
  type WireListKept,
} from '@tug-mark/contract';
import { parse } from 'csv-parse/sync';
import { createHash, randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { writeEntry } from '../src/chain/hashes';
import { differencesOf } from '../src/records/foreign';
import { DEMO_FOLDER, FRESH, problemOf, reading, Shop, sprayerLoom, TAKE_TOOL, type Visitor } from './harness';

describe('Importing a wire list', () => {
  let shop: Shop;
  let odile: Visitor;
  beforeAll(async () => {
    shop = await Shop.open();
    odile = await shop.signIn('Odile');
  });
  afterAll(() => shop.close());

  it('turns the 66 wires of the sprayer loom into combinations, once', async () => {
    const id = randomUUID();
    const first = await odile.importCsv('Sprayer loom', await sprayerLoom(), id);
    expect(first.statusCode).toBe(201);
    expect(first.json<WireListKept>()).toEqual(jasmine.objectContaining({ wires: 66, combinations: 18 }));
    expect((await odile.importCsv('Sprayer loom', await sprayerLoom(), id)).statusCode).toBe(201);
    const { rows } = await shop.db.raw<{ rows: { count: string }[] }>(
      `SELECT count(*) FROM combinations WHERE list = 'Sprayer loom'`,
    );
    expect(rows[0]?.count).toBe('18');
    expect(problemOf(await odile.importCsv('Sprayer loom', await sprayerLoom())).code).toBe('name-taken');
  });

  it('keeps what its columns were taken for, for every station: the newest of each kind of source', async () => {
    const marek = await shop.signIn('Marek');
    const known = () => marek.get<ListColumns[]>('/api/wire-lists/columns');
    const before = await known();
    const row = 'wire id,wire part,length mm,terminal a,terminal b,quantity\nC1,FL-W-0075,100,FL-RT-0406,-,4';
    const bring = async (name: string, header: string[], meanings: ListColumns['meanings']) => {
      const id = randomUUID();
      await odile.importCsv(name, row.replace('C1', name), id);
      return odile.call('PUT', `/api/wire-lists/${id}/columns`, { header, meanings });
    };
    expect((await bring('Columns 1', ['Kabel', 'Art'], ['place', null])).statusCode).toBe(200);
    await bring('Columns 2', ['Draht', 'Art'], [null, 'wirePart']);
    await bring('Columns 3', ['Kabel', 'Art'], ['wireId', null]);
    expect(await known()).toEqual(
      jasmine.arrayWithExactContents([
        ...before,
        { header: ['Kabel', 'Art'], meanings: ['wireId', null] },
        { header: ['Draht', 'Art'], meanings: [null, 'wirePart'] },
      ]),
    );
    const none = await odile.call('PUT', `/api/wire-lists/${randomUUID()}/columns`, {
      header: ['a'],
      meanings: [null],
    });
    expect(none.statusCode).toBe(404);
    // A character no database keeps is told, not a fault.
    expect((await bring('Columns 5', ['a\u0000b'], [null])).statusCode).toBe(422);
    const short = await bring('Columns 4', ['Kabel', 'Art'], ['wireId']);
    expect(problemOf(short).errors?.[0]?.text).toContain('says not of every heading');
  });

  it('refuses it whole when something is wrong, with row and column', async () => {
    const broken = (await sprayerLoom()).replace('SP-P02,FL-W-0075,655', 'SP-P01,FL-W-9999,abc');
    const answer = await odile.importCsv('Broken', broken);
    expect(answer.statusCode).toBe(422);
    const problem = problemOf(answer);
    expect(problem.title).toBe('3 things in this list cannot be read. Nothing was imported.');
    expect(problem.errors?.map((e) => `${e.row} ${e.where}`)).toEqual(['3 wire id', '3 wire part', '3 length mm']);
    expect(await shop.db('wire_lists').where({ name: 'Broken' })).toEqual([]);
  });

  it('reads semicolons, a byte order mark, Latin-1 and tabs', async () => {
    const head = 'wire id;wire part;length mm;terminal a;terminal b;quantity\r\n';
    const row = 'gr\u00fcn 1;FL-W-0075;120,5;FL-RT-0406;-;3\r\n';
    const files: Record<string, Buffer> = {
      'with a mark': Buffer.from(`\ufeff${head}${row}`, 'utf8'),
      latin: Buffer.from(head + row, 'latin1'),
      tabs: Buffer.from((head + row).replaceAll(';', '\t')),
      'utf 16': Buffer.from(`\ufeff${head}${row}`, 'utf16le'),
    };
    for (const [name, bytes] of Object.entries(files)) {
      const answer = await odile.importCsv(name, bytes);
      expect(answer.statusCode).withContext(name).toBe(201);
      const kept = await shop
        .db('wire_list_rows')
        .where({ list: answer.json<WireListKept>().id })
        .first<{ wire_id: string; length: number }>();
      expect([kept?.wire_id, kept?.length]).withContext(name).toEqual(['gr\u00fcn 1', 120.5]);
    }
  });

  it('reads 20,000 wires', async () => {
    const rows = Array.from({ length: 20_000 }, (_, i) => `W${i},FL-W-0075,${100 + i},FL-RT-0406,FL-OC-1508,1,dry`);
    const answer = await odile.importCsv(
      'Large',
      ['wire id,wire part,length mm,terminal a,terminal b,quantity,place', ...rows].join('\n'),
    );
    expect(answer.json<WireListKept>()).toEqual(
      jasmine.objectContaining({ wires: 20_000, combinations: 2, pieces: 40_000 }),
    );
  });

  it('refuses 50 MB, binary data, an open quote and an empty file, each with a sentence', async () => {
    const big = await odile.importCsv('Big', Buffer.alloc(50 * 1024 * 1024, 0x61));
    expect([big.statusCode, problemOf(big).code]).toEqual([413, 'file-too-large']);
    expect(problemOf(await odile.importCsv('Bin', Buffer.from([0, 1, 2, 0, 255]))).code).toBe('file-unreadable');
    expect(problemOf(await odile.importCsv('Quote', 'wire id,length\n"A1,5')).detail).toContain('quote');
    expect(problemOf(await odile.importCsv('Empty', '\n')).errors?.[0]?.text).toContain('empty');
  });
});

describe('A shop file', () => {
  it('fills an empty cabinet, brings limits in as drafts only, and makes revisions of what differs', async () => {
    const shop = await Shop.open('empty');
    const ada = await shop.firstEngineer();
    const file = shopFileSchema.parse(JSON.parse(await readFile(`${DEMO_FOLDER}/shop.json`, 'utf8')));
    expect((await ada.call('POST', '/api/shop-file', file)).json()).toEqual({ parts: 104, limits: 4, looks: 4 });
    expect((await ada.call('POST', '/api/shop-file', file)).json()).toEqual({ parts: 0, limits: 0, looks: 0 });
    const limits = await ada.get<LimitRecord[]>('/api/limits');
    expect(new Set(limits.map((t) => t.table.status))).toEqual(new Set(['draft']));
    const thicker = {
      ...file,
      wires: file.wires.map((w) => (w.part === 'FL-W-0075' ? { ...w, insulationDiameter: 2.3 } : w)),
    };
    expect((await ada.call('POST', '/api/shop-file', thicker)).json()).toEqual({ parts: 1, limits: 0, looks: 0 });
    const backwards = {
      ...file,
      terminals: file.terminals.map((t) => ({ ...t, insulationRange: { min: 3, max: 2 } })),
    };
    const refused = await ada.call('POST', '/api/shop-file', backwards);
    expect(refused.statusCode).toBe(422);
    expect(problemOf(refused).errors?.[0]).toEqual(jasmine.objectContaining({ where: 'terminals.0.insulationRange' }));
    await shop.close();
  });
});

describe('The record', () => {
  let shop: Shop;
  let odile: Visitor;
  let id: string;
  beforeAll(async () => {
    shop = await Shop.open();
    odile = await shop.signIn('Odile');
    id = (await odile.combination(...FRESH)).id;
    await odile.kept(id, TAKE_TOOL);
    const first = await odile.kept(id, reading(1, 118.40000000000002));
    await odile.kept(id, reading(1, 117.3), { corrects: first.id, why: 'read the wrong line, "twice"\n=1+1' });
  });
  afterAll(() => shop.close());

  const elsewhere = async () => {
    const empty = await Shop.open('empty');
    const ada = await empty.firstEngineer();
    await ada.call('POST', '/api/people', {
      id: randomUUID(),
      name: 'Quinn',
      roles: ['quality'],
      password: 'ivory lathe mast 7',
      qualifiedUntil: null,
    });
    return { empty, ada, quinn: await empty.signIn('Quinn', 'ivory lathe mast 7') };
  };
  const RECORDS = '/api/records/elsewhere';

  it('is read in by another shop byte for byte, once, and none of it becomes that shop’s own', async () => {
    const { body: file } = await odile.call('GET', `/api/combinations/${id}/record.json`);
    const { empty, ada, quinn } = await elsewhere();
    const json = { 'content-type': 'application/json' };
    expect((await ada.call('POST', RECORDS, file, json)).statusCode).toBe(403);
    const answer = await quinn.call('POST', `${RECORDS}?name=ring.json`, file, json);
    expect(answer.statusCode).toBe(201);
    const line = answer.json<ForeignLine>();
    expect([line.by, line.fileName, line.shop]).toEqual(['Quinn', 'ring.json', 'Fennick Lane Harness Works']);
    expect(line.digest).toBe(createHash('sha256').update(file).digest('hex'));
    // The same file again is the same record.
    expect((await quinn.call('POST', RECORDS, file, json)).json<ForeignLine>()).toEqual(line);
    expect((await quinn.call('GET', `${RECORDS}/${line.id}/file`)).body).toBe(file);
    const read = await quinn.get<ForeignRecord>(`${RECORDS}/${line.id}`);
    expect(read.differences).toEqual([]);
    expect(read.record.entries).toEqual((JSON.parse(file) as CombinationRecord).entries);

    const cabinet = await quinn.get<Cabinet>('/api/cabinet');
    expect([cabinet.wires, cabinet.terminals, cabinet.tools, cabinet.checks, cabinet.practices].flat()).toEqual([]);
    expect(await quinn.get<unknown[]>('/api/limits')).toEqual([]);
    expect((await quinn.get<{ lines: unknown[] }>('/api/combinations')).lines).toEqual([]);
    expect((await quinn.get<{ kind: string }[]>('/api/charts')).filter((c) => c.kind !== 'person')).toEqual([]);
    await empty.close();
  });

  it('is refused when somebody changed a number in the file', async () => {
    const record = await odile.get<CombinationRecord>(`/api/combinations/${id}/record.json`);
    const forged = JSON.parse(JSON.stringify(record).replace('118.40000000000002', '128.4')) as CombinationRecord;
    const ines = await shop.signIn('Ines');
    const answer = await ines.call('POST', RECORDS, forged);
    expect([answer.statusCode, problemOf(answer).code]).toEqual([422, 'record-changed']);
    expect(problemOf(answer).detail).toBe('Entry 2 is not what was put on record.');
    const otherWire = { ...record, wire: { ...record.wire, part: 'FL-W-9999' } };
    expect(problemOf(await ines.call('POST', RECORDS, otherWire)).code).toBe('record-changed');
  });

  it('with invented verdicts, signer and limits is kept apart and told from what it comes to', async () => {
    const record = await odile.get<CombinationRecord>(`/api/combinations/${id}/record.json`);
    // A forger who knows the recipe: everything rewritten, every hash made again.
    let previous = '0'.repeat(64);
    const entries = record.entries.map((entry) => {
      const verdict = entry.verdict && { ...entry.verdict, verdict: 'holds', text: 'Holds well.', force: 1 };
      const own = { ...entry, by: 'Nobody', verdict };
      const hash = createHash('sha256')
        .update(`${previous}:${own.seq}:${writeEntry(id, own).content}`)
        .digest('hex');
      const made = { ...own, previous, hash };
      previous = hash;
      return made;
    });
    const released = { ...record.limits[0], document: 'FL-EASY-01', status: 'released', rows: record.limits[0]?.rows };
    const judgement = { ...record.judgement, verdict: 'accepted', headline: 'All is well.' };
    const ines = await shop.signIn('Ines');
    const before = await ines.get<unknown[]>('/api/limits');
    const answer = await ines.call('POST', RECORDS, {
      ...record,
      entries,
      judgement,
      limits: [...record.limits, released],
    });
    expect(answer.statusCode).toBe(201);
    expect(await ines.get<unknown[]>('/api/limits')).toEqual(before);
    const read = await ines.get<ForeignRecord>(`${RECORDS}/${answer.json<ForeignLine>().id}`);
    const about = read.differences.map((d) => d.where);
    expect(about).toContain('judgement');
    expect(about.some((where) => where.startsWith('entry 3'))).toBeTrue();
    // The shop's own combination of the same id says what it always said.
    expect((await ines.view(id)).entries.every((e) => e.by !== 'Nobody')).toBeTrue();
  });

  it('is computed again in every run, by the table each pull names', async () => {
    const record = await odile.get<CombinationRecord>(`/api/combinations/${id}/record.json`);
    expect(differencesOf(record).filter(({ where }) => where.startsWith('entry'))).toEqual([]);
    const inRunTwo = record.entries.map((entry) =>
      entry.body.kind === 'reading'
        ? { ...entry, body: { ...entry.body, run: 2 }, verdict: entry.verdict && { ...entry.verdict, force: 1 } }
        : entry,
    );
    const told = differencesOf({ ...record, entries: inRunTwo }).filter(({ where }) => where.startsWith('entry'));
    expect(told.length).toBeGreaterThan(0);
    for (const { says, computed } of told) {
      expect(says).toContain('against 1 N');
      expect(computed).not.toContain('against 1 N');
    }
  });

  it('goes out as CSV with every digit, every correction, and no formula a spreadsheet would run', async () => {
    const fresh = async (list: string) => {
      const wires = 'wire id,wire part,length mm,terminal a,terminal b,quantity\nA1,FL-W-0075,100,FL-RT-0406,-,40';
      await odile.importCsv(list, wires);
      return odile.combination('FL-RT-0406', 'FL-W-0075', list);
    };
    const written = await fresh('Written out');
    const table = async (of: string) => {
      const { body } = await odile.call('GET', `/api/combinations/${of}/record.csv`);
      return parse<Record<string, string>>(body, { columns: true, skip_empty_lines: true, bom: true });
    };
    const first = await odile.kept(written.id, { ...TAKE_TOOL });
    const wrong = await odile.kept(written.id, reading(1, 118.40000000000002));
    await odile.kept(written.id, reading(1, 117.3), { corrects: wrong.id, why: 'read the wrong line, "twice"\n=1+1' });
    // More than go out in the first portion.
    for (let piece = 2; piece <= 30; piece++) {
      await odile.kept(written.id, reading(piece, 116, { note: '=HYPERLINK("x")' }));
    }
    const rows = await table(written.id);
    const { entries } = await odile.view(written.id);
    expect(rows.map((row) => [row['seq'], row['id'], row['hash'], row['at']])).toEqual(
      entries.map((entry) => [String(entry.seq), entry.id, entry.hash, entry.at]),
    );
    expect(rows.map((row) => row['kind']).slice(0, 3)).toEqual(['tool', 'reading', 'reading']);
    expect(rows[0]).toEqual(
      jasmine.objectContaining({ id: first.id, by: 'Odile', role: 'technician', 'in force': 'yes' }),
    );
    expect(rows[1]).toEqual(
      jasmine.objectContaining({
        piece: '1',
        'force N': '118.40000000000002',
        'in force': 'no',
        corrects: '',
        run: '1',
      }),
    );
    expect(rows[2]).toEqual(
      jasmine.objectContaining({
        terminal: 'FL-RT-0406',
        wire: 'FL-W-0075',
        'force N': '117.3',
        verdict: entries[2]?.verdict?.verdict,
        'limit N': String(entries[2]?.verdict?.force),
        'in force': 'yes',
        corrects: wrong.id,
        why: 'read the wrong line, "twice"\n=1+1',
      }),
    );
    expect(rows.at(-1)).toEqual(jasmine.objectContaining({ piece: '30', note: `'=HYPERLINK("x")` }));
    // Where nothing was put on record yet, the headings are there all the same.
    const untouched = await fresh('Not begun');
    const { body } = await odile.call('GET', `/api/combinations/${untouched.id}/record.csv`);
    expect(body.trim()).toBe(Object.keys(rows[0] ?? {}).join(','));
  });

  it('ships its schema, and the shipped one is the one in use', async () => {
    const { formats } = await import('../src/records/formats');
    for (const [name, content] of Object.entries(formats())) {
      expect(await readFile(new URL(`../../docs/formats/${name}`, import.meta.url), 'utf8'))
        .withContext(`${name}: run npm run formats`)
        .toBe(content);
    }
    const record = await odile.get<CombinationRecord>(`/api/combinations/${id}/record.json`);
    expect(recordSchema.safeParse(record).success).toBeTrue();
  });
});

describe('The API', () => {
  it('describes itself by the contract: every route with its request and its refusal', async () => {
    const shop = await Shop.open();
    const description = (await shop.app.inject({ url: '/api/openapi.json' })).json<{
      paths: Record<string, Record<string, { operationId: string; responses: object }>>;
      components: { schemas: Record<string, unknown> };
    }>();
    const operations = Object.values(description.paths).flatMap((path) => Object.values(path));
    expect(operations.map((o) => o.operationId).sort()).toEqual(Object.keys(API).sort());
    expect(JSON.stringify(description.components.schemas['EntryBodySent'])).toContain('grip-slipped');
    expect(Object.keys(description.paths['/combinations/{id}/entries']?.['post']?.responses ?? {})).toEqual(
      jasmine.arrayContaining(['200', '201', '401', '403', '409', '422', '503']),
    );
    const missing = await shop.app.inject({ url: '/api/nothing' });
    expect([missing.statusCode, missing.headers['content-type']]).toEqual([
      404,
      'application/problem+json; charset=utf-8',
    ]);
    await shop.close();
  });
});
