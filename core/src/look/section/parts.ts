import type { CellBox, Cells } from './cells';
import { STRIDE, type ResinGrid } from './light';
import { kindsOf, toMetal, type Looks } from './looks';
import { closeMask, distances, fillHoles, largestPatch, openMask, openRound } from './masks';

/** Cells to either side of the outline that are compared, and the least step as a share of the usual one. */
const ASIDE = 4;
const LEAST_STEP = 0.45;
/** Of what is inside, so much looks like the barrel where strands are plated. */
const PLATED = 0.04;

/** A part of a picture with what is known of its colours. */
export interface Part {
  /** Its cells in even light, as they are and smoothed. */
  readonly raw: Cells;
  readonly soft: Cells;
  readonly resin: ResinGrid;
  readonly looks: Looks;
  readonly box: CellBox;
}

/** What a cut is made of, cell by cell. */
export interface Parts {
  readonly body: Uint8Array;
  /** What the barrel encloses: strands and voids. */
  readonly inside: Uint8Array;
  /** Where there is metal, and of it what looks like the barrel; and whether strands are plated with the like. */
  readonly metal: Uint8Array;
  readonly isBarrel: Uint8Array;
  readonly isPlated: boolean;
  /**
   * By what it is believed: how far apart barrel and strands are, how much of the outline is vague, how much has barrel
   * under it, and how much of the step from resin to barrel lies within two cells.
   */
  readonly signs: { readonly kinds: number; readonly vague: number; readonly closed: number; readonly steep: number };
}

/** Finds body, barrel and what it encloses. */
export function partsOf(part: Part): Parts {
  const { columns, rows } = part.box;
  const { barrel, strand, shade } = part.looks;
  const kinds = kindsOf(barrel, strand, shade);
  const { metal, isBarrel } = classify(part, kinds.of);
  const closed = fillHoles(largestPatch(closeMask(metal, columns, rows, 2), columns, rows), columns, rows);
  const wall = wallOf(closed, metal, isBarrel, columns, rows);
  // What is thinner than half a wall is no barrel: the bright edge of a bubble, a scratch.
  const body = largestPatch(openRound(closed, columns, rows, Math.max(1, 0.25 * wall)), columns, rows);
  const thick = new Uint8Array(body.length);
  for (let i = 0; i < thick.length; i++) thick[i] = body[i] && metal[i] && isBarrel[i] ? 1 : 0;
  const enclosed = (shell: Uint8Array) => {
    const inner = new Uint8Array(body.length);
    for (let i = 0; i < inner.length; i++) inner[i] = body[i] && !shell[i] ? 1 : 0;
    return fillHoles(largestPatch(openMask(inner, columns, rows, 2), columns, rows), columns, rows);
  };
  // Plating of strands looks like the barrel and is thin; where there is none, thin barrel is barrel too.
  let shell = largestPatch(openRound(thick, columns, rows, Math.max(1, 0.2 * wall)), columns, rows);
  let inside = enclosed(shell);
  const isPlated = platedShare(inside, thick) > PLATED;
  if (!isPlated) {
    shell = largestPatch(openRound(thick, columns, rows, 1), columns, rows);
    inside = enclosed(shell);
  }
  const signs = { kinds: kinds.apart, ...outlineOf(part, body, shell) };
  return { body, inside, metal, isBarrel, isPlated, signs };
}

/** Of what is inside, how much looks like the barrel. */
function platedShare(inside: Uint8Array, thick: Uint8Array): number {
  let all = 0;
  let plated = 0;
  for (let i = 0; i < inside.length; i++) {
    if (!inside[i]) continue;
    all++;
    if (thick[i]) plated++;
  }
  return all ? plated / all : 0;
}

/** Where there is metal, and where it looks like the barrel: each cell is what it looks most like. */
function classify(
  { soft, resin, looks, box }: Part,
  kindOf: (r: number, g: number, b: number) => number,
): Pick<Parts, 'metal' | 'isBarrel'> {
  const { columns, rows } = box;
  const { barrel, strand, dark } = looks;
  const shade = Math.min(0.3, 2 * looks.shade);
  const metal = new Uint8Array(columns * rows);
  const isBarrel = new Uint8Array(columns * rows);
  const [dr, dg, db] = dark;
  for (let row = 0, i = 0; row < rows; row++) {
    const line = Math.floor(row / STRIDE) * resin.across;
    for (let column = 0; column < columns; column++, i++) {
      const r = soft.red[i] as number;
      const g = soft.green[i] as number;
      const b = soft.blue[i] as number;
      const at = (line + Math.floor(column / STRIDE)) * 3;
      const rr = r - (resin.colours[at] as number);
      const rg = g - (resin.colours[at + 1] as number);
      const rb = b - (resin.colours[at + 2] as number);
      const toResin = rr * rr + rg * rg + rb * rb;
      const toDark = (r - dr) ** 2 + (g - dg) ** 2 + (b - db) ** 2;
      const toNone = toResin < toDark ? toResin : toDark;
      if (toMetal(r, g, b, strand, shade) >= toNone && toMetal(r, g, b, barrel, shade) >= toNone) continue;
      metal[i] = 1;
      if (kindOf(r, g, b) > 0) isBarrel[i] = 1;
    }
  }
  return { metal, isBarrel };
}

/** How thick the barrel is, in cells: how deep under the outline half of what is metal is barrel still. */
function wallOf(body: Uint8Array, metal: Uint8Array, isBarrel: Uint8Array, columns: number, rows: number): number {
  const depth = distances(body, columns, rows);
  const most = Math.ceil(Math.max(columns, rows) / 2) + 1;
  const all = new Int32Array(most);
  const own = new Int32Array(most);
  for (let i = 0; i < depth.length; i++) {
    if (!metal[i] || !body[i]) continue;
    const d = Math.floor(depth[i] as number);
    all[d] = (all[d] as number) + 1;
    if (isBarrel[i]) own[d] = (own[d] as number) + 1;
  }
  let d = 3;
  while (d < most && (own[d] as number) > 0.5 * (all[d] as number)) d++;
  return d;
}

/** Of the outline, how much has no clear step of colour, how much has barrel under it, and how steep the step is. */
function outlineOf(part: Part, body: Uint8Array, shell: Uint8Array): Omit<Parts['signs'], 'kinds'> {
  const { columns, rows } = part.box;
  let all = 0;
  let vague = 0;
  let closed = 0;
  let steep = 0;
  for (let row = ASIDE + 4; row < rows - ASIDE - 4; row += 2) {
    for (let column = ASIDE + 4; column < columns - ASIDE - 4; column++) {
      const i = row * columns + column;
      if (!body[i] || (body[i - 1] && body[i + 1] && body[i - columns] && body[i + columns])) continue;
      // Inwards is where more of the body is.
      let [x, y] = [0, 0];
      for (let dy = -3; dy <= 3; dy++) {
        for (let dx = -3; dx <= 3; dx++) {
          if (!body[i + dy * columns + dx]) continue;
          x += dx;
          y += dy;
        }
      }
      const long = Math.hypot(x, y);
      if (long === 0) continue;
      const inwards = (by: number) => i + Math.round((by * y) / long) * columns + Math.round((by * x) / long);
      all++;
      if (stepOf(part, row, column, inwards(-ASIDE), inwards(ASIDE)) < LEAST_STEP) vague++;
      steep += stepOf(part, row, column, inwards(-1), inwards(1));
      if (shell[inwards(ASIDE)]) closed++;
    }
  }
  return all ? { vague: vague / all, closed: closed / all, steep: steep / all } : { vague: 1, closed: 0, steep: 0 };
}

/** How far the colour changes from one cell to another on the way from resin to barrel: 1 all the way. */
function stepOf({ soft, resin, looks }: Part, row: number, column: number, from: number, to: number): number {
  const at = (Math.floor(row / STRIDE) * resin.across + Math.floor(column / STRIDE)) * 3;
  const r = looks.barrel[0] - (resin.colours[at] as number);
  const g = looks.barrel[1] - (resin.colours[at + 1] as number);
  const b = looks.barrel[2] - (resin.colours[at + 2] as number);
  const step =
    ((soft.red[to] as number) - (soft.red[from] as number)) * r +
    ((soft.green[to] as number) - (soft.green[from] as number)) * g +
    ((soft.blue[to] as number) - (soft.blue[from] as number)) * b;
  return step / (r * r + g * g + b * b || 1);
}
