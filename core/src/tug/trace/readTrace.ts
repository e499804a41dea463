import type { Range } from '../../terminal';
import { reason, type Reason } from '../../verdict';
import { suggestMode, type ModeSuggestion } from './suggestMode';
import { LEAST_SAMPLES, MOST_SAMPLES, type Trace } from './Trace';

/** A place on the curve, for the eye. */
export interface TracePoint {
  /** s from the first sample. */
  readonly at: number;
  /** N above zero. */
  readonly force: number;
}

/** A sudden loss of force. */
export interface Drop extends TracePoint {
  /** Loss as a share of the peak. */
  readonly share: number;
  /** Force just after, N. */
  readonly to: number;
  /** Whether the force climbed above where it fell from again. */
  readonly recovered: boolean;
}

export interface TraceRead {
  /** Force shown while nothing pulled, N; already taken off everything else here. */
  readonly zero: number;
  /** Standard deviation of the quiet start, N. */
  readonly noise: number;
  readonly peak: TracePoint;
  /** N/s between a fifth and four fifths of the peak on the way up; null where it was too short to tell. */
  readonly loadingRate: number | null;
  /** s from a fifth to four fifths of the peak. */
  readonly rise: number;
  readonly drops: readonly Drop[];
  /** Force that stayed after the peak, between the first drop and the end. */
  readonly plateau: {
    readonly from: number;
    readonly to: number;
    readonly force: number;
    readonly share: number;
  } | null;
  /** Samples the spike filter put aside. */
  readonly spikes: number;
  readonly suggestion: ModeSuggestion;
  readonly reasons: readonly Reason[];
}

export type TraceReading =
  { readonly ok: true; readonly read: TraceRead } | { readonly ok: false; readonly reason: Reason };

export interface TraceContext {
  /** Breaking load of the wire, N. */
  readonly breaks: number;
  readonly strands: number;
  /** Loading rate the limit table asks for, N/s; null where it names none. */
  readonly loadingRate: Range | null;
}

/** Quiet start the zero is taken from, s. */
const QUIET = 0.05;
/** Width of the blocks drops and plateau are looked for in, s. */
const BLOCK = 0.002;
const MOST_BLOCKS = 8192;
/** A loss of less than this share of the peak is no drop. */
const LEAST_DROP = 0.04;
/** A drop is over within this many seconds. */
const DROP_TIME = 0.02;
/** Faster than this from a fifth to four fifths is a jerk, not a pull, s. */
const JERK = 0.1;

/**
 * Reads a pull from its curve: zero from the quiet start, a median of three against spikes, peak, loading rate, drops and
 * what stays after the peak, and from these the failure mode they suggest. Two passes over the samples, one for the peak
 * and one that counts spikes; everything else works on blocks of 2 ms.
 *
 * @returns not ok when there is no pull to read: too few samples or too many, numbers that are none, a value that never
 *   moves, no quiet start, or a force that never rises above its noise
 */
export function readTrace(trace: Trace, context: TraceContext): TraceReading {
  const { forces, rate } = trace;
  const n = forces.length;
  const no = (code: string, text: string, numbers: Record<string, number> = {}): TraceReading => ({
    ok: false,
    reason: reason(code, 'bad', text, numbers),
  });
  if (!(rate > 0)) return no('no-rate', 'The trace does not say how many samples a second it has.');
  if (n < LEAST_SAMPLES) {
    return no('too-few-samples', `${n} ${n === 1 ? 'sample is' : 'samples are'} no curve: ${LEAST_SAMPLES} at least.`, {
      n,
    });
  }
  if (n > MOST_SAMPLES) {
    return no(
      'too-many-samples',
      `${n} samples are more than the ${MOST_SAMPLES} a pull can have. Cut it to the pull.`,
      { n },
    );
  }

  const width = Math.max(1, Math.round(rate * BLOCK), Math.ceil(n / MOST_BLOCKS));
  const blocks = new Float64Array(Math.ceil(n / width));
  let a = forces[0] as number;
  let b = a;
  let peak = -Infinity;
  let peakAt = 0;
  let spikes = 0;
  let i = 0;
  // A median of three written out, block by block: this loop is all that grows with the number of samples.
  for (let block = 0; block < blocks.length; block++) {
    const end = Math.min(n, i + width);
    const size = end - i;
    let sum = 0;
    for (; i < end; i++) {
      const c = forces[i + 1 < n ? i + 1 : i] as number;
      const low = a < b ? a : b;
      const high = a < b ? b : a;
      const middle = c < low ? low : c > high ? high : c;
      if (middle > peak) {
        peak = middle;
        peakAt = i;
      }
      sum += middle;
      a = b;
      b = c;
    }
    blocks[block] = sum / size;
  }
  if (!Number.isFinite(peak) || !blocks.every(Number.isFinite)) {
    return no('not-numbers', 'The trace holds values that are no numbers.');
  }

  const start = Array.from(
    { length: Math.max(3, Math.min(Math.round(rate * QUIET), n >> 2)) },
    (_, k) => forces[k] as number,
  );
  const sorted = [...start].sort((x, y) => x - y);
  const zero = sorted[sorted.length >> 1] ?? 0;
  const off = sorted.map((value) => Math.abs(value - zero)).sort((x, y) => x - y);
  // 1.4826 x the median distance estimates the standard deviation, whatever a few spikes say.
  const noise = 1.4826 * (off[off.length >> 1] ?? 0);
  const height = peak - zero;
  if (height === 0)
    return no('stuck', `The gauge shows ${zero} N throughout: is it holding an old peak, or switched off?`, { zero });
  if (height <= Math.max(6 * noise, 1e-3 * context.breaks)) {
    return no('no-pull', 'The force never rises above the noise: nothing was pulled.', { height, noise });
  }
  if (Math.abs(zero) > 0.5 * height) {
    return no(
      'no-quiet-start',
      `The trace starts at ${zero.toFixed(1)} N: zero the gauge, start recording, then pull.`,
      { zero },
    );
  }
  for (let k = 1; k < n - 1; k++) {
    const value = forces[k] as number;
    const before = forces[k - 1] as number;
    const after = forces[k + 1] as number;
    const jump = Math.min(Math.abs(value - before), Math.abs(value - after));
    if (jump > 0.1 * height && (value - before) * (value - after) > 0) spikes += 1;
  }
  for (let k = 0; k < blocks.length; k++) blocks[k] = (blocks[k] ?? 0) - zero;

  const second = width / rate;
  const peakBlock = Math.floor(peakAt / width);
  const { loadingRate, rise } = loading(blocks, peakBlock, height, second);
  const drops = findDrops(blocks, height, second, peakBlock);
  const plateau = findPlateau(blocks, height, second, peakBlock, drops);
  const measured = {
    zero,
    noise,
    peak: { at: peakAt / rate, force: height },
    loadingRate,
    rise,
    drops,
    plateau,
    spikes,
  };
  const last = blocks[blocks.length - 1] ?? 0;
  const suggestion = suggestMode({ ...measured, endsAt: last / height }, context);
  return { ok: true, read: { ...measured, suggestion, reasons: doubts(measured, last, context.loadingRate) } };
}

function loading(blocks: Float64Array, peakBlock: number, height: number, second: number) {
  let high = peakBlock;
  while (high > 0 && (blocks[high] ?? 0) > 0.8 * height) high -= 1;
  let low = high;
  while (low > 0 && (blocks[low] ?? 0) > 0.2 * height) low -= 1;
  const rise = (high - low) * second;
  const gained = (blocks[high] ?? 0) - (blocks[low] ?? 0);
  return { rise, loadingRate: high - low >= 3 ? gained / rise : null };
}

function findDrops(blocks: Float64Array, height: number, second: number, peakBlock: number): Drop[] {
  const reach = Math.max(1, Math.round(DROP_TIME / second));
  const drops: Drop[] = [];
  for (let k = 0; k + 1 < blocks.length; k++) {
    const from = blocks[k] ?? 0;
    const fallen = from - (blocks[Math.min(blocks.length - 1, k + 1)] ?? 0);
    if (fallen < 0.25 * LEAST_DROP * height || from < LEAST_DROP * height) continue;
    // Down to the lowest it comes to while it still falls.
    let end = k + 1;
    while (end + 1 < blocks.length && end - k < reach && (blocks[end + 1] ?? 0) < (blocks[end] ?? 0)) end += 1;
    const to = blocks[end] ?? 0;
    const share = (from - to) / height;
    if (share < LEAST_DROP) continue;
    let recovered = false;
    for (let later = end + 1; later < blocks.length && !recovered; later++) recovered = (blocks[later] ?? 0) > from;
    // Back at once is the gauge losing samples, not the joint letting go.
    const back = Math.max(...blocks.subarray(end, Math.min(blocks.length, end + reach / 2 + 2)));
    if (back < from - 0.5 * (from - to) || k >= peakBlock + reach) {
      drops.push({ at: (k + 1) * second, force: from, share, to, recovered: recovered && k < peakBlock });
    }
    k = end - 1;
  }
  return drops;
}

function findPlateau(
  blocks: Float64Array,
  height: number,
  second: number,
  peakBlock: number,
  drops: readonly Drop[],
): TraceRead['plateau'] {
  const afterPeak = drops.filter((drop) => drop.at / second >= peakBlock - 1);
  const first = afterPeak[0];
  const from = first ? Math.round(first.at / second) + Math.round(DROP_TIME / second) : peakBlock + 1;
  let to = blocks.length - 1;
  while (to > from && (blocks[to] ?? 0) < 0.08 * height) to -= 1;
  if ((to - from) * second < 0.05) return null;
  let sum = 0;
  for (let k = from; k <= to; k++) sum += blocks[k] ?? 0;
  const force = sum / (to - from + 1);
  return { from: from * second, to: to * second, force, share: force / height };
}

function doubts(
  read: Pick<TraceRead, 'loadingRate' | 'rise' | 'spikes' | 'zero' | 'peak' | 'noise'>,
  last: number,
  wanted: Range | null,
): Reason[] {
  const reasons: Reason[] = [];
  if (read.rise < JERK) {
    reasons.push(
      reason(
        'jerked',
        'hold',
        `Pulled from a fifth to four fifths of the peak in ${(read.rise * 1000).toFixed(0)} ms: a jerk reads high or low. Pull steadily.`,
        { rise: read.rise },
      ),
    );
  }
  if (wanted && read.loadingRate !== null && (read.loadingRate < wanted.min || read.loadingRate > wanted.max)) {
    reasons.push(
      reason(
        'loading-rate',
        'hold',
        `Loaded at ${read.loadingRate.toFixed(0)} N/s; the limit table asks for ${wanted.min} to ${wanted.max}.`,
        { rate: read.loadingRate },
      ),
    );
  }
  if (read.spikes)
    reasons.push(
      reason('spikes', 'note', `${read.spikes} single samples stood far off and were put aside.`, {
        spikes: read.spikes,
      }),
    );
  if (Math.abs(read.zero) > Math.max(5 * read.noise, 0.02 * read.peak.force)) {
    reasons.push(
      reason('zero-off', 'note', `The gauge showed ${read.zero.toFixed(2)} N with nothing on it; that is taken off.`, {
        zero: read.zero,
      }),
    );
  }
  if (last > 0.5 * read.peak.force) {
    reasons.push(reason('ends-early', 'hold', 'The trace ends before the joint failed.', { last }));
  }
  return reasons;
}
