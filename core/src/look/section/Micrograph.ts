/** A picture as rows of pixels, four bytes each: red, green, blue, opacity. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array | Uint8ClampedArray;
}

/** What a cut crimp shows in numbers. */
export interface SectionFigures {
  /** Metal of the strands, mm2. */
  readonly metal: number;
  /** Share of the space inside the barrel that holds no metal, 0 to 1. */
  readonly voids: number;
  /** Metal after the crimp against the wire's metal before, 0 to 1. */
  readonly compression: number;
  /** Over all, mm. */
  readonly height: number;
  readonly width: number;
  /** Share of the metal on the left of the middle; 0.5 when both rolls filled alike. */
  readonly left: number;
  readonly strands: number;
}

/** What each cell of the mask is taken for. */
export const SECTION_LABELS = ['outside', 'barrel', 'void', 'strand'] as const;
export type SectionLabel = (typeof SECTION_LABELS)[number];

/** Something a person drew over the mask: a line of this width, in mask cells, that is of this label. */
export interface SectionStroke {
  readonly label: SectionLabel;
  readonly radius: number;
  readonly points: readonly { readonly x: number; readonly y: number }[];
}
