import fc from 'fast-check';
import { random } from '../../statistics';
import { anyWork, job, setting, tool, work } from '../../testing/planWork';
import { Layout } from '../Layout';
import { modelOf, type Model } from '../model';
import type { PlanWork } from '../PlanWork';
import { Anneal } from './Anneal';
import { dispatch } from './dispatch';
import { inOneOrder } from './inOneOrder';
import { Lines } from './Lines';

const TASTE = { change: 3, urgency: 240, reach: 240 };
const linesOf = (model: Model): Lines => {
  const lines = new Lines(model);
  lines.from(dispatch(model, TASTE));
  return lines;
};
/** Without forerunners: their ends are taken as they were when a line was judged last. */
const free = (of: PlanWork): PlanWork => ({ ...of, jobs: of.jobs.map((one) => ({ ...one, after: [] })) });
const own = (lines: Lines, bench: number): [Int32Array, number] => [
  (lines.lines[bench] as Int32Array).slice(),
  lines.lengths[bench] as number,
];

describe('The line of a bench', () => {
  it('costs what it costs from its beginning, though only what is new in it is judged', () => {
    fc.assert(
      fc.property(anyWork(14), fc.integer({ min: 0, max: 1000 }), (of, seed) => {
        const model = modelOf(free(of));
        if (model.jobs.length < 3) return;
        const lines = linesOf(model);
        const next = random(seed);
        for (let k = 0; k < 20; k++) {
          const bench = Math.floor(next() * lines.lines.length);
          const [line, length] = own(lines, bench);
          if (length < 2) continue;
          const from = Math.floor(next() * (length - 1));
          const to = from + 1 + Math.floor(next() * (length - from - 1));
          line.set(line.slice(from, to + 1).reverse(), from);
          const cost = lines.judged(bench, line, length, from, length - to - 1);
          expect(cost).toBeCloseTo(lines.judged(bench, line, length, 0, 0), 6);
          // One job less.
          const [before] = own(lines, bench);
          before.copyWithin(from, from + 1);
          expect(lines.judged(bench, before, length - 1, from, length - from - 1)).toBeCloseTo(
            lines.judged(bench, before, length - 1, 0, 0),
            6,
          );
          // One job more, of another bench.
          const other = Math.floor(next() * model.jobs.length);
          const ways = [...model.wayBench.keys()].slice(model.ways[other], model.ways[other + 1]);
          const way = ways.find((one) => model.wayBench[one] === bench);
          if (lines.bench[other] !== bench && way !== undefined) {
            const place = Math.floor(next() * (length + 1));
            const [long] = own(lines, bench);
            long.copyWithin(place + 1, place);
            long[place] = other;
            lines.trialWays[other] = way;
            expect(lines.judged(bench, long, length + 1, place, length - place)).toBeCloseTo(
              lines.judged(bench, long, length + 1, 0, 0),
              6,
            );
            lines.trialWays[other] = lines.ways[other] ?? 0;
          }
          if (next() < 0.5) continue;
          lines.keep(bench, line, length);
          lines.settle(bench, from);
        }
      }),
      { numRuns: 250 },
    );
  });

  it('costs no other after a thousand changes than judged from their beginnings, and every job is in one line still', () => {
    fc.assert(
      fc.property(anyWork(14), fc.integer({ min: 0, max: 1000 }), (of, seed) => {
        const model = modelOf(free(of));
        if (model.jobs.length < 3) return;
        const lines = linesOf(model);
        let share = 0;
        new Anneal(model, lines, random(seed)).run(3, 0.05, () => (share++ ? 1 : 0));
        lines.lines.forEach((_, bench) => {
          const [line, length] = own(lines, bench);
          expect(lines.costs[bench]).toBeCloseTo(lines.judged(bench, line, length, 0, 0), 6);
        });
        const all = inOneOrder(lines, 0);
        expect(all.toSorted((a, b) => a - b)).toEqual([...model.jobs.keys()]);
      }),
      { numRuns: 60 },
    );
  });
});

describe('Lines of several benches in one order', () => {
  // One tool at two benches, each needs it twice: once early, once late.
  const benches = ['B1', 'B2'].map((id) => ({ id, label: id, heater: null, stripper: null }));
  const at = (id: string, bench: string, die: string) =>
    job(id, { means: [{ tool: 'T', set: setting({ die, nest: '1' }), benches: [bench], run: 30 }] });
  const of = work([at('a', 'B1', 'A'), at('b', 'B2', 'B'), at('c', 'B1', 'A'), at('d', 'B2', 'B')], {
    benches,
    tools: [tool('T')],
  });

  it('a tool that is held is not carried to and fro between two benches', () => {
    const model = modelOf(of);
    const lines = new Lines(model);
    const layout = new Layout(model);
    lines.from(layout.layOut([0, 1, 2, 3], model.ways.slice(0, -1)));
    lines.ends.set([1, 2, 3, 4]);
    const laid = (hold: number) => layout.layOut(inOneOrder(lines, hold), lines.ways).total;
    // Three times to another bench, 5 min, with another die, 6 min; or once.
    expect(laid(0)).toBe(33);
    expect(laid(Infinity)).toBe(11);
  });

  it('what waits for another job comes after it, whatever the times say', () => {
    const model = modelOf({
      ...of,
      jobs: of.jobs.map((one) => (one.id === 'a' ? { ...one, after: ['d'] } : one)),
    });
    const lines = new Lines(model);
    lines.from(new Layout(model).layOut([1, 3, 0, 2], model.ways.slice(0, -1)));
    lines.ends[0] = 0;
    const order = inOneOrder(lines, Infinity);
    expect(order.indexOf(3)).toBeLessThan(order.indexOf(0));
    expect(order.length).toBe(4);
  });
});
