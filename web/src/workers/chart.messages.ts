import type { Baseline, ControlLimits, Forecast, RunSignal, Trend } from '@tug-mark/core';

/** What is to be made of the points. */
export interface ChartAsked {
  readonly subgroup: number;
  readonly baseline: Baseline | null;
  readonly limit: number | null;
  /** ms since 1970: a trend begins after the last of these. */
  readonly breaks: readonly number[];
  /** ms since 1970 of everything that is drawn on the axis. */
  readonly events: readonly number[];
}

/** A chart's line, thinned to what can be seen: the lowest and the highest of every column stay. */
export interface ThinLine {
  /** Pairs of place and value. */
  readonly points: readonly (readonly [number, number])[];
}

export interface ChartWork {
  readonly count: number;
  /** ms of the first and the last reading. */
  readonly from: number;
  readonly to: number;
  /** Limits from these readings themselves, to be frozen; null with too few. */
  readonly own: Baseline | null;
  readonly level: ControlLimits | null;
  readonly spread: ControlLimits | null;
  /** What does not look like chance, newest last; at most a hundred are told in full. */
  readonly signals: readonly (RunSignal & { readonly at: number })[];
  readonly signalCount: number;
  readonly trend: Trend | null;
  readonly forecast: Forecast | null;
  /** Cycles of the last reading, and readings the trend was taken from. */
  readonly cycles: number;
  readonly trendCount: number;
  readonly lowest: number;
  readonly mean: number;
  /** Places of given instants among the points. */
  readonly placesOf: readonly number[];
}

export interface ChartView {
  readonly level: ThinLine;
  readonly spread: ThinLine;
}

/** Limits of the points in sight, to be frozen; null with too few. */
export interface ChartBaseline {
  readonly baseline: Baseline | null;
  /** ms of the first and the last point. */
  readonly from: number;
  readonly to: number;
}
