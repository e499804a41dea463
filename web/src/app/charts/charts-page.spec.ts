import { POINT_NUMBERS, type ChartAbout, type NewBaseline } from '@tug-mark/contract';
import { normalFrom, random } from '@tug-mark/core';
import { Bench } from '../testing/bench';
import { ChartsPage } from './charts-page';

const DAY = Date.UTC(2026, 9, 5);
/** Readings a minute apart: time, force, lot, piece. */
function points(forces: readonly number[]): ArrayBuffer {
  const all = new Float64Array(forces.length * POINT_NUMBERS);
  forces.forEach((force, i) => {
    all.set([DAY + i * 60_000, force, 1, i + 1], i * POINT_NUMBERS);
  });
  return all.buffer;
}
/** Forces that differ by chance alone, the same each time. */
const wandering = (n: number, by: (i: number) => number = () => 0) => {
  const chance = normalFrom(random(4));
  return Array.from({ length: n }, (_, i) => 118 + 1.5 * chance() + by(i));
};

const CHOICES = [
  { kind: 'combination', value: 'c1', label: 'RB on W-075' },
  { kind: 'tool', value: 'HT', label: 'Hand tool HT' },
] as const;

describe('A chart of pulls', () => {
  let bench: Bench<ChartsPage>;
  let frozen: NewBaseline[];
  afterEach(() => {
    bench.close();
  });
  const about: ChartAbout = { label: 'RB on W-075', limit: 85, events: [], baseline: null };
  const open = async (
    forces: readonly number[],
    changes: Partial<ChartAbout> = {},
    role: 'technician' | 'engineer' = 'technician',
  ) => {
    frozen = [];
    bench = await Bench.open(ChartsPage, {
      role,
      api: {
        chartChoices: () => Promise.resolve(CHOICES),
        chartAbout: () => Promise.resolve({ ...about, ...changes }),
        chartGlances: () => Promise.resolve([]),
        chartPoints: (_k: string, _v: string, _s: AbortSignal, take: (bytes: ArrayBuffer, n: number) => void) => {
          if (forces.length) take(points(forces), forces.length);
          return Promise.resolve();
        },
        freezeBaseline: (baseline: NewBaseline) => {
          frozen.push(baseline);
          const { note, body } = baseline;
          return Promise.resolve({ ...about, baseline: { body, note, by: 'Marek', at: new Date(DAY).toISOString() } });
        },
      },
    });
    for (let i = 0; i < 60 && !/Where it is going|No valid reading/.test(bench.text); i++) {
      await new Promise((resolve) => setTimeout(resolve, 25));
      await bench.settle();
    }
  };

  it('asks of the first combination whether it is made as it was, and says what the readings amount to', async () => {
    await open(wandering(60));
    expect(bench.headline).toBe('RB on W-075: is it made as it was?');
    expect(bench.text).toMatch(/60 readings, mean 11[78]\.\d N, lowest 11\d\.\d N/);
    expect(bench.text).toContain('Nothing stands out');
    expect(bench.text).toContain('No trend in 60 readings: what moves is chance.');
  });

  it('tells what is not like chance, and since when', async () => {
    await open(wandering(60, (i) => (i === 40 ? -25 : 0)));
    expect(bench.text).toContain('Not like chance');
    const marks = [...bench.element.querySelectorAll('section tm-mark')].map((mark) => mark.textContent?.trim());
    expect(marks).toContain('failed');
    expect(bench.text).toContain('Outside the limits, below.');
  });

  it('tells where a falling force is going, and when it meets the limit', async () => {
    await open(wandering(200, (i) => -0.05 * i));
    // 0.05 N a piece is 50 N in 1,000.
    expect(bench.text).toMatch(/Falls by (4[6-9]|5[0-4])\.\d N in 1\s000 cycles\. Meets the limit after about/);
  });

  it('has no limits of few readings, and says how many it takes', async () => {
    await open(wandering(6));
    expect(bench.text).toContain('Limits need ten points; there are 6.');
    expect(bench.text).toContain('6 readings since the last change are too few to tell.');
  });

  it('says that there is none yet', async () => {
    await open([]);
    expect(bench.text).toContain('No valid reading yet.');
    expect(bench.element.querySelector('tm-chart-canvas')).toBeNull();
  });

  it('is frozen as a baseline by an engineer, with the reason, and by nobody else', async () => {
    await open(wandering(60));
    expect(bench.has('Freeze them as baseline')).toBeFalse();
    bench.close();
    await open(wandering(60), {}, 'engineer');
    await bench.type('baseline-note', 'as proved in May');
    await bench.submit('tm-chart-baseline form');
    for (let i = 0; i < 40 && !frozen.length; i++) await new Promise((resolve) => setTimeout(resolve, 25));
    await bench.settle();
    const [baseline] = frozen;
    expect([baseline?.kind, baseline?.value, baseline?.note]).toEqual(['combination', 'c1', 'as proved in May']);
    expect(baseline?.body.points).toBe(60);
    expect(baseline?.body.level.centre).toBeCloseTo(118, 0);
    expect(Date.parse(baseline?.body.from ?? '')).toBe(DAY);
    expect(bench.text).toContain('60 points, one reading each, frozen by Marek');
  });

  it('of means has as many points fewer, and says that the baseline is for other points', async () => {
    const body = { subgroup: 1, points: 60, level: { centre: 118, lower: 112, upper: 124 } };
    const baseline = { body: { ...body, spread: { centre: 2, lower: 0, upper: 6 }, from: '', to: '' } };
    await open(wandering(60), { baseline: { ...baseline, by: 'Marek', at: new Date(DAY).toISOString(), note: 'May' } });
    expect(bench.text).not.toContain('It is for other points than these');
    await bench.choose('chart-subgroup', 'the mean of 5');
    for (let i = 0; i < 40 && !bench.text.includes('It is for other points'); i++) await bench.settle();
    expect(bench.text).toContain('It is for other points than these');
  });

  it('leads to another kind by the address', async () => {
    await open(wandering(12));
    await bench.choose('chart-kind', 'tool');
    expect(bench.wentTo).toEqual(['/charts']);
  });
});
