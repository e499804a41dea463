import type { Family, Range } from '../terminal';
import type { ConductorSize } from '../wire';

export const LIMIT_STATUSES = ['draft', 'released', 'withdrawn'] as const;

/** 'controlled': taken from a document the shop controls; 'made-up': demo or training, can never accept anything. */
export const LIMIT_ORIGINS = ['controlled', 'made-up'] as const;

/** What names one table for good. */
export interface LimitKey {
  readonly document: string;
  readonly revision: string;
  /** Workmanship class the table is for. */
  readonly class: string;
}

/** One revision of a table of least pull forces. */
export interface LimitTable extends LimitKey {
  readonly owner: string;
  readonly origin: (typeof LIMIT_ORIGINS)[number];
  readonly status: (typeof LIMIT_STATUSES)[number];
  /** ISO dates, inclusive; null: open. */
  readonly effectiveFrom: string;
  readonly effectiveUntil: string | null;
  /** Whether a size between two rows may be interpolated (log force over log area). Never beyond the rows. */
  readonly interpolates: boolean;
  /** Pulling speed, mm/min. */
  readonly speed: Range;
  readonly rows: readonly {
    readonly size: ConductorSize;
    /** Families the row is for; empty: all. */
    readonly families: readonly Family[];
    /** Least force, N. */
    readonly force: number;
  }[];
}
