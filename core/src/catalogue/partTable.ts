import type { TableProblem } from '../records';
import type { LengthUnit } from '../units';
import { CATALOGUES, type CatalogueKind, type CatalogueParts, type Column } from './columns';
import { readPart, writePart, type PartCells } from './partCells';

export type PartTableRead<K extends CatalogueKind> =
  | { readonly ok: true; readonly parts: readonly CatalogueParts[K][]; readonly rows: readonly number[] }
  | { readonly ok: false; readonly problems: readonly TableProblem[]; readonly total: number };

interface Place {
  readonly column: Column;
  readonly table: string | null;
  /** What the column is called without its unit. */
  readonly name: string;
}

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/mm²/g, 'mm2')
    .replace(/°c/g, 'degc')
    .replace(/[^a-z0-9%]/g, '');

/** Every column of a kind's table in order: its own fields, then those of each list inside it. */
function placesOf(kind: CatalogueKind): Place[] {
  const { columns, tables } = CATALOGUES[kind];
  return [
    ...columns.map((column) => ({ column, table: null, name: column.title })),
    ...tables.flatMap((table) =>
      table.columns.map((column) => ({ column, table: table.path, name: `${table.title}: ${column.title}` })),
    ),
  ];
}

const unitName = ({ type, unit }: Column) => (type === 'length' ? 'mm' : (unit ?? ''));
const headed = ({ name, column }: Place) => [name, unitName(column)].filter((word) => word !== '').join(' ');

/**
 * Parts of one kind as rows of text, header first. A part with lists inside takes as many rows as its longest list;
 * its own fields stand in the first of them.
 */
export function writePartTable<K extends CatalogueKind>(kind: K, parts: readonly CatalogueParts[K][]): string[][] {
  const places = placesOf(kind);
  const body = parts.flatMap((part) => {
    const { cells, tables } = writePart(kind, part);
    const height = Math.max(1, ...Object.values(tables).map((rows) => rows.length));
    return Array.from({ length: height }, (_, i) =>
      places.map(({ column, table }) => {
        if (table !== null) return tables[table]?.[i]?.[column.path] ?? '';
        return i === 0 || column.path === 'part' ? (cells[column.path] ?? '') : '';
      }),
    );
  });
  return [places.map(headed), ...body];
}

/**
 * Reads parts of one kind from rows of text. Columns are found by their headers in any order; a length's unit stands
 * in its header ('barrel length mm' or 'barrel length in'), mm where it does not. Read whole or not at all: every
 * problem is named by row and column.
 *
 * @param mostProblems how many problems to spell out; `total` counts all
 */
export function readPartTable<K extends CatalogueKind>(
  kind: K,
  table: readonly (readonly string[])[],
  mostProblems = 200,
): PartTableRead<K> {
  const problems: TableProblem[] = [];
  let total = 0;
  const note = (row: number, column: string, value: string, text: string) => {
    total += 1;
    if (problems.length < mostProblems) problems.push({ row, column, value: value.slice(0, 60), text });
  };
  const header = table[0] ?? [];
  if (header.every((cell) => cell.trim() === '')) {
    note(1, '', '', 'The file is empty. Its first row has to name the columns.');
    return { ok: false, problems, total };
  }
  const places = placesOf(kind);
  const found = new Map<Place, { index: number; unit: LengthUnit; isFixed: boolean }>();
  header.forEach((text, index) => {
    if (text.trim() === '') return;
    const name = plain(text);
    const place = places.find((p) => namesOf(p).includes(name));
    if (!place) {
      note(1, text, '', `No field of a ${CATALOGUES[kind].one} is called '${text}'. Take the column out or rename it.`);
      return;
    }
    const earlier = found.get(place);
    if (earlier) {
      note(
        1,
        text,
        '',
        `'${header[earlier.index]}' and '${text}' are the same field${place.column.type === 'length' ? ', maybe in two units' : ''}. Keep one of them.`,
      );
      return;
    }
    const unit: LengthUnit = place.column.type === 'length' && name === `${plain(place.name)}in` ? 'in' : 'mm';
    found.set(place, { index, unit, isFixed: name !== plain(place.name) });
  });
  for (const place of places) {
    const { column, table: list } = place;
    if (list === null && !column.optional && column.type !== 'flag' && !found.has(place)) {
      note(1, headed(place), '', `No column is headed '${headed(place)}'.`);
    }
  }
  if (total) return { ok: false, problems, total };

  const partPlace = places.find((p) => p.table === null && p.column.path === 'part');
  const cellOf = (cells: readonly string[], place: Place) => (cells[found.get(place)?.index ?? -1] ?? '').trim();
  const groups: { row: number; name: string; lines: { row: number; cells: readonly string[] }[] }[] = [];
  for (let index = 1; index < table.length; index++) {
    const cells = table[index] ?? [];
    if (cells.every((cell) => cell.trim() === '')) continue;
    const name = partPlace ? cellOf(cells, partPlace) : '';
    const last = groups.at(-1);
    if (last && (name === '' || name === last.name)) last.lines.push({ row: index + 1, cells });
    else groups.push({ row: index + 1, name, lines: [{ row: index + 1, cells }] });
  }
  const parts: CatalogueParts[K][] = [];
  const rows: number[] = [];
  const firstRow = new Map<string, number>();
  for (const group of groups) {
    const earlier = firstRow.get(group.name);
    if (earlier !== undefined) {
      note(
        group.row,
        'part',
        group.name,
        `'${group.name}' stands in row ${earlier} already. A part has one place in the file.`,
      );
      continue;
    }
    firstRow.set(group.name, group.row);
    const cells: Record<string, string> = {};
    for (const place of places.filter((p) => p.table === null)) {
      const [first, ...others] = group.lines.map((line) => ({ row: line.row, text: cellOf(line.cells, place) }));
      cells[place.column.path] = first?.text ?? '';
      for (const other of others) {
        if (other.text !== '' && other.text !== first?.text) {
          note(
            other.row,
            headed(place),
            other.text,
            `says otherwise than row ${group.row} ('${first?.text}') of the same part.`,
          );
        }
      }
    }
    const tables: Record<string, Record<string, string>[]> = {};
    const rowsOf: Record<string, number[]> = {};
    for (const list of CATALOGUES[kind].tables) {
      const own = places.filter((p) => p.table === list.path);
      const lines = group.lines.filter((line) => own.some((place) => cellOf(line.cells, place) !== ''));
      tables[list.path] = lines.map((line) =>
        Object.fromEntries(own.map((place) => [place.column.path, cellOf(line.cells, place)])),
      );
      rowsOf[list.path] = lines.map((line) => line.row);
    }
    const from: PartCells = { cells, tables };
    const read = readPart(kind, from, (path, list) => {
      const place = places.find((p) => p.table === list && p.column.path === path);
      return (place && found.get(place)) ?? { unit: 'mm', isFixed: false };
    });
    if (read.ok) {
      parts.push(read.part);
      rows.push(group.row);
    } else {
      for (const problem of read.problems) {
        const place = places.find((p) => p.table === problem.table && p.column.path === problem.path);
        const row = problem.table === null ? group.row : (rowsOf[problem.table]?.[problem.row ?? 0] ?? group.row);
        const value =
          problem.table === null
            ? (cells[problem.path] ?? '')
            : (tables[problem.table]?.[problem.row ?? 0]?.[problem.path] ?? '');
        note(row, place ? (header[found.get(place)?.index ?? -1] ?? headed(place)) : problem.path, value, problem.text);
      }
    }
  }
  if (!total && !parts.length) note(2, '', '', 'The file has a header but nothing below it.');
  return total ? { ok: false, problems, total } : { ok: true, parts, rows };
}

/** Headers a column is found by: its name alone or with its unit; lengths in mm or in. */
function namesOf(place: Place): string[] {
  const name = plain(place.name);
  const { type, unit } = place.column;
  if (type === 'length') return [name, `${name}mm`, `${name}in`];
  return unit ? [name, `${name}${plain(unit)}`] : [name];
}
