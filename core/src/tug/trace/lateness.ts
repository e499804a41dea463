import type { Baseline } from './baseline';
import { grainOf, type CleanTrace, type Curve } from './cleanTrace';
import { blocksOf } from './turns';
import { FAST } from './Trace';

/** How late a gauge shows what it measures: the sharpest fall of a curve tells it at most. */
export interface Lateness {
  readonly late: number;
  readonly unsure: number;
}

/** Falls that are gone through, the steepest first. */
const FALLS = 4;
/** s over which a fall is looked for: the first of these that finds one. */
const SPANS = [0.002, 0.02, 0.06] as const;
/** How far a fall may be from a filter's, as a share of its height: metal that gives way bit by bit is none. */
const LIKE = 0.03;
/** A fall is climbed out of at once when so much of it comes back within so many times its area. */
const CLIMBED = 0.1;
const CLIMBS_IN = 3;
/** s a gauge may be late where nothing sharp tells. */
const NOTHING_SHARP = 0.05;

/** Goes through the steepest falls: no gauge is later than its sharpest one. */
export function latenessOf(clean: Curve, base: Baseline): Lateness {
  const { forces, rate, high: height, blocks, width } = clean;
  // Swings of the mains are no falls.
  const own = Math.max(base.noise, grainOf(clean));
  const dt = 1 / rate;
  const steepest = SPANS.map((span) => steepestOf(Math.max(1, Math.round((span * rate) / width)))).find(
    (found) => found.length,
  );
  if (!steepest) return { late: 0, unsure: Math.max(NOTHING_SHARP, 2 * dt) };
  let best: Lateness = { late: 0, unsure: dt };
  let least = Infinity;
  // A small fall tells how quick the gauge is at the least, and no more: it may have been deeper.
  let quickest = Math.max(NOTHING_SHARP, 2 * dt);
  for (const { at } of steepest) {
    const fall = fallAround(clean, at, own);
    if (!fall || fall.area >= least) continue;
    if (fall.height < 0.05 * height) {
      quickest = Math.min(quickest, 2 * fall.area + dt);
      continue;
    }
    least = fall.area;
    best = fall.samples <= 1 ? { late: fall.area, unsure: rate < FAST ? dt : dt / 4 } : shapeOf(clean, fall, own);
  }
  return least === Infinity ? { late: 0, unsure: quickest } : best;

  /** Steepest places over so many blocks, each at least 20 ms from the others. */
  function steepestOf(over: number): { at: number; drop: number }[] {
    const apart = Math.max(2, Math.round((0.02 * rate) / width), over);
    const least = Math.max((8 * own) / Math.sqrt(width), 0.02 * height);
    const found: { at: number; drop: number }[] = [];
    for (let k = 0; k + over < blocks.length; k++) {
      const drop = (blocks[k] as number) - (blocks[k + over] as number);
      if (drop < least) continue;
      const last = found.at(-1);
      if (!last || k - last.at >= apart) found.push({ at: k, drop });
      else if (drop > last.drop) found[found.length - 1] = { at: k, drop };
    }
    return found
      .sort((a, b) => b.drop - a.drop)
      .slice(0, FALLS)
      .map(({ at, drop }) => ({ at: steepestIn(at * width, (at + over + 1) * width), drop }));
  }

  /** The sample before the largest loss of a stretch. */
  function steepestIn(from: number, to: number): number {
    let best = from;
    for (let i = from; i < Math.min(to, forces.length - 1); i++) {
      if (lossAt(i) > lossAt(best)) best = i;
    }
    return best;
  }

  function lossAt(i: number): number {
    return (forces[i] as number) - (forces[i + 1] as number);
  }
}

interface Fall {
  readonly corner: number;
  readonly end: number;
  readonly rest: number;
  readonly height: number;
  /** s: area under it as a share of its height. */
  readonly area: number;
  readonly samples: number;
}

/** The whole fall a steep place belongs to. */
function fallAround({ forces, rate }: CleanTrace, steep: number, own: number): Fall | null {
  const n = forces.length;
  const most = Math.max(4, Math.round(0.5 * rate));
  let corner = steep;
  while (corner > 0 && steep - corner < most && (forces[corner - 1] as number) > (forces[corner] as number) + own)
    corner--;
  const top = forces[corner] as number;
  let end = Math.min(n - 1, steep + 1);
  const least = Math.max(2, Math.round(0.004 * rate));
  let ahead = least;
  for (let i = end; i < Math.min(n, steep + most) && i <= end + ahead; i++) {
    ahead = Math.max(least, (end - corner) >> 1);
    if ((forces[i] as number) < (forces[end] as number) - Math.max(own, 0.01 * (top - (forces[end] as number))))
      end = i;
  }
  let rest = 0;
  const after = Math.min(n - 1, end + ahead);
  for (let i = end; i <= after; i++) rest += (forces[i] as number) / (after - end + 1);
  const height = top - rest;
  if (height < 12 * own || height <= 0) return null;
  let area = 0;
  let samples = 0;
  for (let i = corner + 1; i <= after; i++) {
    const share = ((forces[i] as number) - rest) / height;
    area += share / rate;
    if (share > 0.1) samples++;
  }
  return { corner, end: after, rest, height, area: Math.max(0, area), samples };
}

/** A filter's fall dies away; what tears or slides by itself goes straight and ends at once. Which of the two lies nearer? */
function shapeOf({ forces, rate }: CleanTrace, { corner, end, rest, height, area }: Fall, own: number): Lateness {
  const offFrom = (shape: (time: number) => number) => {
    let sum = 0;
    for (let i = corner + 1; i <= end; i++) {
      sum += (((forces[i] as number) - rest) / height - shape((i - corner - 0.5) / rate)) ** 2;
    }
    return sum;
  };
  const straight = offFrom((t) => Math.max(0, 1 - t / (2 * area)));
  const single = offFrom((t) => Math.exp(-t / area));
  const double = offFrom((t) => (1 + (2 * t) / area) * Math.exp((-2 * t) / area));
  const nearest = Math.min(single, double);
  const isLike = Math.sqrt(nearest / (end - corner)) < LIKE + own / height;
  if (!isLike || nearest >= straight || area >= 0.4)
    return { late: 0, unsure: Math.min(area, Math.max(0.1, 2 / rate)) };
  // Where the force climbs again at once, a later gauge would have shown no more of the fall than this.
  const upTo = Math.min(forces.length - 1, end + Math.ceil(CLIMBS_IN * area * rate));
  let isClimbedUp = false;
  for (let i = end; i <= upTo; i++) if ((forces[i] as number) > rest + CLIMBED * height) isClimbedUp = true;
  return { late: area, unsure: isClimbedUp ? 2 * area : 0.15 * area };
}

/**
 * The curve as it was before the gauge's filter: a force and so much of its change a second as the filter takes to follow.
 * On ramps it is exact for any linear filter, at corners for one of first order.
 */
export function inTime(clean: Curve, late: number): Curve {
  const { forces, rate, noise } = clean;
  const n = forces.length;
  const reach = reachOf(late * rate);
  const out = new Float64Array(n);
  let high = -Infinity;
  for (let i = 0; i < n; i++) {
    const [from, to] = [Math.max(0, i - reach), Math.min(n - 1, i + reach)];
    const change = ((forces[to] as number) - (forces[from] as number)) / (to - from);
    const value = (forces[i] as number) + late * rate * change;
    out[i] = value;
    if (value > high) high = value;
  }
  return {
    ...clean,
    forces: out,
    blocks: blocksOf(out, clean.width),
    high,
    noise: noise * Math.hypot(1, (late * rate) / (reach * Math.SQRT2)),
  };
}

/** Samples on both sides the change is taken over, for a gauge so many samples late. */
export function reachOf(late: number): number {
  return Math.max(1, Math.round(late / 6));
}
