import type { ChainReport, KeptEntry, Unsent } from '@tug-mark/contract';
import { randomUUID } from 'node:crypto';
import { openBench, problemOf, TAKE_TOOL, type Shop, type Visitor } from './harness';

describe('An entry left on a device by somebody who does not come back', () => {
  let shop: Shop;
  let odile: Visitor;
  let id: string;
  beforeEach(async () => {
    ({ shop, odile, id } = await openBench());
  });
  afterEach(() => shop.close());

  const settle = (visitor: Visitor, entry: string, act: string, why = 'Tove has left the shop.') =>
    visitor.call('POST', `/api/combinations/${id}/unsent`, {
      id: entry,
      body: TAKE_TOOL,
      madeBy: 'Tove',
      madeAt: '2026-11-26T07:00:00.000Z',
      act,
      why,
    });
  const listed = () => odile.get<Unsent[]>(`/api/combinations/${id}/unsent`);

  it('is dropped with its reason on record, once however often that is sent, and its ledger is whole', async () => {
    const entry = randomUUID();
    expect((await settle(odile, entry, 'dropped')).statusCode).toBe(201);
    expect((await settle(odile, entry, 'dropped')).statusCode).toBe(200);
    const [found, ...more] = await listed();
    expect(more).toEqual([]);
    expect([found?.madeBy, found?.by, found?.act, found?.why]).toEqual([
      'Tove',
      'Odile',
      'dropped',
      'Tove has left the shop.',
    ]);
    expect(found?.body).toEqual(TAKE_TOOL);
    const { breaks } = await odile.get<ChainReport>('/api/chains');
    expect(breaks).toEqual([]);
    // Changed behind the program's back, the ledger says so.
    await shop.db.raw('ALTER TABLE unsent DISABLE TRIGGER USER');
    await shop.db('unsent').where({ id: entry }).update({ why: 'other' });
    await shop.db.raw('ALTER TABLE unsent ENABLE TRIGGER USER');
    const after = await odile.get<ChainReport>('/api/chains');
    expect(after.breaks.map((found) => found.chain)).toContain('unsent');
  });

  it('is handed over, and comes to the journal under its own id in the name of whoever took it', async () => {
    const entry = randomUUID();
    await settle(odile, entry, 'handed-over');
    const kept = await odile.call('POST', `/api/combinations/${id}/entries`, {
      id: entry,
      body: TAKE_TOOL,
      corrects: null,
      why: null,
      madeAt: '2026-11-26T07:00:00.000Z',
      sentAt: new Date().toISOString(),
    });
    expect(kept.statusCode).toBe(201);
    expect(kept.json<KeptEntry>().by).toBe('Odile');
    // The answer to the first was lost on its way: asked again, nothing new is done.
    expect((await settle(odile, entry, 'handed-over')).statusCode).toBe(200);
  });

  it('is refused without a reason, where it is on record already, and where something else was decided', async () => {
    const entry = randomUUID();
    expect((await settle(odile, entry, 'dropped', ' ')).statusCode).toBe(422);
    await settle(odile, entry, 'dropped');
    expect(problemOf(await settle(odile, entry, 'handed-over')).code).toBe('id-taken');
    const kept = randomUUID();
    await odile.call('POST', `/api/combinations/${id}/entries`, {
      id: kept,
      body: TAKE_TOOL,
      corrects: null,
      why: null,
    });
    expect(problemOf(await settle(odile, kept, 'dropped')).code).toBe('id-taken');
    expect((await listed()).length).toBe(1);
  });
});

describe('Answers over a shop’s wireless', () => {
  let shop: Shop;
  let odile: Visitor;
  beforeEach(async () => {
    ({ shop, odile } = await openBench());
  });
  afterEach(() => shop.close());

  it('are not sent again while they stand, and are long ones packed', async () => {
    const first = await odile.call('GET', '/api/cabinet', undefined, { 'accept-encoding': 'gzip' });
    expect(first.headers['content-encoding']).toBe('gzip');
    const tag = String(first.headers.etag);
    expect(tag).toMatch(/^W\//);
    const again = await odile.call('GET', '/api/cabinet', undefined, { 'if-none-match': tag });
    expect([again.statusCode, again.body]).toEqual([304, '']);
    expect(first.headers['cache-control']).toBe('private, no-cache');
    const short = await odile.call('GET', '/api/session', undefined, { 'accept-encoding': 'gzip' });
    expect(short.headers['content-encoding']).toBeUndefined();
  });

  it('that are read as they come in go as they are', async () => {
    const csv = await odile.call('GET', '/api/cabinet/terminal/parts.csv', undefined, { 'accept-encoding': 'gzip' });
    expect(csv.headers['content-encoding']).toBeUndefined();
  });
});
