import type { Cells } from './cells';
import { apart, blackBeside, brightness, usualColour, type Colour } from './colours';
import type { Piece } from './findPiece';
import { even } from './light';
import { Spots, type Surface } from './surface';

/** What the parts of a cut look like where the light is as it is in the middle. */
export interface Looks {
  readonly barrel: Colour;
  readonly strand: Colour;
  readonly dark: Colour;
  /** Spread of the brightness of barrel and strands, as a share of it. */
  readonly shade: number;
}

/** The looks of barrel and strands, from where they have to be: under the outline, and in the middle; and the light. */
export function looksOf(cells: Cells, { body, depth, box }: Piece): { looks: Looks; light: Surface } {
  const { columns, rows } = cells;
  let most = 0;
  for (const d of depth) if (d > most) most = d;
  const ring = 1.5 + 0.03 * (box.bottom - box.top + box.right - box.left);
  const isRing = (i: number) => (depth[i] as number) > 1.5 && (depth[i] as number) <= Math.min(ring, 0.3 * most + 1.5);
  const isDeep = (i: number) => (depth[i] as number) > 0.5 * most;
  let lit: Cells = cells;
  let light: Surface = () => 1;
  let looks = usualLooks(cells, isRing, isDeep);
  for (let round = 0; round < 3; round++) {
    const { barrel, strand, dark } = looks;
    const spots = new Spots();
    for (let i = 0; i < body.length; i++) {
      if (!isRing(i) && !isDeep(i)) continue;
      const own: Colour = [lit.red[i] as number, lit.green[i] as number, lit.blue[i] as number];
      const usual = isRing(i) ? barrel : strand;
      if (apart(own, usual) > 0.5 * apart(dark, usual)) continue;
      const raw = ((cells.red[i] as number) + (cells.green[i] as number) + (cells.blue[i] as number)) / 3;
      spots.add((i % columns) / columns - 0.5, Math.floor(i / columns) / rows - 0.5, raw / brightness(usual));
    }
    const surface = spots.surface();
    if (surface) {
      // Far from any metal a surface runs away: never darker or brighter than threefold.
      light = (x, y) => Math.min(3, Math.max(1 / 3, surface(x, y)));
      lit = { ...cells, red: cells.red.slice(), green: cells.green.slice(), blue: cells.blue.slice() };
      even(lit, light, { columns, rows, left: 0, top: 0 });
    }
    looks = usualLooks(lit, isRing, isDeep);
  }
  return { looks, light };
}

/** The usual colours under the outline and in the middle. */
function usualLooks(cells: Cells, isRing: (i: number) => boolean, isDeep: (i: number) => boolean): Looks {
  const ring = usualColour(cells, isRing);
  const strand = usualColour(cells, isDeep).middle();
  return {
    barrel: ring.middle(),
    strand,
    dark: blackBeside(strand),
    shade: ring.shade(),
  };
}

/** Squared distance of a colour to a metal that may be a little brighter or darker than usual. */
export function toMetal(r: number, g: number, b: number, metal: Colour, shade: number): number {
  const [mr, mg, mb] = metal;
  const k = Math.min(1 + shade, Math.max(1 - shade, (r * mr + g * mg + b * mb) / (mr * mr + mg * mg + mb * mb)));
  return (r - k * mr) ** 2 + (g - k * mg) ** 2 + (b - k * mb) ** 2;
}

/** Spreads of tone and tint of one metal that are believed, and of the logarithm of its brightness. */
const TONE = 0.012;
const LEAST_LIGHT = 0.04;

/** How barrel and strands are told apart. */
export interface Kinds {
  /** Above 0 for barrel, below for strand. */
  readonly of: (r: number, g: number, b: number) => number;
  /** How far apart the two are, in standard deviations. */
  readonly apart: number;
}

const toneOf = (r: number, g: number, b: number) => (r - b) / (r + g + b + 1);
const tintOf = (r: number, g: number, b: number) => (2 * g - r - b) / (r + g + b + 1);
const lightOf = (r: number, g: number, b: number) => Math.log(r + g + b + 1);

/** Along the line between the two in tone, tint and brightness, each counting less the more it varies within one metal. */
export function kindsOf(barrel: Colour, strand: Colour, shade: number): Kinds {
  const spreadOfLight = Math.max(LEAST_LIGHT, 1.5 * shade);
  const [t0, t1] = [toneOf(...barrel), toneOf(...strand)];
  const [n0, n1] = [tintOf(...barrel), tintOf(...strand)];
  const [l0, l1] = [lightOf(...barrel), lightOf(...strand)];
  const [wt, wn, wl] = [(t0 - t1) / TONE ** 2, (n0 - n1) / TONE ** 2, (l0 - l1) / spreadOfLight ** 2];
  const middle = (wt * (t0 + t1) + wn * (n0 + n1) + wl * (l0 + l1)) / 2;
  return {
    of: (r, g, b) => wt * toneOf(r, g, b) + wn * tintOf(r, g, b) + wl * lightOf(r, g, b) - middle,
    apart: Math.sqrt(wt * (t0 - t1) + wn * (n0 - n1) + wl * (l0 - l1)),
  };
}
