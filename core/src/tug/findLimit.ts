import { documentName, inEffect, type DocumentKey } from '../document';
import type { Terminal } from '../terminal';
import { reason, type Reason } from '../verdict';
import { breakingLoad, nominalArea, sizeLabel, type Wire } from '../wire';
import type { LimitRow, LimitTable } from './LimitTable';

export interface Limit {
  /** Least force, N. */
  readonly force: number;
  readonly table: LimitTable;
  readonly interpolated: boolean;
  readonly reason: Reason;
}

export type LimitFound =
  { readonly limit: Limit; readonly reason: Reason } | { readonly limit: null; readonly reason: Reason };

/**
 * The limit that applies to a wire in a terminal: from the one released table of the class in effect on `day`.
 * Two tables that both apply, a size outside the rows, or a size between rows where the table does not allow
 * interpolation give no limit, with the reason: a limit is never guessed.
 *
 * Interpolation: log F linear in log A between the rows on both sides, same scale only.
 *
 * @param day ISO date
 * @param pinned a table that has judged readings already: it alone is used then, whatever became of it since
 */
export function findLimit(
  tables: readonly LimitTable[],
  wire: Wire,
  terminal: Terminal,
  className: string,
  day: string,
  pinned: DocumentKey | null = null,
): LimitFound {
  const found = inEffect(tables, className, day, pinned);
  const [table, second] = found;
  if (!table) {
    return none('no-table', `No released limit table is in effect for class ${className}. Quality has to release one.`);
  }
  if (second) {
    return none(
      'two-tables',
      `Two released tables both apply: ${found.map((t) => `${t.document} rev ${t.revision}`).join(' and ')}. Quality has to withdraw one.`,
    );
  }
  const { size, material } = wire.conductor;
  const breaks = breakingLoad(wire.conductor);
  // A row for this family or material is more particular than one for all, and wins at its size.
  const particular = (r: LimitRow) => (r.families.length ? 2 : 0) + (r.material === null ? 0 : 1);
  const applies = table.rows.filter(
    (r) =>
      r.size.scale === size.scale &&
      (!r.families.length || r.families.includes(terminal.family)) &&
      (r.material === null || r.material === material),
  );
  const least = (r: LimitRow) => r.force ?? ((r.percent ?? 0) / 100) * breaks;
  const name = documentName(table);
  const exact = applies
    .filter((r) => r.size.value === size.value)
    .reduce<LimitRow | null>((best, r) => (!best || particular(r) > particular(best) ? r : best), null);
  if (exact) {
    return ceiling(
      least(exact),
      false,
      exact.force === null
        ? `${name}: ${sizeLabel(size)} holds at least ${exact.percent} % of the wire’s breaking load of ${breaks.toFixed(1)} N.`
        : `${name}: ${sizeLabel(size)} holds at least ${exact.force} N.`,
    );
  }

  const area = nominalArea(size);
  const rows = applies
    .map((r) => ({ ...r, area: nominalArea(r.size), least: least(r) }))
    .sort((x, y) => x.area - y.area || particular(y) - particular(x));
  const below = rows.filter((r) => r.area < area).at(-1);
  const above = rows.find((r) => r.area > area);
  if (!below || !above) {
    return none('outside-rows', `${name} has no row for ${sizeLabel(size)} and limits are never extrapolated.`);
  }
  if (!table.interpolates) {
    return none(
      'between-rows',
      `${name} has no row for ${sizeLabel(size)} and does not allow interpolation between its rows.`,
    );
  }
  const share = Math.log(area / below.area) / Math.log(above.area / below.area);
  const force = Math.exp(Math.log(below.least) * (1 - share) + Math.log(above.least) * share);
  return ceiling(
    force,
    true,
    `${name}: interpolated between ${sizeLabel(below.size)} (${below.least.toFixed(1)} N) and ${sizeLabel(above.size)} (${above.least.toFixed(1)} N).`,
  );

  function ceiling(value: number, interpolated: boolean, text: string): LimitFound {
    if (value > breaks) {
      return none(
        'limit-above-wire',
        `${name} asks for ${value.toFixed(1)} N, but this wire itself breaks near ${breaks.toFixed(1)} N. No crimp can meet that: check the table's row.`,
        { force: value, breaks },
      );
    }
    const why = reason(interpolated ? 'limit-interpolated' : 'limit', interpolated ? 'note' : 'good', text, {
      force: value,
    });
    return { limit: { force: value, table: table as LimitTable, interpolated, reason: why }, reason: why };
  }
}

function none(code: string, text: string, numbers: Record<string, number> = {}): LimitFound {
  return { limit: null, reason: reason(code, 'bad', text, numbers) };
}
