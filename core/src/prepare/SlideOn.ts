import type { Range } from '../terminal';

export const SLIDE_ON_PART_KINDS = ['shrink-tube', 'sealing-sleeve', 'boot', 'seal', 'insulator'] as const;

/** A sleeve, tube, boot, seal or insulator of the shop. Lengths and diameters mm. */
export interface SlideOnPart {
  readonly part: string;
  readonly label: string;
  readonly kind: (typeof SLIDE_ON_PART_KINDS)[number];
  /** Bore as supplied: the largest diameter it passes follows from it. */
  readonly suppliedBore: number;
  /** Bore after free recovery; null for parts that do not shrink. */
  readonly recoveredBore: number | null;
  /** Length of one piece; null for tube cut from the reel. */
  readonly length: number | null;
  /** Share by which it grows shorter when it is shrunk, e.g. 0.08; 0 for parts that do not shrink. */
  readonly longitudinalShrink: number;
  readonly adhesive: boolean;
  /** Temperature of the air it is shrunk with, degC; null for parts that do not shrink. */
  readonly heat: Range | null;
  /** Insulation diameters a seal closes on; null for all others. */
  readonly wireRange: Range | null;
  readonly temperature: number;
  /** Which way round it goes on; null where both ways are alike. */
  readonly wayRound: string | null;
}
