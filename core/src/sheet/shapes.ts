/** Colours by what they stand for; screen, SVG and PDF each have their own for every name. */
export const INKS = [
  'ink',
  'soft',
  'line',
  'paper',
  'white',
  'tin',
  'tin-edge',
  'copper',
  'copper-light',
  'insulation',
  'insulation-light',
  'steel',
  'petrol',
  'accent',
  'pass',
  'fail',
  'hold',
] as const;
export type Ink = (typeof INKS)[number];

export interface PathShape {
  readonly kind: 'path';
  /** SVG path data. */
  readonly d: string;
  readonly fill: Ink | null;
  readonly stroke: Ink | null;
  readonly width: number;
  readonly dashed: boolean;
  /** What of the piece it shows, where somebody may want to find it. */
  readonly part: string | null;
}

export interface TextShape {
  readonly kind: 'text';
  readonly x: number;
  readonly y: number;
  readonly text: string;
  readonly size: number;
  /** 'figures' for headings and numbers, 'text' for sentences. */
  readonly face: 'figures' | 'text';
  readonly bold: boolean;
  readonly anchor: 'start' | 'middle' | 'end';
  readonly ink: Ink;
}

/** A picture, as PNG. */
export interface ImageShape {
  readonly kind: 'image';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Base 64. */
  readonly png: string;
  /** What it shows, for whoever hears the page. */
  readonly alt: string;
}

export type Shape = PathShape | TextShape | ImageShape;

interface Look {
  readonly fill?: Ink;
  readonly stroke?: Ink;
  readonly width?: number;
  readonly dashed?: boolean;
  readonly part?: string;
}

const round = (value: number) => Number(value.toFixed(3));

/** A path of SVG data. */
export function path(d: string, look: Look): PathShape {
  const { fill = null, stroke = null, width = 1, dashed = false, part = null } = look;
  return { kind: 'path', d, fill, stroke, width, dashed, part };
}

/** A rectangle from its left upper corner. */
export function rect(x: number, y: number, width: number, height: number, look: Look): PathShape {
  return path(`M${round(x)} ${round(y)}h${round(width)}v${round(height)}h${round(-width)}Z`, look);
}

/** A circle around a point. */
export function circle(x: number, y: number, r: number, look: Look): PathShape {
  const [a, b] = [round(r), round(2 * r)];
  return path(`M${round(x - r)} ${round(y)}a${a} ${a} 0 1 0 ${b} 0a${a} ${a} 0 1 0 ${-b} 0Z`, look);
}

/** A straight line. */
export function line(
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  stroke: Ink,
  width = 1,
  dashed = false,
): PathShape {
  return path(`M${round(x1)} ${round(y1)}L${round(x2)} ${round(y2)}`, { stroke, width, dashed });
}

/** A line of text. */
export function text(
  x: number,
  y: number,
  content: string,
  look: Partial<Pick<TextShape, 'size' | 'face' | 'bold' | 'anchor' | 'ink'>> = {},
): TextShape {
  const { size = 15, face = 'figures', bold = false, anchor = 'start', ink = 'ink' } = look;
  return { kind: 'text', x: round(x), y: round(y), text: content, size, face, bold, anchor, ink };
}
