/** A picture as rows of pixels, four bytes each: red, green, blue, opacity. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array | Uint8ClampedArray;
}

/** What a cut crimp shows in numbers. Figures of before this could be told are without the last four. */
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
  /** Strands counted: at the least, where {@link strandsMost} says that there may be more; 0 where they cannot be counted. */
  readonly strands: number;
  readonly strandsMost?: number | undefined;
  /** Of {@link voids}, what lies in thin lines between strands: etching makes the same of no gap at all. */
  readonly lines?: number | undefined;
  /** The most the height may be where that is a little more: along another axis as alike, or with what sticks out on one side. */
  readonly heightMost?: number | undefined;
  /** Degrees the cut is off square by what was measured before; metal, compression, height and width are put right by it. */
  readonly tilt?: number | undefined;
  /** Scratches run over the cut: a line between two strands may be one, so that strands are not counted. */
  readonly isScratched?: boolean | undefined;
}

/** The strands of a section in words, as far as they were counted. */
export function toldStrands({
  strands,
  strandsMost,
  isScratched,
}: Pick<SectionFigures, 'strands' | 'strandsMost' | 'isScratched'>): string {
  if (strands === 0) return `strands not counted${isScratched ? ' (scratched)' : ''}`;
  return strandsMost ? `${strands} to ${strandsMost} strands` : `${strands} strand${strands === 1 ? '' : 's'}`;
}

/** What was measured on the piece before it was cut, mm. */
export interface MeasuredPiece {
  readonly height: number | null;
  readonly width: number | null;
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
