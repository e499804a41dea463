import { heightWindow, normalFrom, random } from '../statistics';
import { adjustHeight } from './adjustHeight';

const range = { min: 1.45, max: 1.55 };

describe('A measured crimp height', () => {
  it('says how many steps to turn and where that leads', () => {
    const told = adjustHeight([1.53, 1.53], range, 0.015);
    expect(told?.text).toBe('0.03 mm too high: two steps down.');
    expect([told?.steps, Number(told?.after.toFixed(3))]).toEqual([-2, 1.5]);
    expect(adjustHeight([1.46], range, 0.02)?.text).toBe('0.04 mm too low: two steps up.');
  });

  it('is left alone near the middle, where a turn would only follow the scatter', () => {
    expect(adjustHeight([1.51, 1.505], range, 0.015)?.steps).toBe(0);
    expect(adjustHeight([1.515], { min: 1.48, max: 1.52 }, 0.05)?.steps).toBe(0);
  });

  it('says what to have done where the tool has no steps, and when turning will not do', () => {
    expect(adjustHeight([1.6], range, null)?.text).toContain('This tool has no steps: have it set tighter.');
    expect(adjustHeight([1.72], { min: 1.499, max: 1.501 }, 0.15)?.text).toContain('Even then it is out of range.');
  });
});

describe('Height against force', () => {
  // force = 160 - 4000 (h - 1.5)^2: 140 at 1.5 +- 0.0707
  const pairs = (spread: number, n = 40) => {
    const normal = normalFrom(random(11));
    return Array.from({ length: n }, (_, i) => {
      const height = 1.38 + (0.24 * i) / (n - 1);
      return { height, force: 160 - 4000 * (height - 1.5) ** 2 + spread * normal() };
    });
  };

  it('finds the heights between which every pull holds', () => {
    const found = heightWindow(pairs(1e-9), 140);
    expect(found?.holds[0]?.min).toBeCloseTo(1.5 - 0.0707, 2);
    expect(found?.holds[0]?.max).toBeCloseTo(1.5 + 0.0707, 2);
    expect(found?.mean(1.5)).toBeCloseTo(160, 3);
  });

  it('makes the window narrower the more the forces scatter, and closes it when none would hold', () => {
    const width = (spread: number, limit: number) =>
      (heightWindow(pairs(spread), limit)?.holds ?? []).map(({ min, max }) => max - min);
    const [[wide = 0], [narrow = 0]] = [width(1, 140), width(6, 140)];
    expect(narrow).toBeGreaterThan(0);
    expect(narrow).toBeLessThan(wide);
    expect(width(6, 170)).toEqual([]);
  });

  it('says nothing from a handful of pieces or one height', () => {
    expect(heightWindow(pairs(1, 7), 140)).toBeNull();
    expect(
      heightWindow(
        pairs(1).map((p) => ({ ...p, height: 1.5 })),
        140,
      ),
    ).toBeNull();
  });
});
