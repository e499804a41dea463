import { benchStep, lotTask } from '../index';
import { Bench } from '../testing/bench';
import { progress, prove, running } from '../testing/lotBench';
import { checkAt } from '../testing/shop';

const changed = (step: number, made: number) => progress(step, made, { what: 'change', change: 'tool', to: 'HT-B' });
const next = (bench: Bench) => {
  const lot = bench.lot(1);
  return benchStep(bench.setUp, bench.judged, bench.entries, lot);
};

describe('A tool changed within a lot', () => {
  it('opens the set-up again, and nothing more is made before it is released', () => {
    const bench = running();
    expect([bench.put(progress(1, 20)), bench.put(changed(2, 20))]).toEqual([null, null]);
    const lot = bench.lot(1);
    expect(lot?.head.awaitsSetUp).toBe(20);
    expect(lot && lotTask(lot).code).toBe('set-up');
    expect(lot?.unfinished[0]).toBe('The tool was changed after piece 20: the set-up is proved with it first.');
    expect(next(bench)).toEqual({ state: 'to-set-up', to: 'release', text: 'Set up again with the other tool' });
    expect(bench.put(progress(3, 21))).toBe('set-up-first');
  });

  it('is proved in a run of its own while the lot stays open, and returns to the lot once it is released', () => {
    const bench = running();
    bench.put(progress(1, 20));
    bench.put(changed(2, 20));
    const { newest } = bench.context;
    expect(bench.put({ kind: 'run', run: 2, cause: 'tool changed', revisions: newest })).toBeNull();
    expect(next(bench).state).toBe('to-set-up');
    prove(bench, 'HT-B', 2);
    const lot = bench.lot(1);
    expect(lot?.head.awaitsSetUp).toBeNull();
    expect(lot?.head.tools.map(({ after, stands }) => [after, stands.tool])).toEqual([
      [0, 'HT'],
      [20, 'HT-B'],
    ]);
    expect(next(bench).to).toBe('lot');
    expect(bench.put({ ...progress(3, 30), run: 2 })).toBeNull();
  });

  it('leaves the set-up closed in a lot whose tool was not changed', () => {
    const bench = running();
    bench.put(progress(1, 20));
    bench.put(progress(2, 20, { what: 'change', change: 'wire-reel', to: 'R-2' }));
    expect(bench.lot(1)?.head.awaitsSetUp).toBeNull();
    const { newest } = bench.context;
    expect(bench.put({ kind: 'run', run: 2, cause: 'for no reason', revisions: newest })).toBe('lot-open');
  });

  it('lets a failed check of the first tool speak for its own pieces alone', () => {
    const bench = running();
    bench.put(progress(1, 20));
    bench.put(changed(2, 20));
    bench.put({ kind: 'run', run: 2, cause: 'tool changed', revisions: bench.context.newest });
    prove(bench, 'HT-B', 2);
    bench.put({ ...progress(3, 40), run: 2 });
    const failed = { ...checkAt(new Date(Date.parse(bench.now) + 60_000).toISOString(), false), tool: 'HT' };
    const later = new Bench({ ...bench.context, checks: [...bench.context.checks, failed] });
    later.entries.push(...bench.entries);
    const suspect = later.lot(1)?.spans.filter(({ state }) => state === 'suspect') ?? [];
    expect(suspect.map(({ from, to }) => [from, to])).toEqual([[1, 20]]);
    const second = new Bench({ ...bench.context, checks: [...bench.context.checks, { ...failed, tool: 'HT-B' }] });
    second.entries.push(...bench.entries);
    const own = second.lot(1)?.spans.filter(({ state }) => state === 'suspect') ?? [];
    expect(own.map(({ from, to }) => [from, to])).toEqual([[21, 40]]);
  });
});
