import { leastSquares, median } from '../../statistics';
import { blockOf, type CleanTrace, type Curve } from './cleanTrace';

/** What the gauge shows with nothing on it. */
export interface Baseline {
  /** At the start, N. */
  readonly zero: number;
  /** Standard deviation of the quiet start, N; hum is in it. */
  readonly noise: number;
  /** First sample that is pulled. */
  readonly begins: number;
  /** N/s the zero wanders. */
  readonly drift: number;
  /** N the start was pulled with already: the gauge fell below it at the end. */
  readonly preload: number;
  /** Zero at a time, s. */
  at(time: number): number;
  /** Its standard error, N. */
  readonly error: number;
}

/** Share of the time before the pull that is surely quiet. */
const SURELY_QUIET = 0.9;
/** Share of its height a curve's zero may wander a second where nothing tells. */
const WANDERS = 0.00015;
/** Longest end that is looked at, s. */
const END = 0.3;

/**
 * Zero before and after the pull. Where the quiet end lies beside the quiet start, the gauge has drifted, if the two have
 * the slope that takes it there. Otherwise, when it ends lower, the pull began under load or the gauge had been zeroed under
 * load: the joint bore that too. When it ends higher, something still holds, and the start alone tells the zero.
 */
export function findBaseline(clean: CleanTrace): Baseline {
  const { forces, rate, step } = clean;
  const n = forces.length;
  const begins = beginOf(clean);
  const first = lineThrough(clean, 0, Math.max(3, Math.floor(SURELY_QUIET * begins)));
  const zero = first.middle;
  const noise = Math.max(first.spread, clean.noise);
  const error = Math.hypot(first.error, 0.3 * step);
  const height = clean.high - zero;
  const none: Baseline = { zero, noise, begins, drift: 0, preload: 0, at: () => zero, error };
  const last = lineThrough(clean, n - Math.max(3, Math.min(n >> 2, Math.round(END * rate))), n);
  // Still falling, or torn about by what still holds.
  if (last.spread > 2.5 * noise + step || n - begins < 6) return none;
  const off = last.middle - zero;
  const between = (n - last.n / 2 - first.n / 2) / rate;
  const weights = [first, last].map(({ slopeError }) => 1 / Math.max(1e-9, slopeError) ** 2);
  const weight = weights.reduce((a, b) => a + b, 0);
  const slope = (first.slope * (weights[0] ?? 0) + last.slope * (weights[1] ?? 0)) / weight;
  const unsure = 1 / Math.sqrt(weight);
  const both = Math.hypot(error, last.error);
  const isNothing = Math.abs(off) <= 3 * both + 0.5 * step;
  const isAsSloped =
    Math.abs(off / between - slope) <= 3 * unsure + (0.002 * height) / between &&
    (Math.abs(slope) > 3 * unsure || Math.abs(off) < 0.015 * height);
  if (isNothing || isAsSloped) {
    const drift = off / between;
    const from = first.n / 2 / rate;
    return {
      ...none,
      drift,
      at: (time) => zero + drift * (time - from),
      error: Math.max(both / Math.SQRT2, 0.1 * Math.abs(off)),
    };
  }
  if (off < 0) {
    // How far it has wandered since the peak, the load at the start hides.
    const wandered = WANDERS * height * ((n - begins) / rate);
    return { ...none, preload: -off, at: () => last.middle, error: Math.hypot(last.error, 0.3 * step, wandered) };
  }
  return { ...none, error: Math.hypot(error, Math.min(off, 0.005 * height)) };
}

/** The curve above its zero; its samples are changed where they are. */
export function aboveZero(clean: CleanTrace, base: Baseline): Curve {
  const { forces, rate } = clean;
  const n = forces.length;
  const width = blockOf(rate, n);
  const blocks = new Float64Array(Math.ceil(n / width));
  const from = base.at(0);
  const each = base.at(1 / rate) - from;
  for (let block = 0, i = 0; block < blocks.length; block++) {
    const end = Math.min(n, i + width);
    const size = end - i;
    let sum = 0;
    for (; i < end; i++) {
      const value = (forces[i] as number) - from - each * i;
      forces[i] = value;
      sum += value;
    }
    blocks[block] = sum / size;
  }
  // What the zero wanders on the way is not in them: they say how high the curve is, and no force is told by them.
  return { ...clean, high: clean.high - from, low: clean.low - from, blocks, width };
}

/**
 * First sample that is pulled. A wire tautens by and by: its force begins with the square of the way, so that four times the
 * force come in twice the time.
 */
function beginOf({ forces, rate, noise, step, high }: CleanTrace): number {
  const n = forces.length;
  const some = forces.subarray(0, Math.max(3, Math.min(n >> 2, Math.round(0.1 * rate))));
  const zero = median(some);
  const off = Math.max(1.4826 * median(some.map((v) => Math.abs(v - zero))), noise, step);
  const least = Math.max(4 * off, 0.01 * (high - zero));
  const [one, four] = [passes(least), passes(4 * least)];
  if (one === n) return n;
  return Math.max(Math.min(3, n), Math.min(one, 2 * one - four), Math.floor(one / 4));

  // Seen through a few samples at a time: grain alone does not begin a pull.
  function passes(above: number): number {
    const width = Math.max(1, Math.min(50, Math.round(0.01 * rate)));
    let sum = 0;
    for (let i = 0; i < n; i++) {
      sum += forces[i] as number;
      if (i >= width) sum -= forces[i - width] as number;
      if (i >= width - 1 && sum / width - zero > above) return i - (width >> 1);
    }
    return n;
  }
}

interface Line {
  readonly n: number;
  readonly middle: number;
  readonly error: number;
  readonly spread: number;
  readonly slope: number;
  readonly slopeError: number;
}

/** A straight line through some samples, N and N/s. */
function lineThrough({ forces, rate, noise }: CleanTrace, from: number, to: number): Line {
  const n = to - from;
  const every = Math.max(1, Math.floor(n / 200));
  const count = Math.ceil(n / every);
  const middle = (from + to) / 2;
  const value = (k: number) => forces[from + k * every] as number;
  const fit = leastSquares({
    count,
    size: 2,
    terms(k, rows, at) {
      rows[at] = 1;
      rows[at + 1] = (from + k * every - middle) / rate;
    },
    value,
  });
  if (!fit) {
    let mean = 0;
    for (let k = 0; k < count; k++) mean += value(k) / count;
    return { n, middle: mean, error: noise, spread: noise, slope: 0, slopeError: Infinity };
  }
  const [level, slope] = [fit.at([1, 0]), fit.at([0, 1])];
  // A handful of samples can lie on a line by chance.
  const least = noise / Math.sqrt(count);
  return {
    n,
    middle: level.value,
    error: Math.max(level.error, least),
    spread: fit.rest,
    slope: slope.value,
    slopeError: Math.max(slope.error, (least * Math.sqrt(12) * rate) / n),
  };
}
