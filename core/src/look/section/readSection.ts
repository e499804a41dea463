import { reason, type Reason } from '../../verdict';
import type { Picture, SectionFigures, SectionLabel, SectionStroke } from './Micrograph';
import { countGrains } from './countGrains';
import { boxAround } from './boxAround';
import { closeMask, fillHoles, largestPatch, openMask } from './masks';
import { otsu } from './otsu';
import { uprightBox } from './uprightBox';
import { valleys } from './valleys';

/** Longest side of the mask, cells. */
const MASK_SIDE = 1000;
/** Least share of the spread that two levels have to explain to be told apart. */
const LEAST_CONTRAST = 0.82;
const LEAST_COLOUR = 0.6;
/** Fewest cells the crimp has to be high to be read. */
const LEAST_HEIGHT = 120;

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
  /** 1 where a thin dark line parts two strands, whether or not the cell is mostly metal. */
  readonly borders: Uint8Array;
  /** How well metal stands out from resin and voids, and copper from the barrel: 0 to 1. */
  readonly contrast: number;
  readonly colour: number;
}

export type SectionResult =
  | { readonly ok: true; readonly reading: SectionReading; readonly reasons: readonly Reason[] }
  | { readonly ok: false; readonly reasons: readonly Reason[] };

/**
 * Finds crimp, barrel, strands and voids in a micrograph of a cut crimp.
 *
 * The picture is averaged down to cells. Uneven light is taken out by a surface of second order through the bright cells.
 * Metal is told from resin by Otsu's threshold; the largest patch of it that touches no edge, its holes filled, is the
 * crimp. Copper is told from the barrel by how much redder it is, again by Otsu. What is left inside the barrel is strand or
 * void: each cell's share of metal follows linearly between the levels of void and strand, measured over the full picture.
 *
 * It declines rather than guess: too little contrast, the crimp cut off by the picture's edge, too small, no colour
 * between barrel and strands, or a blurred picture.
 */
export function readSection(picture: Picture): SectionResult {
  const { width, height } = picture;
  const cell = Math.max(1, Math.ceil(Math.max(width, height) / MASK_SIDE));
  const columns = Math.floor(width / cell);
  const rows = Math.floor(height / cell);
  if (rows < LEAST_HEIGHT || columns < LEAST_HEIGHT) {
    return declined('too-small', `The picture has ${width} x ${height} pixels; ${LEAST_HEIGHT} each way is the least.`);
  }
  const { light: raw, red } = average(picture, cell, columns, rows);
  const light = smooth(raw, columns, rows);
  let bound = otsu(light);
  if (bound.share < LEAST_CONTRAST) {
    return declined(
      'no-contrast',
      'Metal does not stand out from what is around it. Polish the cut again or light it more evenly.',
      { contrast: bound.share },
    );
  }
  for (let round = 0; round < 2; round++) {
    flatten(light, raw, columns, rows, bound.threshold);
    bound = otsu(light);
  }
  const metal = new Uint8Array(light.length);
  for (let i = 0; i < metal.length; i++) metal[i] = (light[i] ?? 0) > bound.threshold ? 1 : 0;
  const body = fillHoles(largestPatch(closeMask(metal, columns, rows, 2), columns, rows), columns, rows);
  const box = boxAround(body, columns, rows);
  if (!box) return declined('nothing-found', 'Nothing in the picture looks like a cut crimp.');
  if (box.left === 0 || box.top === 0 || box.right === columns - 1 || box.bottom === rows - 1) {
    return declined('cut-off', 'The crimp reaches the edge of the picture. Take the picture so that all of it shows.');
  }
  if (box.bottom - box.top < LEAST_HEIGHT) {
    return declined('too-small', 'The crimp is too small in the picture. Take it with more magnification.', {
      cells: box.bottom - box.top,
    });
  }
  const tones = new Float32Array(light.length).fill(NaN);
  for (let i = 0; i < tones.length; i++) if (body[i] && metal[i]) tones[i] = red[i] ?? 0;
  const hue = otsu(tones);
  if (hue.share < LEAST_COLOUR) {
    return declined(
      'no-colour',
      'Barrel and strands look alike. Take the picture in colour and light it without tint, or etch the cut.',
      { colour: hue.share },
    );
  }
  // Barrel: metal that is not copper. What it encloses is the inside, strands and voids alike.
  const barrel = new Uint8Array(body.length);
  for (let i = 0; i < barrel.length; i++) barrel[i] = body[i] && metal[i] && (red[i] ?? 0) <= hue.threshold ? 1 : 0;
  const shell = largestPatch(openMask(barrel, columns, rows, 1), columns, rows);
  const inner = new Uint8Array(body.length);
  for (let i = 0; i < inner.length; i++) inner[i] = body[i] && !shell[i] ? 1 : 0;
  const inside = fillHoles(largestPatch(openMask(inner, columns, rows, 2), columns, rows), columns, rows);
  const copper = levels(light, red, body, inside, hue.threshold, bound.threshold);
  if (!copper) return declined('no-strands', 'No strands are found inside the barrel.');
  const sharp = sharpness(light, inside, columns, copper);
  if (sharp < 0.08) {
    return declined('blurred', 'The picture is not sharp: borders between strands run together. Focus again.', {
      sharpness: sharp,
    });
  }
  const step = copper.bright - copper.dark;
  const cover = new Float32Array(light.length);
  const grain = noiseOf(raw, inside);
  // Grain makes valleys of its own: the more of it, the more it is smoothed before they are looked for.
  const isGrainy = grain > 0.012 * step;
  const calm = isGrainy ? smooth(smooth(light, columns, rows), columns, rows) : light;
  const deep = valleys(calm, columns, rows, isGrainy ? 5 : 4);
  // A line between strands is darker than what lies on both sides of it by more than the grain makes.
  const least = Math.max((isGrainy ? 0.09 : 0.12) * step, (isGrainy ? 3 : 4.5) * grain);
  const near = nearbyBright(
    light,
    (i) => inside[i] === 1 && (light[i] ?? 0) - copper.dark > 0.75 * step && (deep[i] ?? 0) < least,
    columns,
    rows,
    copper.bright,
  );
  const borders = new Uint8Array(body.length);
  const labels = new Uint8Array(body.length);
  for (let i = 0; i < labels.length; i++) {
    if (!inside[i]) {
      labels[i] = body[i] ? 1 : 0;
      continue;
    }
    // Linear and hardly clipped: grain that makes one cell too bright makes another too dark, and the sum stays right.
    cover[i] = Math.min(
      1.3,
      Math.max(-0.3, ((raw[i] ?? 0) - copper.dark) / ((near[i] ?? copper.bright) - copper.dark)),
    );
    labels[i] = (light[i] ?? 0) - copper.dark > 0.5 * step ? 3 : 2;
    borders[i] = (deep[i] ?? 0) > least ? 1 : 0;
  }
  return {
    ok: true,
    reading: { columns, rows, cell, labels, cover, borders, contrast: bound.share, colour: hue.share },
    reasons: [reason('section-read', 'good', 'Outline, barrel and strands are found.')],
  };
}

/** An empty reading of a picture, for somebody to draw crimp, barrel and strands into where {@link readSection} declines. */
export function blankSection({ width, height }: Pick<Picture, 'width' | 'height'>): SectionReading {
  const cell = Math.max(1, Math.ceil(Math.max(width, height) / MASK_SIDE));
  const columns = Math.floor(width / cell);
  const rows = Math.floor(height / cell);
  const size = columns * rows;
  return {
    columns,
    rows,
    cell,
    labels: new Uint8Array(size),
    cover: new Float32Array(size),
    borders: new Uint8Array(size),
    contrast: 0,
    colour: 0,
  };
}

/**
 * The figures of a reading.
 * @param pxPerMm of the picture
 * @param wireArea metal of the wire before the crimp, mm2
 */
export function sectionFigures(reading: SectionReading, pxPerMm: number, wireArea: number): SectionFigures {
  const { columns, rows, labels, cover, borders } = reading;
  const size = reading.cell / pxPerMm;
  let metal = 0;
  let inside = 0;
  const body = new Uint8Array(labels.length);
  const strands = new Uint8Array(labels.length);
  for (let i = 0; i < labels.length; i++) {
    const label = labels[i] ?? 0;
    if (label > 0) body[i] = 1;
    if (label < 2) continue;
    inside++;
    metal += cover[i] ?? 0;
    if (label === 3 && !borders[i]) strands[i] = 1;
  }
  const box = uprightBox(body, columns, rows);
  let left = 0;
  for (let i = 0; i < labels.length; i++) {
    if ((labels[i] ?? 0) < 2) continue;
    const dx = (i % columns) + 0.5 - box.middle.x;
    const dy = Math.floor(i / columns) + 0.5 - box.middle.y;
    if (dx * Math.cos(box.angle) + dy * Math.sin(box.angle) < 0) left += cover[i] ?? 0;
  }
  return {
    metal: metal * size * size,
    // Cells are hardly clipped, so that a section without voids can come out a little over full.
    voids: inside ? Math.min(1, Math.max(0, 1 - metal / inside)) : 0,
    compression: (metal * size * size) / wireArea,
    height: box.height * size,
    width: box.width * size,
    left: metal ? left / metal : 0.5,
    strands: countGrains(strands, columns, rows),
  };
}

const LABELS: Readonly<Record<SectionLabel, number>> = { outside: 0, barrel: 1, void: 2, strand: 3 };

/** The reading with what a person drew over it. */
export function mendSection(reading: SectionReading, strokes: readonly SectionStroke[]): SectionReading {
  const labels = reading.labels.slice();
  const cover = reading.cover.slice();
  const borders = reading.borders.slice();
  const { columns, rows } = reading;
  for (const { label, radius, points } of strokes) {
    points.forEach((to, i) => {
      const from = points[i - 1] ?? to;
      const steps = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / Math.max(1, radius / 2)));
      for (let step = 0; step <= steps; step++) {
        const x = from.x + ((to.x - from.x) * step) / steps;
        const y = from.y + ((to.y - from.y) * step) / steps;
        for (let cy = Math.max(0, Math.floor(y - radius)); cy <= Math.min(rows - 1, y + radius); cy++) {
          for (let cx = Math.max(0, Math.floor(x - radius)); cx <= Math.min(columns - 1, x + radius); cx++) {
            if ((cx + 0.5 - x) ** 2 + (cy + 0.5 - y) ** 2 > radius * radius) continue;
            const at = cy * columns + cx;
            labels[at] = LABELS[label];
            cover[at] = label === 'strand' ? 1 : 0;
            borders[at] = 0;
          }
        }
      }
    });
  }
  return { ...reading, labels, cover, borders };
}

function declined(code: string, text: string, numbers: Record<string, number> = {}): SectionResult {
  return { ok: false, reasons: [reason(code, 'bad', text, numbers)] };
}

/** Mean brightness of each cell, and how much redder than blue it is. */
function average(
  { width, data }: Picture,
  cell: number,
  columns: number,
  rows: number,
): { light: Float32Array; red: Float32Array } {
  const light = new Float32Array(columns * rows);
  const red = new Float32Array(columns * rows);
  const sums = new Float64Array(columns * 3);
  const share = 1 / (cell * cell);
  for (let row = 0; row < rows; row++) {
    sums.fill(0);
    for (let y = row * cell; y < (row + 1) * cell; y++) {
      let at = y * width * 4;
      for (let column = 0; column < columns; column++) {
        let r = 0;
        let g = 0;
        let b = 0;
        for (let i = 0; i < cell; i++, at += 4) {
          r += data[at] ?? 0;
          g += data[at + 1] ?? 0;
          b += data[at + 2] ?? 0;
        }
        sums[column * 3] = (sums[column * 3] ?? 0) + r;
        sums[column * 3 + 1] = (sums[column * 3 + 1] ?? 0) + g;
        sums[column * 3 + 2] = (sums[column * 3 + 2] ?? 0) + b;
      }
    }
    for (let column = 0; column < columns; column++) {
      const r = (sums[column * 3] ?? 0) * share;
      const g = (sums[column * 3 + 1] ?? 0) * share;
      const b = (sums[column * 3 + 2] ?? 0) * share;
      light[row * columns + column] = (r + g + b) / 3;
      red[row * columns + column] = (r - b) / (r + g + b + 30);
    }
  }
  return { light, red };
}

/** Divides by a surface of second order through the cells above the threshold, so that metal is as bright everywhere. */
function flatten(light: Float32Array, raw: Float32Array, columns: number, rows: number, threshold: number): void {
  const n = 6;
  const sums = new Float64Array(n * (n + 1));
  const terms = new Float64Array([1, 0, 0, 0, 0, 0]);
  const at = (column: number, row: number) => {
    const x = column / columns - 0.5;
    const y = row / rows - 0.5;
    terms[1] = x;
    terms[2] = y;
    terms[3] = x * x;
    terms[4] = x * y;
    terms[5] = y * y;
  };
  // A surface has six numbers: every third cell each way is plenty to find them.
  for (let row = 0; row < rows; row += 3) {
    for (let column = 0; column < columns; column += 3) {
      const value = light[row * columns + column] ?? 0;
      if (value <= threshold) continue;
      at(column, row);
      for (let r = 0; r < n; r++) {
        const t = terms[r] ?? 0;
        for (let c = 0; c < n; c++) sums[r * (n + 1) + c] = (sums[r * (n + 1) + c] ?? 0) + t * (terms[c] ?? 0);
        sums[r * (n + 1) + n] = (sums[r * (n + 1) + n] ?? 0) + t * value;
      }
    }
  }
  const surface = solve(sums, n);
  if (!surface) return;
  const [mean = 1, sx = 0, sy = 0, sxx = 0, sxy = 0, syy = 0] = surface;
  for (let row = 0, i = 0; row < rows; row++) {
    const y = row / rows - 0.5;
    for (let column = 0; column < columns; column++, i++) {
      const x = column / columns - 0.5;
      const value = mean + x * (sx + sxx * x + sxy * y) + y * (sy + syy * y);
      // Far from any metal the surface runs away: it never brightens or darkens more than threefold.
      const share = Math.min(3, Math.max(1 / 3, value / mean));
      light[i] = (light[i] ?? 0) / share;
      raw[i] = (raw[i] ?? 0) / share;
    }
  }
}

/** Gauss with pivots, in place; null when the cells lie so that no surface is determined. */
function solve(m: Float64Array, n: number): Float64Array | null {
  const w = n + 1;
  for (let c = 0; c < n; c++) {
    let pivot = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(m[r * w + c] ?? 0) > Math.abs(m[pivot * w + c] ?? 0)) pivot = r;
    if (Math.abs(m[pivot * w + c] ?? 0) < 1e-9) return null;
    for (let k = 0; k < w; k++) [m[c * w + k], m[pivot * w + k]] = [m[pivot * w + k] ?? 0, m[c * w + k] ?? 0];
    for (let r = 0; r < n; r++) {
      if (r === c) continue;
      const share = (m[r * w + c] ?? 0) / (m[c * w + c] ?? 1);
      for (let k = c; k < w; k++) m[r * w + k] = (m[r * w + k] ?? 0) - share * (m[c * w + k] ?? 0);
    }
  }
  return new Float64Array(Array.from({ length: n }, (_, r) => (m[r * w + n] ?? 0) / (m[r * w + r] ?? 1)));
}

/** Brightness of strands and of voids inside the barrel, evened out. */
function levels(
  light: Float32Array,
  red: Float32Array,
  body: Uint8Array,
  inside: Uint8Array,
  hue: number,
  metal: number,
): { bright: number; dark: number } | null {
  const bright = new Quantiles(light.length);
  const dark = new Quantiles(light.length);
  const resin = new Quantiles(light.length);
  for (let i = 0; i < light.length; i++) {
    const value = light[i] ?? 0;
    if (!body[i]) {
      if (i % 7 === 0) resin.add(value);
    } else if (!inside[i]) continue;
    else if (value > metal && (red[i] ?? 0) > hue) bright.add(value);
    else if (value <= metal) dark.add(value);
  }
  if (bright.count < 200) return null;
  // Thin gaps never get fully dark in a cell; then what is around the crimp says what no metal looks like.
  const around = resin.at(0.5);
  return { bright: bright.at(0.5), dark: dark.count > 50 ? Math.min(around, dark.at(0.1)) : around };
}

/** A list of numbers of which a share is asked for: sorted as plain numbers, which is many times as fast as a list. */
class Quantiles {
  private readonly values: Float32Array;
  count = 0;

  constructor(most: number) {
    this.values = new Float32Array(most);
  }

  add(value: number): void {
    this.values[this.count++] = value;
  }

  /** The value below which this share of them lies; 0 without any. */
  at(share: number): number {
    const sorted = this.values.subarray(0, this.count).sort();
    return sorted[Math.floor(this.count * share)] ?? 0;
  }
}

/** Mean brightness of the plain strand cells near each cell: one strand is brighter than the next. */
function nearbyBright(
  light: Float32Array,
  isPlain: (i: number) => boolean,
  columns: number,
  rows: number,
  usual: number,
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
        sum += light[i] ?? 0;
        count++;
      }
      const at = (y + 1) * width + x + 1;
      sums[at] = (sums[at - width] ?? 0) + sum;
      counts[at] = (counts[at - width] ?? 0) + count;
    }
  }
  const out = new Float32Array(light.length);
  for (let y = 0; y < rows; y++) {
    const top = Math.max(0, y - reach) * width;
    const bottom = Math.min(rows, y + reach + 1) * width;
    for (let x = 0; x < columns; x++) {
      const left = Math.max(0, x - reach);
      const right = Math.min(columns, x + reach + 1);
      const over = (table: Float64Array) =>
        (table[bottom + right] ?? 0) -
        (table[top + right] ?? 0) -
        (table[bottom + left] ?? 0) +
        (table[top + left] ?? 0);
      const n = over(counts);
      out[y * columns + x] = n >= 12 ? over(sums) / n : usual;
    }
  }
  return out;
}

/** How steeply brightness changes between strands and voids, as a share of the whole step per cell. */
function sharpness(
  light: Float32Array,
  inside: Uint8Array,
  columns: number,
  { bright, dark }: { bright: number; dark: number },
): number {
  const steps = new Quantiles(light.length);
  for (let i = columns; i < light.length - columns; i++) {
    if (!inside[i] || !inside[i + 1] || !inside[i + columns]) continue;
    const dx = Math.abs((light[i + 1] ?? 0) - (light[i] ?? 0));
    const dy = Math.abs((light[i + columns] ?? 0) - (light[i] ?? 0));
    steps.add(Math.max(dx, dy) / (bright - dark));
  }
  return steps.at(0.99);
}

/** Mean over each cell and its eight neighbours. */
function smooth(values: Float32Array, columns: number, rows: number): Float32Array {
  const out = values.slice();
  for (let y = 1; y < rows - 1; y++) {
    for (let x = 1, at = y * columns + 1; x < columns - 1; x++, at++) {
      let sum = 0;
      for (let row = at - columns; row <= at + columns; row += columns) {
        sum += (values[row - 1] ?? 0) + (values[row] ?? 0) + (values[row + 1] ?? 0);
      }
      out[at] = sum / 9;
    }
  }
  return out;
}

/** Standard deviation of the grain left after smoothing over nine cells: a ninth of it is left of what it was. */
function noiseOf(raw: Float32Array, inside: Uint8Array): number {
  const steps = new Quantiles(raw.length);
  for (let i = 1; i < raw.length - 1; i += 3) {
    if (inside[i] && inside[i - 1] && inside[i + 1]) {
      steps.add(Math.abs((raw[i] ?? 0) - ((raw[i - 1] ?? 0) + (raw[i + 1] ?? 0)) / 2));
    }
  }
  // Half of all steps are within 0.6745 sd, a step has the spread of 1.5 cells; the mean of nine a third of that.
  return steps.at(0.5) / 0.6745 / Math.sqrt(1.5) / 3;
}
