import { boxAround, type Box } from './boxAround';
import type { Cells } from './cells';
import { quantile, spreadOf } from './colours';
import { closeMask, distances, fillHoles, largestPatch, openMask } from './masks';
import { Spots, type Surface } from './surface';

/** Band along the edges of a picture that is taken for resin at first, as a share of the shorter side. */
const BAND = 0.06;
/** Resin is what lies within so many standard deviations of its surface; a piece lies farther off. */
const RESIN_WITHIN = 3.5;
const PIECE_BEYOND = 6;
/** Least spread that is believed, of 255: below, a picture has steps. */
const LEAST_SPREAD = 1.2;
const ROUNDS = 4;
/** Half the width of a scratch with its blur, coarse cells. */
const SCRATCH = 2;

/** Where the piece lies in a picture and what is around and in it. Cells are coarse. */
export interface Piece {
  readonly body: Uint8Array;
  /** Distance of each cell of the body to its outline, cells. */
  readonly depth: Float32Array;
  readonly box: Box;
  /** Colour of the resin at a place, its channels as surfaces. */
  readonly resin: readonly [Surface, Surface, Surface];
}

/**
 * The resin is what lies along the edges of the picture: a surface of second order through each of its colours, found again
 * from all that lies close to it. The piece is the largest patch of what does not.
 */
export function findPiece(cells: Cells): Piece | null {
  const { columns, rows } = cells;
  const channels = [cells.red, cells.green, cells.blue] as const;
  const band = Math.max(2, Math.round(BAND * Math.min(columns, rows)));
  const size = columns * rows;
  const isResin = new Uint8Array(size).fill(1);
  for (let y = band; y < rows - band; y++) isResin.fill(0, y * columns + band, (y + 1) * columns - band);
  /** How far each cell is from the resin, in standard deviations. */
  const off = new Float32Array(size);
  let resin: Piece['resin'] | null = null;
  for (let round = 0; round < ROUNDS; round++) {
    const [red, green, blue] = channels.map((values) => channelOf(values, isResin, columns, rows, round === 0));
    if (!red || !green || !blue) return null;
    resin = [red.surface, green.surface, blue.surface];
    for (let i = 0; i < size; i++) {
      const [r, g, b] = [red.left[i] as number, green.left[i] as number, blue.left[i] as number];
      off[i] = Math.sqrt(((r / red.spread) ** 2 + (g / green.spread) ** 2 + (b / blue.spread) ** 2) / 3);
      if (round > 0) isResin[i] = 1;
      if ((off[i] as number) >= RESIN_WITHIN) isResin[i] = 0;
    }
  }
  if (!resin) return null;
  const mask = new Uint8Array(size);
  for (let i = 0; i < size; i++) mask[i] = (off[i] as number) > PIECE_BEYOND ? 1 : 0;
  const found = bodyOf(mask, columns, rows);
  // A scratch that runs through the piece makes it reach the edge; a piece that does so without them is cut off.
  const isWhole = !found || !reachesEdge(found.box, columns, rows);
  const without = isWhole ? null : bodyOf(openMask(mask, columns, rows, SCRATCH), columns, rows);
  const own = without && !reachesEdge(without.box, columns, rows) ? without : found;
  return own && { ...own, depth: distances(own.body, columns, rows), resin };
}

/** The largest patch with its holes filled. */
function bodyOf(mask: Uint8Array, columns: number, rows: number): Pick<Piece, 'body' | 'box'> | null {
  const body = fillHoles(largestPatch(closeMask(mask, columns, rows, 1), columns, rows), columns, rows);
  const box = boxAround(body, columns, rows);
  return box && { body, box };
}

/** Whether something goes on beyond the picture. */
export const reachesEdge = ({ left, top, right, bottom }: Box, columns: number, rows: number): boolean =>
  left === 0 || top === 0 || right === columns - 1 || bottom === rows - 1;

/** A surface has six numbers: every third cell each way is plenty to find them. */
const FIT_STEP = 3;

/** One channel of the resin: its surface, what is left of every cell without it, and the spread of what is resin. */
function channelOf(
  values: Float32Array,
  isResin: Uint8Array,
  columns: number,
  rows: number,
  isFlat: boolean,
): { surface: Surface; left: Float32Array; spread: number } | null {
  const surface = isFlat ? usualOf(values, isResin) : surfaceOf(values, isResin, columns, rows);
  if (!surface) return null;
  const left = new Float32Array(values.length);
  const own = new Float32Array(values.length);
  let n = 0;
  for (let row = 0, i = 0; row < rows; row++) {
    const y = row / rows - 0.5;
    for (let column = 0; column < columns; column++, i++) {
      left[i] = (values[i] as number) - surface(column / columns - 0.5, y);
      if (isResin[i] === 1) own[n++] = Math.abs(left[i] as number);
    }
  }
  return { surface, left, spread: Math.max(LEAST_SPREAD, spreadOf(own.subarray(0, n))) };
}

/** The usual value alone: to begin with, as a crimp that reaches the edge would draw a surface to it. */
function usualOf(values: Float32Array, isResin: Uint8Array): Surface {
  const usual = quantile(
    values.filter((_, i) => isResin[i] === 1),
    0.5,
  );
  return () => usual;
}

function surfaceOf(values: Float32Array, isResin: Uint8Array, columns: number, rows: number): Surface | null {
  const spots = new Spots();
  for (let row = 0; row < rows; row += FIT_STEP) {
    for (let column = 0; column < columns; column += FIT_STEP) {
      const i = row * columns + column;
      if (isResin[i] === 1) spots.add(column / columns - 0.5, row / rows - 0.5, values[i] as number);
    }
  }
  return spots.surface();
}
