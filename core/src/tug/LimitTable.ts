import type { ShopDocument } from '../document';
import type { Family, Range } from '../terminal';
import type { ConductorMaterial, ConductorSize } from '../wire';

/** One revision of a table of least pull forces. */
export interface LimitTable extends ShopDocument {
  /** Whether a size between two rows may be interpolated (log force over log area). Never beyond the rows. */
  readonly interpolates: boolean;
  /** Pulling speed, mm/min. */
  readonly speed: Range;
  /** For hold tests: force to reach, N, and how long it is held, s; null where the document names none. */
  readonly hold: { readonly force: number; readonly seconds: number } | null;
  /** How fast the force may rise, N/s; null where the document names none. */
  readonly loadingRate: Range | null;
  /** Push a seated contact withstands in its cavity, N; null where the document names none. */
  readonly retention: number | null;
  readonly rows: readonly LimitRow[];
}

export interface LimitRow {
  readonly size: ConductorSize;
  /** Families the row is for; empty: all. */
  readonly families: readonly Family[];
  /** Conductor material the row is for; null: any. */
  readonly material: ConductorMaterial | null;
  /** Least force, N; null where the row says a share of the breaking load. */
  readonly force: number | null;
  /** Least force as percent of the conductor's breaking load; null where the row says a force. */
  readonly percent: number | null;
}
