import { leastSquares, median, summarise } from '../../statistics';
import type { Baseline } from './baseline';
import type { Curve } from './cleanTrace';
import type { Peak } from './findPeak';
import { blocksOf, stepsOf, turnsOf, type Step, type Turn } from './turns';

/** A loss of force from one turn of the curve to the next. */
export interface Fall {
  /** s from the first sample: where it begins and ends. */
  readonly from: number;
  readonly to: number;
  /** N before and after. */
  readonly high: number;
  readonly low: number;
  /** N the force climbed again after it, and N/s at that. */
  readonly climbs: number;
  readonly climbRate: number | null;
}

/** What a curve shows of how the joint failed. All shares are of the peak. */
export interface Signs {
  /** Falls on the way up that were climbed past, and from the peak on. */
  readonly before: readonly Fall[];
  readonly after: readonly Fall[];
  /** Share the force stood at when all was over. */
  readonly left: number;
  /** s from the peak until nothing was left, and from the begin to the peak. */
  readonly tail: number;
  readonly rise: number;
  /** s from where the force first came within 3 % of the peak to where it last was. */
  readonly plateau: number;
  /** s from where the force last was within 3 % of the peak until nothing was left. */
  readonly gone: number;
  /** Steps down from the peak on: where they are, s, and how much of the force before it each took. */
  readonly steps: readonly Step[];
  /** Least step that would have been seen, as a share of the peak. */
  readonly sees: number;
  /** Share of the peak that went in steps, and bit by bit; what climbed again was lost twice. */
  readonly stepped: number;
  readonly slid: number;
  /** The force after the first moment behind the peak. */
  readonly stays: number;
  /** The last top before the force came to nothing. */
  readonly lastTop: number;
  /** What the curve encloses after the peak as a share of peak and tail: 0.5 of a straight way down. */
  readonly fullness: number;
  /** Share of the tail in which less was left than half of what had stayed. */
  readonly fade: number;
  /** How the reload gets softer as the force goes down: 0 with one wire that slides, 1 with fewer and fewer strands; null: not told. */
  readonly softening: { readonly value: number; readonly error: number } | null;
  /** Steps as a share of the force before them: median of the first half and of the second. */
  readonly relative: readonly [number, number];
  /** Unlikeness of the steps' relative depths: standard deviation over mean. */
  readonly uneven: number;
}

/** Least share a turn of the curve has to differ to count. */
const LEAST = 0.025;
/** Least share a step down has to take. */
const LEAST_STEP = 0.015;
/** A force below this share is nothing. */
const NOTHING = 0.04;
/** Share of the peak a force that stands may differ. */
const STOOD = 0.03;
/** Blocks a reload has to last for its rate to be told. */
const FEW_BLOCKS = 4;
/** Reloads it takes to see whether they get softer, and over how much of the force: sum of squares of its logarithm. */
const FEW_CLIMBS = 4;
const SEEN_OVER = 0.15;
/** s in which a fall is sudden, whatever the gauge. */
const SUDDEN = 0.03;

/** Reads the turns of a curve above its zero. */
export function readSigns(clean: Curve, base: Baseline, peak: Peak): Signs {
  const { rate, noise } = clean;
  const { hum } = peak;
  // Over a whole swing of the mains its sum is nothing.
  const swing = hum !== null && rate >= 4 * hum ? Math.round(rate / hum) : 0;
  const width = Math.max(swing, clean.width);
  const blocks = width === clean.width ? clean.blocks : blocksOf(clean.forces, width);
  const second = width / rate;
  const grain = hum !== null && !swing ? base.noise : noise / Math.sqrt(width);
  const turn = Math.max(LEAST * peak.force, 7 * grain, 1.2 * clean.step);
  const top = Math.min(blocks.length - 1, Math.floor((peak.at * rate) / width));
  const sudden = Math.max(SUDDEN, 3 * second, 4 * peak.late);
  const falls = fallsOf(blocks, turn, second);
  // The fall from the highest top, and from the last of those that are as high.
  let highest = 0;
  falls.forEach((fall, k) => {
    if (fall.high >= 0.995 * (falls[highest]?.high ?? 0)) highest = k;
  });
  const before = falls.slice(0, highest);
  const after = falls.slice(highest);
  let end = blocks.length - 1;
  while (end > top && (blocks[end] ?? 0) < NOTHING * peak.force) end--;
  const isOver = end < blocks.length - 2;
  let area = 0;
  for (let k = top; k <= end; k++) area += Math.max(0, blocks[k] ?? 0);
  const least = Math.max(LEAST_STEP * peak.force, 6 * grain, 2.2 * clean.step);
  const steps = stepsOf(blocks, Math.max(0, top - 2), Math.max(1, Math.round(sudden / second)), { least, second });
  const stepped = steps.reduce((sum, { from, to }) => sum + from - to, 0) / peak.force;
  const climbs = after.reduce((sum, fall) => sum + Math.max(0, fall.climbs), 0) / peak.force;
  const left = isOver ? 0 : Math.max(0, blocks[blocks.length - 1] ?? 0) / peak.force;
  const depths = steps.map(({ from, to }) => (from - to) / Math.max(from, 1e-9));
  const half = Math.ceil(depths.length / 2);
  const spread = depths.length > 2 ? summarise(depths) : null;
  const settled = Math.min(blocks.length - 1, top + Math.max(2, Math.round(sudden / second)));
  const stays = Math.max(0, blocks[settled] ?? 0) / peak.force;
  let halved = end;
  while (halved > top && (blocks[halved] ?? 0) < 0.5 * Math.min(1, stays) * peak.force) halved--;
  let first = top;
  let last = top;
  for (let k = 0; k < blocks.length; k++) {
    if ((blocks[k] ?? 0) < (1 - STOOD) * peak.force) continue;
    first = Math.min(first, k);
    last = k;
  }
  return {
    before,
    after,
    plateau: (last - first) * second,
    gone: Math.max(0, end + 1 - last) * second,
    left,
    tail: (end - top) * second,
    rise: Math.max(second, peak.at - base.begins / rate),
    steps,
    sees: least / peak.force,
    stepped,
    slid: Math.max(0, 1 + climbs - stepped - left),
    stays,
    lastTop: (after.at(-1)?.high ?? 0) / peak.force,
    fullness: area / Math.max(1, end - top + 1) / peak.force,
    fade: (end - halved) / Math.max(1, end - top),
    softening: softeningOf(after, peak.force),
    relative: [median(depths.slice(0, half)), median(depths.slice(half))],
    uneven: spread?.s ? spread.s / spread.mean : 0,
  };
}

/** Every fall between a top and the bottom after it. */
function fallsOf(blocks: Float64Array, least: number, second: number): Fall[] {
  const turns = turnsOf(blocks, least);
  const force = (turn: Turn) => blocks[turn.at] as number;
  return turns.flatMap((high, k) => {
    const [low, next] = [turns[k + 1], turns[k + 2]];
    if (!high.isTop || !low) return [];
    const climbs = next ? force(next) - force(low) : 0;
    const isTold = next !== undefined && next.at - low.at >= FEW_BLOCKS;
    return [
      {
        from: high.at * second,
        to: low.at * second,
        high: force(high),
        low: force(low),
        climbs,
        climbRate: isTold ? climbs / ((next.at - low.at) * second) : null,
      },
    ];
  });
}

/** Slope of the logarithm of the reload's N/s over that of the force half way up it; null where too little of both is seen. */
function softeningOf(falls: readonly Fall[], peak: number): Signs['softening'] {
  const points = falls.flatMap(({ low, climbs, climbRate }) =>
    climbRate !== null && climbRate > 0 && climbs > 0 && low > NOTHING * peak
      ? [{ x: Math.log((low + climbs / 2) / peak), y: Math.log(climbRate) }]
      : [],
  );
  if (points.length < FEW_CLIMBS) return null;
  const spread = summarise(points.map(({ x }) => x))?.s ?? 0;
  if (spread ** 2 * (points.length - 1) < SEEN_OVER) return null;
  const fit = leastSquares({
    count: points.length,
    size: 2,
    terms(k, rows, at) {
      rows[at] = 1;
      rows[at + 1] = points[k]?.x ?? 0;
    },
    value: (k) => points[k]?.y ?? 0,
  });
  return fit?.at([0, 1]) ?? null;
}
