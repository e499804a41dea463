import type { LoomConnectors, WireListKept } from '@tug-mark/contract';
import { cavityMap, type EntryBody } from '@tug-mark/core';
import { faultsOf, problemOf, Shop, type Visitor } from './harness';

const HEAD = 'wire id,wire part,length mm,terminal a,terminal b,quantity,connector a,connector part a,cavity a';
const LIST = `${HEAD}
C1,FL-W-0075,400,FL-SC-1510,-,3,X1,FL-CN-04,1
C2,FL-W-0075,410,FL-SC-1510,-,3,X1,,2
C3,FL-W-0250,420,FL-SC-2825,-,2,X1,,3
C4,FL-W-0075,430,FL-RT-0406,-,3,,,`;

const filled = (cavity: string, changes: Partial<Extract<EntryBody, { kind: 'retention' }>> = {}): EntryBody => ({
  ...{ kind: 'retention', piece: 1, connector: 'X1', cavity, clicked: true, locked: null, force: 60, stayed: true },
  ...{ tool: 'insertion tool IT-15', straight: true, pulledBack: true, note: '' },
  ...changes,
});

describe('The connectors of a list', () => {
  let shop: Shop;
  let odile: Visitor;
  let id: string;
  const read = () => odile.get<LoomConnectors>(`/api/wire-lists/${id}/connectors`);
  const socket = async () => (await odile.combination('FL-SC-1510', 'FL-W-0075', 'Plugged')).id;
  beforeAll(async () => {
    shop = await Shop.open();
    odile = await shop.signIn('Odile');
    id = (await odile.importCsv('Plugged', LIST)).json<WireListKept>().id;
  });
  afterAll(() => shop.close());

  it('are told cavity by cavity, with the contact’s own tools, its push, and the combination it is kept for', async () => {
    const { name, connectors } = await read();
    expect([name, connectors.map((each) => [each.name, each.part?.part, each.looms])]).toEqual([
      'Plugged',
      [['X1', 'FL-CN-04', 3]],
    ]);
    const [first] = connectors[0]?.wires ?? [];
    expect(first).toEqual(
      jasmine.objectContaining({ cavity: '1', wireId: 'C1', looms: 3, push: 35, combination: await socket() }),
    );
    expect(first?.contact?.insertionTool).toBe('insertion tool IT-15');
  });

  it('take what is done to a cavity through the one door, and say it back in their order', async () => {
    const combination = await socket();
    await odile.kept(combination, filled('1'));
    const again = await odile.put(combination, filled('1', { seat: 2 }));
    expect([again.statusCode, problemOf(again).code]).toEqual([422, 'seat-order']);
    expect(again.body).toContain('take that contact out');
    const out = { kind: 'removal', piece: 1, connector: 'X1', cavity: '1', seat: 1 } as const;
    await odile.kept(combination, {
      ...out,
      ...{ technique: 'front', tool: 'extractor XT-15', reason: 'wrong cavity', lance: 'good', grip: 'good', note: '' },
    });
    await odile.kept(combination, filled('1', { seat: 2 }));
    const { connectors, work } = await read();
    const [own] = connectors;
    if (!own) throw new Error('no connector');
    // What has to come out again is put on record where it was put in.
    expect(work.map((each) => each.combination)).toEqual(work.map(() => combination));
    const map = cavityMap(own.part, own.name, own.wires, 1, work);
    expect(map.cavities.map(({ state }) => state)).toEqual(['home', 'empty', 'empty', 'unused']);
    expect([map.cavities[0]?.removals, map.next, map.lock]).toEqual([1, '2', 'waits']);
    // Another loom of this list is still empty.
    expect(cavityMap(own.part, own.name, own.wires, 2, work).cavities[0]?.state).toBe('empty');
  });

  it('are locked as a whole: what goes in or out is refused in every contact’s journal while one of them says closed', async () => {
    await odile.importCsv('Locked', LIST);
    const combination = (await odile.combination('FL-SC-1510', 'FL-W-0075', 'Locked')).id;
    const other = (await odile.combination('FL-SC-2825', 'FL-W-0250', 'Locked')).id;
    const on = { piece: 2, connector: 'X1' } as const;
    const lock = (count: number, closed: boolean, note = '') =>
      odile.kept(other, { kind: 'lock', ...on, count, closed, note });
    const first = await odile.kept(combination, filled('1', on));
    await lock(1, true);
    const out: EntryBody = {
      ...{ kind: 'removal', ...on, cavity: '1', seat: 1, technique: 'front', tool: 'extractor XT-15' },
      ...{ reason: 'wrong cavity', lance: 'good', grip: 'good', note: '' },
    };
    for (const body of [out, filled('2', on)]) {
      const refused = await odile.put(combination, body);
      expect([refused.statusCode, problemOf(refused).code]).toEqual([422, 'lock-closed']);
      expect(refused.body).toContain('The lock of X1 is closed');
    }
    // Another loom's lock is its own, and what was said of a cavity before can be put right.
    await odile.kept(combination, filled('2', { piece: 3 }));
    await odile.kept(combination, filled('1', { ...on, force: 61 }), { corrects: first.id, why: 'misread' });
    await lock(2, false, 'wrong wire');
    const taken = await odile.kept(combination, out);
    await lock(3, true);
    // Sent once more by a station that had no answer.
    const again = await odile.put(combination, out, { id: taken.id });
    expect([again.statusCode, again.json<{ id: string }>().id]).toEqual([200, taken.id]);
  });

  it('leave the set-up and its page alone, and stand in chain and record', async () => {
    const combination = await socket();
    await odile.kept(combination, filled('2', { piece: 3 }));
    const view = await odile.view(combination);
    expect(view.entries.filter(({ body }) => body.kind === 'retention' || body.kind === 'removal')).toEqual([]);
    const record = await odile.get<{ entries: { body: EntryBody }[] }>(`/api/combinations/${combination}/record.json`);
    expect(record.entries.some(({ body }) => body.kind === 'retention' && body.piece === 3)).toBeTrue();
    expect(await faultsOf(shop.db)).toEqual([]);
  });

  it('are refused by row where the list contradicts itself or the cabinet', async () => {
    const answer = await odile.importCsv('Wrong', `${HEAD}\nD1,FL-W-0075,400,FL-SC-1510,-,3,X1,FL-CN-04,9`);
    expect(answer.statusCode).toBe(422);
    expect(answer.body).toContain('FL-CN-04 has no cavity');
  });

  it('are none where a list names none, and of a list that is not there nothing', async () => {
    const { id: plain } = (
      await odile.importCsv(
        'Plain',
        'wire id,wire part,length mm,terminal a,terminal b,quantity\nE1,FL-W-0075,9,FL-RT-0406,-,1',
      )
    ).json<WireListKept>();
    expect((await odile.get<LoomConnectors>(`/api/wire-lists/${plain}/connectors`)).connectors).toEqual([]);
    const missing = await odile.call('GET', '/api/wire-lists/0192f3a4-0000-7000-8000-00000000dead/connectors');
    expect(missing.statusCode).toBe(404);
  });

  it('are parts of the cabinet like any other: kept, revised, refused', async () => {
    const marek = await shop.signIn('Marek');
    const cavity = { id: '1', column: 1, row: 1, terminals: [] };
    const body = { part: 'CN-9', label: 'one cavity', maker: 'Own', lock: null, sheet: null, cavities: [cavity] };
    const put = (opened: number, changes: object = {}) =>
      marek.call('PUT', '/api/cabinet/connector', { opened, body: { ...body, ...changes } });
    expect((await put(0)).statusCode).toBeLessThan(300);
    expect((await put(1, { lock: 'slide' })).statusCode).toBeLessThan(300);
    expect((await put(2, { cavities: [cavity, cavity] })).statusCode).toBe(422);
    const revisions = await marek.get<unknown[]>('/api/cabinet/connector/CN-9/revisions');
    expect(revisions.length).toBe(2);
  });
});
