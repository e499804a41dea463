import type { Reason, SectionFigures, SectionStroke } from '@tug-mark/core';

/** A picture to be read, one to be drawn into by hand, or what was drawn over the one taken last. */
export type SectionRequest =
  | { readonly number: number; readonly kind: 'read' | 'blank'; readonly picture: Blob; readonly about: SectionAbout }
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
    /** 0 outside, 1 barrel, 2 void, 3 strand. */
    readonly labels: Uint8Array;
  } | null;
}
