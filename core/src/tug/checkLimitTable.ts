import { showDay } from '../time';
import { TYPICAL_STRENGTHS, breakingLoad, sizeLabel, type Wire } from '../wire';
import { limitRowName } from './compareLimits';
import type { LimitTable } from './LimitTable';

/** Something wrong in a limit table: the row from 1 (0: the table itself), the field, the sentence. */
export interface LimitProblem {
  readonly row: number;
  readonly field: string;
  /** 'bad' keeps it from being released; 'note' is told and left to the person. */
  readonly weight: 'bad' | 'note';
  readonly text: string;
}

/**
 * What stands against releasing a table: dates, two rows for one size, a row without a force, and rows above what the
 * shop's own wires of that size can bear.
 * @param wires wires of the cabinet
 * @param today ISO date
 */
export function checkLimitTable(table: LimitTable, wires: readonly Wire[], today: string): LimitProblem[] {
  const problems: LimitProblem[] = [];
  const { effectiveFrom, effectiveUntil } = table;
  if (effectiveUntil !== null && effectiveUntil < effectiveFrom) {
    problems.push({ row: 0, field: 'effectiveUntil', weight: 'bad', text: 'It ends before it begins.' });
  } else if (effectiveUntil !== null && effectiveUntil < today) {
    problems.push({
      row: 0,
      field: 'effectiveUntil',
      weight: 'bad',
      text: `It ended on ${showDay(effectiveUntil)}: released now, it would judge nothing.`,
    });
  }
  if (effectiveFrom < today) {
    problems.push({
      row: 0,
      field: 'effectiveFrom',
      weight: 'note',
      text: `It is in effect since ${showDay(effectiveFrom)}, which is past: what was judged before its release keeps the table it was judged by.`,
    });
  }
  for (const [field, old] of [
    ['hold', table.hold?.force ?? null],
    ['retention', table.retention],
  ] as const) {
    if (old === null) continue;
    const what = field === 'hold' ? 'held' : 'pushed';
    problems.push({
      row: 0,
      field,
      weight: 'note',
      text: `It names ${old} N to be ${what} for every size alike. That is applied to nothing: say it by row.`,
    });
  }
  const first = new Map<string, number>();
  table.rows.forEach((row, index) => {
    const at = index + 1;
    const bad = (field: string, text: string) => problems.push({ row: at, field, weight: 'bad', text });
    const name = limitRowName(row);
    const earlier = first.get(name);
    if (earlier !== undefined) bad('size', `Row ${earlier} is for ${name} already.`);
    else first.set(name, at);
    if ((row.force === null) === (row.percent === null)) {
      bad('force', 'A row says either a force or a percent of the breaking load.');
      return;
    }
    if (row.percent !== null && row.percent > 100) {
      bad('percent', `${row.percent} % is more than the wire itself bears.`);
    }
    if (row.hold !== null && !table.hold) {
      bad('hold', `A hold of ${row.hold} N needs its time: the table names none.`);
    }
    if (row.hold !== null && row.force !== null && row.hold > row.force) {
      bad('hold', `A hold of ${row.hold} N is above the ${row.force} N the row asks of a pull to break.`);
    }
    if (row.force === null) return;
    const { force } = row;
    const weak = wires.find(
      (wire) =>
        wire.conductor.size.scale === row.size.scale &&
        wire.conductor.size.value === row.size.value &&
        (row.material === null || row.material === wire.conductor.material) &&
        force > breakingLoad(wire.conductor, TYPICAL_STRENGTHS),
    );
    if (weak) {
      bad(
        'force',
        `${force} N for ${sizeLabel(row.size)}: wire ${weak.part} itself breaks near ${breakingLoad(weak.conductor, TYPICAL_STRENGTHS).toFixed(1)} N. No crimp can meet that; check value and unit.`,
      );
    }
  });
  return problems;
}
