import { sizeLabel } from '../wire';
import type { LimitRow, LimitTable } from './LimitTable';

/** One row that differs between two revisions; null where one of them has no such row. */
export interface LimitDifference {
  readonly row: string;
  readonly before: LimitRow | null;
  readonly after: LimitRow | null;
  /** Change of the force in percent of the one before; null where either is no force. */
  readonly percent: number | null;
}

/** What a row is for, in words: its size, and family and material where it names them. */
export function limitRowName(row: LimitRow): string {
  return [sizeLabel(row.size), ...row.families, ...(row.material === null ? [] : [row.material])].join(', ');
}

/** The rows in which two revisions of a table differ, in the order of the later one. */
export function compareLimits(before: LimitTable, after: LimitTable): LimitDifference[] {
  const old = new Map(before.rows.map((row) => [limitRowName(row), row]));
  const fresh = new Map(after.rows.map((row) => [limitRowName(row), row]));
  return [...new Set([...fresh.keys(), ...old.keys()])].flatMap((name) => {
    const a = old.get(name) ?? null;
    const b = fresh.get(name) ?? null;
    if (a && b && a.force === b.force && a.percent === b.percent && a.hold === b.hold) return [];
    const percent = a?.force != null && b?.force != null ? (b.force / a.force - 1) * 100 : null;
    return [{ row: name, before: a, after: b, percent }];
  });
}
