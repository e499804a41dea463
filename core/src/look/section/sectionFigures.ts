import type { MeasuredPiece, SectionFigures } from './Micrograph';
import { countGrains } from './countGrains';
import type { SectionReading } from './readSection';
import { LEAST_LINE } from './fill';
import { uprightBox } from './uprightBox';

/** So much deeper than it has to be, a line between strands is clear. */
const CLEAR = 1.6;
/** Least share of what is inside that is worth telling of as lines, and least difference of heights. */
const LEAST_LINES = 0.005;
const NEXT = 1.015;
/** How much longer one way a piece has to look than it was measured, to be cut aslant; and beyond which it is another piece. */
const ASLANT = 1.025;
const MOST_ASLANT = 1.6;
/** Strands are not counted where lines between them would have to be deeper than this. */
const MOST_LINE = 0.25;
/** Borders between equal parts of an area, beside the root of their number and the area: half the outline of a hexagon of area 1. */
const HEXAGONS = Math.sqrt(2 * Math.sqrt(3));
/** Cells that are lines beside that, at the least: with fewer, some strands lie against each other and show no line. */
const LEAST_BORDERS = 0.85;

/**
 * The figures of a reading.
 * @param pxPerMm of the picture
 * @param wireArea metal of the wire before the crimp, mm2
 * @param measured by it a cut that is not square is told and put right
 */
export function sectionFigures(
  reading: SectionReading,
  pxPerMm: number,
  wireArea: number,
  measured?: MeasuredPiece,
): SectionFigures {
  const { columns, rows, labels, cover, borders } = reading;
  const size = reading.cell / pxPerMm;
  let metal = 0;
  let lines = 0;
  let bordered = 0;
  let inside = 0;
  const body = new Uint8Array(labels.length);
  const [faint, clear] = [new Uint8Array(labels.length), new Uint8Array(labels.length)];
  for (let i = 0; i < labels.length; i++) {
    const label = labels[i] as number;
    if (label > 0) body[i] = 1;
    if (label < 2) continue;
    inside++;
    metal += cover[i] as number;
    if (label !== 3) continue;
    if (borders[i] !== 0) {
      bordered++;
      lines += Math.max(0, 1 - (cover[i] as number));
    }
    if ((borders[i] as number) < LEAST_LINE) faint[i] = 1;
    if ((borders[i] as number) <= CLEAR * LEAST_LINE) clear[i] = 1;
  }
  const box = uprightBox(body, columns, rows);
  const [cos, sin] = [Math.cos(box.angle), Math.sin(box.angle)];
  let left = 0;
  for (let i = 0; i < labels.length; i++) {
    if ((labels[i] as number) < 2) continue;
    const dx = (i % columns) + 0.5 - box.middle.x;
    const dy = Math.floor(i / columns) + 0.5 - box.middle.y;
    if (dx * cos + dy * sin < 0) left += cover[i] as number;
  }
  // A scratch parts a strand in two.
  const isCounted = !reading.isScratched && reading.line <= MOST_LINE;
  const grains = isCounted ? countGrains([faint, clear], columns, rows) : null;
  // What a person drew has no lines: there the strands are those that were drawn apart.
  const isParted = (most: number) =>
    reading.line === 0 || bordered >= LEAST_BORDERS * HEXAGONS * Math.sqrt(most * inside);
  const count = grains && isParted(grains.most) ? grains : null;
  const tilt = tiltOf({ height: box.height * size, width: box.width * size }, measured);
  const area = metal * size * size * tilt.shrink;
  return {
    metal: area,
    // Cells are hardly clipped, so that a section without voids can come out a little over full.
    voids: inside ? Math.min(1, Math.max(0, 1 - metal / inside)) : 0,
    compression: area / wireArea,
    height: box.height * size * tilt.height,
    width: box.width * size * tilt.width,
    left: metal ? left / metal : 0.5,
    strands: count?.least ?? 0,
    ...(count && count.most > count.least && { strandsMost: count.most }),
    ...(inside && lines > LEAST_LINES * inside && { lines: lines / inside }),
    ...(box.heightMost > NEXT * box.height && { heightMost: box.heightMost * size * tilt.height }),
    ...(tilt.degrees > 0 && { tilt: tilt.degrees }),
    ...(reading.isScratched && { isScratched: true }),
  };
}

/**
 * How far off square the cut is. Sawn aslant, a piece looks longer one way by 1 / cos of the angle and no longer the other
 * way; a wrong scale makes both longer alike. So both have to have been measured before the cut.
 */
function tiltOf(
  seen: { readonly height: number; readonly width: number },
  measured: MeasuredPiece | undefined,
): { readonly degrees: number; readonly shrink: number; readonly height: number; readonly width: number } {
  const square = { degrees: 0, shrink: 1, height: 1, width: 1 };
  if (!measured?.height || !measured.width) return square;
  const longer = { height: seen.height / measured.height, width: seen.width / measured.width };
  const [less, more] = [Math.min(longer.height, longer.width), Math.max(longer.height, longer.width)];
  // Where neither way is as it was measured, it is the scale or another piece.
  if (Math.abs(less - 1) > ASLANT - 1 || more / less < ASLANT || more > MOST_ASLANT) return square;
  const stretch = longer.height * longer.width;
  return {
    degrees: (Math.acos(Math.min(1, 1 / stretch)) * 180) / Math.PI,
    shrink: 1 / stretch,
    height: 1 / longer.height,
    width: 1 / longer.width,
  };
}

/** What is known of whether a cut is square, and whether something about it is off. */
export function squareness(
  { height, width, tilt }: SectionFigures,
  measured: MeasuredPiece,
): { readonly text: string; readonly isOff: boolean } {
  if (tilt) return { text: `${tilt.toFixed(0)}° off square by what was measured before: put right.`, isOff: true };
  if (!measured.height || !measured.width) {
    return {
      text: 'Not known to be square: height and width measured before the cut would tell. Aslant, metal looks like more.',
      isOff: false,
    };
  }
  const off = Math.max(Math.abs(height / measured.height - 1), Math.abs(width / measured.width - 1));
  return off < ASLANT - 1
    ? { text: 'Square, by the height and width measured before.', isOff: false }
    : {
        text: `Not as measured before (${measured.height.toFixed(2)}, ${measured.width.toFixed(2)} mm): is the scale right, is it this piece?`,
        isOff: true,
      };
}
