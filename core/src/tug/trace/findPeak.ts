import type { Baseline } from './baseline';
import { bowBefore, type Bow } from './bow';
import { grainOf, type CleanTrace, type Curve } from './cleanTrace';
import { humOf } from './humOf';
import { inTime, latenessOf, reachOf } from './lateness';
import { FAST } from './Trace';

/** The highest force there was. */
export interface Peak {
  /** s from the first sample. */
  readonly at: number;
  /** N above zero. */
  readonly force: number;
  /** The true one lies within so many N of it, 95 times in 100. */
  readonly within: number;
  /** Time the gauge is behind, s, as its fall tells; 0 where nothing does. */
  readonly late: number;
  /** Hz of the mains that swings in the curve; null: none does. */
  readonly hum: number | null;
}

/** Share of its lateness a gauge may be off once it is made up for. */
const LATE_UNSURE = 0.15;
/** Samples, and s, a gauge has to be late for it to be undone. */
const FEW_LATE = 2;
const LEAST_LATE = 0.001;

/**
 * The force at the top of the curve, as it was in the joint and not as one sample shows it.
 *
 * Where the force falls off, the curve before the fall is followed to its end by a bow (least squares, second order; swings of
 * the mains are taken out where they show), as far back as one bow does for it. The joint failed between two samples,
 * and a gauge that filters shows a rising force late: on a ramp any linear filter is behind by the area of its fall over the
 * fall's height. Both are made up for by the curve's own slope there. A round top is the top of the bow through it.
 */
export function findPeak(shown: Curve, base: Baseline): Peak {
  const lateness = latenessOf(shown, base);
  const clean = lateness.late < Math.max(LEAST_LATE, FEW_LATE / shown.rate) ? shown : inTime(shown, lateness.late);
  const { forces, rate } = clean;
  const about = topOf(clean);
  const hum = humOf(clean, base, about);
  const own = grainOf(clean);
  const height = forces[about] ?? 0;
  const bends = cornerOf(clean, about, own, height, Math.max(own, base.noise));
  // What was made up for bends as much earlier as the change was taken over: from there the bow is drawn on to the corner.
  const corner = bends === null || clean === shown ? bends : bends + reachOf(lateness.late * rate);
  const from = bends ?? about;
  const best = bowBefore(clean, from, own, hum, bends === null);
  const dt = 1 / rate;
  if (!best) {
    const value = forces[about] ?? 0;
    const gap = Math.abs(value - (forces[Math.max(0, about - 1)] ?? value));
    return {
      at: about / rate,
      force: value + gap / 2,
      within: 2 * Math.hypot(own, base.error) + gap,
      late: 0,
      hum,
    };
  }
  let value = -Infinity;
  let error = 0;
  let at = from;
  const steps = 24;
  const upTo = corner ?? best.to;
  for (let k = 0; k <= steps; k++) {
    const i = best.from + ((upTo - best.from) * k) / steps;
    const found = best.fit.at(best.plain(i));
    if (found.value > value) [value, error, at] = [found.value, found.error, i];
  }
  let gap = 0;
  const isAtCorner = corner !== null && at >= upTo - (upTo - best.from) / steps;
  if (isAtCorner) {
    const rise = Math.max(0, best.fit.at(best.slope(corner)).value);
    value += rise * ((clean === shown ? lateness.late : 0) + dt / 2);
    gap = rise * Math.hypot(dt / Math.sqrt(12), lateness.unsure + LATE_UNSURE * lateness.late);
  }
  if (!isAtCorner || rate < FAST) {
    // A round top may be a sharp one that a slow gauge has rounded: by what rose before it in the time the gauge may be late. Where
    // readings are few, a corner may be one of a tooth that was higher.
    const unknown = (clean === shown ? lateness.late : 0) + lateness.unsure;
    const steepest = steepestBefore(clean, Math.round(at), Math.max(1, Math.round(unknown * rate)));
    gap = Math.max(gap, ((rate < FAST ? 1 : 0.7) * unknown + LATE_UNSURE * lateness.late) * steepest);
  }
  // Where samples are few, what lies between them is not known: as much as they differ among themselves.
  const grain = unevenness(clean, from, best);
  return {
    at: at / rate,
    force: value,
    within:
      2 *
      Math.hypot(
        error,
        gap,
        base.error,
        clean.step / Math.sqrt(12),
        grain,
        hum === null ? 0 : 0.5 * base.noise,
        best.fit.rest > 1.5 * own ? best.fit.rest : 0,
        0.7 * best.apart,
        0.0007 * height,
      ),
    late: lateness.late,
    hum,
  };
}

/** N/s the force rose with before a place, at most, seen over twice so many samples. */
function steepestBefore({ forces, rate }: CleanTrace, at: number, reach: number): number {
  let most = 0;
  for (let k = 0; k <= 8; k += 2) {
    const [to, from] = [at - k * reach, at - (k + 2) * reach];
    if (from < 0) break;
    most = Math.max(most, ((forces[to] as number) - (forces[from] as number)) / (2 * reach));
  }
  return most * rate;
}

/** Middle of the highest part of the curve seen through as many blocks as its noise asks. */
function topOf({ rate, noise, high, low, blocks, width }: Curve): number {
  const wanted = (noise / (0.004 * (high - low))) ** 2 / width;
  const through = Math.max(1, Math.min(Math.round(wanted), Math.round((0.03 * rate) / width)));
  let sum = 0;
  let most = -Infinity;
  let at = 0;
  for (let k = 0; k < blocks.length; k++) {
    sum += blocks[k] as number;
    if (k >= through) sum -= blocks[k - through] as number;
    if (k >= through - 1 && sum > most) {
      most = sum;
      at = k;
    }
  }
  return Math.max(0, (at - ((through - 1) >> 1)) * width + (width >> 1));
}

/** Last sample before the force falls off near a place; null: it goes over a round top. */
function cornerOf(
  { forces, rate }: CleanTrace,
  about: number,
  own: number,
  height: number,
  swings: number,
): number | null {
  const n = forces.length;
  const reach = Math.max(2, Math.round(0.05 * rate));
  const box = rate >= 5 * FAST ? 3 : rate >= FAST ? 2 : 1;
  const least = (forces[about] as number) - Math.max(6 * own, 0.02 * height);
  let best: number | null = null;
  const bends = Math.max((6 * own) / Math.sqrt(box), 0.006 * height);
  let most = bends;
  let level = -Infinity;
  for (let i = Math.max(2 * box, about - reach); i <= Math.min(n - 1 - box, about + reach); i++) {
    let before = 0;
    let after = 0;
    let earlier = 0;
    for (let k = 0; k < box; k++) {
      before += forces[i - k] as number;
      earlier += forces[i - k - box] as number;
      after += forces[i + 1 + k] as number;
    }
    const drop = (before - after) / box;
    // A corner bends: what falls had not been falling so before.
    const bend = drop - Math.max(0, (earlier - before) / box);
    if (bend <= bends || before / box <= least) continue;
    // The force was highest at the higher of two corners, however deep the falls; of two as high at the one that bends more.
    const above = before / box - level;
    if (above > 3 * swings || (above > -3 * swings && bend > most)) {
      most = bend;
      best = i;
      level = before / box;
    }
  }
  if (best === null) return null;
  // Up to the last sample that does not lie under those before it.
  let at = best;
  while (at > 0 && at > best - reach && (forces[at - 1] as number) > (forces[at] as number) + 2 * own) at--;
  return at;
}

/** How far samples beside the top stand from the bow, N: what lies between them is as far off. */
function unevenness({ forces, rate }: CleanTrace, at: number, { fit, from, plain }: Bow): number {
  if (rate >= FAST) return 0;
  let most = 0;
  for (let i = Math.max(from, at - 3); i <= at; i++) {
    most = Math.max(most, Math.abs((forces[i] as number) - fit.at(plain(i)).value));
  }
  return most;
}
