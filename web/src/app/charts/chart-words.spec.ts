import { readingsText, trendText } from './chart-words';

const NEWTONS = { unit: 'N', show: (value: number) => value, decimals: 1 };
const SHARE = { unit: '% of the limit', show: (value: number) => value, decimals: 1 };

describe('A chart in words', () => {
  const work = { count: 1240, mean: 118.44, lowest: 96.02 };

  it('says how many readings there are, their mean and the lowest', () => {
    expect(readingsText(work, { isAll: true, read: 1240, scale: NEWTONS })).toBe(
      '1\u202f240 readings, mean 118.4 N, lowest 96.0 N. Drag or pinch to look closer.',
    );
    const finer = { ...NEWTONS, decimals: 2 };
    expect(readingsText(work, { isAll: true, read: 1240, scale: finer })).toContain('mean 118.44 N, lowest 96.02 N.');
  });

  it('says what is there while they are read, and that none is', () => {
    expect(readingsText(null, { isAll: false, read: 0, scale: NEWTONS })).toBe('Fetching the readings ...');
    expect(readingsText(null, { isAll: false, read: 5000, scale: NEWTONS })).toBe('5\u202f000 readings read ...');
    expect(readingsText(work, { isAll: false, read: 800, scale: SHARE })).toContain('800 are read; limits and trend');
    expect(readingsText({ ...work, count: 0 }, { isAll: true, read: 0, scale: NEWTONS })).toBe('No valid reading yet.');
  });

  it('tells no trend of few readings, nor of what is chance', () => {
    const none = { trend: null, trendCount: 7, forecast: null, cycles: 0 };
    expect(trendText(none, NEWTONS)).toBe('7 readings since the last change are too few to tell.');
    expect(trendText({ ...none, trendCount: 8 }, NEWTONS)).toBe('No trend in 8 readings: what moves is chance.');
  });

  it('tells by how much in 1,000 cycles it falls, and between which cycles it meets the limit', () => {
    const falling = {
      trend: { slope: -0.0042 },
      trendCount: 400,
      forecast: { at: 21_004, from: 18_996, to: Infinity },
      cycles: 16_000,
    } as Parameters<typeof trendText>[0];
    // 0.0042 N a cycle is 4.2 N in 1,000; 21,004 - 16,000 is 5,004, said to the nearest ten.
    expect(trendText(falling, NEWTONS)).toBe(
      'Falls by 4.2 N in 1\u202f000 cycles. Meets the limit after about 5\u202f000 more cycles, between 3\u202f000 and no end in sight, if it goes on so.',
    );
    expect(trendText({ ...falling, forecast: null }, NEWTONS)).toContain('It does not come to the limit that way.');
  });
});
