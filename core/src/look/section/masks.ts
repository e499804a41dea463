/** Every cell within `r` steps of one of value `from`, along rows and then along columns, takes that value. */
function grow(mask: Uint8Array, columns: number, rows: number, r: number, from: 0 | 1): Uint8Array {
  const across = mask.slice();
  for (let y = 0; y < rows; y++) {
    const start = y * columns;
    let reach = -1;
    for (let at = start; at < start + columns; at++) {
      if (mask[at] === from) reach = at + r;
      if (at <= reach) across[at] = from;
    }
    reach = mask.length + r;
    for (let at = start + columns - 1; at >= start; at--) {
      if (mask[at] === from) reach = at - r;
      if (at >= reach) across[at] = from;
    }
  }
  const spread = across.slice();
  const last = new Int32Array(columns).fill(-r - 1);
  for (let y = 0; y < rows; y++) {
    for (let x = 0, at = y * columns; x < columns; x++, at++) {
      if (across[at] === from) last[x] = y;
      if (y - (last[x] ?? 0) <= r) spread[at] = from;
    }
  }
  last.fill(rows + r);
  for (let y = rows - 1; y >= 0; y--) {
    for (let x = 0, at = y * columns; x < columns; x++, at++) {
      if (across[at] === from) last[x] = y;
      if ((last[x] ?? 0) - y <= r) spread[at] = from;
    }
  }
  return spread;
}

/** Grown, then shrunk: small gaps are closed. */
export function closeMask(mask: Uint8Array, columns: number, rows: number, r: number): Uint8Array {
  return grow(grow(mask, columns, rows, r, 1), columns, rows, r, 0);
}

/** Shrunk, then grown: specks and thin threads go. */
export function openMask(mask: Uint8Array, columns: number, rows: number, r: number): Uint8Array {
  return grow(grow(mask, columns, rows, r, 0), columns, rows, r, 1);
}

/** The largest connected patch of a mask. */
export function largestPatch(mask: Uint8Array, columns: number, rows: number): Uint8Array {
  const label = new Int32Array(mask.length);
  const stack = new Int32Array(mask.length);
  let next = 0;
  let best = 0;
  let most = 0;
  for (let start = 0; start < mask.length; start++) {
    if (mask[start] !== 1 || label[start] !== 0) continue;
    next++;
    let size = 0;
    let top = 0;
    stack[top++] = start;
    label[start] = next;
    while (top > 0) {
      const at = stack[--top] ?? 0;
      size++;
      const x = at % columns;
      if (x > 0 && mask[at - 1] === 1 && label[at - 1] === 0) {
        label[at - 1] = next;
        stack[top++] = at - 1;
      }
      if (x < columns - 1 && mask[at + 1] === 1 && label[at + 1] === 0) {
        label[at + 1] = next;
        stack[top++] = at + 1;
      }
      if (at >= columns && mask[at - columns] === 1 && label[at - columns] === 0) {
        label[at - columns] = next;
        stack[top++] = at - columns;
      }
      if (at < columns * (rows - 1) && mask[at + columns] === 1 && label[at + columns] === 0) {
        label[at + columns] = next;
        stack[top++] = at + columns;
      }
    }
    if (size > most) [most, best] = [size, next];
  }
  const patch = new Uint8Array(mask.length);
  if (best > 0) for (let i = 0; i < patch.length; i++) patch[i] = label[i] === best ? 1 : 0;
  return patch;
}

/** The mask with every hole that does not reach the picture's edge filled. */
export function fillHoles(mask: Uint8Array, columns: number, rows: number): Uint8Array {
  const outside = new Uint8Array(mask.length);
  const stack = new Int32Array(mask.length);
  let top = 0;
  const visit = (at: number) => {
    if (!mask[at] && !outside[at]) {
      outside[at] = 1;
      stack[top++] = at;
    }
  };
  for (let x = 0; x < columns; x++) {
    visit(x);
    visit((rows - 1) * columns + x);
  }
  for (let y = 0; y < rows; y++) {
    visit(y * columns);
    visit(y * columns + columns - 1);
  }
  while (top > 0) {
    const at = stack[--top] ?? 0;
    const x = at % columns;
    if (x > 0) visit(at - 1);
    if (x < columns - 1) visit(at + 1);
    if (at >= columns) visit(at - columns);
    if (at < columns * (rows - 1)) visit(at + columns);
  }
  return outside.map((v) => (v ? 0 : 1));
}

/** Distance of each set cell to the next unset one, in cells (two sweeps with weights 1 and the root of two). */
export function distances(mask: Uint8Array, columns: number, rows: number): Float32Array {
  // One cell of border all around, so that no sweep has to ask where it is.
  const w = columns + 2;
  const d = new Float32Array(w * (rows + 2));
  for (let y = 0; y < rows; y++) {
    for (let x = 0, i = y * columns, at = (y + 1) * w + 1; x < columns; x++, i++, at++) {
      if (mask[i] === 1) d[at] = least(Infinity, d[at - 1], d[at - w], d[at - w - 1], d[at - w + 1]);
    }
  }
  const out = new Float32Array(mask.length);
  for (let y = rows - 1; y >= 0; y--) {
    for (let x = columns - 1, i = y * columns + x, at = (y + 1) * w + x + 1; x >= 0; x--, i--, at--) {
      const own = d[at] as number;
      if (own === 0) continue;
      d[at] = least(own, d[at + 1], d[at + w], d[at + w + 1], d[at + w - 1]);
      out[i] = d[at] as number;
    }
  }
  return out;
}

/** The least of a distance and of those beside it and across the corner, a step farther. */
function least(own: number, side = 0, below = 0, corner = 0, other = 0): number {
  const straight = (side < below ? side : below) + 1;
  const aslant = (corner < other ? corner : other) + Math.SQRT2;
  const next = straight < aslant ? straight : aslant;
  return next < own ? next : own;
}

/** What is left of a mask when everything thinner than twice a radius, in cells, has been taken away; corners come out rounded. */
export function openRound(mask: Uint8Array, columns: number, rows: number, r: number): Uint8Array {
  const deep = distances(mask, columns, rows);
  const away = new Uint8Array(mask.length);
  for (let i = 0; i < away.length; i++) away[i] = (deep[i] as number) > r ? 0 : 1;
  const back = distances(away, columns, rows);
  for (let i = 0; i < away.length; i++) away[i] = mask[i] === 1 && (back[i] as number) <= r ? 1 : 0;
  return away;
}
