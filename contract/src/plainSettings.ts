import type { ForceUnit, Language, LengthShown, Paper } from '@tug-mark/core';

/* Apart from the schemas, so that the first page does not load them. */

/**
 * How a shop wants its numbers, days and paper. Everything is kept in newtons, millimetres and ISO dates whatever is said here.
 * What a station has set for itself goes before the units.
 */
export interface ShopSettings {
  readonly forceUnit: ForceUnit;
  readonly lengthShown: LengthShown;
  /** Decimals of a force in tables and on the tug line; sentences that go on record have one. */
  readonly forceDecimals: number;
  /** Decimals of a strip length in millimetres. */
  readonly lengthDecimals: number;
  /** How days and moments are written. */
  readonly language: Language;
  readonly paper: Paper;
  /** Grades of work the shop makes, as its limit tables name them; empty: whatever is typed. */
  readonly grades: readonly string[];
  /** Minutes without a key or a touch after which a station asks for the password again; null: never. */
  readonly idleMinutes: number | null;
}

/** What a shop is shown as that has set nothing. */
export const PLAIN_SETTINGS: ShopSettings = {
  ...{ forceUnit: 'N', lengthShown: 'mm', forceDecimals: 1, lengthDecimals: 1 },
  ...{ language: 'en-GB', paper: 'A4', grades: [], idleMinutes: null },
};
