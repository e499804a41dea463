import { random } from '../../statistics';

/* Which wires are cut from which reel or remnant: cutting stock in one dimension, with a bound. Lengths are whole millimetres. */

export interface CutDemand {
  /** mm */
  readonly length: number;
  readonly count: number;
}

export interface CutReel {
  readonly reel: string;
  /** mm */
  readonly length: number;
}

export interface ReelCut extends CutReel {
  readonly cuts: readonly CutDemand[];
  /** mm left on it. */
  readonly rest: number;
  /** Whether that is too short to be kept. */
  readonly isScrap: boolean;
}

export interface CutPlan {
  readonly reels: readonly ReelCut[];
  /** What no reel is left for, mm and how many. */
  readonly missing: readonly CutDemand[];
  /** mm of rests too short to be kept. */
  readonly scrap: number;
  /** No way to cut all of it scraps less; null where not all of it can be cut. It does not look at how the wires of several reels share. */
  readonly leastScrap: number | null;
}

interface Fill {
  readonly counts: number[];
  readonly used: number;
}

/** Scrap of a rest: what is shorter than the shortest that is kept. */
const scrapOf = (rest: number, keep: number) => (rest < keep ? rest : 0);

/**
 * Fills one reel so that the least of it becomes scrap, then so that the most is used: every sum of the lengths is known by how it
 * is reached (bounded knapsack, one row a length, over the greatest common divisor of the lengths).
 */
function fill(lengths: readonly number[], counts: readonly number[], reel: number, keep: number): Fill {
  const all = lengths.reduce((sum, length, i) => sum + length * (counts[i] ?? 0), 0);
  if (all <= reel && scrapOf(reel - all, keep) === 0) return { counts: [...counts], used: all };
  const unit = Math.max(1, lengths.filter((_, i) => (counts[i] ?? 0) > 0).reduce(gcd, 0));
  const size = Math.floor(Math.min(reel, all) / unit);
  // For each sum: how many of each length were taken last to reach it; -1: not reached.
  const rows = lengths.map((length, i) => {
    const step = length / unit;
    const most = counts[i] ?? 0;
    return { step, most };
  });
  const taken: Int32Array[] = [];
  let reached = new Uint8Array(size + 1);
  reached[0] = 1;
  for (const { step, most } of rows) {
    const used = new Int32Array(size + 1).fill(-1);
    const next = reached.slice();
    if (most > 0)
      for (let sum = 0; sum <= size; sum++) {
        if (reached[sum]) used[sum] = 0;
        else if (sum >= step && next[sum - step] && (used[sum - step] as number) < most) {
          next[sum] = 1;
          used[sum] = (used[sum - step] as number) + 1;
        }
      }
    else for (let sum = 0; sum <= size; sum++) if (reached[sum]) used[sum] = 0;
    taken.push(used);
    reached = next;
  }
  let best = 0;
  let least = Infinity;
  for (let sum = size; sum >= 0; sum--) {
    if (!reached[sum]) continue;
    const scrap = scrapOf(reel - sum * unit, keep);
    // A reel that is not touched scraps nothing; nothing is won by it either.
    if (sum > 0 && scrap < least) [best, least] = [sum, scrap];
  }
  const found = lengths.map(() => 0);
  for (let i = rows.length - 1, sum = best; i >= 0; i--) {
    const count = Math.max(0, taken[i]?.[sum] ?? 0);
    found[i] = count;
    sum -= count * (rows[i]?.step ?? 0);
  }
  return { counts: found, used: best * unit };
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/**
 * Cuts all that is asked from what there is, with as little scrap as was found: remnants before reels, shortest first, each filled to the least
 * scrap; then the same with the reels in other orders, as long as that helps and the bound is not met.
 *
 * @param keep the shortest rest that is kept, mm
 * @param tries orders that are tried
 */
export function cutStock(
  demands: readonly CutDemand[],
  reels: readonly CutReel[],
  keep: number,
  tries = 40,
  seed = 1,
): CutPlan {
  const byLength = new Map<number, number>();
  for (const { length, count } of demands)
    if (count > 0) byLength.set(Math.ceil(length), (byLength.get(Math.ceil(length)) ?? 0) + count);
  const lengths = [...byLength.keys()].sort((a, b) => b - a);
  const counts = lengths.map((length) => byLength.get(length) ?? 0);
  const usable = reels
    .filter(({ length }) => length >= 1)
    .map((reel) => ({ ...reel, length: Math.floor(reel.length) }));
  const inOrder = usable.toSorted((a, b) => a.length - b.length);
  const next = random(seed);
  const total = lengths.reduce((sum, length, i) => sum + length * (counts[i] ?? 0), 0);
  const bound = leastScrap(lengths, counts, usable, keep, total);
  let best = cutInOrder(lengths, counts, inOrder, keep);
  for (let i = 0; i < tries && (best.open > 0 || best.scrap > (bound ?? 0)); i++) {
    const order = i === 0 ? inOrder.toReversed() : shuffled(inOrder, next);
    const other = cutInOrder(lengths, counts, order, keep);
    if (other.open < best.open || (other.open === best.open && other.scrap < best.scrap)) best = other;
  }
  return {
    reels: best.reels,
    missing: lengths.flatMap((length, i) => (best.left[i] ? [{ length, count: best.left[i] }] : [])),
    scrap: best.scrap,
    leastScrap: best.open > 0 ? null : bound,
  };
}

function shuffled<T>(all: readonly T[], next: () => number): T[] {
  const some = [...all];
  for (let i = some.length - 1; i > 0; i--) {
    const j = Math.floor(next() * (i + 1));
    [some[i], some[j]] = [some[j] as T, some[i] as T];
  }
  return some;
}

function cutInOrder(lengths: readonly number[], counts: readonly number[], reels: readonly CutReel[], keep: number) {
  const left = [...counts];
  const cut: ReelCut[] = [];
  for (const reel of reels) {
    if (left.every((count) => count === 0)) break;
    const { counts: taken, used } = fill(lengths, left, reel.length, keep);
    if (!used) continue;
    taken.forEach((count, i) => (left[i] = (left[i] ?? 0) - count));
    const rest = reel.length - used;
    cut.push({
      ...{ reel: reel.reel, length: reel.length, rest, isScrap: rest > 0 && rest < keep },
      cuts: lengths.flatMap((length, i) => (taken[i] ? [{ length, count: taken[i] }] : [])),
    });
  }
  // What was left over for the sake of a rest that is kept goes onto that rest, when there is no other place for it.
  for (let c = 0; c < cut.length && left.some((count) => count > 0); c++) {
    const reel = cut[c] as ReelCut;
    const more = fill(lengths, left, reel.rest, 0);
    if (!more.used) continue;
    more.counts.forEach((count, i) => (left[i] = (left[i] ?? 0) - count));
    const rest = reel.rest - more.used;
    const both = lengths.map((length, i) => ({
      length,
      count: (more.counts[i] ?? 0) + (reel.cuts.find((one) => one.length === length)?.count ?? 0),
    }));
    cut[c] = { ...reel, rest, isScrap: rest > 0 && rest < keep, cuts: both.filter(({ count }) => count > 0) };
  }
  const scrap = cut.reduce((sum, { rest, isScrap }) => sum + (isScrap ? rest : 0), 0);
  return { reels: cut, left, scrap, open: left.reduce((sum, count, i) => sum + count * (lengths[i] ?? 0), 0) };
}

/**
 * What has to become scrap at least: each reel that is used scraps at least what its best fill leaves, whatever the others take; so
 * many reels have to be used that all of it fits (the cheapest fraction of them). 0 says nothing.
 * @returns null where all of it does not fit
 */
function leastScrap(
  lengths: readonly number[],
  counts: readonly number[],
  reels: readonly CutReel[],
  keep: number,
  total: number,
): number | null {
  const each = reels.map(({ length }) => {
    const kept = fill(lengths, counts, length, keep);
    // As full as can be, whatever becomes of the rest.
    const most = fill(lengths, counts, length, 0).used;
    return { most, scrap: kept.used ? scrapOf(length - kept.used, keep) : 0 };
  });
  if (each.reduce((sum, { most }) => sum + most, 0) < total) return null;
  let open = total;
  let least = 0;
  for (const { most, scrap } of each.toSorted(
    (a, b) => a.scrap / Math.max(1, a.most) - b.scrap / Math.max(1, b.most),
  )) {
    if (open <= 0) break;
    least += scrap * Math.min(1, open / Math.max(1, most));
    open -= most;
  }
  return Math.floor(least + 1e-9);
}
