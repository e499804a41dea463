import { FormArray, FormControl, FormGroup, FormRecord } from '@angular/forms';
import {
  capital,
  CATALOGUES,
  familyHas,
  familyName,
  FAMILIES,
  readPart,
  writePart,
  type CatalogueKind,
  type CatalogueParts,
  type Column,
  type PartCells,
  type PartRead,
  type PartTable,
} from '@tug-mark/core';
import type { FormFault } from '../parts/form-faults';
import type { SelectOption } from '../parts/select';
import { typedText } from '../parts/zod-form';
import { scanned } from './scanned';

export type Cells = FormRecord<FormControl<string>>;
/** A part as it is typed: every field as text, read by the same rules as a file. */
export type PartForm = FormGroup<{
  readonly cells: Cells;
  readonly tables: FormRecord<FormArray<Cells>>;
}>;

const cellsOf = (columns: readonly Column[], cells: Readonly<Record<string, string>>): Cells =>
  new FormRecord(Object.fromEntries(columns.map(({ path }) => [path, typedText(cells[path] ?? '')])));

/** What a field of a new part begins with. */
const startOf = (column: Column): string =>
  column.start ??
  (column.type === 'choice' && !column.optional
    ? (column.options?.[0] ?? '')
    : column.type === 'flag' && !column.optional
      ? 'no'
      : '');

/** A further row of a list. */
export const newRow = ({ columns }: PartTable): Cells =>
  cellsOf(columns, Object.fromEntries(columns.map((column) => [column.path, startOf(column)])));

/** @param from what it begins with; null: a new part with what nearly every sheet says */
export function partForm(kind: CatalogueKind, from: PartCells | null): PartForm {
  const { columns, tables } = CATALOGUES[kind];
  const cells = from?.cells ?? Object.fromEntries(columns.map((column) => [column.path, startOf(column)]));
  return new FormGroup({
    cells: cellsOf(columns, cells),
    tables: new FormRecord(
      Object.fromEntries(
        tables.map((table) => {
          const rows = (from?.tables[table.path] ?? []).map((row) => cellsOf(table.columns, row));
          return [table.path, new FormArray<Cells>(!from && table.least ? [newRow(table)] : rows)];
        }),
      ),
    ),
  });
}

/** The cells of a part, as a form begins with them. */
export const cellsFrom = (kind: CatalogueKind, part: CatalogueParts[CatalogueKind]): PartCells =>
  writePart(kind, part as never);

/** Rows of a value that was remembered may be more or fewer than the form began with. */
export function restorePart(kind: CatalogueKind, form: PartForm, value: PartCells): void {
  for (const table of CATALOGUES[kind].tables) {
    const rows = form.controls.tables.controls[table.path];
    rows?.clear({ emitEvent: false });
    for (const row of value.tables[table.path] ?? []) rows?.push(cellsOf(table.columns, row));
  }
  form.patchValue({ cells: value.cells });
}

/** What stands in a form; what a scanner typed as a label's address is its part. */
export function typedCells(form: PartForm): PartCells {
  const plain = (cells: Readonly<Record<string, string>>) =>
    Object.fromEntries(Object.entries(cells).map(([path, text]) => [path, scanned(text ?? '')]));
  const { cells, tables } = form.getRawValue();
  return {
    cells: plain(cells),
    tables: Object.fromEntries(Object.entries(tables).map(([path, rows]) => [path, rows.map(plain)])),
  };
}

/** Whether a field concerns a part: all of them, but of a terminal those its family has, and those something stands in. */
export function concerns(kind: CatalogueKind, form: PartForm, path: string): boolean {
  if (kind !== 'terminal') return true;
  const cell = form.controls.cells.controls[path]?.value ?? '';
  const family = form.controls.cells.controls['family']?.value ?? '';
  return (cell !== '' && cell !== 'no') || familyHas(family, path);
}

/** Id of a field on the screen. */
export const fieldId = (path: string, table: string | null = null, row: number | null = null): string =>
  [table === null ? 'f' : 't', table, row, path]
    .filter((part) => part !== null)
    .join('-')
    .replace(/\./g, '-');

/** All that is wrong with a part, each at its field. */
export function faultsOf(kind: CatalogueKind, read: PartRead<CatalogueKind>): FormFault[] {
  if (read.ok) return [];
  const { columns, tables } = CATALOGUES[kind];
  return read.problems.map(({ path, table, row, text }) => {
    const own = table === null ? columns : (tables.find((each) => each.path === table)?.columns ?? []);
    const title =
      own.find((column) => column.path === path)?.title ?? tables.find((t) => t.path === path)?.title ?? path;
    const at =
      table === null || row === null ? '' : `${tables.find((t) => t.path === table)?.title ?? ''} ${row + 1}, `;
    const label = capital(`${at}${title}`);
    return {
      field: fieldId(path, table, row),
      label,
      text: text.startsWith(label) ? text.slice(label.length).trim() : text,
    };
  });
}

export const readForm = (kind: CatalogueKind, form: PartForm): PartRead<CatalogueKind> =>
  readPart(kind, typedCells(form));

/** Required, and nothing that is computed rests on it: what stands in for it until it is typed. */
const STAND_INS: Readonly<Record<string, string>> = { part: 'X', label: 'X', maker: 'X', temperature: '0' };

/** A part as far as it is typed, to be computed with: what only names it may still be missing. */
export function readSoFar(kind: CatalogueKind, form: PartForm): PartRead<CatalogueKind> {
  const { cells, tables } = typedCells(form);
  const filled = Object.entries(cells).map(([path, text]): [string, string] => [
    path,
    text === '' ? (STAND_INS[path] ?? '') : text,
  ]);
  return readPart(kind, { cells: Object.fromEntries(filled), tables });
}

/** What a column offers, in words; null where it is typed. */
export function optionsOf(column: Column): readonly SelectOption[] | null {
  if (column.type !== 'flag' && column.type !== 'choice') return null;
  const own = column.type === 'flag' ? ['no', 'yes'] : (column.options ?? []);
  const word = (value: string) =>
    FAMILIES.some((family) => family === value)
      ? familyName(value as (typeof FAMILIES)[number])
      : value.replace(/-/g, ' ');
  return [
    ...(column.optional ? [{ value: '', label: 'not said' }] : []),
    ...own.map((value) => ({ value, label: word(value) })),
  ];
}

/** What stands behind a field. */
export const unitOf = (column: Column): string => (column.type === 'length' ? 'mm' : (column.unit ?? ''));
