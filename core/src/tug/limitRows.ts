import { FAMILIES, type Family } from '../terminal';
import { FORCE_UNITS, readNumber, toNewtons, type ForceUnit } from '../units';
import { CONDUCTOR_MATERIALS, readSize, SIZES_MADE, sizeLabel, type ConductorMaterial } from '../wire';
import type { LimitRow } from './LimitTable';

/** What is wrong in a row of limits: 1-based row as a spreadsheet counts it, column by its header. */
export interface LimitRowProblem {
  readonly row: number;
  readonly column: string;
  readonly value: string;
  readonly text: string;
}

export type LimitRowsRead =
  | { readonly ok: true; readonly rows: readonly LimitRow[] }
  | { readonly ok: false; readonly problems: readonly LimitRowProblem[]; readonly total: number };

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

/**
 * Reads rows of a limit table. The unit of a force stands in its header ('force N', 'force lbf', 'hold kgf'), N where it
 * does not; a cell that says another unit than the header is refused. Whole or not at all.
 */
export function readLimitRows(table: readonly (readonly string[])[]): LimitRowsRead {
  const problems: LimitRowProblem[] = [];
  const header = (table[0] ?? []).map((cell) => cell.toLowerCase().replace(/[^a-z0-9]/g, ''));
  const at = (test: (name: string) => boolean) => header.findIndex(test);
  const columns = {
    size: at((name) => name === 'size' || name === 'conductor' || name === 'wire'),
    force: at((name) => /^force(n|lbf|kgf)?$/.test(name)),
    percent: at((name) => name.startsWith('percent')),
    families: at((name) => name.startsWith('famil')),
    material: at((name) => name === 'material'),
    hold: at((name) => /^hold(n|lbf|kgf)?$/.test(name)),
  };
  const title = (column: keyof typeof columns) => table[0]?.[columns[column]] ?? column;
  const note = (row: number, column: keyof typeof columns, value: string, text: string) =>
    problems.push({ row, column: title(column), value: value.slice(0, 60), text });
  if (columns.size < 0) note(1, 'size', '', "No column is headed 'size'.");
  if (columns.force < 0 && columns.percent < 0)
    note(1, 'force', '', "No column is headed 'force N' or 'percent of breaking load'.");
  if (problems.length) return { ok: false, problems, total: problems.length };
  const headed = unitOf(header[columns.force]);
  const rows: LimitRow[] = [];
  for (let index = 1; index < table.length; index++) {
    const cells = table[index] ?? [];
    if (cells.every((cell) => cell.trim() === '')) continue;
    const before = problems.length;
    const row = index + 1;
    const cell = (column: keyof typeof columns) => (cells[columns[column]] ?? '').trim();
    const size = readSize(cell('size'));
    if (!size)
      note(
        row,
        'size',
        cell('size'),
        `'${cell('size')}' is no conductor size; write 0.75 mm2 or AWG 18, ${SIZES_MADE}.`,
      );
    const force = readForceCell(cell('force'), headed, (text) => note(row, 'force', cell('force'), text));
    const hold = readForceCell(cell('hold'), unitOf(header[columns.hold]), (text) =>
      note(row, 'hold', cell('hold'), text),
    );
    const percentRead = cell('percent') === '' ? null : readNumber(cell('percent').replace('%', ''));
    let percent: number | null = null;
    if (percentRead?.outcome === 'refused') note(row, 'percent', cell('percent'), percentRead.text);
    else if (percentRead) percent = percentRead.value;
    if (percent !== null && !(percent > 0 && percent <= 100)) {
      note(row, 'percent', cell('percent'), 'A percent of the breaking load lies above 0 and up to 100.');
    }
    if (cell('force') === '' && cell('percent') === '')
      note(row, 'force', '', 'The row says neither a force nor a percent.');
    if (cell('force') !== '' && cell('percent') !== '') {
      note(row, 'percent', cell('percent'), 'The row says a force and a percent: keep one of them.');
    }
    const families = cell('families')
      .split(/[;|]/)
      .map((f) => f.trim())
      .filter((f) => f !== '');
    const unknown = families.find((f) => !FAMILIES.includes(f as Family));
    if (unknown !== undefined)
      note(row, 'families', unknown, `'${unknown}' is no family; they are ${FAMILIES.join(', ')}.`);
    const material = cell('material') === '' ? null : cell('material');
    if (material !== null && !CONDUCTOR_MATERIALS.includes(material as ConductorMaterial)) {
      note(row, 'material', material, `'${material}' is not one of ${CONDUCTOR_MATERIALS.join(', ')}.`);
    }
    if (problems.length === before && size) {
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
  if (!problems.length && !rows.length) note(2, 'size', '', 'The file has a header but no row below it.');
  return problems.length ? { ok: false, problems: problems.slice(0, 200), total: problems.length } : { ok: true, rows };
}

/** Unit a column of forces is headed with. */
function unitOf(header: string | undefined): ForceUnit | undefined {
  const named = /^(?:force|hold)(n|lbf|kgf)$/.exec(header ?? '')?.[1];
  return FORCE_UNITS.find((unit) => unit.toLowerCase() === named);
}

function readForceCell(cell: string, headed: ForceUnit | undefined, wrong: (text: string) => void): number | null {
  if (cell === '') return null;
  const read = readNumber(cell);
  if (read.outcome === 'refused') {
    wrong(read.text);
    return null;
  }
  const said = FORCE_UNITS.find((unit) => unit.toLowerCase() === read.rest.toLowerCase());
  if (read.rest !== '' && !said) wrong(`'${read.rest}' is no unit of force here; use N, lbf or kgf.`);
  else if (said && headed && said !== headed)
    wrong(`is in ${said}, but the column is headed in ${headed}. Make header and cell agree.`);
  else if (!(read.value > 0)) wrong('A least force lies above 0.');
  return toNewtons(read.value, said ?? headed ?? 'N');
}
