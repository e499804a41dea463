import { boxAround, type Box } from './boxAround';
import { distances } from './masks';

/** How narrow the neck between two grains is beside the smaller of them, at the most, for them to be two: likely, and surely or perhaps. */
const NECKS = [0.72, 0.82, 0.9] as const;
/** Grains less deep than this, in cells, or than this share of what most of the metal is in, are crumbs. */
const CRUMB = 2.5;
const CRUMB_SHARES = [0.38, 0.45, 0.55] as const;
/** Area of the grains as a multiple of the largest circles in them, at the most: beyond, several are taken for one. */
const MOST_SHAPE = 1.6;
/** A grain so much wider than most others may be two. */
const TWO_IN_ONE = 1.4;
/** Fewer than this look the same as many without lines between them. */
const FEWEST = 4;
/** A range wider than from this share of its upper end tells nothing. */
const NARROWEST = 0.75;

/** How many there are, between the least and the most it may be; null where it cannot be told. */
export interface GrainCount {
  readonly least: number;
  readonly most: number;
}

/**
 * Counts grains that touch: each cell's distance to the border is a landscape, and from its heights downwards grains
 * grow until they meet. Two that meet at a neck clearly narrower than both are two; else one of them was a bump. What
 * counts as clearly is tried narrower and wider, and so are crumbs: where the count depends on it, it is a range.
 * @param masks the metal without the lines between grains, by several depths of line
 */
export function countGrains(masks: readonly Uint8Array[], columns: number, rows: number): GrainCount | null {
  const counts: number[] = [];
  let most = 0;
  for (const whole of masks) {
    const box = boxAround(whole, columns, rows);
    if (!box) return null;
    // The piece fills a part of the picture: nothing else is asked for.
    const mask = within(whole, columns, box);
    const grains = grainsOf(mask, box.right - box.left + 1, box.bottom - box.top + 1);
    const metal = grains.reduce((sum, { depth }) => sum + depth * depth, 0);
    if (metal === 0) return null;
    let half = 0;
    const usual = grains.find(({ depth }) => (half += depth * depth) >= metal / 2)?.depth ?? 0;
    let area = 0;
    for (const cell of mask) area += cell;
    for (const neck of NECKS) {
      for (const crumb of CRUMB_SHARES) {
        const own = grains.filter((g) => g.neck < neck && g.depth >= crumb * usual);
        counts.push(own.length);
        const circles = own.reduce((sum, { depth }) => sum + Math.PI * depth * depth, 0);
        if (area > MOST_SHAPE * circles) return null;
        most = Math.max(most, own.length, own.length + own.filter(({ depth }) => depth > TWO_IN_ONE * usual).length);
      }
    }
  }
  const least = Math.min(...counts);
  return least < FEWEST || least < NARROWEST * most ? null : { least, most };
}

/** The part of a mask within a box. */
function within(mask: Uint8Array, columns: number, { left, right, top, bottom }: Box): Uint8Array {
  const width = right - left + 1;
  const part = new Uint8Array(width * (bottom - top + 1));
  for (let y = top; y <= bottom; y++) {
    part.set(mask.subarray(y * columns + left, y * columns + right + 1), (y - top) * width);
  }
  return part;
}

/** A grain: its greatest depth, and how narrow the neck to its greater neighbour is as a share of that; 0 where it has none. */
interface Grain {
  readonly depth: number;
  readonly neck: number;
}

/** The root of a cell's tree; the way there is shortened. */
function rootOf(parent: Int32Array, i: number): number {
  let root = i;
  while (parent[root] !== root) root = parent[root] as number;
  while (parent[i] !== root) {
    const next = parent[i] as number;
    parent[i] = root;
    i = next;
  }
  return root;
}

/** Every height of the landscape, greatest first. */
function grainsOf(mask: Uint8Array, columns: number, rows: number): Grain[] {
  const depth = distances(mask, columns, rows);
  const order = byDepth(depth);
  const parent = new Int32Array(mask.length).fill(-1);
  const peak = new Float32Array(mask.length);
  const grains: Grain[] = [];
  for (const at of order) {
    const d = depth[at] as number;
    parent[at] = at;
    peak[at] = d;
    let own = -1;
    const x = at % columns;
    for (let side = 0; side < 4; side++) {
      let next = at + columns;
      if (side === 0) next = x > 0 ? at - 1 : -1;
      else if (side === 1) next = x < columns - 1 ? at + 1 : -1;
      else if (side === 2) next = at - columns;
      if (next < 0 || next >= mask.length || parent[next] === -1) continue;
      const other = rootOf(parent, next);
      if (own === -1) {
        parent[at] = other;
        own = other;
        continue;
      }
      if (other === own) continue;
      const [high, low] = (peak[own] as number) >= (peak[other] as number) ? [own, other] : [other, own];
      const height = peak[low] as number;
      if (height >= CRUMB) grains.push({ depth: height, neck: d / height });
      parent[low] = high;
      own = high;
    }
  }
  for (let i = 0; i < mask.length; i++) {
    if (parent[i] === i && (peak[i] as number) >= CRUMB) grains.push({ depth: peak[i] as number, neck: 0 });
  }
  return grains.sort((a, b) => b.depth - a.depth);
}

/** Cells above 0, deepest first. */
function byDepth(depth: Float32Array): Int32Array {
  const keys = new Int32Array(depth.length);
  let most = 0;
  let count = 0;
  for (let i = 0; i < keys.length; i++) {
    const key = Math.round((depth[i] as number) * 16);
    keys[i] = key;
    if (key > most) most = key;
    if (key > 0) count++;
  }
  const starts = new Int32Array(most + 2);
  for (const key of keys) if (key > 0) starts[most - key + 1] = (starts[most - key + 1] as number) + 1;
  for (let i = 1; i < starts.length; i++) starts[i] = (starts[i] as number) + (starts[i - 1] as number);
  const order = new Int32Array(count);
  for (let i = 0; i < keys.length; i++) {
    const key = keys[i] as number;
    if (key === 0) continue;
    const place = starts[most - key] as number;
    starts[most - key] = place + 1;
    order[place] = i;
  }
  return order;
}
