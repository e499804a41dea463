import { FormArray, FormControl, FormGroup, type AbstractControl } from '@angular/forms';
import {
  headedForceUnit,
  limitSizes,
  readLimitRows,
  sizeLabel,
  writeLimitRows,
  type Family,
  type LimitRow,
  type LimitTable,
  type PushRow,
  type Range,
  type Wire,
} from '@tug-mark/core';
import { draftOf, headFaults, headForm, type HeadForm } from '../documents/draft-head';
import type { FormFault } from '../parts/form-faults';
import { plainNumber } from '../parts/plain-number';
import { typedText } from '../parts/zod-form';

/** Columns of the rows, in the order a file has them. */
export const LIMIT_COLUMNS = [
  { key: 'size', file: 'size', title: 'Conductor' },
  { key: 'force', file: 'force N', title: 'Least force, N' },
  { key: 'percent', file: 'percent of breaking load', title: 'or % of breaking load' },
  { key: 'families', file: 'families', title: 'Family' },
  { key: 'material', file: 'material', title: 'Material' },
  { key: 'hold', file: 'hold N', title: 'Hold, N' },
] as const;
export type LimitKey = (typeof LIMIT_COLUMNS)[number]['key'];
/** Columns most tables do without. */
export const FURTHER: readonly LimitKey[] = ['families', 'material', 'hold'];

export type LimitRowForm = FormGroup<Record<LimitKey, FormControl<string>>>;
export type PushForm = FormGroup<Record<'contactSize' | 'family' | 'force', FormControl<string>>>;

/** Numbers of a table beside its rows; an empty pair or hold is none. */
export const TABLE_NUMBERS = [
  { key: 'speedMin', title: 'Pulled at, from mm/min' },
  { key: 'speedMax', title: 'to mm/min' },
  { key: 'holdSeconds', title: 'A hold lasts, s' },
  { key: 'holdPercent', title: 'Hold, % of the least force' },
  { key: 'rateMin', title: 'Force rises, from N/s' },
  { key: 'rateMax', title: 'to N/s' },
] as const;
type NumberKey = (typeof TABLE_NUMBERS)[number]['key'];

export type LimitForm = FormGroup<{
  readonly head: HeadForm;
  readonly interpolates: FormControl<boolean>;
  readonly numbers: FormGroup<Record<NumberKey, FormControl<string>>>;
  readonly rows: FormArray<LimitRowForm>;
  readonly pushes: FormArray<PushForm>;
}>;

const text = (value: number | string | null | undefined) =>
  typedText(value === null || value === undefined ? '' : String(value));

export function rowForm(cells: readonly (string | undefined)[]): LimitRowForm {
  return new FormGroup(
    Object.fromEntries(LIMIT_COLUMNS.map(({ key }, c) => [key, text(cells[c])])) as Record<
      LimitKey,
      FormControl<string>
    >,
  );
}

export function pushForm(push: PushRow | null): PushForm {
  const family = push && (push.families.length > 1 ? push.families.join('; ') : (push.families[0] ?? ''));
  return new FormGroup({ contactSize: text(push?.contactSize), family: text(family), force: text(push?.force) });
}

/**
 * What a draft begins with: the table it is drawn up from, or an empty one with a row for each size of the shop's own wires.
 * A force is never proposed.
 */
export function limitForm(from: LimitTable | 'new', wires: readonly Wire[], today: string): LimitForm {
  const table = from === 'new' ? null : from;
  const rows = table
    ? writeLimitRows(table.rows).slice(1)
    : limitSizes(wires).map((size) => [sizeLabel(size).replace('mm²', 'mm2')]);
  const numbers: Record<NumberKey, number | null | undefined> = {
    ...{ speedMin: table?.speed.min ?? 25, speedMax: table?.speed.max ?? 50 },
    ...{ holdSeconds: table?.hold?.seconds, holdPercent: table?.hold?.percent },
    ...{ rateMin: table?.loadingRate?.min, rateMax: table?.loadingRate?.max },
  };
  return new FormGroup({
    head: headForm(from, today),
    interpolates: new FormControl(table?.interpolates ?? false, { nonNullable: true }),
    numbers: new FormGroup(
      Object.fromEntries(Object.entries(numbers).map(([key, value]) => [key, text(value)])) as Record<
        NumberKey,
        FormControl<string>
      >,
    ),
    rows: new FormArray(rows.map(rowForm)),
    pushes: new FormArray((table?.pushes ?? []).map(pushForm)),
  });
}

/** Rows of a value that was remembered may be more or fewer than the form began with. */
export function restoreLimits(form: LimitForm, value: ReturnType<LimitForm['getRawValue']>): void {
  form.controls.rows.clear({ emitEvent: false });
  for (const row of value.rows) form.controls.rows.push(rowForm(LIMIT_COLUMNS.map(({ key }) => row[key])));
  form.controls.pushes.clear({ emitEvent: false });
  for (const push of value.pushes) {
    const made = pushForm(null);
    made.setValue(push);
    form.controls.pushes.push(made);
  }
  form.patchValue(value);
}

/** Rows something stands in beside their size; the others are left out. */
const isFilled = (row: LimitRowForm) =>
  LIMIT_COLUMNS.some(({ key }) => key !== 'size' && row.controls[key].value.trim() !== '');

/** What a form comes to: the table, or all that is not right. */
export type LimitsRead =
  { readonly ok: true; readonly table: LimitTable } | { readonly ok: false; readonly faults: readonly FormFault[] };

export function readLimits(form: LimitForm, from: LimitTable | 'new'): LimitsRead {
  const { head, interpolates, numbers, rows, pushes } = form.controls;
  const faults: FormFault[] = [...headFaults(head)];
  const fault = (field: string, label: string, said: string) => faults.push({ field, label, text: said });
  const number = (control: AbstractControl<string>, field: string, label: string): number | null => {
    if (control.value.trim() === '') return null;
    const value = plainNumber(control.value);
    if (value === null || value <= 0) fault(field, label, 'is no number above 0.');
    return value;
  };
  const read = Object.fromEntries(
    TABLE_NUMBERS.map(({ key, title }) => [key, number(numbers.controls[key], `l-${key}`, title)]),
  ) as Record<NumberKey, number | null>;
  const range = (min: NumberKey, max: NumberKey, label: string): Range | null => {
    const [low, high] = [read[min], read[max]];
    if (low === null && high === null) return null;
    if (low === null || high === null) fault(`l-${low === null ? min : max}`, label, 'names one end only.');
    else if (low > high) fault(`l-${min}`, label, 'is backwards: the smaller one comes first.');
    return { min: low ?? 0, max: high ?? 0 };
  };
  const speed = range('speedMin', 'speedMax', 'Pulled at');
  if (!speed) fault('l-speedMin', 'Pulled at', 'is empty: the document names the speed.');
  const loadingRate = range('rateMin', 'rateMax', 'Force rises');
  if (read.holdPercent !== null && read.holdSeconds === null)
    fault('l-holdSeconds', 'A hold lasts', 'is empty: a hold needs its time.');

  const filled = rows.controls.map((row, at) => ({ row, at })).filter(({ row }) => isFilled(row));
  const cells = filled.map(({ row }) => LIMIT_COLUMNS.map(({ key }) => row.controls[key].value));
  const found = readLimitRows([LIMIT_COLUMNS.map(({ file }) => file), ...cells]);
  if (!filled.length)
    fault(rows.length ? 'l-0-force' : 'l-add', 'Rows', 'hold no force yet. A table needs one row at least.');
  else if (!found.ok) {
    for (const problem of found.problems) {
      const at = filled[problem.row - 2]?.at ?? 0;
      const column = LIMIT_COLUMNS.find(({ file, key }) => problem.column === file || problem.column === key);
      fault(`l-${at}-${column?.key ?? 'size'}`, `Row ${at + 1}, ${column?.title ?? 'row'}`, problem.text);
    }
  }
  const pushed = pushes.controls.map((push, at): PushRow => {
    const { contactSize, family, force } = push.controls;
    const newtons = number(force, `push-${at}-force`, `Push ${at + 1}`);
    if (force.value.trim() === '') fault(`push-${at}-force`, `Push ${at + 1}`, 'is empty.');
    const families = family.value.split('; ').filter(Boolean) as Family[];
    return { contactSize: contactSize.value.trim() || null, families, force: newtons ?? 0 };
  });
  if (faults.length || !found.ok) return { ok: false, faults };
  const before = from === 'new' ? null : from;
  return {
    ok: true,
    table: {
      ...draftOf(head),
      interpolates: interpolates.value,
      speed: speed ?? { min: 0, max: 0 },
      hold:
        read.holdSeconds === null
          ? null
          : { seconds: read.holdSeconds, percent: read.holdPercent, force: before?.hold?.force ?? null },
      loadingRate,
      pushes: pushed,
      retention: before?.retention ?? null,
      rows: found.rows as LimitRow[],
    },
  };
}

/** A table copied in a spreadsheet: its cells, row by row; null for a single value. */
export function pastedCells(pasted: string): readonly (readonly string[])[] | null {
  if (!/[\t\n]/.test(pasted.trim())) return null;
  return pasted
    .replace(/\r/g, '')
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => line.split('\t').map((cell) => cell.trim().replace(/^"(.*)"$/, '$1')));
}

/**
 * Puts pasted cells into the rows. With a head of its own the table replaces the rows, column by column as its head says;
 * without one it is laid from the cell it was pasted into.
 * @returns what was done, in words
 */
export function layInto(
  rows: FormArray<LimitRowForm>,
  pasted: readonly (readonly string[])[],
  at: { readonly row: number; readonly key: LimitKey },
  shown: readonly LimitKey[],
): string {
  const [first = [], ...rest] = pasted;
  const keys = first.map((head) => columnHeaded(head));
  if (keys.includes('size')) {
    rows.clear({ emitEvent: false });
    // A head that says its unit is read by it; what cannot be read stands as it was pasted, its unit behind each number.
    const heads = first.map((head, c) => (keys[c] === 'size' ? 'size' : head));
    const found = readLimitRows([heads, ...rest]);
    if (found.ok) for (const cells of writeLimitRows(found.rows).slice(1)) rows.push(rowForm(cells));
    else {
      for (const cells of rest) {
        const row = rowForm([]);
        keys.forEach((key, c) => {
          const unit = key === 'force' || key === 'hold' ? headedForceUnit(first[c] ?? '') : undefined;
          const cell = cells[c] ?? '';
          if (key) row.controls[key].setValue(unit && unit !== 'N' && cell ? `${cell} ${unit}` : cell);
        });
        rows.push(row);
      }
    }
    return `${rest.length} rows came with the paste, in place of those before.`;
  }
  const from = shown.indexOf(at.key);
  pasted.forEach((cells, r) => {
    if (!rows.at(at.row + r)) rows.push(rowForm([]));
    const row = rows.at(at.row + r);
    cells.forEach((cell, c) => {
      const key = shown[from + c];
      if (key) row.controls[key].setValue(cell);
    });
  });
  return `${pasted.length} rows came with the paste, from row ${at.row + 1} on.`;
}

function columnHeaded(head: string): LimitKey | null {
  const plain = head.trim().toLowerCase();
  if (/^(size|conductor|wire)/.test(plain)) return 'size';
  if (/^(percent|%|or %)/.test(plain)) return 'percent';
  if (/^(least )?force|^newton|^n$/.test(plain)) return 'force';
  if (plain.startsWith('famil')) return 'families';
  if (plain.startsWith('material')) return 'material';
  return plain.startsWith('hold') ? 'hold' : null;
}
