import { erf } from './specialFunctions';

/** Centre and limits of one chart. */
export interface ControlLimits {
  readonly centre: number;
  readonly lower: number;
  readonly upper: number;
}

/** Frozen limits of a pair of charts, from a named baseline. */
export interface Baseline {
  /** Readings a point stands for: 1 for individuals. */
  readonly subgroup: number;
  /** Points it was taken from. */
  readonly points: number;
  readonly level: ControlLimits;
  /** Of the moving range (individuals) or of the range within subgroups. */
  readonly spread: ControlLimits;
}

/**
 * Mean and standard deviation of the range of n standard normal values, d2 and d3:
 * d2 = integral of 1 - Phi^n - (1 - Phi)^n; d3 from the second moment, both by trapezoids. Published: n = 2: 1.128 and
 * 0.853, 5: 2.326 and 0.864, 10: 3.078 and 0.797.
 */
export function rangeFactors(n: number): { readonly d2: number; readonly d3: number } {
  const known = factors.get(n);
  if (known) return known;
  const step = 0.02;
  const grid: number[] = [];
  for (let x = -8; x <= 8 + 1e-9; x += step) grid.push(0.5 * (1 + erf(x / Math.SQRT2)));
  let d2 = 0;
  for (const p of grid) d2 += (1 - p ** n - (1 - p) ** n) * step;
  // E R^2 = 2 * double integral over x < y of 1 - P(max <= y) - P(min > x) + P(x < all <= y)
  let second = 0;
  for (let i = 0; i < grid.length; i++) {
    const low = grid[i] ?? 0;
    for (let j = i; j < grid.length; j++) {
      const high = grid[j] ?? 0;
      const share = i === j ? 0.5 : 1;
      second += 2 * (1 - high ** n - (1 - low) ** n + (high - low) ** n) * step * step * share;
    }
  }
  const found = { d2, d3: Math.sqrt(second - d2 * d2) };
  factors.set(n, found);
  return found;
}
const factors = new Map<number, { d2: number; d3: number }>();

/** Moving ranges of a series: |x_i - x_(i-1)|. */
export function movingRanges(values: ArrayLike<number>): number[] {
  return Array.from({ length: Math.max(0, values.length - 1) }, (_, i) =>
    Math.abs((values[i + 1] as number) - (values[i] as number)),
  );
}

/** Splits a series into subgroups of n in their order; what is left over at the end makes none. */
export function subgroupsOf(values: ArrayLike<number>, n: number): { readonly mean: number; readonly range: number }[] {
  return Array.from({ length: Math.floor(values.length / n) }, (_, g) => {
    let sum = 0;
    let low = Infinity;
    let high = -Infinity;
    for (let i = g * n; i < (g + 1) * n; i++) {
      const value = values[i] as number;
      sum += value;
      low = Math.min(low, value);
      high = Math.max(high, value);
    }
    return { mean: sum / n, range: high - low };
  });
}

/** Fewest points a baseline is taken from. */
export const LEAST_BASELINE = 10;

/**
 * Limits three standard deviations out, from a baseline's own readings. Individuals: sigma = mean moving range / d2(2),
 * so 2.660 and 3.267 times it; subgroups: sigma = mean range / d2(n), so A2, D3 and D4 of the published tables.
 *
 * @param values readings of the baseline in their order
 * @param subgroup 1 for individuals, else 2 to 10
 * @returns null with fewer than 10 points
 */
export function makeBaseline(values: ArrayLike<number>, subgroup: number): Baseline | null {
  const groups = subgroup > 1 ? subgroupsOf(values, subgroup) : null;
  const levels = groups ? groups.map((g) => g.mean) : Array.from(values);
  const ranges = groups ? groups.map((g) => g.range) : movingRanges(values);
  if (levels.length < LEAST_BASELINE) return null;
  const mean = (list: readonly number[]) => list.reduce((sum, v) => sum + v, 0) / list.length;
  const centre = mean(levels);
  const range = mean(ranges);
  const { d2, d3 } = rangeFactors(Math.max(2, subgroup));
  const sigma = range / d2;
  const reach = (3 * sigma) / Math.sqrt(Math.max(1, subgroup));
  return {
    subgroup,
    points: levels.length,
    level: { centre, lower: centre - reach, upper: centre + reach },
    spread: { centre: range, lower: Math.max(0, range - 3 * d3 * sigma), upper: range + 3 * d3 * sigma },
  };
}

export interface RunSignal {
  readonly code: 'outside' | 'one-side' | 'steady-climb' | 'steady-fall' | 'far-out' | 'see-saw';
  /** Place of the last point of what was seen. */
  readonly index: number;
  /** Points it is made of. */
  readonly length: number;
  readonly text: string;
}

const ONE_SIDE = 9;
const MONOTONE = 6;
const SEE_SAW = 14;

/**
 * What does not look like chance on a chart, each told by what it sees: a point outside the limits, nine in a row on one
 * side of the centre, six in a row climbing or falling, two or more of three beyond two thirds of the way to the same limit,
 * fourteen in a row up and down in turn. What goes on is told once, where it begins.
 */
export function runSignals(points: readonly number[], limits: ControlLimits): RunSignal[] {
  const { centre, lower, upper } = limits;
  const sigma = (upper - centre) / 3;
  const signals: RunSignal[] = [];
  let side = 0;
  let sideRun = 0;
  let climb = 1;
  let fall = 1;
  let turns = 1;
  let farSide = 0;
  points.forEach((value, i) => {
    const see = (code: RunSignal['code'], length: number, text: string) =>
      signals.push({ code, index: i, length, text });
    const before = points[i - 1];
    if (value > upper || value < lower) see('outside', 1, `Outside the limits, ${value > upper ? 'above' : 'below'}.`);
    const now = Math.sign(value - centre);
    sideRun = now !== 0 && now === side ? sideRun + 1 : now === 0 ? 0 : 1;
    side = now;
    if (sideRun === ONE_SIDE)
      see('one-side', ONE_SIDE, `${ONE_SIDE} in a row ${now > 0 ? 'above' : 'below'} the centre.`);
    if (before !== undefined) {
      climb = value > before ? climb + 1 : 1;
      fall = value < before ? fall + 1 : 1;
      const last = points[i - 2];
      const turned = last !== undefined && Math.sign(value - before) * Math.sign(before - last) < 0;
      turns = turned ? turns + 1 : 1;
      if (climb === MONOTONE) see('steady-climb', MONOTONE, `${MONOTONE} in a row climbing.`);
      if (fall === MONOTONE) see('steady-fall', MONOTONE, `${MONOTONE} in a row falling.`);
      if (turns === SEE_SAW - 1) see('see-saw', SEE_SAW, `${SEE_SAW} in a row up and down in turn.`);
    }
    const far = (v: number | undefined) =>
      v === undefined || sigma <= 0 ? 0 : Math.abs(v - centre) > 2 * sigma ? Math.sign(v - centre) : 0;
    const three = points.slice(Math.max(0, i - 2), i + 1);
    const beyond = three.filter((v) => far(v) === far(value)).length;
    const isFar = far(value) !== 0 && beyond >= 2;
    // Told once, where it begins; not again while it goes on.
    if (isFar && farSide !== far(value))
      see(
        'far-out',
        three.length,
        `${beyond} of ${three.length} far ${far(value) > 0 ? 'above' : 'below'} the centre.`,
      );
    if (isFar) farSide = far(value);
    else if (!three.some((v) => far(v) === farSide)) farSide = 0;
  });
  return signals;
}
