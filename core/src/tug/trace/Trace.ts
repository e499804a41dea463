/** Force over time as a gauge sent it. */
export interface Trace {
  /** Samples a second. */
  readonly rate: number;
  /** N, in order, evenly spaced. */
  readonly forces: ArrayLike<number>;
}

/** Fewest samples that make a trace, and most that are taken. */
export const LEAST_SAMPLES = 50;
export const MOST_SAMPLES = 2_000_000;
