import type { CombinationLine } from '@tug-mark/contract';
import { readPage, refreshStandings } from '../src/standing/store';
import { rebuildStandings } from '../src/standing/rebuild';
import { verifyStandings } from '../src/standing/verifyStandings';
import { FRESH, openLot, proveSetUp, reading, releaseSetUp, Shop, TAKE_TOOL, type Visitor, openBench } from './harness';

describe('Where a combination stands', () => {
  const UTC = { zone: 'UTC' };
  let shop: Shop;
  let odile: Visitor;
  let id: string;
  beforeEach(async () => {
    ({ shop, odile, id } = await openBench());
  });
  afterEach(() => shop.close());

  /** As it is kept, whatever the list would work out first. */
  const kept = async () => {
    const { lines } = await readPage(shop.db, 0, 1000, UTC);
    const line = (JSON.parse(`[${lines}]`) as CombinationLine[]).find((found) => found.id === id);
    if (!line) throw new Error('no line');
    return line;
  };
  const listed = async () => (await odile.combination(...FRESH)) as CombinationLine;
  const faults = async () => {
    const found: string[] = [];
    for await (const { chain } of verifyStandings(shop.db)) found.push(chain);
    return found;
  };

  it('is told by the list as soon as it has changed, with nothing left to be worked out', async () => {
    expect((await listed()).stages[2]).toBe('missing');
    await odile.kept(id, TAKE_TOOL);
    const line = await listed();
    expect([line.behind, line.stages[2], line.headline.slice(0, 22)]).toEqual([0, 'pass', 'Held back by prepare: ']);
  });

  it('is read without the journal: what was put on record past the projector is counted as not worked out', async () => {
    await listed();
    await shop.db.raw(`UPDATE chains SET count = count + 3 WHERE name = 'journal/${id}'`);
    expect((await kept()).behind).toBe(3);
  });

  it('follows what is put on record without anybody asking: the first at once, the rest after a short rest', async () => {
    const caughtUp = async (within: number) => {
      for (const until = Date.now() + within; Date.now() < until;) {
        const line = await kept().catch(() => null);
        if (line?.behind === 0) return line.stages[2];
        await new Promise((turn) => setTimeout(turn, 20));
      }
      return 'not caught up';
    };
    await odile.kept(id, TAKE_TOOL);
    expect(await caughtUp(5000)).toBe('pass');
    // The combination rests now: these come while it does.
    for (let piece = 1; piece <= 3; piece++) await odile.kept(id, reading(piece, 118 + piece));
    expect(await caughtUp(5000)).toBe('pass');
  });

  it('is worked out again when the shop has changed, its day has ended, or time has run out', async () => {
    await listed();
    const ages = [
      () => shop.db('shop').update({ version: shop.db.raw('version + 1') }),
      () => shop.db('standings').update({ day: '2026-01-01' }),
      () => shop.db('standings').update({ until: '2026-01-01T08:00:00Z' }),
    ];
    for (const age of ages) {
      expect((await kept()).behind).toBe(0);
      await age();
      expect((await kept()).behind).toBe(1);
      await refreshStandings(shop.db, [id], UTC);
    }
  });

  it('says how far the newest lot is, which check is next, and when the time for one runs out', async () => {
    await proveSetUp(odile, id);
    expect((await releaseSetUp(await shop.signIn('Ines'), id)).statusCode).toBe(201);
    const plan = { everyPieces: 50, everyHours: 2, afterChange: [], bothSides: false };
    expect((await openLot(odile, id, { plan })).body).toContain('"seq"');
    await odile.kept(id, { kind: 'progress', lot: 1, step: 1, what: 'made', made: 1, note: '' });
    await odile.kept(id, { kind: 'finding', lot: 1, piece: 1, criterion: 'as-drawn', finding: 'accept', note: '' });
    await odile.kept(id, reading(1, 141, { lot: 1 }));
    expect((await odile.standing(...FRESH)).lot).toEqual({
      lot: 1,
      name: 'L-0412',
      made: 1,
      pieces: 400,
      verdict: 'running',
      headline: '1 of 400 made. Next check: piece 2.',
    });
    const [row] = (await shop.db('lot_standings').where({ combination: id })) as {
      due_at: Date;
      next_piece: number;
      state: string;
    }[];
    expect(row?.state).toBe('running');
    expect(row?.next_piece).toBe(2);
    const minutes = ((row?.due_at.getTime() ?? 0) - Date.now()) / 60_000;
    expect(minutes).toBeGreaterThan(118);
    expect(minutes).toBeLessThan(121);
  });

  it('of every demo combination is what its journal says, a changed line is found, and one command mends it', async () => {
    await listed();
    expect(await faults()).toEqual([]);
    await shop
      .db('standings')
      .where({ combination: id })
      .update({ line: JSON.stringify({ ...(await kept()), verdict: 'accepted' }) });
    expect(await faults()).toEqual([`journal/${id}`]);
    const count = (await shop.db('combinations').count('id as n').first()) as { n: string };
    expect(await rebuildStandings(shop.db)).toBe(Number(count.n));
    expect(await faults()).toEqual([]);
  });

  it('written by two processes at once is the one that knew more', async () => {
    await odile.kept(id, TAKE_TOOL);
    await refreshStandings(shop.db, [id], UTC);
    await shop.db('standings').where({ combination: id }).update({ seq: 99 });
    await refreshStandings(shop.db, [id], UTC);
    expect(((await shop.db('standings').where({ combination: id }).first('seq')) as { seq: number }).seq).toBe(99);
  });
});
