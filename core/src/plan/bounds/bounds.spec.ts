import fc from 'fast-check';
import { early, job, setting, tool, work } from '../../testing/planWork';
import { modelOf } from '../model';
import { BenchBound } from './BenchBound';
import { arborescence } from './arborescence';
import { divide, type DivideCosts, type Need } from './divide';
import { everyOrder, statesOf, type Costs, type Kind } from './everyOrder';
import { lineBound, treeBound } from './lineBound';
import { warmUps } from './warmUps';

/** Every order of some things. */
function ordersOf<T>(all: readonly T[]): T[][] {
  if (!all.length) return [[]];
  return all.flatMap((one, i) => ordersOf(all.filter((_, k) => k !== i)).map((rest) => [one, ...rest]));
}
/** Rows of whole minutes: the first from the start, the others from each node; Infinity where there is no way. */
const costRows = (most: number, ways = fc.integer({ min: 0, max: 12 })) =>
  fc.integer({ min: 1, max: most }).chain((n) => {
    const row = fc.array(ways, { minLength: n, maxLength: n });
    return fc.record({ n: fc.constant(n), first: row, between: fc.array(row, { minLength: n, maxLength: n }) });
  });
interface Rows {
  readonly n: number;
  readonly first: readonly number[];
  readonly between: readonly (readonly number[])[];
}
const asked = ({ n, first, between }: Rows) =>
  [n, (v: number) => first[v] ?? NaN, (u: number, v: number) => between[u]?.[v] ?? NaN] as const;
const leastLine = ({ n, first, between }: Rows): number =>
  Math.min(
    ...ordersOf([...Array(n).keys()]).map((order) =>
      order.reduce((sum, v, i) => sum + ((i ? between[order[i - 1] ?? 0]?.[v] : first[v]) ?? NaN), 0),
    ),
  );

describe('The cheapest tree from a start', () => {
  const minutes = fc.oneof({ weight: 3, arbitrary: fc.integer({ min: 0, max: 9 }) }, fc.constant(Infinity));
  /** Every node entered from one of the others, of which those that lead back to the start are trees. */
  const everyTree = (n: number, costs: readonly number[]): number => {
    let least = Infinity;
    const parent = new Array<number>(n).fill(-1);
    const leads = (v: number, left = n): boolean => v === 0 || (left > 0 && leads(parent[v] ?? 0, left - 1));
    const go = (v: number, cost: number): void => {
      if (v === n) {
        if (parent.every((_, node) => leads(node))) least = Math.min(least, cost);
        return;
      }
      for (let u = 0; u < n; u++) {
        if (u === v) continue;
        parent[v] = u;
        go(v + 1, cost + (costs[u * n + v] ?? NaN));
      }
    };
    go(1, 0);
    return least;
  };

  it('is as cheap as the cheapest of all, leads to every node, and is none where one cannot be reached', () => {
    fc.assert(
      fc.property(
        fc
          .integer({ min: 1, max: 5 })
          .chain((n) =>
            fc.record({ n: fc.constant(n), costs: fc.array(minutes, { minLength: n * n, maxLength: n * n }) }),
          ),
        ({ n, costs }) => {
          const least = everyTree(n, costs);
          const found = arborescence(n, Float64Array.from(costs));
          if (least === Infinity) {
            expect(found).toBeNull();
            return;
          }
          expect(found?.cost).toBe(least);
          const parent = [...(found?.parent ?? [])];
          expect(parent[0]).toBe(-1);
          const leads = (v: number, left: number): boolean => v === 0 || (left > 0 && leads(parent[v] ?? -1, left - 1));
          expect(parent.every((_, v) => leads(v, n))).toBeTrue();
          expect(parent.slice(1).reduce((sum, u, i) => sum + (costs[u * n + i + 1] ?? NaN), 0)).toBe(least);
        },
      ),
      { numRuns: 150 },
    );
  });
});

describe('The least minutes of a line', () => {
  it('are those of the best of every order', () => {
    fc.assert(
      fc.property(costRows(5), (rows) => {
        expect(lineBound(...asked(rows), 80)).toBe(leastLine(rows));
      }),
      { numRuns: 100 },
    );
    expect(
      lineBound(
        0,
        () => NaN,
        () => NaN,
        80,
      ),
    ).toBe(0);
  });

  it('are not overstated by a tree, which comes to them nine times in ten where a detour is never shorter', () => {
    let [met, all] = [0, 0];
    fc.assert(
      fc.property(costRows(5), (rows) => {
        // Ways that no other way makes shorter.
        const between = rows.between.map((row, u) => row.map((cost, v) => (u === v ? 0 : cost)));
        for (let k = 0; k < rows.n; k++)
          for (const row of between)
            for (let v = 0; v < rows.n; v++) row[v] = Math.min(row[v] ?? 0, (row[k] ?? 0) + (between[k]?.[v] ?? 0));
        const own = { ...rows, between };
        const least = leastLine(own);
        const tree = treeBound(...asked(own), 80);
        expect(tree).toBeLessThanOrEqual(least);
        expect(tree).toBeGreaterThanOrEqual(treeBound(...asked(own), 1));
        all++;
        if (tree === least) met++;
        // Without that, it is a bound all the same.
        expect(treeBound(...asked(rows), 80)).toBeLessThanOrEqual(leastLine(rows));
      }),
      { numRuns: 150, seed: 4 },
    );
    expect(met / all).toBeGreaterThanOrEqual(0.9);
  });

  it('of more settings than are gone through in every order are those of the tree without branches', () => {
    // A die each, whichever comes first.
    expect(
      lineBound(
        13,
        () => 6,
        () => 6,
        80,
      ),
    ).toBe(78);
    // Stops in a row, the first of them a minute off: no step of more than one.
    expect(
      lineBound(
        14,
        (v) => v + 1,
        (u, v) => Math.abs(u - v),
        80,
      ),
    ).toBe(14);
    // One in the middle, a minute from each of twelve, which are two from each other. A tree would go out from it twelve times,
    // for 13; a line comes by it once: one to begin, one to it, one from it, and ten times two.
    const star = [13, () => 1, (u: number, v: number) => (u && v ? 2 : 1)] as const;
    expect(treeBound(...star, 1)).toBe(13);
    expect(lineBound(...star, 80)).toBe(23);
    expect(
      treeBound(
        0,
        () => NaN,
        () => NaN,
        80,
      ),
    ).toBe(0);
  });
});

/** Settings as a die and a selector, 6 and 1 min; strips as a notch and a stop, 1 and 2 min. */
const apart = (a: number, b: number, coarse: number, fine: number): number =>
  (a >> 1 === b >> 1 ? 0 : coarse) + ((a & 1) === (b & 1) ? 0 : fine);
const costs: DivideCosts = {
  firstSet: (tool, to) => apart(tool, to, 6, 1),
  change: (_, from, to) => apart(from, to, 6, 1),
  firstStrip: (bench, to) => apart(bench, to, 1, 2),
  nextStrip: (_, from, to) => apart(from, to, 1, 2),
  frame: (tool, bench) => (tool === bench ? 0 : 5),
};
/** A bench by every order of what is done there. */
function everyBench(bench: number, kinds: readonly Kind[], { firstSet, change, firstStrip, nextStrip }: Costs): number {
  return Math.min(
    ...ordersOf(kinds).map((order) => {
      const sets = new Map<number, number>();
      let strip: number | null = null;
      let minutes = 0;
      for (const one of order) {
        if (one.tool >= 0) {
          const stands = sets.get(one.tool);
          minutes += stands === undefined ? firstSet(one.tool, one.set) : change(one.tool, stands, one.set);
          sets.set(one.tool, one.set);
        }
        if (one.strip < 0) continue;
        minutes += strip === null ? firstStrip(bench, one.strip) : nextStrip(bench, strip, one.strip);
        strip = one.strip;
      }
      return minutes;
    }),
  );
}
const upTo = (max: number, min = 0) => fc.integer({ min, max });
const kind = (strips = upTo(3)): fc.Arbitrary<Kind> => fc.record({ tool: upTo(1), set: upTo(3), strip: strips });

describe('The least changes at one bench', () => {
  it('are those of every order of its tools and its stripper', () => {
    fc.assert(
      fc.property(
        upTo(3),
        fc.array(kind(), { maxLength: 4 }),
        fc.array(upTo(3), { maxLength: 1 }),
        (bench, kinds, strips) => {
          const free = strips.map((strip) => ({ tool: -1, set: -1, strip }));
          const bound = new BenchBound(costs, 80);
          const least = bound.bench(bench, { kinds, strips });
          expect(least).toBe(everyBench(bench, [...kinds, ...free], costs));
          // Whatever order they are asked in, it is looked up.
          const { states } = bound;
          expect(bound.bench(bench, { kinds: kinds.toReversed(), strips: [...strips, ...strips] })).toBe(least);
          expect(bound.states).toBe(states);
        },
      ),
      { numRuns: 100 },
    );
  });

  it('are not overstated where some of it strips nothing', () => {
    fc.assert(
      fc.property(upTo(3), fc.array(kind(upTo(3, -1)), { maxLength: 4 }), (bench, kinds) => {
        const least = new BenchBound(costs, 80).bench(bench, { kinds, strips: [] });
        const best = everyBench(bench, kinds, costs);
        expect(least).toBeLessThanOrEqual(best);
        // Each by itself is the least of it.
        const alone = [0, 1].map((tool) =>
          everyBench(
            bench,
            kinds.filter((one) => one.tool === tool).map((one) => ({ ...one, strip: -1 })),
            costs,
          ),
        );
        const stripper = everyBench(
          bench,
          kinds.map((one) => ({ ...one, tool: -1 })),
          costs,
        );
        expect(least).toBeGreaterThanOrEqual((alone[0] ?? 0) + (alone[1] ?? 0) + stripper);
      }),
      { numRuns: 100 },
    );
  });

  it('of a tool by itself are those of its settings, wherever it is', () => {
    const bound = new BenchBound(costs, 80);
    // From 0: the selector, the die, the selector again.
    expect(bound.tool(0, new Set([3, 2, 1]))).toBe(8);
    expect(bound.tool(0, new Set())).toBe(0);
    expect(bound.tool(3, new Set([3]))).toBe(0);
    expect(bound.states).toBe(0);
  });

  it('of more than is gone through in every order are those of one tool with the stripper, and of the others alone', () => {
    // Three tools of five dies, six minutes each but the one that is mounted, each stripped in two ways that no other tool has.
    const far: Costs = {
      firstSet: (_, to) => (to ? 6 : 0),
      change: (_, from, to) => (from === to ? 0 : 6),
      firstStrip: () => 1,
      nextStrip: (_, from, to) => (from === to ? 0 : 1),
    };
    const kinds = [0, 1, 2].flatMap((own) =>
      [0, 1, 2, 3, 4].map((set) => ({ tool: own, set, strip: 2 * own + (set % 2) })),
    );
    expect(statesOf([kinds.slice(0, 5), kinds.slice(5, 10), kinds.slice(10)], [])).toBe(3 * 6 ** 3 * 2 ** 15);
    const bound = new BenchBound(far, 80);
    // Four dies each, 72 min, and six strips: as long as each strip comes once, the dies can be in any order.
    expect(bound.bench(0, { kinds, strips: [] })).toBe(78);
    expect(bound.states).toBeLessThan(1_000_000);
    // Each die stripped both ways: the stripper has to go to and fro within that tool, or the dies have to come twice.
    const both = kinds.map((one) => ({ ...one, strip: 0 })).concat(kinds.map((one) => ({ ...one, strip: 1 })));
    const fewer = both.filter((one) => one.tool === 0 || one.set < 2);
    // One tool with five dies: 5 strips at least, one a die, which the stripper alone would do with 2.
    expect(new BenchBound(far, 80).bench(0, { kinds: fewer, strips: [] })).toBeGreaterThanOrEqual(24 + 6 + 6 + 5);
  });
});

describe('Every order of a bench', () => {
  it('is nothing where there is nothing to do, and what the stripper takes where there is no tool', () => {
    expect(everyOrder(0, [], [], costs)).toBe(0);
    // From notch 0, stop 0: the stop, then both, is 2 + 3; the notch, then the stop, and the stop again 1 + 2 of two of three.
    expect(everyOrder(0, [], [1, 2], costs)).toBe(1 + 3);
    expect(everyOrder(0, [], [1, 3], costs)).toBe(2 + 1);
  });
});

describe('The least changes of what can be done in several ways', () => {
  const option = fc.record({ bench: upTo(1), set: upTo(3), strip: upTo(3) });
  /** Each bench has a tool of its own. */
  const needsOf = (carried: boolean): fc.Arbitrary<Need[]> =>
    fc.array(
      fc
        .array(option, { minLength: 1, maxLength: 2 })
        .map((all) => all.map((one) => ({ ...one, tool: carried ? 0 : one.bench }))),
      { maxLength: 4 },
    );
  const choices = (needs: readonly Need[]): Need[] =>
    needs.reduce<Need[]>((all, need) => all.flatMap((some) => need.map((one) => [...some, one])), [[]]);

  it('are those of the best division among the benches', () => {
    fc.assert(
      fc.property(needsOf(false), (needs) => {
        const best = Math.min(
          ...choices(needs).map((some) =>
            [0, 1].reduce((sum, bench) => {
              const own = some.filter((one) => one.bench === bench);
              const frames = own.length ? costs.frame(bench, bench) : 0;
              return sum + frames + everyBench(bench, own, costs);
            }, 0),
          ),
        );
        expect(divide(needs, costs, 80)).toBe(best);
      }),
      { numRuns: 80 },
    );
  });

  it('with a tool that is carried are its settings, its frame at each bench, and the strippers: never more than an order takes', () => {
    fc.assert(
      fc.property(needsOf(true), (needs) => {
        const least = divide(needs, costs, 80);
        // At its best: the tool is at each bench once, and no setting waits for it.
        const best = Math.min(
          ...choices(needs).map((some) => {
            const benches = [...new Set(some.map(({ bench }) => bench))];
            const stripped = benches.map((bench) =>
              everyBench(
                bench,
                some.filter((one) => one.bench === bench).map((one) => ({ ...one, tool: -1 })),
                costs,
              ),
            );
            const frames = benches.reduce((sum, bench) => sum + costs.frame(0, bench), 0);
            return (
              stripped.reduce((sum, own) => sum + own, frames) +
              everyBench(
                0,
                some.map((one) => ({ ...one, strip: -1 })),
                costs,
              )
            );
          }),
        );
        expect(least).toBeGreaterThanOrEqual(best);
        // In truth it is carried to and fro, or set more often: one bench behind the other is a plan.
        const inTurn = Math.min(
          ...choices(needs).flatMap((some) =>
            ordersOf(some).map((order) => {
              let minutes = 0;
              let [at, set] = [0, null as number | null];
              const strips = new Map<number, number>();
              for (const one of order) {
                if (one.bench !== at) minutes += 5;
                at = one.bench;
                minutes += set === null ? costs.firstSet(0, one.set) : costs.change(0, set, one.set);
                set = one.set;
                const strip = strips.get(at);
                minutes +=
                  strip === undefined ? costs.firstStrip(at, one.strip) : costs.nextStrip(at, strip, one.strip);
                strips.set(at, one.strip);
              }
              return minutes;
            }),
          ),
        );
        expect(least).toBeLessThanOrEqual(inTurn);
      }),
      { numRuns: 60 },
    );
  });
});

describe('The least minutes of warming up', () => {
  const benches = [
    { id: 'B1', label: 'B1', heater: { warmUp: 6, coldAfter: 30 }, stripper: null },
    { id: 'B2', label: 'B2', heater: { warmUp: 4, coldAfter: 20 }, stripper: null },
  ];
  const model = (shifts: readonly (readonly [number, number])[]) =>
    modelOf(
      work([job('a', { heat: true })], {
        benches,
        people: [{ id: 'Odile', label: 'Odile', shifts: shifts.map(([from, to]) => ({ from, to, breaks: [] })) }],
        quality: [],
      }),
    );
  const hot = (run: number, ...where: number[]) => ({ where: new Set(where), run });

  it('are none where nothing is hot', () => {
    expect(warmUps(model([[360, 840]]), [])).toBe(0);
  });

  it('are once a shift for what one bench alone can heat, bench by bench', () => {
    // A shift of 480 min, and the next after a night: 481 min of heat cannot be in one.
    const days = model([
      [360, 840],
      [1800, 2280],
    ]);
    expect(warmUps(days, [hot(480, 0)])).toBe(6);
    expect(warmUps(days, [hot(400, 0), hot(81, 0)])).toBe(12);
    expect(warmUps(days, [hot(10, 0), hot(10, 1)])).toBe(10);
  });

  it('are of the one that is warm soonest for what several can heat, as if by one bench', () => {
    const day = model([[360, 840]]);
    expect(warmUps(day, [hot(10, 0, 1)])).toBe(4);
    expect(warmUps(day, [hot(300, 0, 1), hot(181, 0, 1)])).toBe(8);
    // One of them has to be at the first bench: what is known of it counts where it is more.
    expect(warmUps(day, [hot(10, 0), hot(10, 0, 1)])).toBe(6);
  });

  it('know that a heater stays hot between two shifts that are no further apart than it takes to go cold', () => {
    // The longest of all heaters counts: half an hour.
    const near = model([
      [360, 600],
      [630, 870],
    ]);
    expect(warmUps(near, [hot(480, 1)])).toBe(4);
    const far = model([
      [360, 600],
      [631, 871],
    ]);
    expect(warmUps(far, [hot(480, 1)])).toBe(8);
    // Whoever is there meanwhile keeps it hot, and a shift within another ends nothing.
    const over = model([
      [360, 700],
      [400, 500],
      [720, 900],
    ]);
    expect(warmUps(over, [hot(520, 0)])).toBe(6);
    expect(warmUps(over, [hot(521, 0)])).toBe(12);
  });

  it('are those of the shop with work of a bench and of a setting together', () => {
    const own = { ...early('Odile'), id: 'Odile' };
    const both = modelOf(
      work(
        [
          job('a', {
            heat: true,
            means: [{ tool: 'T', set: setting({ die: 'B', nest: '1' }), benches: ['B1'], run: 30 }],
          }),
        ],
        {
          benches,
          people: [own],
          tools: [tool('T')],
        },
      ),
    );
    expect(warmUps(both, [hot(30, 0)])).toBe(6);
  });
});
