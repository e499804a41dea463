import { kthSmallest } from '../../statistics';
import type { Cells } from './cells';

/** Values asked of a long list, at the least: their median is off by about a hundredth of the spread. */
const ASKED = 12_000;

/** Red, green and blue, 0 to 255. */
export type Colour = readonly [number, number, number];

export const brightness = ([r, g, b]: Colour): number => (r + g + b) / 3;
/** Black, beside the colour of the strands: a hole still throws some light back. */
const BLACK = 0.12;
export const blackBeside = ([r, g, b]: Colour): Colour => [BLACK * r, BLACK * g, BLACK * b];

export const apart = (a: Colour, b: Colour): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** Colours put on a list, of which the middle one and the spread about it are asked. */
export class ColourList {
  private readonly values: [number[], number[], number[]] = [[], [], []];

  get count(): number {
    return this.values[0].length;
  }

  add(r: number, g: number, b: number): void {
    this.values[0].push(r);
    this.values[1].push(g);
    this.values[2].push(b);
  }

  /** Median of each channel. */
  middle(): Colour {
    return this.values.map((list) => quantile(list, 0.5)) as unknown as Colour;
  }

  /** Spread of the brightness as a share of it. */
  shade(): number {
    const [red, green, blue] = this.values;
    const light = red.map((r, i) => (r + (green[i] as number) + (blue[i] as number)) / 3);
    const middle = quantile(light, 0.5);
    return spreadOf(light.map((v) => v - middle)) / Math.max(1, middle);
  }
}

/** The value below which a share of a list lies; 0 of an empty one. A long list is asked a part of its values. */
export function quantile(list: ArrayLike<number>, share: number): number {
  const step = Math.max(1, Math.floor(list.length / ASKED));
  const part = new Float64Array(Math.ceil(list.length / step));
  for (let i = 0; i < part.length; i++) part[i] = list[i * step] as number;
  return kthSmallest(part, Math.max(0, Math.floor((part.length - 1) * share))) ?? 0;
}

/** Standard deviation of what lies off by so much, from half of it: what lies far off does not count. */
export function spreadOf(offs: ArrayLike<number>): number {
  const away = new Float32Array(offs.length);
  for (let i = 0; i < away.length; i++) away[i] = Math.abs(offs[i] as number);
  // Half of a normal spread lies within 0.6745 of its standard deviation.
  return quantile(away, 0.5) / 0.6745;
}

/** The usual colour of the cells a test picks, of every so many. */
export function usualColour(cells: Cells, picks: (i: number) => boolean, stride = 1): ColourList {
  const list = new ColourList();
  for (let i = 0; i < cells.red.length; i += stride) {
    if (picks(i)) list.add(cells.red[i] as number, cells.green[i] as number, cells.blue[i] as number);
  }
  return list;
}
