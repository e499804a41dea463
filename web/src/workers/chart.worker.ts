/// <reference lib="webworker" />
import { POINT_NUMBERS } from '@tug-mark/contract';
import {
  forecastLimit,
  makeBaseline,
  median,
  movingRanges,
  runSignals,
  subgroupsOf,
  theilSen,
  type Baseline,
} from '@tug-mark/core';
import { expose } from 'comlink';
import type { ChartAsked, ChartBaseline, ChartView, ChartWork, ThinLine } from './chart.messages';

/* Holds the readings of one chart and computes what is shown of them, so that a million of them move like a hundred. */

let portions: Float64Array[] = [];
let readings: Float64Array = new Float64Array(0);
let times: Float64Array = new Float64Array(0);
let levels: Float64Array = new Float64Array(0);
let spreads = new Float64Array(0);

/** A trend is told when chance alone makes one so strong less often than this. */
const TREND_P = 0.01;
const MOST_SIGNALS = 100;

function gather(): { times: Float64Array; forces: Float64Array; cycles: Float64Array } {
  const count = portions.reduce((sum, p) => sum + p.length / POINT_NUMBERS, 0);
  const all = new Float64Array(count * POINT_NUMBERS);
  let at = 0;
  for (const portion of portions) {
    all.set(portion, at);
    at += portion.length;
  }
  portions = [all];
  const order = new Uint32Array(count).map((_, i) => i);
  const time = (i: number) => all[i * POINT_NUMBERS] ?? 0;
  let isSorted = true;
  for (let i = 1; i < count && isSorted; i++) isSorted = time(i) >= time(i - 1);
  if (!isSorted) order.sort((a, b) => time(a) - time(b));
  const sorted = { times: new Float64Array(count), forces: new Float64Array(count), cycles: new Float64Array(count) };
  // Cycles run on from one lot to the next: a lot begins where those before it ended.
  const begins = new Map<number, number>();
  let cycle = 0;
  order.forEach((from, i) => {
    const base = from * POINT_NUMBERS;
    const group = all[base + 2] ?? 0;
    const piece = all[base + 3] ?? 0;
    const begin = begins.get(group) ?? cycle;
    begins.set(group, begin);
    cycle = Math.max(cycle, begin + piece);
    sorted.times[i] = all[base] ?? 0;
    sorted.forces[i] = all[base + 1] ?? 0;
    sorted.cycles[i] = begin + piece;
  });
  return sorted;
}

function compute({ subgroup, baseline, limit, breaks, events }: ChartAsked): ChartWork {
  const { times: at, forces, cycles } = gather();
  const count = forces.length;
  readings = forces;
  if (subgroup > 1) {
    const groups = subgroupsOf(forces, subgroup);
    levels = Float64Array.from(groups, (g) => g.mean);
    spreads = Float64Array.from(groups, (g) => g.range);
    times = Float64Array.from(groups, (_, g) => at[(g + 1) * subgroup - 1] ?? 0);
  } else {
    levels = forces;
    spreads = Float64Array.from([NaN, ...movingRanges(forces)]);
    times = at;
  }
  const own = makeBaseline(forces, subgroup);
  const limits: Baseline | null = baseline?.subgroup === subgroup ? baseline : own;
  const signals = limits ? runSignals(Array.from(levels), limits.level) : [];
  const last = Math.max(-Infinity, ...breaks.filter((instant) => instant <= (at[count - 1] ?? 0)));
  let first = at.findIndex((instant) => instant > last);
  if (first < 0) first = 0;
  const xs = Array.from(cycles.subarray(first));
  const trend = theilSen(xs, Array.from(forces.subarray(first)));
  const isTrend = trend !== null && trend.p < TREND_P;
  const placeOf = (instant: number) => {
    let low = 0;
    let high = times.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((times[middle] ?? 0) < instant) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  return {
    count,
    from: at[0] ?? 0,
    to: at[count - 1] ?? 0,
    own,
    level: limits?.level ?? null,
    spread: limits?.spread ?? null,
    signals: signals.slice(-MOST_SIGNALS).map((signal) => ({ ...signal, at: times[signal.index] ?? 0 })),
    signalCount: signals.length,
    trend: isTrend ? trend : null,
    forecast: isTrend && limit !== null ? forecastLimit(trend, limit, median(xs)) : null,
    cycles: cycles[count - 1] ?? 0,
    trendCount: xs.length,
    lowest: forces.reduce((low, force) => Math.min(low, force), Infinity),
    mean: forces.reduce((sum, force) => sum + force, 0) / Math.max(1, count),
    placesOf: events.map(placeOf),
  };
}

/** The lowest and the highest of every column, in their order. */
function thin(values: Float64Array, from: number, to: number, columns: number): ThinLine {
  const points: [number, number][] = [];
  const first = Math.max(0, Math.floor(from));
  const end = Math.min(values.length, Math.ceil(to) + 1);
  const width = Math.max(1, (end - first) / columns);
  for (let start = first; start < end; start += width) {
    let low = -1;
    let high = -1;
    for (let i = Math.floor(start); i < Math.min(end, Math.floor(start + width)); i++) {
      const value = values[i] ?? NaN;
      if (Number.isNaN(value)) continue;
      if (low < 0 || value < (values[low] ?? 0)) low = i;
      if (high < 0 || value > (values[high] ?? 0)) high = i;
    }
    if (low < 0) continue;
    const pair = low < high ? [low, high] : [high, low];
    for (const i of pair[0] === pair[1] ? [low] : pair) points.push([i, values[i] ?? 0]);
  }
  return { points };
}

const work = {
  /** Forgets what came before. */
  begin(): void {
    portions = [];
  },
  points(bytes: ArrayBuffer): void {
    portions.push(new Float64Array(bytes));
  },
  /** What is told of the points that came so far. */
  work: compute,
  /** Limits of the points in sight, to be frozen. */
  baseline(subgroup: number, from: number, to: number): ChartBaseline {
    const first = Math.max(0, Math.ceil(from));
    const end = Math.floor(to) + 1;
    return {
      baseline: makeBaseline(readings.subarray(first * subgroup, end * subgroup), subgroup),
      from: times[first] ?? 0,
      to: times[end - 1] ?? 0,
    };
  },
  view(from: number, to: number, columns: number): ChartView {
    return { level: thin(levels, from, to, columns), spread: thin(spreads, from, to, columns) };
  },
};
export type ChartWorker = typeof work;
expose(work);
