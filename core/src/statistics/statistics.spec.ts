import fc from 'fast-check';
import { andersonDarling, pOfStatistic } from './andersonDarling';
import { rangeFactors } from './controlChart';
import { grubbsCritical } from './grubbs';
import {
  acceptanceProbability,
  findOutlier,
  forecastLimit,
  makeBaseline,
  normalFrom,
  random,
  runSignals,
  sampleForRisk,
  summarise,
  theilSen,
  toleranceFactor,
} from './index';

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

describe('Grubbs’ test', () => {
  // Published two-sided table at 5 %.
  for (const [n, critical] of [
    [3, 1.154],
    [5, 1.715],
    [10, 2.29],
    [30, 2.908],
  ] as const) {
    it(`calls the farthest of ${n} an outlier beyond ${critical} standard deviations`, () => {
      expect(grubbsCritical(n)).toBeCloseTo(critical, 2);
    });
  }

  // One-sided 5 % is two-sided 10 %: published 1.672, 2.176, 2.557.
  it('agrees with the one-sided table too', () => {
    expect(grubbsCritical(5, 0.1)).toBeCloseTo(1.672, 2);
    expect(grubbsCritical(10, 0.1)).toBeCloseTo(2.176, 3);
    expect(grubbsCritical(20, 0.1)).toBeCloseTo(2.557, 3);
  });

  it('names the reading that stands apart, and none among even ones', () => {
    expect(findOutlier([118, 117, 119, 118, 84, 118])).toEqual(jasmine.objectContaining({ index: 4, value: 84 }));
    expect(findOutlier([118, 117, 119, 118, 116])).toBeNull();
    expect(findOutlier([118, 84])).toBeNull();
    expect(findOutlier([118, 118, 118])).toBeNull();
  });
});

describe('The Anderson-Darling test', () => {
  // Critical values of D'Agostino and Stephens.
  it('gives 10, 5, 2.5 and 1 % at the published critical values', () => {
    expect(pOfStatistic(0.631)).toBeCloseTo(0.1, 3);
    expect(pOfStatistic(0.752)).toBeCloseTo(0.05, 3);
    expect(pOfStatistic(0.873)).toBeCloseTo(0.025, 3);
    expect(pOfStatistic(1.035)).toBeCloseTo(0.01, 3);
  });

  // 1..8 computed apart from this code with a normal distribution of another library: A^2 0.1340005, corrected 0.1512740.
  it('of 1 to 8 is 0.15127', () => {
    expect(andersonDarling([3, 1, 2, 8, 7, 6, 5, 4])?.statistic).toBeCloseTo(0.151274, 6);
  });

  it('rejects one in twenty normal samples, and nearly every lopsided one', () => {
    const next = random(7);
    const normal = normalFrom(next);
    let wrong = 0;
    let found = 0;
    for (let round = 0; round < 400; round++) {
      if ((andersonDarling(Array.from({ length: 20 }, normal))?.p ?? 0) < 0.05) wrong += 1;
      if ((andersonDarling(Array.from({ length: 40 }, () => -Math.log(1 - next())))?.p ?? 1) < 0.05) found += 1;
    }
    expect(wrong).toBeGreaterThan(8);
    expect(wrong).toBeLessThan(36);
    expect(found).toBeGreaterThan(380);
  });
});

describe('A sample from a lot', () => {
  // 3 from 400 with 8 bad: (392 391 390) / (400 399 398) = 0.94105
  it('passes a lot with 2 % bad 94 times in 100', () => {
    expect(acceptanceProbability(400, 8, 3)).toBeCloseTo((392 * 391 * 390) / (400 * 399 * 398), 12);
  });

  // 2 from 10 with 3 bad, one allowed: 1 - C(3,2)/C(10,2) = 1 - 3/45
  it('counts those allowed', () => {
    expect(acceptanceProbability(10, 3, 2, 1)).toBeCloseTo(1 - 3 / 45, 10);
    expect(acceptanceProbability(10, 3, 8, 0)).toBe(0);
    expect(acceptanceProbability(10, 0, 5)).toBe(1);
  });

  it('is as large as the wanted risk needs, and one fewer is not enough', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 900 }), fc.integer({ min: 1, max: 12 }), (lot, bad) => {
        const n = sampleForRisk(lot, bad, 0.1);
        expect(acceptanceProbability(lot, bad, n)).toBeLessThanOrEqual(0.1);
        if (n > 0) expect(acceptanceProbability(lot, bad, n - 1)).toBeGreaterThan(0.1);
      }),
      { numRuns: 40 },
    );
  });
});

describe('A trend', () => {
  const xs = Array.from({ length: 20 }, (_, i) => i * 100);

  it('of a straight line is its slope, whatever one wild point says', () => {
    const ys = xs.map((x) => 200 - 0.05 * x);
    ys[7] = 20;
    const trend = theilSen(xs, ys);
    expect(trend?.slope).toBeCloseTo(-0.05, 6);
    expect(trend?.p).toBeLessThan(0.001);
    const forecast = trend && forecastLimit(trend, 85, 950);
    // 200 - 0.05 x = 85 at x = 2300; the wild point moves neither slope nor line
    expect(forecast?.at).toBeCloseTo(2300, 0);
    expect(forecast?.from).toBeLessThanOrEqual(2300.5);
    expect(forecast?.to).toBeGreaterThanOrEqual(2299.5);
  });

  // S of 1..8 in order is 28, Var S = 8 x 7 x 21 / 18 = 65.33, z = 27 / 8.083 = 3.340
  it('of eight rising values has the Mann-Kendall z worked out by hand', () => {
    const values = [1, 2, 3, 4, 5, 6, 7, 8];
    expect(theilSen(values, values)?.z).toBeCloseTo(27 / Math.sqrt((8 * 7 * 21) / 18), 9);
  });

  it('is none of scatter, and forecasts nothing that does not fall', () => {
    const normal = normalFrom(random(3));
    const found = Array.from({ length: 200 }, () =>
      theilSen(
        xs,
        xs.map(() => 100 + normal()),
      ),
    ).filter((trend) => trend && trend.p < 0.05).length;
    expect(found).toBeLessThan(20);
    expect(theilSen([1, 2], [1, 2])).toBeNull();
    const rising = theilSen(
      xs,
      xs.map((x) => 100 + x),
    );
    expect(rising && forecastLimit(rising, 85, 950)).toBeNull();
  });

  it('holds its interval: 95 in 100 forecasts cover where the true line meets the limit', () => {
    const normal = normalFrom(random(11));
    let covered = 0;
    for (let round = 0; round < 200; round++) {
      const trend = theilSen(
        xs,
        xs.map((x) => 130 - 0.01 * x + 2 * normal()),
      );
      const forecast = trend && forecastLimit(trend, 85, 950);
      // The true line meets 85 at 4500.
      if (forecast && forecast.from <= 4500 && forecast.to >= 4500) covered += 1;
    }
    expect(covered).toBeGreaterThan(180);
  });
});

describe('A control chart', () => {
  // Published d2 and d3.
  it('stands on the published factors of the range', () => {
    for (const [n, d2, d3] of [
      [2, 1.128, 0.853],
      [5, 2.326, 0.864],
      [10, 3.078, 0.797],
    ] as const) {
      expect(rangeFactors(n).d2).toBeCloseTo(d2, 3);
      expect(rangeFactors(n).d3).toBeCloseTo(d3, 3);
    }
  });

  // 10 and 12 in turn: mean 11, moving range 2 throughout: 11 +- 2.660 x 2, range limit 3.267 x 2
  it('of individuals has the limits worked out by hand', () => {
    const base = makeBaseline(
      Array.from({ length: 20 }, (_, i) => (i % 2 ? 12 : 10)),
      1,
    );
    expect(base?.level.centre).toBe(11);
    expect(base?.level.upper).toBeCloseTo(11 + 2.66 * 2, 2);
    expect(base?.spread.upper).toBeCloseTo(3.267 * 2, 2);
    expect(base?.spread.lower).toBe(0);
  });

  // Subgroups 8 9 10 11 12: mean 10, range 4: A2 0.577, D4 2.114
  it('of subgroups of five too', () => {
    const base = makeBaseline(
      Array.from({ length: 60 }, (_, i) => 8 + (i % 5)),
      5,
    );
    expect(base?.level.upper).toBeCloseTo(10 + 0.577 * 4, 2);
    expect(base?.spread.upper).toBeCloseTo(2.114 * 4, 1);
    expect(makeBaseline([1, 2, 3, 4, 5, 6, 7, 8, 9], 1)).toBeNull();
    expect(makeBaseline([1, 2, 3, 4, 5, 6, 7, 8, 9, 10], 1)?.points).toBe(10);
    // twenty readings in twos are ten points
    expect(
      makeBaseline(
        Array.from({ length: 19 }, (_, i) => i),
        2,
      ),
    ).toBeNull();
    expect(
      makeBaseline(
        Array.from({ length: 20 }, (_, i) => i),
        2,
      )?.points,
    ).toBe(10);
  });

  it('names what does not look like chance by what it sees', () => {
    const limits = { centre: 100, lower: 70, upper: 130 };
    const seen = (points: number[]) => runSignals(points, limits).map((s) => `${s.code}@${s.index}`);
    expect(seen([100, 131, 100])).toEqual(['outside@1']);
    expect(seen([101, 102, 101, 103, 101, 102, 101, 102, 101])).toContain('one-side@8');
    expect(seen([90, 93, 95, 99, 103, 108])).toEqual(['steady-climb@5']);
    expect(seen([108, 103, 99, 95, 93, 90])).toEqual(['steady-fall@5']);
    expect(seen([122, 100, 123])).toEqual(['far-out@2']);
    expect(seen(Array.from({ length: 14 }, (_, i) => (i % 2 ? 98 : 103)))).toEqual(['see-saw@13']);
    expect(seen([100, 104, 97, 101, 95, 99, 103])).toEqual([]);
  });
});
