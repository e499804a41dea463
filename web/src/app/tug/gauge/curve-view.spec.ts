import { readTrace, type Trace } from '@tug-mark/core';
import { Bench } from '../../testing/bench';
import { CurveView } from './curve-view';

/** Rises straight to 120 N in a second and falls to nothing. */
const trace: Trace = {
  rate: 1000,
  forces: [
    ...Array.from({ length: 300 }, () => 0),
    ...Array.from({ length: 1000 }, (_, i) => (120 * i) / 999),
    ...Array.from({ length: 200 }, () => 0),
  ],
};

describe('The curve of a pull', () => {
  let bench: Bench<CurveView>;
  const found = readTrace(trace, { breaks: 177, strands: 24, loadingRate: null });
  const read = found.ok ? found.read : null;
  const open = async (inputs: object) => {
    bench = await Bench.open(CurveView, { inputs: { trace, read, ...inputs } });
  };
  const points = () =>
    [...(bench.element.querySelector('path.curve')?.getAttribute('d') ?? '').matchAll(/([\d.]+) ([\d.]+)/g)].map(
      ([, x, y]) => [Number(x), Number(y)] as const,
    );
  afterEach(() => {
    bench.close();
  });

  it('reaches its peak where it was, and tells it to whoever hears the screen', async () => {
    await open({});
    const [x] = points().reduce((highest, point) => (point[1] < highest[1] ? point : highest), [0, Infinity] as const);
    // 1.3 of 1.5 seconds, on a width of 420 from 40 on.
    expect(x).toBeGreaterThan(40 + (420 * 1.29) / 1.5 - 2);
    expect(x).toBeLessThan(40 + (420 * 1.3) / 1.5 + 2);
    expect(bench.element.querySelector('svg')?.getAttribute('aria-label')).toMatch(
      /^Force over 1.5 s, peak 1(19|20)\.\d N after 1\.\d\d s\./,
    );
  });

  it('draws the limit at its own height, and none where there is none', async () => {
    await open({ limit: 60 });
    const y = Number(/M40 ([\d.]+)H/.exec(bench.element.querySelector('path.limit')?.getAttribute('d') ?? '')?.[1]);
    const foot = 170;
    const top = Math.min(...points().map(([, at]) => at));
    // Half the force stands half as high.
    expect((foot - y) / (foot - top)).toBeCloseTo(0.5, 1);
    bench.fixture.componentRef.setInput('limit', null);
    await bench.settle();
    expect(bench.element.querySelector('path.limit')).toBeNull();
  });

  it('keeps room for a limit that is above the curve', async () => {
    await open({ limit: 400 });
    const y = Number(/M40 ([\d.]+)H/.exec(bench.element.querySelector('path.limit')?.getAttribute('d') ?? '')?.[1]);
    expect(y).toBeGreaterThan(4);
    expect(y).toBeLessThan(Math.min(...points().map(([, at]) => at)));
  });

  it('keeps a spike that is one sample long', async () => {
    const forces = Array.from(trace.forces);
    forces[100] = 100;
    await open({ trace: { ...trace, forces } });
    const [first] = points().filter(([x, y]) => x < 40 + (420 * 0.2) / 1.5 && y < 100);
    expect(first).toBeDefined();
  });

  it('that cannot be read is drawn all the same, and says so', async () => {
    await open({ read: null });
    expect(points().length).toBeGreaterThan(100);
    expect(bench.element.querySelector('svg')?.getAttribute('aria-label')).toBe(
      'Force over 1.5 s; it could not be read.',
    );
  });
});
