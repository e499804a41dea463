import { smooth, type Cells } from './cells';
import { blackBeside, brightness, quantile, spreadOf, usualColour, type Colour } from './colours';
import { STRIDE } from './light';
import type { Part, Parts } from './parts';
import { valleys } from './valleys';

/** Resin is a colour of its own in voids where it is so far from black, of 255. */
const RESIN_APART = 45;
/** Cells fuller than this are strand, whatever else they might look like. */
const PLAIN = 0.9;

/** What a line between strands is written as that is just deep enough to be one. */
export const LEAST_LINE = 60;

/** How full each cell inside the barrel is. */
export interface Fill {
  /** Share of metal. */
  readonly cover: Float32Array;
  readonly isStrand: Uint8Array;
  /** How deep a line is: {@link LEAST_LINE} where it is just too deep for the edge of a crystal; 0 where there is none. */
  readonly borders: Uint8Array;
  /** Least depth of a line between strands, as a share of the step from void to strand. */
  readonly line: number;
}

/** Where along the way from one colour to another a colour lies: 0 at the first, 1 at the second. */
function shareOf(r: number, g: number, b: number, from: Colour, to: Colour): number {
  const [x, y, z] = [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
  return ((r - from[0]) * x + (g - from[1]) * y + (b - from[2]) * z) / (x * x + y * y + z * z || 1);
}

/** Squared distance of a colour to the way between two others. */
function asideOf(r: number, g: number, b: number, from: Colour, to: Colour): number {
  const t = Math.min(1, Math.max(0, shareOf(r, g, b, from, to)));
  return (
    (r - from[0] - t * (to[0] - from[0])) ** 2 +
    (g - from[1] - t * (to[1] - from[1])) ** 2 +
    (b - from[2] - t * (to[2] - from[2])) ** 2
  );
}

/**
 * How full each cell inside the barrel is: where its colour lies on the way from a void to a strand. A void is black, or
 * holds resin; a strand may be plated with what looks like the barrel. The nearest of these ways counts.
 */
export function fillOf({ raw, soft, resin, looks, box }: Part, { inside, metal, isBarrel, isPlated }: Parts): Fill {
  const { columns, rows } = box;
  const size = columns * rows;
  const plain = usualColour(soft, (i) => inside[i] === 1 && metal[i] === 1 && isBarrel[i] === 0, 3);
  const strand = plain.count > 100 ? plain.middle() : looks.strand;
  const dark = darkOf(soft, inside, strand);
  const { barrel } = looks;
  const share = new Float32Array(size);
  const calm = new Float32Array(size);
  for (let row = 0, i = 0; row < rows; row++) {
    const line = Math.floor(row / STRIDE) * resin.across;
    for (let column = 0; column < columns; column++, i++) {
      if (!inside[i]) continue;
      const [r, g, b] = [soft.red[i] as number, soft.green[i] as number, soft.blue[i] as number];
      let from = dark;
      let to = strand;
      if (!metal[i] || isBarrel[i] || shareOf(r, g, b, dark, strand) < PLAIN) {
        let least = asideOf(r, g, b, dark, strand);
        const at = (line + Math.floor(column / STRIDE)) * 3;
        const own = [resin.colours[at], resin.colours[at + 1], resin.colours[at + 2]] as unknown as Colour;
        if (Math.abs(own[0] - dark[0]) + Math.abs(own[1] - dark[1]) + Math.abs(own[2] - dark[2]) > 3 * RESIN_APART) {
          const aside = asideOf(r, g, b, own, strand);
          if (aside < 0.8 * least) [from, least] = [own, aside];
        }
        if (isPlated && isBarrel[i] && asideOf(r, g, b, dark, barrel) < least) [from, to] = [dark, barrel];
      }
      share[i] = shareOf(raw.red[i] as number, raw.green[i] as number, raw.blue[i] as number, from, to);
      calm[i] = shareOf(r, g, b, from, to);
    }
  }
  const grain = grainOf(share, inside);
  const isGrainy = grain > 0.012;
  const even = isGrainy ? smooth(smooth(calm, columns, rows), columns, rows) : calm;
  const deep = valleys(even, columns, isGrainy ? 5 : 4);
  const line = Math.max(isGrainy ? 0.09 : 0.12, (isGrainy ? 3 : 4.5) * grain);
  const near = nearbyBright(
    calm,
    (i) => inside[i] === 1 && (calm[i] as number) > 0.75 && (deep[i] as number) < line,
    columns,
    rows,
  );
  // Lines are told from crystals of one strand by being darker than crystals differ from what is around them.
  const shade = Math.sqrt(Math.max(0, shadeOf(calm, near, inside, metal) ** 2 - grain ** 2));
  const least = Math.max(line, 2.5 * shade);
  const cover = new Float32Array(size);
  const isStrand = new Uint8Array(size);
  const borders = new Uint8Array(size);
  for (let i = 0; i < size; i++) {
    if (!inside[i]) continue;
    // Linear and hardly clipped: grain that makes one cell too bright makes another too dark, and the sum stays right.
    cover[i] = Math.min(1.3, Math.max(-0.3, (share[i] as number) / (near[i] as number)));
    isStrand[i] = (calm[i] as number) > 0.5 ? 1 : 0;
    if ((deep[i] as number) > line) borders[i] = Math.min(255, Math.round((LEAST_LINE * (deep[i] as number)) / least));
  }
  return { cover, isStrand, borders, line: least };
}

/** Spread of the brightness within a strand, from crystal to crystal: of how cells differ from the mean of what is near. */
function shadeOf(calm: Float32Array, near: Float32Array, inside: Uint8Array, metal: Uint8Array): number {
  const off: number[] = [];
  for (let i = 0; i < calm.length; i += 5) {
    if (inside[i] && metal[i]) off.push((calm[i] as number) / (near[i] as number) - 1);
  }
  return spreadOf(off);
}

/** Colour of the darkest inside the barrel, where it is dark enough to be a hole. */
function darkOf(soft: Cells, inside: Uint8Array, strand: Colour): Colour {
  const light: number[] = [];
  for (let i = 0; i < inside.length; i += 3) {
    if (inside[i]) light.push(((soft.red[i] as number) + (soft.green[i] as number) + (soft.blue[i] as number)) / 3);
  }
  const bound = quantile(light, 0.004);
  if (bound > 0.4 * brightness(strand)) return blackBeside(strand);
  return usualColour(
    soft,
    (i) =>
      inside[i] === 1 && ((soft.red[i] as number) + (soft.green[i] as number) + (soft.blue[i] as number)) / 3 <= bound,
  ).middle();
}

/** Sum over a box, from a table of sums of all that lies above and to the left. */
function overBox(table: Float64Array, top: number, bottom: number, left: number, right: number): number {
  return (
    (table[bottom + right] as number) -
    (table[top + right] as number) -
    (table[bottom + left] as number) +
    (table[top + left] as number)
  );
}

/** Mean fill of the plain strand cells near each cell: one strand, one crystal is brighter than the next. */
function nearbyBright(
  share: Float32Array,
  isPlain: (i: number) => boolean,
  columns: number,
  rows: number,
): Float32Array {
  const reach = 9;
  const width = columns + 1;
  const sums = new Float64Array(width * (rows + 1));
  const counts = new Float64Array(width * (rows + 1));
  for (let y = 0; y < rows; y++) {
    let sum = 0;
    let count = 0;
    for (let x = 0; x < columns; x++) {
      const i = y * columns + x;
      if (isPlain(i)) {
        sum += share[i] as number;
        count++;
      }
      const at = (y + 1) * width + x + 1;
      sums[at] = (sums[at - width] as number) + sum;
      counts[at] = (counts[at - width] as number) + count;
    }
  }
  const out = new Float32Array(share.length);
  for (let y = 0; y < rows; y++) {
    const top = Math.max(0, y - reach) * width;
    const bottom = Math.min(rows, y + reach + 1) * width;
    for (let x = 0; x < columns; x++) {
      const left = Math.max(0, x - reach);
      const right = Math.min(columns, x + reach + 1);
      const n = overBox(counts, top, bottom, left, right);
      out[y * columns + x] = n >= 12 ? overBox(sums, top, bottom, left, right) / n : 1;
    }
  }
  return out;
}

/** Standard deviation of the grain left after smoothing over nine cells: a third of what it was. */
function grainOf(share: Float32Array, inside: Uint8Array): number {
  const steps: number[] = [];
  for (let i = 1; i < share.length - 1; i += 3) {
    if (inside[i] && inside[i - 1] && inside[i + 1]) {
      steps.push((share[i] as number) - ((share[i - 1] as number) + (share[i + 1] as number)) / 2);
    }
  }
  // A step has the spread of 1.5 cells.
  return spreadOf(steps) / Math.sqrt(1.5) / 3;
}
