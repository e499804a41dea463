/** Force over time as a gauge sent it. */
export interface Trace {
  /** Samples a second. */
  readonly rate: number;
  /** N, in order, evenly spaced. */
  readonly forces: ArrayLike<number>;
}

/** Fewest samples that make a trace, and most that are taken. */
export const LEAST_SAMPLES = 20;
export const MOST_SAMPLES = 2_000_000;

/** Samples a second that can be read. */
const LEAST_RATE = 1;
const MOST_RATE = 1_000_000;

/** What is wrong with a rate, in words; null: a gauge may send so. */
export function rateFault(rate: number): string | null {
  if (rate >= LEAST_RATE && rate <= MOST_RATE) return null;
  const many = rate > MOST_RATE ? 'many' : 'few';
  return `${Number(rate.toPrecision(3))} samples a second: no gauge sends so ${many}. ${LEAST_RATE} to ${MOST_RATE} can be read; look at the times of the file and their unit.`;
}

/** Samples a second from which on a curve shows how a fall went. */
export const FAST = 60;
