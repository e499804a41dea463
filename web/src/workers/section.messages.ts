import type { MeasuredPiece, Reason, SectionFigures } from '@tug-mark/core';

export interface SectionAbout {
  readonly pxPerMm: number;
  /** Metal of the wires before the crimp, mm2. */
  readonly wireArea: number;
  /** Of the piece, before it was cut. */
  readonly measured: MeasuredPiece;
}

export interface SectionAnswer {
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
