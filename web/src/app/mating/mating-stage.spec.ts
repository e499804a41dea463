import { bareRing } from '../../../../core/src/testing/shop';
import { Bench, kept, stepsDone, TOOL_TAKEN, viewOf } from '../testing/bench';
import { MatingStage } from './mating-stage';

describe('Pairs over their cycles', () => {
  let bench: Bench<MatingStage>;
  afterEach(() => {
    bench.close();
  });
  const mating = { counterpart: 'tab 2.8', insertion: 40, withdrawal: 12, grease: true };
  const terminal = { ...bareRing, mating };
  const cycle = (number: number, withdrawal: number, piece = 1) =>
    kept({ kind: 'mating', piece, cycle: number, insertion: null, withdrawal, note: '' });
  const open = async (entries: ReturnType<typeof kept>[] = [], changes: Parameters<typeof viewOf>[0] = {}) => {
    const base = viewOf({ terminal });
    const view = viewOf({ terminal, entries: [TOOL_TAKEN(), ...stepsDone(base), ...entries], ...changes });
    bench = await Bench.open(MatingStage, { view });
  };

  it('ask for one cycle at a time, and keep what the gauge showed', async () => {
    await open();
    expect(bench.headline).toBe('Pair 1, cycle 1: on, and off by the gauge.');
    expect(bench.text).toContain('It comes off with 12 N or more, and goes on with 40 N at most.');
    expect(bench.text).toContain('contact grease: before the first cycle');
    await bench.type('mating-on', '31');
    await bench.type('mating-off', '20');
    await bench.type('mating-reel', 'R-77');
    await bench.press('Keep cycle 1');
    expect(bench.put[0]?.body).toEqual({
      ...{ kind: 'mating', piece: 1, cycle: 1, insertion: 31, withdrawal: 20, reel: 'R-77', note: '' },
    });
    expect(bench.headline).toBe('Pair 1, cycle 2: on, and off by the gauge.');
  });

  it('say how many cycles go by without the gauge before the next one', async () => {
    await open([cycle(1, 20), cycle(2, 19)]);
    expect(bench.headline).toBe('Pair 1, cycle 5: 2 more without the gauge, then on and off by it.');
    // A reel is named with the first cycle alone.
    expect(bench.element.querySelector('#mating-reel')).toBeNull();
  });

  it('tell a pair that passes from one that lost too much, each drawn over its cycles', async () => {
    await open([cycle(1, 20), cycle(2, 19), cycle(5, 18), cycle(10, 17), cycle(1, 20, 2), cycle(2, 13.9, 2)]);
    const marks = [...bench.element.querySelectorAll('.pairs tm-mark')].map((mark) => mark.textContent?.trim());
    expect(marks).toEqual(['passed', 'failed']);
    await bench.press('pair 2');
    expect(bench.headline).toBe('Pair 2 does not pass.');
    expect(bench.text).toContain('30.5 % lost since cycle 1');
    expect(bench.element.querySelector('tm-chart-canvas div')?.getAttribute('aria-label')).toContain(
      'Pair 1: 1: 20 N, 2: 19 N, 5: 18 N, 10: 17 N',
    );
  });

  it('take another pair by a key, and lose nothing that is no number', async () => {
    await open([cycle(1, 20)]);
    await bench.key('a');
    expect(bench.headline).toBe('Pair 2, cycle 1: on, and off by the gauge.');
    await bench.type('mating-off', 'hard');
    await bench.press('Keep cycle 1');
    expect(bench.text).toContain('A force is a number in N');
    expect(bench.put).toEqual([]);
    expect(bench.element.querySelector<HTMLInputElement>('#mating-off')?.value).toBe('hard');
  });

  it('are not asked of a part whose sheet names no counterpart', async () => {
    await open([], { terminal: bareRing });
    expect(bench.headline).toBe('This terminal is not mated here.');
  });
});
