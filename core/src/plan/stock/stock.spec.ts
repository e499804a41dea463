import fc from 'fast-check';
import { cutStock, reorder, stockOf, type CutDemand, type CutReel, type StockMove } from '../../index';

let number = 0;
const move = (changes: Partial<StockMove>): StockMove => ({
  ...{ id: `m${number++}`, at: '2026-11-26T06:00:00.000Z', kind: 'terminal', part: 'R-1', reel: null },
  ...{ what: 'counted', amount: 100, arrives: null, settles: null },
  ...changes,
});
const NOW = '2026-11-26T18:00:00.000Z';
const later = (hours: number) => `2026-11-26T${String(6 + hours).padStart(2, '0')}:00:00.000Z`;

describe('Stock', () => {
  it('is what was counted last, with what came and went since', () => {
    const [stock] = stockOf(
      [
        move({ what: 'drawn', amount: 10, at: later(2) }),
        move({ what: 'received', amount: 50, at: later(3) }),
        move({ what: 'drawn', amount: 999, at: '2026-11-25T06:00:00.000Z' }),
        move({}),
      ],
      NOW,
    );
    expect(stock?.amount).toBe(140);
    expect(stock?.faults).toEqual([]);
  });

  it('is told reel by reel, and as empty where more was drawn than there was, with what to do', () => {
    const [wire] = stockOf(
      [
        move({ kind: 'wire', part: 'W-1', reel: 'reel 7', amount: 12_000 }),
        move({ kind: 'wire', part: 'W-1', reel: 'reel 8', amount: 500 }),
        move({ kind: 'wire', part: 'W-1', reel: 'reel 8', what: 'drawn', amount: 800, at: later(1) }),
      ],
      NOW,
    );
    expect(wire?.reels.map(({ reel, amount }) => [reel, amount])).toEqual([['reel 7', 12_000]]);
    expect(wire?.amount).toBe(12_000);
    expect(wire?.faults).toEqual(['W-1 on reel 8: more was drawn than there was (300 mm too much). Count it again.']);
  });

  it('expects what is on its way until it has come or is called off', () => {
    const coming = move({ what: 'expected', amount: 500, arrives: '2026-11-27T10:00' });
    const off = move({ what: 'expected', amount: 70, arrives: '2026-11-28T10:00' });
    const all = [move({}), coming, off];
    expect(stockOf(all, NOW)[0]?.expected.map(({ amount }) => amount)).toEqual([500, 70]);
    const come = move({ what: 'received', amount: 480, settles: coming.id, at: later(5) });
    const [stock] = stockOf(
      [...all, come, move({ what: 'called-off', amount: 0, settles: off.id, at: later(5) })],
      NOW,
    );
    expect([stock?.amount, stock?.expected]).toEqual([580, []]);
  });

  it('knows what is used of it a day, over ninety days at most', () => {
    const drawn = (days: number, amount: number) =>
      move({ what: 'drawn', amount, at: new Date(Date.parse(NOW) - days * 86_400_000).toISOString() });
    // 60 in 20 days; then as well what was drawn a year ago, which says nothing of today.
    expect(stockOf([drawn(20, 40), drawn(5, 20)], NOW)[0]?.aDay).toBeCloseTo(3, 12);
    const [old] = stockOf([drawn(365, 9000), drawn(5, 90)], NOW);
    expect([old?.days, old?.aDay]).toEqual([90, 1]);
  });

  it('is ordered again when it lasts no longer than lead time and reserve at that use', () => {
    // 3 a day; 5 days of lead and 2 of reserve need 21.
    const of = (amount: number, coming: number[] = [], aDay = 3) =>
      reorder({ amount, aDay, expected: coming.map((one) => ({ id: 'x', arrives: '', amount: one })) }, 5, 2);
    expect(of(22)).toEqual({ lasts: 22 / 3, point: 21, isDue: false });
    expect(of(21).isDue).toBeTrue();
    expect(of(5, [40]).isDue).toBeFalse();
    expect(of(0, [], 0)).toEqual({ lasts: null, point: 0, isDue: false });
  });
});

describe('Cutting wires from reels and remnants', () => {
  const R = (reel: string, length: number): CutReel => ({ reel, length });

  it('uses a remnant up before a reel is touched', () => {
    // 3 x 400 are the whole of the remnant.
    const plan = cutStock([{ length: 400, count: 5 }], [R('reel', 50_000), R('remnant', 1200)], 500);
    expect(plan.reels.map(({ reel, rest }) => [reel, rest])).toEqual([
      ['remnant', 0],
      ['reel', 49_200],
    ]);
    expect([plan.scrap, plan.leastScrap, plan.missing]).toEqual([0, 0, []]);
  });

  it('leaves a rest that is kept rather than one that is thrown away', () => {
    // 3 x 400 of 1,300 would leave 100 mm; 2 leave 500, which is kept.
    const [first] = cutStock([{ length: 400, count: 5 }], [R('reel', 50_000), R('remnant', 1300)], 500).reels;
    expect([first?.reel, first?.rest, first?.isScrap]).toEqual(['remnant', 500, false]);
  });

  it('mixes lengths so that nothing is left: 7 x 310 and 3 x 265 are 2,965', () => {
    const plan = cutStock(
      [
        { length: 310, count: 7 },
        { length: 265, count: 3 },
      ],
      [R('remnant', 2965)],
      500,
    );
    expect([plan.scrap, plan.missing.length]).toEqual([0, 0]);
  });

  it('says what no reel is left for', () => {
    const plan = cutStock([{ length: 600, count: 4 }], [R('a', 1900)], 200);
    expect(plan.missing).toEqual([{ length: 600, count: 1 }]);
    expect(plan.leastScrap).toBeNull();
    expect(cutStock([{ length: 600, count: 2 }], [], 200).missing).toEqual([{ length: 600, count: 2 }]);
  });

  const demand = fc.record({
    length: fc.integer({ min: 1, max: 12 }).map((n) => n * 50),
    count: fc.integer({ min: 1, max: 6 }),
  });
  const reels = fc.array(fc.integer({ min: 100, max: 3000 }), { minLength: 1, maxLength: 5 });

  it('cuts no reel longer than it is, nothing twice and nothing that was not asked', () => {
    fc.assert(
      fc.property(
        fc.array(demand, { minLength: 1, maxLength: 5 }),
        reels,
        fc.constantFrom(0, 200, 500),
        (asked, lengths, keep) => {
          const plan = cutStock(
            asked,
            lengths.map((length, i) => R(`r${i}`, length)),
            keep,
          );
          const sum = (all: readonly CutDemand[], length: number) =>
            all.filter((one) => one.length === length).reduce((total, { count }) => total + count, 0);
          for (const { length } of asked)
            expect(
              sum(
                plan.reels.flatMap(({ cuts }) => cuts),
                length,
              ) + sum(plan.missing, length),
            ).toBe(sum(asked, length));
          for (const { length, cuts, rest, isScrap } of plan.reels) {
            expect(cuts.reduce((total, cut) => total + cut.length * cut.count, 0) + rest).toBe(length);
            // What is used up leaves nothing to throw away.
            expect(isScrap).toBe(rest > 0 && rest < keep);
          }
          const thrown = plan.reels.filter(({ isScrap }) => isScrap).reduce((total, { rest }) => total + rest, 0);
          expect(plan.scrap).toBe(thrown);
          expect(new Set(plan.reels.map(({ reel }) => reel)).size).toBe(plan.reels.length);
          if (plan.leastScrap !== null) expect(plan.leastScrap).toBeLessThanOrEqual(plan.scrap);
        },
      ),
    );
  });

  it('bounds what any way of cutting scraps: none of all that there are goes below it', () => {
    const few = fc.array(fc.record({ length: fc.constantFrom(300, 450, 700), count: fc.integer({ min: 1, max: 2 }) }), {
      minLength: 1,
      maxLength: 2,
    });
    fc.assert(
      fc.property(
        few,
        fc.array(fc.integer({ min: 700, max: 1500 }), { minLength: 1, maxLength: 3 }),
        (asked, lengths) => {
          const plan = cutStock(
            asked,
            lengths.map((length, i) => R(`r${i}`, length)),
            400,
          );
          const best = everyCut(
            asked.flatMap(({ length, count }) => Array.from({ length: count }, () => length)),
            lengths,
            400,
          );
          if (plan.leastScrap === null) return;
          expect(plan.leastScrap).toBeLessThanOrEqual(best);
          expect(plan.scrap).toBeGreaterThanOrEqual(best);
        },
      ),
    );
  });
});

/** Least scrap over every way to give each wire to a reel; Infinity where none fits. */
function everyCut(wires: readonly number[], reels: readonly number[], keep: number): number {
  const [wire, ...rest] = wires;
  if (wire === undefined) return 0;
  const goes = (left: readonly number[], open: readonly number[]): number => {
    const [first, ...others] = open;
    if (first === undefined)
      return left.reduce((sum, length, i) => sum + (length !== reels[i] && length < keep ? length : 0), 0);
    return Math.min(
      Infinity,
      ...left.map((length, i) =>
        length < first
          ? Infinity
          : goes(
              left.map((one, j) => (i === j ? one - first : one)),
              others,
            ),
      ),
    );
  };
  return goes(reels, [wire, ...rest]);
}
