import type { Picture } from '../../look';
import { normalFrom, random } from '../../statistics';
import { KINDS, type CutKind } from './kinds';
import { SHAPES, type Shape } from './shapes';

export { KINDS } from './kinds';

/** A cut crimp drawn another way than the made-up micrographs of the demo shop, with what is true of it. */
export interface KnownCut {
  readonly picture: Picture;
  readonly pxPerMm: number;
  /** mm2 of metal in the wire before. */
  readonly wireArea: number;
  readonly turn: number;
  readonly truth: {
    /** mm2, as it is square to the wire. */
    readonly metal: number;
    readonly voids: number;
    readonly height: number;
    readonly width: number;
    readonly strands: number;
  };
}

interface Frame {
  readonly width: number;
  readonly height: number;
}

/** Pixels of a picture as large as microscopes make them; a spec takes smaller ones. */
const WHOLE: Frame = { width: 900, height: 760 };
const STRANDS = [7, 12, 19, 26, 37, 50] as const;

/**
 * A cut of a kind. Outlines are distances, not corners, and the wall is even; strands are soft discs of several sizes
 * pushed apart and into the barrel; voids are the pores between three of them, where a strand of before does not reach.
 *
 * @param size of the picture, as a share of the usual one
 */
export function makeCut(name: string, seed: number, size = 1): KnownCut {
  const frame = { width: Math.round(size * WHOLE.width), height: Math.round(size * WHOLE.height) };
  const kind = KINDS[name];
  if (!kind) throw new Error(`no kind is called ${name}`);
  const next = random(seed * 7919 + [...name].reduce((sum, c) => (sum * 31 + c.charCodeAt(0)) % 65_521, 7));
  const normal = normalFrom(next);
  const among = (low: number, high: number) => low + (high - low) * next();
  const one = <T>(of: readonly T[]) => of[Math.floor(next() * of.length)] as T;

  const shape = one(Object.values(SHAPES));
  const strands = one(STRANDS);
  const voids = among(0.005, 0.09);
  const compression = among(0.72, 0.95);
  const turn = among(-180, 180);
  const wall = among(0.1, 0.2);
  const inner: Shape = (x, y) => shape(x, y) + wall;
  // In units of the shape: how large the inside is, and so how many millimetres a unit is.
  const { inside: unit, extent } = measure(shape, wall);
  const wireArea = among(0.3, 2.5);
  const metal = wireArea * compression;
  const mm = Math.sqrt(metal / (1 - voids) / unit);
  // As a microscope is set: the piece fills most of the picture, however it lies.
  const pxPerMm = Math.round((among(0.68, 0.9) * frame.height) / (mm * Math.hypot(extent.width, extent.height) * 0.92));
  const discs = packDiscs(inner, unit, strands, next, normal);

  const angle = (turn * Math.PI) / 180;
  const stretch = 1 / Math.cos((kind.tilt * Math.PI) / 180);
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const at = { x: frame.width / 2 + among(-20, 20), y: frame.height / 2 + among(-20, 20) };
  const scale = pxPerMm * mm;
  // First who owns each pixel and how far out in its strand it lies; then where voids begin.
  const owner = new Int16Array(frame.width * frame.height).fill(-2);
  const reach = new Float32Array(frame.width * frame.height);
  const second = new Float32Array(frame.width * frame.height);
  // Of each disc: middle, way it is longer, by how much, and one over its size.
  const lie = Float64Array.from(discs.flatMap(({ x, y, a, b, c, r }) => [x, y, a, b, c, 1 / (r * r)]));
  let held = 0;
  for (let row = 0, i = -1; row < frame.height; row++) {
    for (let column = 0; column < frame.width; column++) {
      i++;
      const right = (column + 0.5 - at.x) / scale;
      const down = (row + 0.5 - at.y) / scale;
      const x = (right * cos + down * sin) / stretch;
      const y = -right * sin + down * cos;
      const out = shape(x, y);
      if (out > 0) continue;
      if (out > -wall) {
        owner[i] = -1;
        continue;
      }
      let first = Infinity;
      let other = Infinity;
      let own = -1;
      for (let k = 0; k < lie.length; k += 6) {
        const dx = x - (lie[k] as number);
        const dy = y - (lie[k + 1] as number);
        const along = dx * (lie[k + 2] as number) + dy * (lie[k + 3] as number);
        // A little narrower one way than the other.
        const q = (dx * dx + dy * dy + (lie[k + 4] as number) * along * along) * (lie[k + 5] as number);
        if (q < first) {
          other = first;
          first = q;
          own = k / 6;
        } else if (q < other) other = q;
      }
      owner[i] = own;
      reach[i] = Math.sqrt(first);
      second[i] = Math.sqrt(other);
      held++;
    }
  }
  const inside = new Float32Array(held);
  for (let i = 0, at = 0; i < owner.length; i++) if ((owner[i] as number) >= 0) inside[at++] = reach[i] as number;
  inside.sort();
  const edge = inside[Math.floor((1 - voids) * (held - 1))] ?? 1;

  const data = new Float32Array(frame.width * frame.height * 3);
  const marks = grainOf(kind.grain, discs.length + 1, normal);
  let filled = 0;
  for (let i = 0; i < owner.length; i++) {
    const own = owner[i] as number;
    const x = i % frame.width;
    const y = Math.floor(i / frame.width);
    let colour: readonly number[] = kind.resin;
    let bright = 1;
    if (own === -1) {
      colour = kind.barrel;
      bright = marks(0, x, y);
    } else if (own >= 0) {
      const q = reach[i] as number;
      if (q > edge) colour = kind.void;
      else {
        filled++;
        const disc = discs[own] as Disc;
        // Half the width of the line lies on either side of where two strands meet.
        const away = (((second[i] as number) - q) / 2) * disc.r * scale;
        const isPlated = q > edge * (1 - kind.plating) || away < kind.plating * disc.r * scale;
        colour = kind.plating > 0 && isPlated ? kind.platingColour : kind.strand;
        bright = marks(own + 1, x, y) * (1 - kind.line * Math.max(0, Math.min(1, kind.lineWidth / 2 + 0.5 - away)));
      }
    } else bright = 1 + (kind.filler / 100) * normal();
    data[i * 3] = (colour[0] as number) * bright;
    data[i * 3 + 1] = (colour[1] as number) * bright;
    data[i * 3 + 2] = (colour[2] as number) * bright;
  }
  spoil(data, kind, owner, frame, next, normal);
  const pixel = 1 / (pxPerMm * pxPerMm * stretch);
  return {
    picture: { ...frame, data: taken(data, kind, frame, normal) },
    pxPerMm,
    wireArea,
    turn,
    truth: {
      metal: filled * pixel,
      voids: 1 - filled / held,
      height: extent.height * mm,
      width: extent.width * mm,
      strands,
    },
  };
}

interface Disc {
  x: number;
  y: number;
  readonly r: number;
  /** Turned by an angle of this cosine and sine, and longer along one way. */
  readonly a: number;
  readonly b: number;
  readonly c: number;
}

/** Discs of several sizes pushed apart and back inside until they lie evenly. */
function packDiscs(inner: Shape, area: number, count: number, next: () => number, normal: () => number): Disc[] {
  const usual = Math.sqrt(area / count / Math.PI);
  const discs: Disc[] = [];
  while (discs.length < count) {
    const x = 2.4 * next() - 1.2;
    const y = 2.4 * next() - 1.2;
    if (inner(x, y) > -0.3 * usual) continue;
    const angle = Math.PI * next();
    discs.push({
      x,
      y,
      r: usual * Math.min(1.14, Math.max(0.86, 1 + 0.05 * normal())),
      a: Math.cos(angle),
      b: Math.sin(angle),
      c: 0.15 * next(),
    });
  }
  const small = 1e-3;
  for (let round = 0; round < 220; round++) {
    for (let i = 0; i < count; i++) {
      const one = discs[i] as Disc;
      for (let j = i + 1; j < count; j++) {
        const two = discs[j] as Disc;
        const dx = two.x - one.x;
        const dy = two.y - one.y;
        const apart = Math.sqrt(dx * dx + dy * dy) || small;
        const push = (0.98 * (one.r + two.r) - apart) / 2;
        if (push <= 0) continue;
        one.x -= (0.5 * push * dx) / apart;
        one.y -= (0.5 * push * dy) / apart;
        two.x += (0.5 * push * dx) / apart;
        two.y += (0.5 * push * dy) / apart;
      }
      const lies = inner(one.x, one.y);
      const out = lies + 0.9 * one.r;
      if (out <= 0) continue;
      const gx = (inner(one.x + small, one.y) - lies) / small;
      const gy = (inner(one.x, one.y + small) - lies) / small;
      const steep = Math.hypot(gx, gy) || 1;
      one.x -= (0.7 * out * gx) / steep;
      one.y -= (0.7 * out * gy) / steep;
    }
  }
  return discs;
}

/** Brightness of crystals in each piece of metal: patches with an edge, and a slow drift. */
function grainOf(
  amount: number,
  pieces: number,
  normal: () => number,
): (piece: number, x: number, y: number) => number {
  const own = Array.from({ length: pieces }, () => 1 + 0.6 * amount * normal());
  const patch = new Map<number, number>();
  return (piece, x, y) => {
    // Crystals: cells of a skewed grid whose lines wander.
    const u = Math.floor((x + 6 * Math.sin(y / 9 + piece)) / 17);
    const v = Math.floor((y + 6 * Math.sin(x / 11 - piece)) / 15);
    const key = (piece * 512 + u) * 512 + v;
    let shade = patch.get(key);
    if (shade === undefined) patch.set(key, (shade = 1 + amount * normal()));
    return (own[piece] ?? 1) * shade;
  };
}

/** Bubbles, inclusions and scratches, laid over the picture. */
function spoil(
  data: Float32Array,
  kind: CutKind,
  owner: Int16Array,
  frame: Frame,
  next: () => number,
  normal: () => number,
): void {
  const paint = (x: number, y: number, colour: readonly number[], share: number) => {
    const px = Math.round(x);
    const py = Math.round(y);
    if (px < 0 || py < 0 || px >= frame.width || py >= frame.height) return;
    const i = (py * frame.width + px) * 3;
    for (let c = 0; c < 3; c++) data[i + c] = (1 - share) * (data[i + c] as number) + share * (colour[c] as number);
  };
  const isResin = (x: number, y: number) =>
    x >= 0 &&
    y >= 0 &&
    x < frame.width &&
    y < frame.height &&
    owner[Math.floor(y) * frame.width + Math.floor(x)] === -2;
  const disc = (cx: number, cy: number, r: number, draw: (share: number, dx: number, x: number, y: number) => void) => {
    for (let y = Math.floor(cy - r); y <= cy + r; y++) {
      for (let x = Math.floor(cx - r); x <= cx + r; x++) {
        const far = Math.hypot(x - cx, y - cy) / r;
        if (far <= 1 && isResin(x, y)) draw(far, (x - cx) / r, x, y);
      }
    }
  };
  for (let n = 0; n < kind.bubbles; n++) {
    const r = 10 + 34 * next();
    let [x, y] = [frame.width * next(), frame.height * next()];
    if (n < kind.touching) {
      // From the middle outwards until resin is met.
      const angle = 2 * Math.PI * next();
      [x, y] = [frame.width / 2, frame.height / 2];
      while (!isResin(x, y)) {
        x += Math.cos(angle);
        y += Math.sin(angle);
      }
      x += 0.7 * r * Math.cos(angle);
      y += 0.7 * r * Math.sin(angle);
    }
    disc(x, y, r, (far, dx, px, py) => {
      // A dark hole with a bright crescent on the side the light comes from.
      const isLit = far > 0.78 && dx < -0.3;
      paint(px, py, isLit ? [215, 215, 212] : [14, 14, 15], 0.95);
    });
  }
  for (let n = 0; n < kind.inclusions; n++) {
    const r = 3 + 12 * next();
    disc(frame.width * next(), frame.height * next(), r, (far, _, x, y) =>
      paint(x, y, [225, 224, 220], far < 0.85 ? 0.95 : 0.5),
    );
  }
  for (let n = 0; n < kind.scratches; n++) {
    const angle = 0.5 * normal() + 0.7;
    const from = { x: frame.width * next(), y: frame.height * next() };
    const isBright = next() < 0.4;
    const long = 150 + 700 * next();
    for (let t = -long / 2; t < long / 2; t += 0.5) {
      const x = from.x + t * Math.cos(angle);
      const y = from.y + t * Math.sin(angle);
      paint(x, y, isBright ? [235, 235, 232] : [40, 38, 38], 0.55);
    }
  }
}

/** What microscope and camera make of it: light that falls off, tint, blur, noise that grows with the light. */
function taken(data: Float32Array, kind: CutKind, frame: Frame, normal: () => number): Uint8ClampedArray {
  const soft = gaussian(data, kind.blur, frame);
  const out = new Uint8ClampedArray(frame.width * frame.height * 4);
  for (let i = 0, at = 0; i < frame.width * frame.height; i++, at += 4) {
    const x = (i % frame.width) / frame.width - 0.5;
    const y = Math.floor(i / frame.width) / frame.height - 0.5;
    const lit = (1 - 2 * kind.vignette * (x * x + y * y)) * (1 + kind.fall * (0.4 * x - 0.8 * y));
    for (let c = 0; c < 3; c++) {
      const value = (soft[i * 3 + c] as number) * lit * (kind.tint[c] as number);
      out[at + c] = value + kind.noise * Math.sqrt((value + 40) / 200) * normal();
    }
    out[at + 3] = 255;
  }
  return out;
}

function gaussian(data: Float32Array, sd: number, frame: Frame): Float32Array {
  const r = Math.ceil(2.5 * sd);
  const weights = Array.from({ length: 2 * r + 1 }, (_, k) => Math.exp(-((k - r) ** 2) / (2 * sd * sd)));
  const sum = weights.reduce((a, b) => a + b, 0);
  const pass = (from: Float32Array, isAcross: boolean) => {
    const to = new Float32Array(from.length);
    const [most, step] = isAcross ? [frame.width - 1, 3] : [frame.height - 1, 3 * frame.width];
    for (let y = 0, at = 0; y < frame.height; y++) {
      for (let x = 0; x < frame.width; x++, at += 3) {
        const place = isAcross ? x : y;
        let red = 0;
        let green = 0;
        let blue = 0;
        for (let k = -r; k <= r; k++) {
          const other = at + (Math.min(most, Math.max(0, place + k)) - place) * step;
          const weight = (weights[k + r] as number) / sum;
          red += weight * (from[other] as number);
          green += weight * (from[other + 1] as number);
          blue += weight * (from[other + 2] as number);
        }
        to[at] = red;
        to[at + 1] = green;
        to[at + 2] = blue;
      }
    }
    return to;
  };
  return pass(pass(data, true), false);
}

const FINE = 0.006;

/** How much lies within the wall of a shape, and how far the shape reaches. */
function measure(shape: Shape, wall: number): { inside: number; extent: { width: number; height: number } } {
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
  let count = 0;
  for (let y = -1.4; y < 1.4; y += FINE) {
    for (let x = -1.4; x < 1.4; x += FINE) {
      const out = shape(x, y);
      if (out >= 0) continue;
      if (out + wall < 0) count++;
      left = Math.min(left, x);
      right = Math.max(right, x);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
    }
  }
  return { inside: count * FINE * FINE, extent: { width: right - left + FINE, height: bottom - top + FINE } };
}
