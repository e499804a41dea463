import type { ShopDocument } from '../document';
import type { Family, Range } from '../terminal';
import type { ConductorMaterial, ConductorSize } from '../wire';

/** One revision of a table of least pull forces. */
export interface LimitTable extends ShopDocument {
  /** Whether a size between two rows may be interpolated (log force over log area). Never beyond the rows. */
  readonly interpolates: boolean;
  /** Pulling speed, mm/min. */
  readonly speed: Range;
  /** Hold tests; null where the document names none. */
  readonly hold: HoldRule | null;
  /** How fast the force may rise, N/s; null where the document names none. */
  readonly loadingRate: Range | null;
  /** Pushes seated contacts withstand in their cavities; empty where the document names none. */
  readonly pushes: readonly PushRow[];
  /**
   * One push for every cavity, N, as tables named it before they had rows for it: kept as it stands, applied to nothing.
   * Null in all others.
   */
  readonly retention: number | null;
  readonly rows: readonly LimitRow[];
}

export interface HoldRule {
  /** How long it is held, s. */
  readonly seconds: number;
  /** Force where a row names none, in percent of the row's own least force; null: rows without a force of their own have no hold. */
  readonly percent: number | null;
  /** One force for every size, N, as tables named it before rows had their own: kept as it stands, applied to nothing. */
  readonly force: number | null;
}

/** Push a contact of a size, of some families, or both, withstands. */
export interface PushRow {
  /** As the contact's sheet prints it, e.g. 'size 16'; null: any. */
  readonly contactSize: string | null;
  /** Families the row is for; empty: all. */
  readonly families: readonly Family[];
  /** N */
  readonly force: number;
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
  /** Force to hold, N; null where the table's percent says it, or nothing. */
  readonly hold: number | null;
}
