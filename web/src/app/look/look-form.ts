import { FormArray, FormControl, FormGroup } from '@angular/forms';
import {
  pointOf,
  startingRows,
  type Family,
  type Finding,
  type LookRow,
  type LookSheet,
  type Measured,
  type PointCode,
} from '@tug-mark/core';
import { draftOf, headFaults, headForm, type HeadForm } from '../documents/draft-head';
import type { FormFault } from '../parts/form-faults';
import { plainNumber } from '../parts/plain-number';
import { typedText } from '../parts/zod-form';

export type LookRowForm = FormGroup<{
  readonly point: FormControl<PointCode>;
  readonly families: FormControl<readonly Family[]>;
  readonly findings: FormControl<readonly Finding[]>;
  readonly measured: FormControl<Measured>;
  readonly min: FormControl<string>;
  readonly max: FormControl<string>;
  readonly outside: FormControl<Finding>;
  readonly text: FormControl<string>;
}>;
export type LookForm = FormGroup<{ readonly head: HeadForm; readonly rows: FormArray<LookRowForm> }>;

const sure = <T>(value: T) => new FormControl<T>(value, { nonNullable: true });
const end = (value: number | null) => typedText(value === null ? '' : String(value));

export function lookRowForm({ point, families, findings, measured, min, max, outside, text }: LookRow): LookRowForm {
  return new FormGroup({
    ...{ point: sure(point), families: sure(families), findings: sure(findings), measured: sure(measured) },
    ...{ min: end(min), max: end(max), outside: sure(outside), text: typedText(text) },
  });
}

/** A row for a point, as a new sheet begins with it. */
export function rowFor(point: PointCode): LookRowForm | null {
  const row = startingRows().find((each) => each.point === point);
  return row ? lookRowForm(row) : null;
}

/** What a draft begins with: the sheet it is drawn up from, or every point there is. */
export function lookForm(from: LookSheet | 'new', today: string): LookForm {
  const rows = from === 'new' ? startingRows() : from.rows;
  return new FormGroup({ head: headForm(from, today), rows: new FormArray(rows.map(lookRowForm)) });
}

/** Rows of a value that was remembered may be more or fewer than the form began with. */
export function restoreLook(form: LookForm, value: ReturnType<LookForm['getRawValue']>): void {
  form.controls.rows.clear({ emitEvent: false });
  for (const row of value.rows) {
    const made = rowFor(row.point);
    made?.setValue(row);
    if (made) form.controls.rows.push(made);
  }
  form.patchValue(value);
}

export type LookRead =
  { readonly ok: true; readonly sheet: LookSheet } | { readonly ok: false; readonly faults: readonly FormFault[] };

/** What a form comes to: the sheet, or all that is not right. */
export function readLook(form: LookForm): LookRead {
  const faults: FormFault[] = [...headFaults(form.controls.head)];
  const rows = form.controls.rows.controls.map((row, i): LookRow => {
    const { min: low, max: high, findings, ...rest } = row.getRawValue();
    const wrong = (text: string) => faults.push({ field: `row-${i}`, label: `Row ${i + 1}, ${titleOf(row)}`, text });
    const read = (text: string) => (text.trim() === '' ? null : plainNumber(text));
    const [min, max] = [read(low), read(high)];
    if ((min === null && low.trim()) || (max === null && high.trim()))
      wrong('the ends of a range are numbers, or empty.');
    else if (min !== null && max !== null && min > max) wrong('the range is backwards.');
    if (!findings.length) wrong('has no finding a person could give.');
    return { ...rest, findings, min, max };
  });
  if (!rows.length) faults.push({ field: 'add-point', label: 'Rows', text: 'are all taken out.' });
  return faults.length ? { ok: false, faults } : { ok: true, sheet: { ...draftOf(form.controls.head), rows } };
}

export function titleOf(row: LookRowForm): string {
  return pointOf(row.controls.point.value).title;
}

export const MEASURED_WORDS: Readonly<Record<Measured, string>> = {
  never: 'by eye alone',
  may: 'may be measured',
  first: 'on the first pieces',
  each: 'on each piece',
};

/** The number of a row in a line: when it is taken, its range, and what is outside of it. */
export function numberWords(row: LookRowForm): string {
  const { point, measured, min, max, outside } = row.getRawValue();
  const unit = pointOf(point).number?.unit;
  if (!unit || measured === 'never') return 'by eye alone';
  const space = unit === '°' ? '' : ' ';
  const low = min.trim();
  const high = max.trim();
  const range =
    !low && !high
      ? 'as the set-up gives it'
      : `${low ? `from ${low}` : ''}${low && high ? ' to ' : high ? 'up to ' : ''}${high}${space}${unit}`;
  return `${MEASURED_WORDS[measured]}, ${range}; outside: ${outside}`;
}
