import type { Picture, Reason, SectionFigures, SectionStroke } from '@tug-mark/core';

/** A picture to be read, or what was drawn over the one read last. */
export type SectionRequest =
  | { readonly number: number; readonly kind: 'read'; readonly picture: Picture; readonly about: SectionAbout }
  | {
      readonly number: number;
      readonly kind: 'mend';
      readonly strokes: readonly SectionStroke[];
      readonly about: SectionAbout;
    };

export interface SectionAbout {
  readonly pxPerMm: number;
  /** Metal of the wires before the crimp, mm2. */
  readonly wireArea: number;
}

export interface SectionAnswer {
  readonly number: number;
  readonly reasons: readonly Reason[];
  /** Null where it declined. */
  readonly found: {
    readonly figures: SectionFigures;
    readonly columns: number;
    readonly rows: number;
    readonly cell: number;
    /** 0 outside, 1 barrel, 2 void, 3 strand. */
    readonly labels: Uint8Array;
  } | null;
}
