import type { Gauge, GaugeEvent } from '@tug-mark/contract';
import { PullListener } from './pull-listener';

const GAUGE = { id: 'G-1', kind: 'force', label: 'Gauge G-1', rate: 10, capacity: 500, active: true } as Gauge;
type Forces = Extract<GaugeEvent, { kind: 'forces' }>;
const forces = (...all: number[]): Forces => ({
  kind: 'forces',
  at: Date.UTC(2026, 0, 5, 8, 0, 10),
  forces: all,
  overload: false,
  garbled: 0,
  otherUnit: null,
  skipped: false,
});
const REST = Array.from({ length: 20 }, () => 0.2);

describe('What a station hears of its gauge', () => {
  beforeEach(() => {
    sessionStorage.clear();
  });

  it('is one pull from its rise to its end, above what the gauge showed at rest', () => {
    const heard = new PullListener(GAUGE);
    expect(heard.hear(forces(...REST))).toBeNull();
    expect(heard.hear(forces(30.2, 80.2, 118.6))).toBeNull();
    expect(heard.peak).toBeCloseTo(118.4, 5);
    const pull = heard.hear(forces(0.2, ...REST));
    expect(pull?.peak).toBeCloseTo(118.4, 5);
    expect(heard.peak).toBe(0);
  });

  it('says when a pull began and ended by the server’s clock', () => {
    const heard = new PullListener(GAUGE);
    heard.hear(forces(...REST));
    heard.hear(forces(30, 80, 118));
    const pull = heard.hear(forces(0.2, ...REST));
    const span = pull && heard.span(pull);
    expect(span?.end).toBe('2026-01-05T08:00:10.000Z');
    const seconds = span ? (Date.parse(span.end) - Date.parse(span.start)) / 1000 : 0;
    expect(seconds).toBeCloseTo(pull?.seconds ?? NaN, 3);
  });

  it('goes on with a pull under way when the page is loaded again, but not with another gauge’s', () => {
    const before = new PullListener(GAUGE);
    before.hear(forces(...REST));
    before.hear(forces(30.2, 118.6));
    expect(new PullListener({ ...GAUGE, id: 'G-2' }).peak).toBe(0);
    const after = new PullListener(GAUGE);
    expect(after.peak).toBeCloseTo(118.4, 5);
    expect(after.settle()?.peak).toBeCloseTo(118.4, 5);
    expect(new PullListener(GAUGE).peak).toBe(0);
  });

  it('doubts readings missed in between, lines that are none, and another unit', () => {
    const heard = new PullListener(GAUGE);
    heard.hear(forces(...REST));
    heard.hear(forces(30, 80));
    heard.hear({ ...forces(118), skipped: true });
    expect(heard.hear(forces(0.2, ...REST))?.doubts).toContain('gauge-lost');
    expect(heard.doubt({ ...forces(1), otherUnit: 'lbf' })).toContain('The gauge sends lbf');
    const garbled = { ...forces(), garbled: 4 };
    expect([1, 2, 3, 4].map(() => heard.doubt(garbled) !== '')).toEqual([false, false, false, true]);
    expect(heard.doubt(forces(1))).toBe('');
  });
});
