type Colour = readonly [number, number, number];

/** How a cut was potted, polished, etched, lit and taken; every kind is a plain one with something about it. */
export interface CutKind {
  readonly resin: Colour;
  /** Grain of the resin, of 255. */
  readonly filler: number;
  readonly bubbles: number;
  /** Of the bubbles, how many lie against the barrel. */
  readonly touching: number;
  readonly barrel: Colour;
  readonly strand: Colour;
  /** Plating around each strand: a share of its radius. */
  readonly plating: number;
  readonly platingColour: Colour;
  /** What the voids hold. */
  readonly void: Colour;
  /** How much darker the line between strands that touch is, as a share; and its width, pixels. */
  readonly line: number;
  readonly lineWidth: number;
  /** Grain of the metal, as a share of its brightness. */
  readonly grain: number;
  readonly scratches: number;
  /** Of the picture: radial and even fall of light, tint, noise, blur in pixels. */
  readonly vignette: number;
  readonly fall: number;
  readonly tint: Colour;
  readonly noise: number;
  readonly blur: number;
  /** Degrees the cut is off square. */
  readonly tilt: number;
  readonly inclusions: number;
}

const PLAIN: CutKind = {
  resin: [30, 31, 36],
  filler: 1.5,
  bubbles: 0,
  touching: 0,
  barrel: [205, 204, 198],
  strand: [206, 126, 84],
  plating: 0,
  platingColour: [205, 205, 200],
  void: [24, 22, 22],
  line: 0.35,
  lineWidth: 1.6,
  grain: 0.03,
  scratches: 0,
  vignette: 0.06,
  fall: 0.06,
  tint: [1, 1, 1],
  noise: 4,
  blur: 0.8,
  tilt: 0,
  inclusions: 0,
};
const kind = (changes: Partial<CutKind>): CutKind => ({ ...PLAIN, ...changes });

export const KINDS: Readonly<Record<string, CutKind>> = {
  plain: PLAIN,
  'dark grey resin': kind({ resin: [72, 73, 76] }),
  'mid-grey resin': kind({ resin: [122, 123, 125] }),
  'light resin': kind({ resin: [172, 172, 170] }),
  'resin as bright as the barrel': kind({ resin: [203, 203, 199] }),
  'white resin': kind({ resin: [240, 240, 238] }),
  'amber resin': kind({ resin: [150, 104, 52] }),
  'green resin': kind({ resin: [52, 110, 78] }),
  'filled resin': kind({ resin: [96, 96, 98], filler: 16 }),
  bubbles: kind({ resin: [88, 88, 92], bubbles: 14 }),
  'bubbles against the barrel': kind({ resin: [88, 88, 92], bubbles: 8, touching: 3 }),
  'bubbles in dark resin': kind({ bubbles: 8, touching: 2 }),
  scratched: kind({ scratches: 12, resin: [66, 66, 70] }),
  'few scratches': kind({ scratches: 4, resin: [158, 158, 155], blur: 1.2 }),
  'bright inclusions': kind({ resin: [60, 60, 64], inclusions: 12 }),
  'etched lines': kind({ line: 0.6, lineWidth: 1.6 }),
  'etched grain': kind({ line: 0.45, grain: 0.13 }),
  'not etched': kind({ line: 0.06, lineWidth: 1.2 }),
  'tinned strands': kind({ plating: 0.06 }),
  'tinned strands, not etched': kind({ plating: 0.05, line: 0.05 }),
  'brass barrel': kind({ barrel: [206, 184, 118] }),
  'brass barrel in mid-grey resin': kind({ barrel: [206, 184, 118], resin: [118, 119, 122] }),
  'aluminium in tin': kind({ strand: [186, 188, 192], barrel: [204, 203, 196] }),
  'aluminium in brass': kind({ strand: [190, 192, 196], barrel: [204, 182, 118] }),
  'copper barrel': kind({ barrel: [204, 128, 86] }),
  'light falls off': kind({ vignette: 0.35, fall: 0.3 }),
  'warm light': kind({ tint: [1.06, 0.96, 0.78] }),
  'cold light': kind({ tint: [0.86, 0.97, 1.08] }),
  grainy: kind({ noise: 16 }),
  soft: kind({ blur: 2.6 }),
  'resin in the voids': kind({ resin: [100, 100, 104], void: [98, 98, 102] }),
  'light resin in the voids': kind({ resin: [160, 160, 160], void: [158, 158, 158] }),
  'not square': kind({ tilt: 22 }),
  'grey picture': kind({ resin: [40, 40, 40], barrel: [205, 205, 205], strand: [142, 142, 142], void: [24, 24, 24] }),
};
