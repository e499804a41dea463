import type { BenchTotals, CombinationLine, LotLine } from '@tug-mark/contract';
import { randomUUID } from 'node:crypto';
import {
  faultsOf,
  FRESH,
  openBench,
  openLot,
  problemOf,
  proveSetUp,
  releaseSetUp,
  TAKE_TOOL,
  type Shop,
  type Visitor,
} from './harness';

interface Page {
  readonly lines: readonly CombinationLine[];
  readonly next: string | null;
}

describe('The bench', () => {
  let shop: Shop;
  let odile: Visitor;
  let id: string;
  beforeEach(async () => {
    ({ shop, odile, id } = await openBench());
  });
  afterEach(() => shop.close());

  const lines = async (query = '') => {
    await odile.settled();
    return odile.get<Page>(`/api/bench/lines?${query}`);
  };
  const totals = () => odile.get<BenchTotals>('/api/bench');
  const listNamed = async (name: string) => (await totals()).lists.find((list) => list.name === name);

  it('counts every combination in the one state it is in, over all lists and in each', async () => {
    await lines();
    const before = await totals();
    const all = await shop.db('combinations').count<{ count: string }[]>();
    expect(Object.values(before.states).reduce((sum, n) => sum + n, 0)).toBe(Number(all[0]?.count));
    await proveSetUp(odile, id);
    const [line] = (await lines(`find=${FRESH[0]}%20${FRESH[1]}`)).lines;
    expect([line?.state, line?.next]).toEqual(['to-release', { to: 'release', text: 'Release the set-up' }]);
    await releaseSetUp(await shop.signIn('Ines'), id);
    const released = await lines('state=to-make');
    expect(released.lines.map((l) => l.id)).toContain(id);
    const after = await totals();
    expect(after.states['to-make']).toBe(before.states['to-make'] + 1);
    expect(after.states['to-set-up']).toBe(before.states['to-set-up'] - 1);
  });

  it('takes a list nobody says a grade of for one of the grade before it', async () => {
    const marek = await shop.signIn('Marek');
    const csv = (n: number) =>
      `wire id,wire part,length mm,terminal a,terminal b,quantity\nG${n},FL-W-0075,100,FL-RT-0406,-,4`;
    const grades = async () => {
      const rows: { class: string }[] = await shop.db('combinations').whereLike('list', 'graded %').orderBy('number');
      return rows.map((row) => row.class);
    };
    await marek.importCsv('graded 1', csv(1));
    expect(await grades()).toEqual(['standard']);
    await marek.call('POST', `/api/wire-lists?id=${randomUUID()}&name=graded%202&class=critical`, csv(2), {
      'content-type': 'text/csv',
    });
    await marek.importCsv('graded 3', csv(3));
    expect(await grades()).toEqual(['standard', 'critical', 'critical']);
  });

  it('finds by every word, in parts, labels, lists and lots, and takes signs of a pattern as they are', async () => {
    const found = async (words: string) =>
      (await lines(`find=${encodeURIComponent(words)}`)).lines.map((l) => `${l.terminal} ${l.list}`);
    expect(await found('MAST fl-mc-20p')).toEqual(['FL-MC-20P Mast loom']);
    expect(await found('%')).toEqual([]);
    expect(await found('_')).toEqual([]);
    expect((await found('no such part')).length).toBe(0);
  });

  it('goes on by the page in every order, each line once, none left out', async () => {
    // What a place asks makes a combination of its own: many of them, with equal values to sort by.
    const rows = Array.from(
      { length: 450 },
      (_, i) => `W${i},FL-W-0075,100,FL-RB-0406,-,${1 + (i % 7)},${(1 + i / 1000).toFixed(3)}`,
    );
    const head = 'wire id,wire part,length mm,terminal a,terminal b,quantity,current';
    const kept = await odile.importCsv('Many', [head, ...rows].join('\n'));
    expect(kept.statusCode).withContext(kept.body).toBe(201);
    const keyOf = {
      terminal: (l: CombinationLine) => l.terminal,
      wire: (l: CombinationLine) => l.wire,
      list: (l: CombinationLine) => l.list,
      pieces: (l: CombinationLine) => l.pieces,
    };
    for (const [sort, key] of Object.entries(keyOf)) {
      for (const sign of ['', '-']) {
        const seen: CombinationLine[] = [];
        for (let after: string | null = ''; after !== null;) {
          const page: Page = await lines(`list=Many&sort=${sign}${sort}&after=${encodeURIComponent(after)}`);
          seen.push(...page.lines);
          after = page.next;
        }
        expect(new Set(seen.map((l) => l.id)).size)
          .withContext(`${sign}${sort}`)
          .toBe(450);
        const keys = seen.map<string | number>(key);
        const sorted = [...keys].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0));
        expect(keys).toEqual(sign ? sorted.reverse() : sorted);
      }
    }
    // A list without a day comes after those with one.
    const lists = (await totals()).lists.map((l) => l.name);
    expect(lists).toEqual(['Chassis loom', 'Mast loom', 'Sensor bar', 'Many']);
    expect((await lines()).lines[0]?.list).toBe('Chassis loom');
  });

  it('keeps a list that is archived off the bench, with all that is on record, and puts it back', async () => {
    const chassis = await listNamed('Chassis loom');
    const before = await totals();
    const change = (body: object, by = odile) => by.call('PATCH', `/api/wire-lists/${chassis?.id ?? ''}`, body);
    expect((await change({ due: chassis?.due ?? null, archived: true }, await shop.signIn('Ines'))).statusCode).toBe(
      403,
    );
    expect((await change({ due: chassis?.due ?? null, archived: true })).statusCode).toBe(200);
    const kept = await totals();
    const sum = (t: BenchTotals) => Object.values(t.states).reduce((a, b) => a + b, 0);
    expect(sum(before) - sum(kept)).toBe(chassis?.combinations ?? NaN);
    expect((await lines()).lines.some((l) => l.list === 'Chassis loom')).toBeFalse();
    expect((await lines('list=Chassis%20loom')).lines.length).toBe(chassis?.combinations ?? NaN);
    const own = (await lines('list=Chassis%20loom')).lines[0]?.id ?? '';
    expect((await odile.call('GET', `/api/combinations/${own}`)).statusCode).toBe(200);
    await change({ due: '2031-02-28', archived: false });
    expect(await listNamed('Chassis loom')).toEqual(jasmine.objectContaining({ due: '2031-02-28', archived: false }));
    const { rows } = await shop.db.raw<{ rows: { did: string }[] }>(
      `SELECT content::json ->> 'did' AS did FROM ledger WHERE subject = ? ORDER BY seq`,
      [`list/${chassis?.id ?? ''}`],
    );
    expect(rows.map((row) => row.did).slice(-2)).toEqual(['archived', 'due, put back']);
    expect(await faultsOf(shop.db)).toEqual([]);
  });

  it('refuses a day that is none, a list that is not there and a place it never told', async () => {
    const chassis = await listNamed('Chassis loom');
    const path = `/api/wire-lists/${chassis?.id ?? ''}`;
    const wrong = await odile.call('PATCH', path, { due: '2031-02-30', archived: false });
    expect([wrong.statusCode, problemOf(wrong).errors?.[0]?.text]).toEqual([422, 'Write the date as 2027-01-31.']);
    const none = '/api/wire-lists/0192f3a4-0000-7000-8000-00000000ffff';
    expect((await odile.call('PATCH', none, { due: null, archived: false })).statusCode).toBe(404);
    const lost = await odile.call('GET', '/api/bench/lines?after=%7B%7D');
    expect([lost.statusCode, problemOf(lost).errors?.[0]?.where]).toEqual([422, 'after']);
  });

  it('says what comes next as the work goes on', async () => {
    const next = async () => (await lines(`find=${FRESH[0]}%20${FRESH[1]}`)).lines.find((l) => l.id === id)?.next.text;
    expect(await next()).toBe('Begin with HT-11');
    await odile.kept(id, TAKE_TOOL);
    expect(await next()).toBe('Measure the strip');
  });
});

describe('The lots of the shop', () => {
  it('are listed with how they stand, found by number, part and person, the newest first', async () => {
    const { shop, odile, id } = await openBench();
    const list = (query: string) => odile.get<{ lines: LotLine[]; next: string | null }>(`/api/lots?${query}`);
    await proveSetUp(odile, id);
    await releaseSetUp(await shop.signIn('Ines'), id);
    await openLot(odile, id);
    await odile.settled();
    const { lines } = await list('');
    const [first] = lines;
    expect([first?.id, first?.lot, first?.openedBy, first?.state]).toEqual([id, 1, 'Odile', 'running']);
    const at = lines.map((line) => line.openedAt);
    expect(at).toEqual([...at].sort().reverse());
    const held = (await list('state=held')).lines;
    expect(held.length).toBeGreaterThan(0);
    expect(held.every((line) => line.state === 'held' && line.headline.startsWith('Held: '))).toBeTrue();
    expect((await list(`find=${encodeURIComponent(`odile ${FRESH[0]}`)}`)).lines.map((line) => line.id)).toContain(id);
    expect((await list('find=nobody')).lines).toEqual([]);
    const end = encodeURIComponent(JSON.stringify([first?.openedAt, '00000000-0000-0000-0000-000000000000']));
    expect((await list(`after=${end}`)).lines.map((line) => line.id)).not.toContain(id);
    expect((await odile.call('GET', '/api/lots?after=%5B%5D')).statusCode).toBe(422);
    await shop.close();
  });
});
