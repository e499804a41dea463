import type { HeightChart } from '@tug-mark/contract';
import { Bench } from '../testing/bench';
import { HeightsPage } from './heights-page';

/** Heights from 1.40 to 1.52 mm that hold best near the middle. */
const points = Array.from({ length: 25 }, (_, i) => {
  const height = 1.4 + i * 0.005;
  return { at: '2026-11-25T10:00:00.000Z', lot: 1, piece: i + 1, height, force: 130 - 4000 * (height - 1.46) ** 2 };
});
const chart: HeightChart = {
  label: 'OC on W, Sensor bar',
  range: { min: 1.41, max: 1.51 },
  limit: 100,
  step: 0.01,
  points,
};

describe('The chart of crimp heights', () => {
  const open = async (changes: Partial<HeightChart>) => {
    const bench = await Bench.open(HeightsPage, {
      inputs: { id: 'c1' },
      api: { heights: () => Promise.resolve({ ...chart, ...changes }) },
    });
    await bench.settle();
    return bench;
  };

  it('gives the window in which height and pull both hold, and counts what lies outside the sheet', async () => {
    const bench = await open({});
    expect(bench.headline).toBe('Height and pull both hold from 1.410 to 1.510 mm.');
    // 1.400, 1.405 and 1.515, 1.520
    expect(bench.text).toContain('4 of 25 heights lie outside 1.41–1.51 mm.');
    // The last five are 1.500 to 1.520: half a tenth over the middle, at a hundredth a step.
    expect(bench.text).toContain('Mean of the last 5');
    expect(bench.text).toContain('five steps down');
    bench.close();
  });

  it('says that there is none where the pieces hold nowhere, and where too few are known', async () => {
    let bench = await open({ points: points.map((p) => ({ ...p, force: 60 })) });
    expect(bench.headline).toContain('No window yet');
    bench.close();
    bench = await open({ points: points.slice(0, 4) });
    expect(bench.headline).toContain('No window yet');
    bench.close();
    bench = await open({ points: [] });
    expect(bench.text).toContain('No crimp height is measured yet');
    bench.close();
  });
});
