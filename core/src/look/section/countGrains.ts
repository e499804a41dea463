/** How much shallower a neck has to be than the smaller of two grains for them to count as two. */
const NECK = 0.82;
/** Grains less deep than this, in cells, or than this share of what most of the metal is in, are crumbs. */
const CRUMB = 2.5;
const CRUMB_SHARE = 0.45;

/**
 * Counts grains that touch: each cell's distance to the border is a landscape, and from its heights downwards grains
 * grow until they meet. Two that meet at a neck clearly narrower than both are two; else one of them was a bump.
 */
export function countGrains(mask: Uint8Array, columns: number, rows: number): number {
  const depth = distances(mask, columns, rows);
  const order = byDepth(depth);
  const parent = new Int32Array(mask.length).fill(-1);
  const peak = new Float32Array(mask.length);
  const find = (i: number): number => {
    let root = i;
    while (parent[root] !== root) root = parent[root] ?? root;
    while (parent[i] !== root) {
      const next = parent[i] ?? root;
      parent[i] = root;
      i = next;
    }
    return root;
  };
  const grains: number[] = [];
  for (const at of order) {
    const d = depth[at] ?? 0;
    parent[at] = at;
    peak[at] = d;
    let own = -1;
    const x = at % columns;
    for (const next of [x > 0 ? at - 1 : -1, x < columns - 1 ? at + 1 : -1, at - columns, at + columns]) {
      if (next < 0 || next >= mask.length || parent[next] === -1) continue;
      const other = find(next);
      if (own === -1) {
        parent[at] = other;
        own = other;
        continue;
      }
      if (other === own) continue;
      const [high, low] = (peak[own] ?? 0) >= (peak[other] ?? 0) ? [own, other] : [other, own];
      // The lower one is a grain of its own when the neck between them is narrow.
      if (d < NECK * (peak[low] ?? 0) && (peak[low] ?? 0) >= CRUMB) grains.push(peak[low] ?? 0);
      parent[low] = high;
      own = high;
    }
  }
  for (let i = 0; i < mask.length; i++) if (parent[i] === i && (peak[i] ?? 0) >= CRUMB) grains.push(peak[i] ?? 0);
  grains.sort((a, b) => b - a);
  const metal = grains.reduce((sum, d) => sum + d * d, 0);
  let half = 0;
  const usual = grains.find((d) => (half += d * d) >= metal / 2) ?? 0;
  return grains.filter((d) => d >= CRUMB_SHARE * usual).length;
}

/** Distance of each set cell to the next unset one, in cells (two sweeps with weights 1 and the root of two). */
function distances(mask: Uint8Array, columns: number, rows: number): Float32Array {
  // One cell of border all around, so that no sweep has to ask where it is.
  const w = columns + 2;
  const d = new Float32Array(w * (rows + 2));
  for (let y = 0; y < rows; y++) {
    for (let x = 0, i = y * columns, at = (y + 1) * w + 1; x < columns; x++, i++, at++) {
      if (mask[i] !== 1) continue;
      d[at] = Math.min(
        (d[at - 1] ?? 0) + 1,
        (d[at - w] ?? 0) + 1,
        (d[at - w - 1] ?? 0) + Math.SQRT2,
        (d[at - w + 1] ?? 0) + Math.SQRT2,
      );
    }
  }
  const out = new Float32Array(mask.length);
  for (let y = rows - 1; y >= 0; y--) {
    for (let x = columns - 1, i = y * columns + x, at = (y + 1) * w + x + 1; x >= 0; x--, i--, at--) {
      const own = d[at] ?? 0;
      if (own === 0) continue;
      d[at] = Math.min(
        own,
        (d[at + 1] ?? 0) + 1,
        (d[at + w] ?? 0) + 1,
        (d[at + w + 1] ?? 0) + Math.SQRT2,
        (d[at + w - 1] ?? 0) + Math.SQRT2,
      );
      out[i] = d[at] ?? 0;
    }
  }
  return out;
}

/** Cells above 0, deepest first. */
function byDepth(depth: Float32Array): Int32Array {
  const keys = new Int32Array(depth.length);
  let most = 0;
  let count = 0;
  for (let i = 0; i < keys.length; i++) {
    const key = Math.round((depth[i] ?? 0) * 16);
    keys[i] = key;
    if (key > most) most = key;
    if (key > 0) count++;
  }
  const starts = new Int32Array(most + 2);
  for (const key of keys) if (key > 0) starts[most - key + 1] = (starts[most - key + 1] ?? 0) + 1;
  for (let i = 1; i < starts.length; i++) starts[i] = (starts[i] ?? 0) + (starts[i - 1] ?? 0);
  const order = new Int32Array(count);
  for (let i = 0; i < keys.length; i++) {
    const key = keys[i] ?? 0;
    if (key === 0) continue;
    const place = starts[most - key] ?? 0;
    starts[most - key] = place + 1;
    order[place] = i;
  }
  return order;
}
