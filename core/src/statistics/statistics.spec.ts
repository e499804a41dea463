import fc from 'fast-check';
import { summarise, toleranceFactor } from './index';

describe('The one-sided tolerance factor', () => {
  // Published table, coverage 0.99 at confidence 0.95.
  const published: [number, number][] = [
    [2, 37.094],
    [3, 10.553],
    [4, 7.042],
    [5, 5.741],
    [6, 5.062],
    [10, 3.981],
    [20, 3.295],
    [30, 3.064],
    [50, 2.862],
    [100, 2.684],
  ];
  for (const [n, k] of published) {
    it(`is ${k} for ${n} readings at 99 % / 95 %`, () => {
      expect(toleranceFactor(n, 0.99, 0.95)).toBeCloseTo(k, 3);
    });
  }

  // Published table, coverage 0.90 at confidence 0.95.
  it('is 3.407 for 5 and 2.355 for 10 readings at 90 % / 95 %', () => {
    expect(toleranceFactor(5, 0.9, 0.95)).toBeCloseTo(3.407, 3);
    expect(toleranceFactor(10, 0.9, 0.95)).toBeCloseTo(2.355, 3);
  });

  it('comes down to the normal quantile 2.3263 when readings abound', () => {
    const k = toleranceFactor(1_000_000, 0.99, 0.95);
    expect(k).toBeGreaterThan(2.3263);
    expect(k).toBeLessThan(2.331);
  });

  it('is out of reach below two readings', () => {
    expect(toleranceFactor(1, 0.99, 0.95)).toBe(Infinity);
  });

  it('falls with every further reading', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 300 }), (n) => {
        expect(toleranceFactor(n + 1, 0.99, 0.95)).toBeLessThan(toleranceFactor(n, 0.99, 0.95));
      }),
      { numRuns: 20 },
    );
  });
});

describe('A summary', () => {
  // 2, 4, 4, 4, 5, 5, 7, 9: mean 5, squares 32, s = sqrt(32 / 7) = 2.13809
  it('gives count, minimum, mean and the sample standard deviation', () => {
    const summary = summarise([2, 4, 4, 4, 5, 5, 7, 9]);
    expect(summary).toEqual(jasmine.objectContaining({ n: 8, min: 2, mean: 5 }));
    expect(summary?.s).toBeCloseTo(2.13809, 5);
  });

  // The same numbers on top of 1e9 keep the same s: a one-pass formula would lose it.
  it('keeps its digits far from zero', () => {
    expect(summarise([2, 4, 4, 4, 5, 5, 7, 9].map((v) => v + 1e9))?.s).toBeCloseTo(2.13809, 5);
  });

  it('has no spread of one and nothing of none', () => {
    expect(summarise([3])?.s).toBeNull();
    expect(summarise([])).toBeNull();
  });
});
