import type { ChartAbout } from '@tug-mark/contract';
import { fromNewtons } from '@tug-mark/core';
import type { ChartView, ChartWork } from '../../workers/chart.messages';
import { chartOptions } from './chart-options';

const work: ChartWork = {
  count: 40,
  from: 0,
  to: 40,
  own: null,
  level: { centre: 150, lower: 141, upper: 159 },
  spread: { centre: 3.3, lower: 0, upper: 10.6 },
  signals: [{ code: 'outside', index: 38, length: 1, text: 'Outside the limits, below.', at: 38 }],
  signalCount: 1,
  trend: null,
  forecast: null,
  cycles: 1361,
  trendCount: 40,
  lowest: 133,
  mean: 150,
  placesOf: [5, 21],
};
const view: ChartView = {
  level: {
    points: [
      [0, 161],
      [20, 150],
      [38, 133],
    ],
  },
  spread: {
    points: [
      [1, 3],
      [38, 9],
    ],
  },
};
const about: ChartAbout = {
  label: 'a ring',
  limit: 108,
  events: [
    { at: '', kind: 'lot', text: 'Lot opened' },
    { at: '', kind: 'wire-reel', text: 'The wire reel was changed' },
  ],
  baseline: null,
};
const inNewtons = { unit: 'N', show: (value: number) => value, decimals: 1 };

describe('The pair of charts', () => {
  const draw = (scale = inNewtons) =>
    chartOptions({ work, view, about, scale, subgroup: 1, points: 40 }, (ink) => `#${ink}`);
  /** The lines across the upper chart, as they are named. */
  const lines = (options: ReturnType<typeof draw>) =>
    (options.series[0] as unknown as { markLine: { data: { label: { formatter: string } }[] } }).markLine.data.map(
      (line) => line.label.formatter,
    );

  it('names limits and centre with their numbers, the limit of the table, and what was changed', () => {
    expect(lines(draw())).toEqual(['upper 159.0', 'centre 150.0', 'lower 141.0', 'limit 108.0', 'lot', 'wire reel']);
  });

  it('is tall enough for every point and every line drawn across it', () => {
    const [level, spread] = draw().yAxis;
    expect(level?.min).toBeLessThanOrEqual(108);
    expect(level?.max).toBeGreaterThanOrEqual(161);
    expect(spread?.max).toBeGreaterThanOrEqual(10.6);
    expect(spread?.min).toBe(0);
  });

  it('marks what stands out where it stands, and changes before the reading that followed them', () => {
    const options = draw();
    expect(options.series[2]?.data).toEqual([[38, 133]]);
    const marks = (options.series[0] as unknown as { markLine: { data: { xAxis?: number }[] } }).markLine.data;
    expect(marks.flatMap((mark) => mark.xAxis ?? [])).toEqual([4.5, 20.5]);
  });

  it('shows everything in the reader’s unit, with as many decimals as the shop wants', () => {
    const options = draw({ unit: 'lbf', show: (newtons) => fromNewtons(newtons, 'lbf'), decimals: 2 });
    // 108 N / 4.44822 = 24.279 lbf
    expect(lines(options)).toContain('limit 24.28');
    expect(options.yAxis[0]?.name).toBe('lbf');
  });
});
