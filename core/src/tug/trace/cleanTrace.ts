import { median } from '../../statistics';
import type { Trace } from './Trace';

/** A trace made ready to be read. */
export interface CleanTrace {
  readonly rate: number;
  /** N; a pull counts up, single and double samples that are off are bridged. */
  readonly forces: Float64Array;
  /** Standard deviation from sample to sample, N: what hums or drifts is not in it. */
  readonly noise: number;
  /** Smallest step between two values, N. */
  readonly step: number;
  /** Runs that were bridged. */
  readonly spikes: number;
  /** Whether the gauge counts a pull as negative. */
  readonly isTurned: boolean;
  /** Lowest and highest value after that. */
  readonly low: number;
  readonly high: number;
}

/** A curve above its zero, and seen block by block. */
export interface Curve extends CleanTrace {
  /** Means of so many samples each, N. */
  readonly blocks: Float64Array;
  readonly width: number;
}

/** s a block of a curve is long, and most blocks there are. */
const BLOCK = 0.002;
const MOST_BLOCKS = 16_384;

/** Samples of a block. */
export function blockOf(rate: number, samples: number): number {
  return Math.max(1, Math.round(rate * BLOCK), Math.ceil(samples / MOST_BLOCKS));
}

/** Most samples in a row, and s, that are taken for one spike. */
const SPIKE = 2;
const SPIKE_TIME = 0.004;
/** Samples the noise is taken from. */
const TRIPLES = 1000;

/** @returns null where a value is no number */
export function cleanTrace({ rate, forces: given }: Trace): CleanTrace | null {
  const n = given.length;
  const forces = new Float64Array(given);
  let { low, high } = boundsOf(forces);
  if (!Number.isFinite(low) || !Number.isFinite(high)) return null;
  const { noise, step } = noiseOf(forces);
  const start = median([...forces.subarray(0, Math.max(3, Math.min(n >> 2, Math.round(0.05 * rate))))]);
  // A spike alone turns nothing: what counts is on which side the curve lies, and how far.
  const isTurned = start - low > high - start && forces.reduce((sum, value) => sum + value, 0) / n < start;
  if (isTurned) for (let i = 0; i < n; i++) forces[i] = -(forces[i] as number);
  const least = Math.max(10 * noise, 3 * step, 0.03 * (high - low));
  const longest = Math.max(SPIKE, Math.min(12, Math.round(SPIKE_TIME * rate)));
  let spikes = 0;
  let before = forces[0] as number;
  for (let i = 1; i < n; i++) {
    const value = forces[i] as number;
    const jump = value - before;
    before = value;
    if (jump <= least && jump >= -least) continue;
    const from = value - jump;
    const length = spikeAt(forces, i, from, jump, longest);
    if (!length) continue;
    spikes++;
    const after = forces[Math.min(n - 1, i + length)] as number;
    // Nothing pulls up at once what then lies lower: the curve goes on from where it was.
    const to = after < from - Math.abs(jump) / 3 ? from : after;
    for (let k = 0; k < length; k++) forces[i + k] = from + ((to - from) * (k + 1)) / (length + 1);
    i += length - 1;
    before = forces[i] as number;
  }
  if (spikes || isTurned) ({ low, high } = boundsOf(forces));
  return { rate, forces, noise, step, spikes, isTurned, low, high };
}

/** Lowest and highest; infinite, or none, where a value is. */
function boundsOf(forces: Float64Array): { low: number; high: number } {
  let low = Infinity;
  let high = -Infinity;
  // eslint-disable-next-line @typescript-eslint/prefer-for-of -- the plainest loop is the fastest
  for (let i = 0; i < forces.length; i++) {
    const value = forces[i] as number;
    if (value < low) low = value;
    if (value > high) high = value;
    // NaN compares with nothing: it would be passed over.
    if (value !== value) return { low: NaN, high: NaN };
  }
  return { low, high };
}

/** Samples from i on that jump off and come back; 0: the curve goes on from here. */
function spikeAt(forces: Float64Array, i: number, before: number, jump: number, longest: number): number {
  for (let length = 1; length <= longest; length++) {
    if (i + length >= forces.length) return length;
    const back = ((forces[i + length] as number) - before) / jump;
    // A fall goes on below where it came from; a jump up that ends lower than it began was none of the joint's.
    if (jump > 0 ? back < 0.35 : Math.abs(back) < 0.35) return length;
  }
  return 0;
}

/**
 * Second differences leave out whatever is straight. Their median tells the noise whatever falls and spikes there are: three
 * even samples off by themselves give 1, 4 and 1 parts of its square, and 1.4826 times the median distance is a standard deviation.
 */
function noiseOf(forces: Float64Array): { noise: number; step: number } {
  const every = Math.max(1, Math.floor((forces.length - 2) / TRIPLES));
  const bends = new Float64Array(Math.ceil(Math.max(0, forces.length - 2) / every));
  let step = Infinity;
  for (let i = 1, k = 0; i + 1 < forces.length; i += every, k++) {
    const [a, b, c] = [forces[i - 1] as number, forces[i] as number, forces[i + 1] as number];
    bends[k] = Math.abs(a - 2 * b + c);
    const change = Math.abs(b - a);
    if (change > 1e-9 && change < step) step = change;
  }
  if (!Number.isFinite(step)) step = 0;
  return { noise: (1.4826 * (bends.sort()[bends.length >> 1] ?? 0)) / Math.sqrt(6), step };
}

/** What a value may be off by its noise and its step, N: one standard deviation; never nothing. */
export function grainOf({ noise, step }: Pick<CleanTrace, 'noise' | 'step'>): number {
  return Math.max(noise, step / Math.sqrt(12), 1e-9);
}
