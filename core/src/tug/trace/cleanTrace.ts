import { kthSmallest, median } from '../../statistics';
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

/**
 * @param room where the samples are put, as long as they are; it is changed later on
 * @returns null where a value is no number
 */
export function cleanTrace(
  { rate, forces: given }: Trace,
  room: Float64Array = new Float64Array(given.length),
): CleanTrace | null {
  const forces = room;
  forces.set(given);
  const n = forces.length;
  const { noise, step } = noiseOf(forces);
  const off = Math.max(10 * noise, 3 * step);
  const bounds = boundsOf(forces, off);
  let { low, high } = bounds;
  // One that is no number makes the sum none.
  if (!Number.isFinite(low) || !Number.isFinite(high) || !Number.isFinite(bounds.sum)) return null;
  const start = median(forces.subarray(0, Math.max(3, Math.min(n >> 2, Math.round(0.05 * rate)))));
  // A spike alone turns nothing: what counts is on which side the curve lies, and how far.
  const isTurned = start - low > high - start && bounds.sum / n < start;
  if (isTurned) for (let i = 0; i < n; i++) forces[i] = -(forces[i] as number);
  const spikes = bridge(forces, bounds.jumps, Math.max(off, 0.03 * (high - low)), rate);
  if (spikes || isTurned) ({ low, high } = boundsOf(forces, Infinity));
  return { rate, forces, noise, step, spikes, isTurned, low, high };
}

/** Lowest, highest and sum, infinite or none where a value is; and the samples that lie farther than `off` from the one before. */
function boundsOf(forces: Float64Array, off: number): { low: number; high: number; sum: number; jumps: number[] } {
  let low = Infinity;
  let high = -Infinity;
  let sum = 0;
  const jumps: number[] = [];
  let before = forces[0] as number;
  for (let i = 0; i < forces.length; i++) {
    const value = forces[i] as number;
    if (value < low) low = value;
    if (value > high) high = value;
    sum += value;
    if (Math.abs(value - before) > off) jumps.push(i);
    before = value;
  }
  return { low, high, sum, jumps };
}

/** Bridges the runs that jump off and come back where they are; how many there were. */
function bridge(forces: Float64Array, jumps: number[], least: number, rate: number): number {
  const n = forces.length;
  const longest = Math.max(SPIKE, Math.min(12, Math.round(SPIKE_TIME * rate)));
  let spikes = 0;
  let next = 0;
  for (let at = 0; at < jumps.length; at++) {
    const i = jumps[at] as number;
    // It was bridged with the one before.
    if (i < next) continue;
    const from = forces[i - 1] as number;
    const jump = (forces[i] as number) - from;
    if (Math.abs(jump) <= least) continue;
    const length = spikeAt(forces, i, from, jump, longest);
    if (!length) continue;
    spikes++;
    const after = forces[Math.min(n - 1, i + length)] as number;
    // Nothing pulls up at once what then lies lower: the curve goes on from where it was.
    const to = after < from - Math.abs(jump) / 3 ? from : after;
    for (let k = 0; k < length; k++) forces[i + k] = from + ((to - from) * (k + 1)) / (length + 1);
    next = i + length;
    // What follows may jump from the bridge, though it did not from the spike.
    if (next < n && jumps[at + 1] !== next) jumps[at--] = next;
  }
  return spikes;
}

/** Samples from i on that jump off and come back; 0: the curve goes on from here. */
function spikeAt(forces: Float64Array, i: number, before: number, jump: number, longest: number): number {
  for (let length = 1; length <= longest; length++) {
    if (i + length >= forces.length) return length;
    const back = ((forces[i + length] as number) - before) / jump;
    // A fall goes on below where it came from; a jump up that ends lower than it began was none of the joint's.
    if (jump > 0 ? back < 0.35 : Math.abs(back) < 0.35) {
      // What comes back from below stays there: a spike in what follows a fall does not.
      const next = ((forces[i + length + 1] ?? before) - before) / jump;
      if (jump > 0 || Math.abs(next) < 0.35) return length;
    }
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
  return { noise: (1.4826 * (kthSmallest(bends, bends.length >> 1) ?? 0)) / Math.sqrt(6), step };
}

/** What a value may be off by its noise and its step, N: one standard deviation; never nothing. */
export function grainOf({ noise, step }: Pick<CleanTrace, 'noise' | 'step'>): number {
  return Math.max(noise, step / Math.sqrt(12), 1e-9);
}
