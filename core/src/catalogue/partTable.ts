import { guardCell, HeadedTable, plainHeading, type HeadedColumn, type HeadedRow, type TableProblem } from '../table';
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

const keyOf = ({ table, column }: Place) => `${table ?? ''}/${column.path}`;
const headedBy = (place: Place): HeadedColumn => {
  const names = namesOf(place);
  const { optional, type } = place.column;
  return {
    name: headed(place),
    is: (plain) => names.includes(plain),
    needed: place.table === null && !optional && type !== 'flag',
  };
};

const PLAIN = { unit: 'mm', isFixed: false } as const;

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
        const cell =
          table !== null
            ? tables[table]?.[i]?.[column.path]
            : i === 0 || column.path === 'part'
              ? cells[column.path]
              : undefined;
        return AS_TEXT.includes(column.type) ? guardCell(cell ?? '') : (cell ?? '');
      }),
    );
  });
  return [places.map(headed), ...body];
}

/** What columns of a kind's table are called that a header does not have: one it has under another name may stand for them. */
export function headingsLeft(kind: CatalogueKind, header: readonly string[]): string[] {
  const has = new Set(header.map(plainHeading));
  return placesOf(kind)
    .filter((place) => !namesOf(place).some((name) => has.has(name)))
    .map(({ name }) => name);
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
  const places = placesOf(kind);
  const read = new HeadedTable(
    table,
    Object.fromEntries(places.map((place) => [keyOf(place), headedBy(place)])),
    mostProblems,
  );
  // Beside those that are missing: a column that goes by another name is both.
  for (const heading of read.unknown()) {
    read.note(
      1,
      heading,
      '',
      `No field of a ${CATALOGUES[kind].one} is called '${heading}'. Take the column out or rename it.`,
    );
  }
  const answer = () => ({ ok: false, problems: read.problems, total: read.total }) as const;
  if (read.total) return answer();
  /** The unit a length's column is headed in. */
  const headedIn = (place: Place): { unit: LengthUnit; isFixed: boolean } => {
    const heading = read.plain(keyOf(place));
    const name = plainHeading(place.name);
    return { unit: heading === `${name}in` ? 'in' : 'mm', isFixed: heading !== '' && heading !== name };
  };

  // Worked out once: a file of thousands of parts asks for each of them at every cell.
  const units = new Map(places.map((place) => [keyOf(place), headedIn(place)]));
  const ownPlaces = places.filter(({ table }) => table === null).map((place) => ({ ...place, key: keyOf(place) }));
  const lists = CATALOGUES[kind].tables.map(({ path }) => ({
    path,
    own: places.filter(({ table }) => table === path).map((place) => ({ ...place, key: keyOf(place) })),
  }));
  const partPlace = places.find((p) => p.table === null && p.column.path === 'part');
  const partKey = partPlace && keyOf(partPlace);
  type Line = HeadedRow<string>;

  const groups: { row: number; name: string; lines: Line[] }[] = [];
  for (const line of read.rows()) {
    const name = partKey ? line.cell(partKey) : '';
    const last = groups.at(-1);
    if (last && (name === '' || name === last.name)) last.lines.push(line);
    else groups.push({ row: line.row, name, lines: [line] });
  }
  const parts: CatalogueParts[K][] = [];
  const rows: number[] = [];
  const firstRow = new Map<string, number>();
  for (const group of groups) {
    const earlier = firstRow.get(group.name);
    if (earlier !== undefined) {
      read.note(
        group.row,
        'part',
        group.name,
        `'${group.name}' stands in row ${earlier} already. A part has one place in the file.`,
      );
      continue;
    }
    firstRow.set(group.name, group.row);
    const cells: Record<string, string> = {};
    const [firstLine, ...others] = group.lines;
    for (const place of ownPlaces) {
      const text = firstLine?.cell(place.key) ?? '';
      cells[place.column.path] = text;
      for (const line of others) {
        const said = line.cell(place.key);
        if (said !== '' && said !== text) {
          read.note(
            line.row,
            headed(place),
            said,
            `says otherwise than row ${group.row} ('${text}') of the same part.`,
          );
        }
      }
    }
    const tables: Record<string, Record<string, string>[]> = {};
    const rowsOf: Record<string, number[]> = {};
    for (const { path, own } of lists) {
      const lines = group.lines.filter((line) => own.some(({ key }) => line.cell(key) !== ''));
      tables[path] = lines.map((line) =>
        Object.fromEntries(own.map(({ key, column }) => [column.path, line.cell(key)])),
      );
      rowsOf[path] = lines.map((line) => line.row);
    }
    const from: PartCells = { cells, tables };
    const part = readPart(kind, from, (path, list) => units.get(`${list ?? ''}/${path}`) ?? PLAIN);
    if (part.ok) {
      parts.push(part.part);
      rows.push(group.row);
    } else {
      for (const problem of part.problems) {
        const place = places.find((p) => p.table === problem.table && p.column.path === problem.path);
        const row = problem.table === null ? group.row : (rowsOf[problem.table]?.[problem.row ?? 0] ?? group.row);
        const value =
          problem.table === null
            ? (cells[problem.path] ?? '')
            : (tables[problem.table]?.[problem.row ?? 0]?.[problem.path] ?? '');
        const column =
          place && read.has(keyOf(place)) ? read.heading(keyOf(place)) : place ? headed(place) : problem.path;
        read.note(row, column, value, problem.text);
      }
    }
  }
  if (!read.total && !parts.length) read.note(2, '', '', 'The file has a header but nothing below it.');
  return read.total ? answer() : { ok: true, parts, rows };
}

/** What a spreadsheet has to leave alone; all others are numbers and words it knows no better. */
const AS_TEXT: readonly Column['type'][] = ['text', 'list', 'date', 'size'];

/** Headers a column is found by: its name alone or with its unit; lengths in mm or in. */
function namesOf(place: Place): string[] {
  const name = plainHeading(place.name);
  const { type, unit } = place.column;
  if (type === 'length') return [name, `${name}mm`, `${name}in`];
  return unit ? [name, `${name}${plainHeading(unit)}`] : [name];
}
