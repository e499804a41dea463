import { areaOf, extentOf, isInside, outlineCorners, PRESSED, type Point2 } from '../../geometry';
import { normalFrom, random } from '../../statistics';
import type { NestProfile } from '../../terminal';
import type { Picture, SectionFigures } from './Micrograph';

/** Everything a made-up micrograph follows from. */
export interface MicrographModel {
  readonly seed: number;
  readonly profile: NestProfile;
  readonly strands: number;
  /** Of one strand before the crimp, mm. */
  readonly strandDiameter: number;
  /** Metal after against metal before. */
  readonly compression: number;
  /** Share of the inside that holds no metal. */
  readonly voids: number;
  /** Wall of the barrel as a share of its size. */
  readonly wall: number;
  /** How much farther the left side was pressed, as a share. */
  readonly lean: number;
  /** Picture, pixels; and its scale. */
  readonly width: number;
  readonly height: number;
  readonly pxPerMm: number;
  /** Degrees the piece lies turned in the picture. */
  readonly turn: number;
  /** Degrees the cut is off square: it stretches what is seen by 1 / cos. */
  readonly tilt: number;
  /** Standard deviation of each colour, of 255. */
  readonly noise: number;
  /** How much darker one side of the picture is, as a share. */
  readonly light: number;
  /** Radius of the blur, pixels. */
  readonly blur: number;
}

export const SOUND_MICROGRAPH: MicrographModel = {
  seed: 1,
  profile: 'rolled',
  strands: 24,
  strandDiameter: 0.2,
  compression: 0.86,
  voids: 0.03,
  wall: 0.22,
  lean: 0,
  width: 1600,
  height: 1200,
  pxPerMm: 620,
  turn: 0,
  tilt: 0,
  noise: 6,
  light: 0.15,
  blur: 1,
};

const RESIN = [38, 42, 48] as const;
const BARREL = [196, 196, 186] as const;
const COPPER = [214, 132, 82] as const;
const GAP = [34, 29, 27] as const;

/** Whose a pixel is that lies in no strand. */
const OUTSIDE = -2;
const IN_BARREL = -1;

/**
 * A made-up micrograph of a cut crimp with its truth: the barrel's pressed outline, strands packed into it by relaxed
 * centres, each filling what lies nearest to it less the gap that gives the wanted voids. Truth is counted on the very
 * pixels before blur, light and noise are laid over them.
 */
export function makeMicrograph(model: MicrographModel): { picture: Picture; truth: SectionFigures } {
  const { width, height, pxPerMm } = model;
  const next = random(model.seed);
  const normal = normalFrom(next);
  const before = model.strands * (Math.PI / 4) * model.strandDiameter ** 2;
  const metal = model.compression * before;
  const unit = outlineCorners(PRESSED[model.profile]).map(({ x, y }) => ({
    x,
    y: y < 0 ? y * (1 + model.lean * (x / 60)) : y,
  }));
  const inside = 1 - model.wall;
  // Scale so that the inside holds metal and voids.
  const scale = Math.sqrt(metal / (1 - model.voids) / (areaOf(unit) * inside * inside));
  const outer = unit.map((p) => ({ x: p.x * scale, y: p.y * scale }));
  const inner = outer.map((p) => ({ x: p.x * inside, y: p.y * inside }));
  const seeds = relaxedSeeds(inner, model.strands, next);
  const shade = seeds.map(() => 1 + 0.05 * normal());
  const near = new Nearest(seeds);

  const turn = (model.turn * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const stretch = 1 / Math.cos((model.tilt * Math.PI) / 180);
  const extent = extentOf(outer);
  const middle = { x: 0, y: (extent.top + extent.bottom) / 2 };
  const toPiece = (px: number, py: number): Point2 => {
    const dx = (px + 0.5 - width / 2) / pxPerMm;
    const dy = (py + 0.5 - height / 2) / pxPerMm;
    return { x: (dx * cos + dy * sin) / stretch + middle.x, y: -dx * sin + dy * cos + middle.y };
  };

  // First in whose strand each pixel lies and how far from its border; then the gap that leaves the wanted voids, from a coarse
  // grid of them.
  const owner = new Int16Array(width * height).fill(OUTSIDE);
  const edges = new Float64Array(width * height);
  const coarse: number[] = [];
  const step = Math.max(1, Math.floor(Math.sqrt((width * height) / 60_000)));
  let insidePixels = 0;
  for (let y = 0, i = 0; y < height; y++) {
    const [outerRow, innerRow] = [crossings(outer, toPiece, y, width), crossings(inner, toPiece, y, width)];
    for (let x = 0; x < width; x++, i++) {
      if (isWithin(innerRow, x)) {
        insidePixels++;
        const p = toPiece(x, y);
        edges[i] = near.find(p.x, p.y).edge;
        owner[i] = near.index;
        if (x % step === 0 && y % step === 0) coarse.push(near.edge);
      } else if (isWithin(outerRow, x)) owner[i] = IN_BARREL;
    }
  }
  const gap = Float64Array.from(coarse).sort()[Math.floor(model.voids * coarse.length)] ?? 0;

  const data = new Uint8ClampedArray(width * height * 4);
  let strandPixels = 0;
  let leftPixels = 0;
  for (let i = 0, at = 0; i < owner.length; i++, at += 4) {
    const own = owner[i] as number;
    let colour: readonly number[] = own === IN_BARREL ? BARREL : RESIN;
    let bright = 1;
    if (own >= 0 && (edges[i] as number) < gap) colour = GAP;
    else if (own >= 0) {
      strandPixels++;
      if (toPiece(i % width, Math.floor(i / width)).x < 0) leftPixels++;
      colour = COPPER;
      bright = shade[own] as number;
    }
    data[at] = (colour[0] as number) * bright;
    data[at + 1] = (colour[1] as number) * bright;
    data[at + 2] = (colour[2] as number) * bright;
    data[at + 3] = 255;
  }
  blurAndLight(data, model, normal);
  const pixel = 1 / (pxPerMm * pxPerMm);
  return {
    picture: { width, height, data },
    truth: {
      metal: (strandPixels * pixel) / stretch,
      voids: 1 - strandPixels / insidePixels,
      compression: (strandPixels * pixel) / stretch / before,
      height: extent.bottom - extent.top,
      width: extent.right - extent.left,
      left: leftPixels / strandPixels,
      strands: model.strands,
    },
  };
}

/** Where one row of pixels crosses an outline, in pixels: a sorted list, inside between odd and even places. */
function crossings(
  corners: readonly Point2[],
  toPiece: (x: number, y: number) => Point2,
  row: number,
  width: number,
): number[] {
  // The row is a straight line in the piece's own space; cross it with each side.
  const a = toPiece(0, row);
  const b = toPiece(width, row);
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const side = (p: Point2) => (p.x - a.x) * dy - (p.y - a.y) * dx;
  const found: number[] = [];
  for (let i = 0, j = corners.length - 1; i < corners.length; j = i++) {
    const [p, q] = [corners[j] as Point2, corners[i] as Point2];
    const [s, t] = [side(p), side(q)];
    if (s > 0 === t > 0) continue;
    const share = s / (s - t);
    const x = p.x + share * (q.x - p.x);
    const y = p.y + share * (q.y - p.y);
    found.push((((x - a.x) * dx + (y - a.y) * dy) / (dx * dx + dy * dy)) * width);
  }
  return found.sort((m, n) => m - n);
}

function isWithin(places: readonly number[], x: number): boolean {
  for (let i = 0; i + 1 < places.length; i += 2) {
    if (x >= (places[i] ?? 0) && x < (places[i + 1] ?? 0)) return true;
  }
  return false;
}

/** Centres spread evenly inside an outline: random ones, moved to the middle of what is nearest to them, a few times. */
function relaxedSeeds(inner: readonly Point2[], count: number, next: () => number): Point2[] {
  const extent = extentOf(inner);
  const grid: Point2[] = [];
  const step = Math.sqrt(areaOf(inner) / (count * 60));
  for (let y = extent.top; y < extent.bottom; y += step) {
    for (let x = extent.left; x < extent.right; x += step) if (isInside(inner, { x, y })) grid.push({ x, y });
  }
  let seeds = Array.from({ length: count }, () => grid[Math.floor(next() * grid.length)] ?? { x: 0, y: 0 });
  for (let round = 0; round < 14; round++) {
    const sums = seeds.map(() => ({ x: 0, y: 0, n: 0 }));
    const near = new Nearest(seeds);
    for (const p of grid) {
      const sum = sums[near.find(p.x, p.y).index];
      if (!sum) continue;
      sum.x += p.x;
      sum.y += p.y;
      sum.n++;
    }
    seeds = sums.map((s) =>
      s.n ? { x: s.x / s.n, y: s.y / s.n } : (grid[Math.floor(next() * grid.length)] ?? { x: 0, y: 0 }),
    );
  }
  return seeds;
}

/** Finds the nearest centre to a point. It is asked for every pixel, so that what it found is kept in itself. */
class Nearest {
  /** Of the centre last found. */
  index = -1;
  /** How far the point last asked for lies from the border to the next centre. */
  edge = Infinity;
  private readonly left: number;
  private readonly top: number;
  /** Side of a cell; each knows the centres that lie in it. */
  private readonly size: number;
  private readonly columns: number;
  private readonly rows: number;
  private readonly cells: readonly number[][];

  constructor(private readonly seeds: readonly Point2[]) {
    const { left, right, top, bottom } = extentOf(seeds);
    this.left = left;
    this.top = top;
    this.size = Math.max(1e-6, Math.sqrt(((right - left) * (bottom - top)) / seeds.length));
    this.columns = Math.floor((right - left) / this.size) + 1;
    this.rows = Math.floor((bottom - top) / this.size) + 1;
    this.cells = Array.from({ length: this.columns * this.rows }, () => []);
    seeds.forEach(({ x, y }, i) => this.cells[this.row(y) * this.columns + this.column(x)]?.push(i));
  }

  find(x: number, y: number): this {
    let first = Infinity;
    let second = Infinity;
    let index = -1;
    let other = -1;
    const cx = this.column(x);
    const cy = this.row(y);
    for (let reach = 1; reach <= Math.max(this.columns, this.rows); reach++) {
      first = second = Infinity;
      index = other = -1;
      for (let j = Math.max(0, cy - reach); j <= Math.min(this.rows - 1, cy + reach); j++) {
        for (let i = Math.max(0, cx - reach); i <= Math.min(this.columns - 1, cx + reach); i++) {
          for (const k of this.cells[j * this.columns + i] as readonly number[]) {
            const s = this.seeds[k] as Point2;
            const d = (s.x - x) ** 2 + (s.y - y) ** 2;
            if (d < first) {
              second = first;
              other = index;
              first = d;
              index = k;
            } else if (d < second) {
              second = d;
              other = k;
            }
          }
        }
      }
      if (other >= 0 && second <= (reach * this.size) ** 2) break;
    }
    const [a, b] = [this.seeds[index] as Point2, this.seeds[other < 0 ? index : other] as Point2];
    const between = Math.sqrt((a.x - b.x) ** 2 + (a.y - b.y) ** 2);
    this.index = index;
    this.edge = between > 0 ? (second - first) / (2 * between) : Infinity;
    return this;
  }

  private column(x: number): number {
    return Math.min(this.columns - 1, Math.max(0, Math.floor((x - this.left) / this.size)));
  }

  private row(y: number): number {
    return Math.min(this.rows - 1, Math.max(0, Math.floor((y - this.top) / this.size)));
  }
}

/** What the microscope does to it: blur, uneven light, noise. */
function blurAndLight(data: Uint8ClampedArray, model: MicrographModel, normal: () => number): void {
  const { width, height, light, noise } = model;
  const r = Math.round(model.blur);
  if (r > 0) boxBlur(data, width, height, r);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const at = (y * width + x) * 4;
      const lit = 1 - light * (0.7 * (x / width) + 0.3 * (y / height));
      const grain = noise * normal();
      for (let c = 0; c < 3; c++) {
        data[at + c] = (data[at + c] as number) * lit + grain + 0.4 * noise * (c - 1) * normal();
      }
    }
  }
}

function boxBlur(data: Uint8ClampedArray, width: number, height: number, r: number): void {
  const copy = new Uint8ClampedArray(data.length);
  const pass = (
    from: Uint8ClampedArray,
    to: Uint8ClampedArray,
    lines: number,
    length: number,
    line: number,
    step: number,
  ) => {
    for (let l = 0; l < lines; l++) {
      for (let c = 0; c < 3; c++) {
        let sum = 0;
        for (let i = -r; i <= r; i++) sum += from[l * line + Math.min(length - 1, Math.max(0, i)) * step + c] ?? 0;
        for (let i = 0; i < length; i++) {
          to[l * line + i * step + c] = sum / (2 * r + 1);
          const gone = Math.max(0, i - r);
          const come = Math.min(length - 1, i + r + 1);
          sum += (from[l * line + come * step + c] ?? 0) - (from[l * line + gone * step + c] ?? 0);
        }
      }
    }
  };
  pass(data, copy, height, width, width * 4, 4);
  pass(copy, data, width, height, 4, width * 4);
}
