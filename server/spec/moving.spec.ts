import type { Here, MovedShop, Person } from '@tug-mark/contract';
import { gunzipSync, gzipSync } from 'node:zlib';
import { noteDeeds } from '../src/chain/deeds';
import { verifyShop } from '../src/verify/verifyShop';
import { faultsOf, FRESH, problemOf, reading, Shop, TAKE_TOOL, type Visitor } from './harness';

const TYPE = { 'content-type': 'application/gzip' };

describe('A whole shop', () => {
  let from: Shop;
  let file: Buffer;
  let to: Shop;
  let ada: Visitor;
  beforeAll(async () => {
    from = await Shop.open();
    const marek = await from.signIn('Marek');
    const odile = await from.signIn('Odile');
    const { id } = await odile.combination(...FRESH);
    // What a text may hold, and a number no rounding may touch.
    await odile.kept(id, TAKE_TOOL);
    await odile.kept(id, reading(1, 118.40000000000002, { note: 'tab\there, line\nthere, \\. and \u2028 ž 線' }));
    const list = (await from.db('wire_lists').first<{ id: string }>('id'))?.id ?? '';
    await marek.call('PUT', `/api/wire-lists/${list}/columns`, {
      header: ['Kabel', 'Art'],
      meanings: ['wireId', null],
    });
    const answer = await marek.call('GET', '/api/shop/whole');
    expect(answer.statusCode).toBe(200);
    file = answer.rawPayload;
  });
  afterAll(() => from.close());
  beforeEach(async () => {
    to = await Shop.open('empty');
    ada = await to.firstEngineer();
  });
  afterEach(() => to.close());
  const send = (bytes: Buffer, only: 'check' | 'keep', by = ada) =>
    by.call('POST', `/api/shop/whole?only=${only}`, bytes, TYPE);
  const altered = (change: (text: string) => string) =>
    gzipSync(Buffer.from(change(gunzipSync(file).toString('latin1')), 'latin1'));
  const rowsOf = async (shop: Shop, table: string, columns: string, order: string) =>
    (await shop.db.raw<{ rows: unknown[] }>(`SELECT ${columns} FROM ${table} ORDER BY ${order}`)).rows;

  it('holds no password and no session, whatever else it holds', () => {
    const text = gunzipSync(file).toString('utf8');
    expect(text).not.toContain('argon2');
    expect(text).not.toContain('password_hash');
    expect(text).not.toContain('token_hash');
    expect(text).toContain('Odile');
  });

  it('is looked at first, and nothing of it is kept by that', async () => {
    const found = (await send(file, 'check')).json<MovedShop>();
    expect(found.name).toBe('Fennick Lane Harness Works');
    expect(found.people).toContain('Tove');
    const [entries] = (await from.db('journal').count('* as n')) as { n: string }[];
    expect(found.counts.entries).toBe(Number(entries?.n));
    expect(found.counts.parts).toBeGreaterThan(60);
    const here = await ada.get<Here>('/api/session');
    expect([here.shop.name, here.shop.movedIn]).toEqual(['Elsewhere', null]);
    expect(await to.db('parts')).toEqual([]);
    expect(await faultsOf(to.db)).toEqual([]);
  });

  it('comes in as it stood, byte for byte, its chains whole, marked as moved in', async () => {
    expect((await send(file, 'keep')).statusCode).toBe(200);
    for (const [table, columns, order] of [
      ['journal', 'id, seq, body::text, verdict::text, at, by_name, by_role, previous, hash', 'combination, seq'],
      ['parts', 'kind, part, revision, body::text, created_at::text', 'kind, part, revision'],
      ['combinations', 'id, number, list, class, demand::text', 'number'],
      ['traces', 'id, bytes', 'id'],
      ['photo_pieces', '*', 'photo, piece'],
      ['wire_lists', 'id, name, digest, columns::text', 'id'],
      ['limit_tables', 'document, revision, class, status, body::text, released_by', 'document, revision, class'],
    ] as const) {
      expect(await rowsOf(to, table, columns, order))
        .withContext(table)
        .toEqual(await rowsOf(from, table, columns, order));
    }
    expect(await faultsOf(to.db)).toEqual([]);
    const { shop } = await ada.get<Here>('/api/session');
    expect(shop.name).toBe('Fennick Lane Harness Works');
    expect(shop.id).toBe((await from.db('shop').first<{ id: string }>('id'))?.id ?? '');
    expect(shop.movedIn?.by).toBe('Ada');
    const deeds = await to.db('ledger').where({ chain: 'shop' }).orderBy('seq').pluck('content');
    expect(deeds.at(-1)).toContain('"did":"moved in"');
    // The bench stands at once, and work goes on where it was.
    const lines = await ada.get<{ lines: unknown[] }>('/api/bench/lines');
    expect(lines.lines.length).toBeGreaterThan(5);
    expect((await verifyShop(to.db)).unsealed.entries).toBe(0);
  });

  it('comes in for an account of the database that owns the tables and is no superuser', async () => {
    await to.close();
    to = await Shop.openOwned();
    ada = await to.firstEngineer();
    const may = await to.db.raw<{ rows: { is_superuser: string }[] }>('SHOW is_superuser');
    expect(may.rows[0]?.is_superuser).toBe('off');
    expect((await send(file, 'keep')).statusCode).toBe(200);
    const entries = async (shop: Shop) => (await shop.db('journal').count('* as n').first()) as { n: string };
    expect(await entries(to)).toEqual(await entries(from));
    expect(await faultsOf(to.db)).toEqual([]);
  });

  it('brings its people without a way in until an engineer gives one, and lets work go on', async () => {
    await send(file, 'keep');
    expect((await ada.call('POST', '/api/session', { name: 'Odile', password: '' })).statusCode).toBe(422);
    const wrong = await to.signIn('Odile').catch((error: unknown) => String(error));
    expect(wrong).toContain('sign-in-wrong');
    const people = await ada.get<Person[]>('/api/people');
    expect(people.map(({ name }) => name)).toEqual(['Ada', 'Ines', 'Jonas', 'Marek', 'Odile', 'Ruta', 'Tove']);
    const odile = people.find(({ name }) => name === 'Odile');
    const { word } = (await ada.call('POST', `/api/people/${odile?.id}/once-word`)).json<{ word: string }>();
    const seat = await to.signIn('Odile', word);
    await seat.call('PUT', '/api/session/password', { current: word, password: 'ivory lathe mast 7' });
    const { id } = await seat.combination(...FRESH);
    expect((await seat.put(id, reading(2, 121))).statusCode).toBe(201);
    expect(await faultsOf(to.db)).toEqual([]);
  });

  it('gives the engineer who moves it in the account of the same name, still signed in', async () => {
    await to.close();
    to = await Shop.open('empty');
    const marek = await to.firstEngineer({ name: 'marek' });
    expect((await send(file, 'keep', marek)).statusCode).toBe(200);
    const here = await marek.get<Here>('/api/session');
    expect([here.person?.name, here.person?.roles]).toEqual(['Marek', ['engineer']]);
    expect((await marek.get<Person[]>('/api/people')).length).toBe(6);
    await to.signIn('Marek', 'ivory lathe mast 7');
    expect(await faultsOf(to.db)).toEqual([]);
  });

  it('never comes into a shop in which something was made', async () => {
    const used = await from.signIn('Marek');
    expect(problemOf(await send(file, 'check', used)).code).toBe('shop-not-empty');
    await send(file, 'keep');
    const again = await send(file, 'keep');
    expect([again.statusCode, problemOf(again).code]).toEqual([409, 'shop-not-empty']);
  });

  it('is refused whole when a digit of a record was changed, with what no longer holds', async () => {
    const bad = await send(
      altered((text) => text.replace('118.40000000000002', '128.40000000000002')),
      'keep',
    );
    expect(problemOf(bad).code).toBe('whole-shop-changed');
    expect(problemOf(bad).errors?.[0]?.text).toContain('is not what was put on record');
    const limit = await send(
      altered((text) => text.replace(/("rows":\[\{"size":\{[^}]*\},[^]*?"force":)8/, '$19')),
      'check',
    );
    expect(problemOf(limit).errors?.[0]?.text).toContain('is not as it was left');
    expect(await to.db('journal')).toEqual([]);
    expect((await ada.get<Here>('/api/session')).shop.name).toBe('Elsewhere');
  });

  it('is refused when it is cut off, of another kind, of a later release, or no such file at all', async () => {
    const code = async (bytes: Buffer) => {
      const problem = problemOf(await send(bytes, 'keep'));
      return [problem.code, problem.detail];
    };
    const whole = gunzipSync(file);
    for (const [bytes, detail] of [
      [file.subarray(0, file.length / 2), 'It is not whole'],
      [gzipSync(whole.subarray(0, whole.length / 2)), 'It is not whole'],
      [Buffer.from('hello'), 'It is not whole'],
      [gzipSync('hello'), 'It does not begin as a whole shop does'],
      [altered((text) => text.replace(/"schema":"\d+-[^"]*"/, '"schema":"999-later"')), 'written by a later release'],
      [altered((text) => text.replace('{"table":"parts"', '{"table":"pg_authid"')), 'turns into something else'],
      [altered((text) => text.replace('"columns":["kind"', '"columns":["kind\\" FROM x; --"')), 'not one this release'],
      [altered((text) => text.replace('\nwire\t', '\nthing\t')), 'A row of it does not fit'],
    ] as const) {
      const [problem, told] = await code(bytes);
      expect(problem).withContext(detail).toBe('whole-shop-unreadable');
      expect(told).toContain(detail);
    }
    const strange = await send(
      altered((text) => text.replace('["wireId", null]', '["wireId"]')),
      'keep',
    );
    expect(problemOf(strange).errors?.[0]?.text).toMatch(/^Columns of .*says not of every heading/);
    expect(await to.db('parts')).toEqual([]);
    expect(await faultsOf(to.db)).toEqual([]);
  });

  it('is refused where a chain is whole around something no shop can show', async () => {
    // As somebody would write it who knows the format: nothing was changed after it was put on record, it was never right.
    const crooked = await Shop.open();
    const marek = await crooked.signIn('Marek');
    await crooked.db('shop').update({ logo: Buffer.from('GIF89a, and nothing of it'), zone: 'Middle/Earth' });
    await crooked.db.transaction((trx) => noteDeeds(trx, 'shop', 'changed', ['shop'], { by: 'x', role: 'x' }));
    const bytes = (await marek.call('GET', '/api/shop/whole')).rawPayload;
    await crooked.close();
    const problem = problemOf(await send(bytes, 'keep'));
    expect(problem.code).toBe('whole-shop-unreadable');
    expect(problem.errors?.map(({ text }) => text.split(':')[0])).toEqual(['The shop’s zone', 'The shop’s logo']);
    expect((await ada.get<Here>('/api/session')).shop.name).toBe('Elsewhere');
  });

  it('of an earlier release takes the defaults of what came later', async () => {
    // As it would have been written before shops said whether they were moved in.
    const earlier = altered((text) =>
      text
        .replace(/"schema":"\d+-[^"]*"/, '"schema":"015-roles-and-settings"')
        .replace(/(\{"table":"shop","columns":\[.*?),"moved_in"\]\}\n(.*)\t\\N\n/, '$1]}\n$2\n'),
    );
    expect(gunzipSync(earlier).toString('latin1')).not.toContain('moved_in');
    expect((await send(earlier, 'keep')).statusCode).toBe(200);
    expect(await faultsOf(to.db)).toEqual([]);
  });

  it('is for those who keep the shop alone', async () => {
    const odile = await from.signIn('Odile');
    expect((await odile.call('GET', '/api/shop/whole')).statusCode).toBe(403);
    expect((await send(file, 'check', odile)).statusCode).toBe(403);
  });
});
