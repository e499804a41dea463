import type { Range } from '../../terminal';
import { reason, type Reason } from '../../verdict';
import { aboveZero, findBaseline } from './baseline';
import { cleanTrace } from './cleanTrace';
import { findPeak } from './findPeak';
import { limitsOfGauge, type GaugeLimits } from './limitsOfGauge';
import { readSigns, type Signs } from './signs';
import { suggestMode, type ModeSuggestion } from './suggestMode';
import { LEAST_SAMPLES, MOST_SAMPLES, rateFault, type Trace } from './Trace';

export interface TraceRead {
  /** Force shown while nothing pulled, N, as it was when the peak came; already taken off everything else here. */
  readonly zero: number;
  /** Standard deviation of the quiet start, N. */
  readonly noise: number;
  /** Whether the gauge counts a pull as negative: its values are turned. */
  readonly isTurned: boolean;
  readonly peak: {
    /** s from the first sample. */
    readonly at: number;
    /** N above zero. */
    readonly force: number;
    /** The true peak lies within so many N of it, 95 times in 100. */
    readonly within: number;
    /** The gauge came to its end: the true peak is higher. */
    readonly isLeast: boolean;
  };
  /** N/s between a fifth and four fifths of the peak on the way up; null where it was too short to tell. */
  readonly loadingRate: number | null;
  /** s from a fifth to four fifths of the peak. */
  readonly rise: number;
  readonly signs: Signs;
  /** Runs of one or a few samples that stood off and were put aside. */
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
  /** Speed of the stand the table asks for, mm/min; null or left out: not known. */
  readonly speed?: Range | null;
}

/** Faster than this from a fifth to four fifths is a jerk, not a pull, s. */
const JERK = 0.1;

/** Room for the samples while one curve is read: nothing that is told of it holds on to them. Longer ones get their own. */
let room = new Float64Array(0);
const MOST_ROOM = 200_000;

/**
 * Reads a pull from its curve: zero and drift from the quiet start and end, single samples that are off put aside, the peak
 * as it was in the joint with how far it may be off, loading rate, falls and what dies away, and from these the
 * failure mode where they leave no other.
 *
 * @returns not ok when there is no pull to read: a rate no gauge has, too few samples or too many, numbers that are none, a
 *   value that never moves, no quiet start, or a force that never rises above its noise
 */
export function readTrace(trace: Trace, context: TraceContext): TraceReading {
  const { rate } = trace;
  const n = trace.forces.length;
  const no = (code: string, text: string, numbers: Record<string, number> = {}): TraceReading => ({
    ok: false,
    reason: reason(code, 'bad', text, numbers),
  });
  if (!(rate > 0)) return no('no-rate', 'The trace does not say how many samples a second it has.');
  const fault = rateFault(rate);
  if (fault) return no('rate-unlikely', fault, { rate });
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
  if (room.length < n && n <= MOST_ROOM) room = new Float64Array(n);
  const shown = cleanTrace(trace, n <= MOST_ROOM ? room.subarray(0, n) : undefined);
  if (!shown) return no('not-numbers', 'The trace holds values that are no numbers.');
  const base = findBaseline(shown);
  const { zero: start, noise } = base;
  const height = shown.high - start;
  if (shown.high === shown.low) {
    return no(
      'stuck',
      `The gauge shows ${Number(start.toFixed(3))} N throughout: is it holding an old peak, or switched off?`,
      {
        zero: start,
      },
    );
  }
  if (height <= Math.max(6 * noise, 1e-3 * context.breaks)) {
    return no('no-pull', 'The force never rises above the noise: nothing was pulled.', { height, noise });
  }
  if (start - base.at(0) > 0.5 * height || (Math.abs(start) > 0.5 * height && base.preload === 0)) {
    return no(
      'no-quiet-start',
      `The trace starts at ${((trace.forces[0] as number) || 0).toFixed(1)} N: zero the gauge, start recording, then pull.`,
      { zero: start },
    );
  }
  // Before the zero is taken off: what drifts is no longer alike.
  const limits = limitsOfGauge(shown, base.begins);
  const curve = aboveZero(shown, base);
  const peak = findPeak(curve, base);
  const signs = readSigns(curve, base, peak);
  const { loadingRate, rise } = loading(curve.forces, rate, peak);
  const suggestion = suggestMode(signs, {
    height: peak.force / context.breaks,
    strands: context.strands,
    rate,
    speed: context.speed ? context.speed.max / 60 : null,
    late: peak.late,
    limits,
  });
  const measured = {
    zero: base.at(peak.at),
    noise,
    isTurned: shown.isTurned,
    peak: { at: peak.at, force: peak.force, within: peak.within, isLeast: limits.isSaturated },
    loadingRate,
    rise,
    signs,
    spikes: shown.spikes,
    suggestion,
  };
  const reasons = doubts(measured, { limits, late: peak.late, ...base, wanted: context.loadingRate });
  return { ok: true, read: { ...measured, reasons } };
}

/** From a fifth to four fifths of the peak. */
function loading(forces: Float64Array, rate: number, peak: { at: number; force: number }) {
  let high = Math.min(forces.length - 1, Math.round(peak.at * rate));
  while (high > 0 && (forces[high] ?? 0) > 0.8 * peak.force) high--;
  let low = high;
  while (low > 0 && (forces[low] ?? 0) > 0.2 * peak.force) low--;
  const rise = (high - low) / rate;
  const gained = (forces[high] ?? 0) - (forces[low] ?? 0);
  return { rise, loadingRate: high - low >= 3 ? gained / rise : null };
}

interface Besides {
  readonly limits: GaugeLimits;
  readonly late: number;
  readonly preload: number;
  readonly drift: number;
  readonly wanted: Range | null;
}

function doubts(read: Omit<TraceRead, 'reasons'>, { limits, late, preload, drift, wanted }: Besides): Reason[] {
  const { peak, loadingRate, zero } = read;
  const reasons: Reason[] = [];
  const say = (code: string, tone: 'hold' | 'note', text: string, numbers: Record<string, number> = {}) =>
    reasons.push(reason(code, tone, text, numbers));
  if (peak.isLeast) {
    say(
      'saturated',
      'hold',
      `The gauge came to its end at ${peak.force.toFixed(1)} N: the joint bore more. Use a gauge for higher forces.`,
      { force: peak.force },
    );
  }
  if (limits.holdsPeak) {
    say('holds-peak', 'hold', 'The gauge held its peak: switch it to the force as it is, to see how the joint fails.');
  }
  if (read.isTurned) say('turned', 'note', 'The gauge counts a pull as negative; its values are turned.');
  if (preload > 0) {
    say(
      'preload',
      'hold',
      `The gauge ended ${preload.toFixed(1)} N below where it began: it was pulled already when the record began, or zeroed so. The peak counts from its end.`,
      { preload },
    );
  }
  if (read.rise < JERK) {
    say(
      'jerked',
      'hold',
      `Pulled from a fifth to four fifths of the peak in ${(read.rise * 1000).toFixed(0)} ms: a jerk reads high or low. Pull steadily.`,
      { rise: read.rise },
    );
  }
  if (wanted && loadingRate !== null && (loadingRate < wanted.min || loadingRate > wanted.max)) {
    say(
      'loading-rate',
      'hold',
      `Loaded at ${loadingRate.toFixed(0)} N/s; the limit table asks for ${wanted.min} to ${wanted.max}.`,
      { rate: loadingRate },
    );
  }
  if (read.signs.left > 0.3 && !limits.holdsPeak) {
    say('ends-early', 'hold', 'The trace ends before the joint failed.', { left: read.signs.left * peak.force });
  }
  if (peak.within > 0.02 * peak.force) {
    say(
      'peak-unsure',
      'note',
      `The peak is known to ${peak.within.toFixed(1)} N only: few readings a second, much noise, or nothing on the curve that tells how late the gauge is.`,
      { within: peak.within },
    );
  }
  if (late > 0.005) {
    say('late', 'note', `The gauge shows what it measures ${(late * 1000).toFixed(0)} ms late; that is made up for.`, {
      late,
    });
  }
  if (Math.abs(drift) * peak.at > Math.max(5 * read.noise, 0.01 * peak.force)) {
    say('drifts', 'note', `The gauge’s zero wandered by ${drift.toFixed(2)} N/s; that is taken off.`, { drift });
  }
  if (read.spikes) {
    say('spikes', 'note', `${read.spikes} readings stood far off for a moment and were put aside.`, {
      spikes: read.spikes,
    });
  }
  if (preload === 0 && Math.abs(zero) > Math.max(5 * read.noise, 0.02 * peak.force)) {
    say('zero-off', 'note', `The gauge showed ${zero.toFixed(2)} N with nothing on it; that is taken off.`, { zero });
  }
  return reasons;
}
