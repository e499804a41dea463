import { reason, type Reason } from '../../verdict';
import { cellsOf, lightOf, smoothCells, type CellBox } from './cells';
import { fillOf, type Fill } from './fill';
import { findPiece, reachesEdge } from './findPiece';
import { even, resinOver } from './light';
import { looksOf } from './looks';
import type { Picture } from './Micrograph';
import { partsOf, type Parts } from './parts';
import { hasScratches } from './scratches';

/** Longest side of the mask, cells; and of the first look at where the piece lies. */
const MASK_SIDE = 1000;
const COARSE_SIDE = 180;
/** Rows of pixels that tell the colour of a coarse cell. */
const COARSE_ROWS = 8;
/** Fewest cells the crimp has to be high to be read. */
const LEAST_HEIGHT = 120;

/** Least distance of barrel and strands in what tells them apart, standard deviations. */
const LEAST_KINDS = 1.9;
/** Of the outline, how much may have no clear step from resin to barrel, and how much has barrel under it at the least. */
const MOST_VAGUE = 0.05;
const LEAST_CLOSED = 0.7;
/** Of the step from resin to barrel, what lies within two cells at the least. */
const LEAST_STEEP = 0.17;

/** A cut crimp as it was read: the mask, cell by cell, and what the cells say. */
export interface SectionReading {
  readonly columns: number;
  readonly rows: number;
  /** Pixels of the picture along one cell's side. */
  readonly cell: number;
  /** 0 outside, 1 barrel, 2 void, 3 strand. */
  readonly labels: Uint8Array;
  /** Share of each cell inside the barrel that is metal. */
  readonly cover: Float32Array;
  /** How deep a thin dark line parts two strands here, in 255ths of the step from void to strand. */
  readonly borders: Uint8Array;
  /** Least depth of such a line, as a share of the step from void to strand: crystals and noise make as much. */
  readonly line: number;
  /** The picture is scratched: what looks like a border between two strands may be a scratch. */
  readonly isScratched?: boolean | undefined;
}

export type SectionResult =
  | { readonly ok: true; readonly reading: SectionReading; readonly reasons: readonly Reason[] }
  | { readonly ok: false; readonly reasons: readonly Reason[] };

/** Cells of a picture: the side of one in pixels, and how many. */
export function gridOf({ width, height }: Pick<Picture, 'width' | 'height'>): {
  cell: number;
  columns: number;
  rows: number;
} {
  const cell = Math.max(1, Math.ceil(Math.max(width, height) / MASK_SIDE));
  return { cell, columns: Math.floor(width / cell), rows: Math.floor(height / cell) };
}

/** An empty reading of a picture, for somebody to draw crimp, barrel and strands into where {@link readSection} declines. */
export function blankSection(picture: Pick<Picture, 'width' | 'height'>): SectionReading {
  const grid = gridOf(picture);
  const size = grid.columns * grid.rows;
  return {
    ...grid,
    labels: new Uint8Array(size),
    cover: new Float32Array(size),
    borders: new Uint8Array(size),
    line: 0,
  };
}

/**
 * Finds crimp, barrel, strands and voids in a micrograph of a cut crimp, however it is turned and whatever it is potted in.
 *
 * A first look on coarse cells finds the resin, which is what lies along the edges, and the piece, which is what does not
 * look like it. The colour of the barrel is the usual one under the piece's outline, the colour of the strands the usual one in its
 * middle; light that falls unevenly is taken out by a surface of second order through both. Then every cell is what it looks
 * most like: barrel, strand, resin or black. What the barrel encloses is strand and void, and how full a cell of it is
 * follows from where its colour lies on the way from void to strand.
 *
 * It declines rather than guess: cut off by the picture's edge, too small, out of focus, no step from resin to barrel, barrel and
 * strands that look alike.
 */
export function readSection(picture: Picture): SectionResult {
  const { cell, columns, rows } = gridOf(picture);
  if (rows < LEAST_HEIGHT || columns < LEAST_HEIGHT) {
    return declined(
      'too-small',
      `The picture has ${picture.width} x ${picture.height} pixels; ${LEAST_HEIGHT} each way is the least.`,
    );
  }
  const step = Math.max(1, Math.ceil(Math.max(columns, rows) / COARSE_SIDE));
  const whole = { left: 0, top: 0, columns: Math.floor(columns / step), rows: Math.floor(rows / step) };
  const coarse = cellsOf(picture, cell * step, whole, Math.max(1, Math.floor((cell * step) / COARSE_ROWS)));
  const piece = findPiece(coarse);
  if (!piece)
    return declined(
      'nothing-found',
      'Nothing in the picture looks like a cut crimp with resin around it on all sides.',
    );
  const { box } = piece;
  if (reachesEdge(box, coarse.columns, coarse.rows)) {
    return declined('cut-off', 'The crimp reaches the edge of the picture. Take the picture so that all of it shows.');
  }
  if ((Math.min(box.bottom - box.top, box.right - box.left) + 1) * step < LEAST_HEIGHT) {
    return declined('too-small', 'The crimp is too small in the picture. Take it with more magnification.');
  }
  const { looks, light } = looksOf(coarse, piece);
  const margin = Math.ceil(0.06 * (box.right - box.left + box.bottom - box.top)) + 2;
  const left = Math.max(0, box.left - margin) * step;
  const top = Math.max(0, box.top - margin) * step;
  const part: CellBox = {
    left,
    top,
    columns: Math.min(columns, (box.right + 1 + margin) * step) - left,
    rows: Math.min(rows, (box.bottom + 1 + margin) * step) - top,
  };
  const raw = cellsOf(picture, cell, part);
  const asTaken = lightOf(raw);
  const place = { columns: coarse.columns * step, rows: coarse.rows * step, left, top };
  even(raw, light, place);
  const soft = smoothCells(raw);
  const resin = resinOver(piece, light, place, part);
  const own = { raw, soft, resin, looks, box: part };
  const parts = partsOf(own);
  const fault = faultOf(parts);
  if (fault) return fault;
  const full = fillOf(own, parts);
  return {
    ok: true,
    reading: {
      ...layInto({ cell, columns, rows }, part, parts, full),
      isScratched: hasScratches(asTaken, parts.body, part.columns, part.rows),
    },
    reasons: [reason('section-read', 'good', 'Outline, barrel and strands are found.', parts.signs)],
  };
}

/** Why what was found is not believed; null where it is. */
function faultOf({ signs }: Parts): SectionResult | null {
  if (signs.kinds < LEAST_KINDS || signs.closed < LEAST_CLOSED) {
    return declined(
      'no-colour',
      'Barrel and strands look alike, or the barrel looks like what is around it. Take the picture in colour and light it without tint, pot it in another resin, or etch the cut.',
      signs,
    );
  }
  if (signs.steep < LEAST_STEEP) {
    return declined('blurred', 'The picture is not sharp: borders run together. Focus again.', signs);
  }
  if (signs.vague > MOST_VAGUE) {
    return declined(
      'no-contrast',
      'The crimp does not stand out from what is around it. Polish the cut again, light it more evenly, or pot it in a darker resin.',
      signs,
    );
  }
  return null;
}

/** Lays what was read of a part into the mask of the whole picture. */
function layInto(
  grid: { readonly cell: number; readonly columns: number; readonly rows: number },
  part: CellBox,
  { body, inside }: Parts,
  { cover, isStrand, borders, line }: Fill,
): SectionReading {
  const size = grid.columns * grid.rows;
  const whole = {
    ...grid,
    labels: new Uint8Array(size),
    cover: new Float32Array(size),
    borders: new Uint8Array(size),
    line,
  };
  for (let row = 0, i = 0; row < part.rows; row++) {
    let at = (row + part.top) * grid.columns + part.left;
    for (let column = 0; column < part.columns; column++, i++, at++) {
      if (inside[i]) {
        whole.labels[at] = isStrand[i] ? 3 : 2;
        whole.cover[at] = cover[i] as number;
        whole.borders[at] = borders[i] as number;
      } else if (body[i]) whole.labels[at] = 1;
    }
  }
  return whole;
}

function declined(code: string, text: string, numbers: Record<string, number> = {}): SectionResult {
  return { ok: false, reasons: [reason(code, 'bad', text, numbers)] };
}
