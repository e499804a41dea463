import { documentName, inEffect, type DocumentKey } from '../document';
import type { Terminal } from '../terminal';
import { reason, type Reason } from '../verdict';
import { showLimit } from '../units';
import { breakingLoad, nominalArea, sizeLabel, type Wire, type TensileStrengths } from '../wire';
import type { LimitRow, LimitTable } from './LimitTable';

export interface Limit {
  /** Least force, N. */
  readonly force: number;
  readonly table: LimitTable;
  readonly interpolated: boolean;
  /** The row of the wire's own size; null between rows. */
  readonly row: LimitRow | null;
  readonly reason: Reason;
}

export type LimitFound =
  { readonly limit: Limit; readonly reason: Reason } | { readonly limit: null; readonly reason: Reason };

/**
 * The limit that applies to a wire in a terminal: from the one released table of the class in effect on `day`.
 * Two tables that both apply, a size outside the rows, or a size between rows where the table does not allow
 * interpolation give no limit, with the reason: a limit is never guessed.
 *
 * Interpolation: log F linear in log A between the rows on both sides, same scale only; at each size the most particular row
 * that applies, as at the wire's own size. A row that says a percentage stands for that share of the breaking load of a wire of
 * the row's size: this wire's, in proportion to the areas.
 *
 * @param day ISO date
 * @param strengths for rows in percent of the breaking load
 * @param pinned a table that has judged readings already: it alone is used then, whatever became of it since
 */
export function findLimit(
  tables: readonly LimitTable[],
  wire: Wire,
  terminal: Terminal,
  className: string,
  day: string,
  strengths: TensileStrengths,
  pinned: DocumentKey | null = null,
): LimitFound {
  const found = inEffect(tables, className, day, pinned);
  const [table, second] = found;
  if (!table) {
    return none('no-table', `No released limit table is in effect for grade ${className}. Quality has to release one.`);
  }
  if (second) {
    return none(
      'two-tables',
      `Two released tables both apply: ${found.map((t) => `${t.document} rev ${t.revision}`).join(' and ')}. Quality has to withdraw one.`,
    );
  }
  const { size, material } = wire.conductor;
  const breaks = breakingLoad(wire.conductor, strengths);
  // A row for this family or material is more particular than one for all, and wins at its size.
  const particular = (r: LimitRow) => (r.families.length ? 2 : 0) + (r.material === null ? 0 : 1);
  const applies = table.rows.filter(
    (r) =>
      r.size.scale === size.scale &&
      (!r.families.length || r.families.includes(terminal.family)) &&
      (r.material === null || r.material === material),
  );
  const area = nominalArea(size);
  // A share of the breaking load is that of a wire of the row's own size, made as this one is.
  const least = (r: LimitRow) => r.force ?? ((r.percent ?? 0) / 100) * breaks * (nominalArea(r.size) / area);
  const name = documentName(table);
  const mostParticular = (rows: readonly LimitRow[]) =>
    rows.reduce<LimitRow | null>((best, r) => (!best || particular(r) > particular(best) ? r : best), null);
  const exact = mostParticular(applies.filter((r) => r.size.value === size.value));
  if (exact) {
    return ceiling(
      least(exact),
      exact,
      exact.force === null
        ? `${name}: ${sizeLabel(size)} holds at least ${exact.percent} % of the wire’s breaking load of ${breaks.toFixed(1)} N.`
        : `${name}: ${sizeLabel(size)} holds at least ${exact.force} N.`,
    );
  }

  const nearest = (side: 1 | -1) => {
    const rows = applies.filter((r) => side * (nominalArea(r.size) - area) > 0);
    const step = Math.min(...rows.map((r) => side * nominalArea(r.size)));
    const row = mostParticular(rows.filter((r) => side * nominalArea(r.size) === step));
    return row && { size: row.size, area: nominalArea(row.size), least: least(row) };
  };
  const below = nearest(-1);
  const above = nearest(1);
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
    null,
    `${name}: interpolated between ${sizeLabel(below.size)} (${below.least.toFixed(1)} N) and ${sizeLabel(above.size)} (${above.least.toFixed(1)} N): at least ${showLimit(force, 1)} N.`,
  );

  function ceiling(value: number, row: LimitRow | null, text: string): LimitFound {
    const interpolated = row === null;
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
    return { limit: { force: value, table: table as LimitTable, interpolated, row, reason: why }, reason: why };
  }
}

function none(code: string, text: string, numbers: Record<string, number> = {}): LimitFound {
  return { limit: null, reason: reason(code, 'bad', text, numbers) };
}
