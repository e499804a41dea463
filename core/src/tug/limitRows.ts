import { FAMILIES, type Family } from '../terminal';
import { ANY_FORCE_UNIT, type ForceUnit, forceUnitOf, headedForceUnit, readNumber, toNewtons } from '../units';
import { CONDUCTOR_MATERIALS, readSize, SIZES_MADE, sizeLabel, type ConductorMaterial } from '../wire';
import { HeadedTable, type TableProblem } from '../table';
import type { LimitRow } from './LimitTable';

export type LimitRowsRead =
  | { readonly ok: true; readonly rows: readonly LimitRow[] }
  | { readonly ok: false; readonly problems: readonly TableProblem[]; readonly total: number };

const HEADER = ['size', 'force N', 'percent of breaking load', 'families', 'material', 'hold N'];

/** Rows of a limit table as text, header first; forces in N. */
export function writeLimitRows(rows: readonly LimitRow[]): string[][] {
  return [
    HEADER,
    ...rows.map((row) => [
      sizeLabel(row.size).replace('mm²', 'mm2'),
      row.force === null ? '' : String(row.force),
      row.percent === null ? '' : String(row.percent),
      row.families.join('; '),
      row.material ?? '',
      row.hold === null ? '' : String(row.hold),
    ]),
  ];
}

const FORCE = new RegExp(`^force(${ANY_FORCE_UNIT})?$`, 'i');
const HOLD = new RegExp(`^hold(${ANY_FORCE_UNIT})?$`, 'i');
const COLUMNS = {
  size: { name: 'size', is: (plain: string) => ['size', 'conductor', 'wire'].includes(plain), needed: true },
  force: { name: 'force', is: (plain: string) => FORCE.test(plain) },
  percent: { name: 'percent', is: (plain: string) => plain.startsWith('percent') },
  families: { name: 'families', is: (plain: string) => plain.startsWith('famil') },
  material: { name: 'material', is: (plain: string) => plain === 'material' },
  hold: { name: 'hold', is: (plain: string) => HOLD.test(plain) },
};

/**
 * Reads rows of a limit table. The unit of a force stands in its header ('force N', 'force lbf', 'hold kgf'), N where it
 * does not; a cell that says another unit than the header is refused. Whole or not at all.
 */
export function readLimitRows(table: readonly (readonly string[])[]): LimitRowsRead {
  const read = new HeadedTable(table, COLUMNS);
  if (!read.total && !read.has('force') && !read.has('percent'))
    read.note(1, 'force', '', "No column is headed 'force N' or 'percent of breaking load'.");
  if (read.total) return { ok: false, problems: read.problems, total: read.total };
  const headed = headedForceUnit(read.heading('force'));
  const rows: LimitRow[] = [];
  for (const { row, cell, wrong } of read.rows()) {
    const before = read.total;
    const size = readSize(cell('size'));
    if (!size) wrong('size', `'${cell('size')}' is no conductor size; write 0.75 mm2 or AWG 18, ${SIZES_MADE}.`);
    const force = readForceCell(cell('force'), headed, (text) => {
      wrong('force', text);
    });
    const hold = readForceCell(cell('hold'), headedForceUnit(read.heading('hold')), (text) => {
      wrong('hold', text);
    });
    const percentRead = cell('percent') === '' ? null : readNumber(cell('percent').replace('%', ''));
    let percent: number | null = null;
    if (percentRead?.outcome === 'refused') wrong('percent', percentRead.text);
    else if (percentRead) percent = percentRead.value;
    if (percent !== null && !(percent > 0 && percent <= 100)) {
      wrong('percent', 'A percent of the breaking load lies above 0 and up to 100.');
    }
    if (cell('force') === '' && cell('percent') === '') wrong('force', 'The row says neither a force nor a percent.');
    if (cell('force') !== '' && cell('percent') !== '') {
      wrong('percent', 'The row says a force and a percent: keep one of them.');
    }
    const families = cell('families')
      .split(/[;|]/)
      .map((f) => f.trim())
      .filter((f) => f !== '');
    const unknown = families.find((f) => !FAMILIES.includes(f as Family));
    if (unknown !== undefined)
      read.note(row, read.heading('families'), unknown, `'${unknown}' is no family; they are ${FAMILIES.join(', ')}.`);
    const material = cell('material') === '' ? null : cell('material');
    if (material !== null && !CONDUCTOR_MATERIALS.includes(material as ConductorMaterial)) {
      wrong('material', `'${material}' is not one of ${CONDUCTOR_MATERIALS.join(', ')}.`);
    }
    if (read.total === before && size) {
      rows.push({
        size,
        force,
        percent,
        families: families as Family[],
        material: material as ConductorMaterial | null,
        hold,
      });
    }
  }
  if (!read.total && !rows.length) read.note(2, 'size', '', 'The file has a header but no row below it.');
  return read.total ? { ok: false, problems: read.problems, total: read.total } : { ok: true, rows };
}

function readForceCell(cell: string, headed: ForceUnit | undefined, wrong: (text: string) => void): number | null {
  if (cell === '') return null;
  const read = readNumber(cell);
  if (read.outcome === 'refused') {
    wrong(read.text);
    return null;
  }
  const said = forceUnitOf(read.rest);
  if (read.rest !== '' && !said) wrong(`'${read.rest}' is no unit of force here; use N, lbf or kgf.`);
  else if (said && headed && said !== headed)
    wrong(`is in ${said}, but the column is headed in ${headed}. Make header and cell agree.`);
  else if (!(read.value > 0)) wrong('A least force lies above 0.');
  return toNewtons(read.value, said ?? headed ?? 'N');
}
