import { POINT_CODES, pointOf, startingRows, type LookRow } from '@tug-mark/core';
import { lookForm, lookRowForm, numberWords, readLook, restoreLook, rowFor, titleOf } from './look-form';

const TODAY = '2026-11-25';
const WIDE: LookRow = {
  ...{ point: 'brush', families: ['butt-splice'], findings: ['accept', 'reject'], measured: 'each' },
  ...{ min: 0.5, max: 2, outside: 'reject', text: 'past the barrel' },
};
const inWords = (changes: Partial<LookRow>) => numberWords(lookRowForm({ ...WIDE, ...changes }));
/** A sheet with all its head filled in. */
const filled = (rows: readonly LookRow[] = [WIDE]) => {
  const form = lookForm('new', TODAY);
  form.controls.head.patchValue({ document: 'LK-1', revision: 'A', class: 'standard', owner: 'Ines' });
  form.controls.rows.clear();
  for (const row of rows) form.controls.rows.push(lookRowForm(row));
  return form;
};
const faults = (form: ReturnType<typeof filled>) => {
  const read = readLook(form);
  return read.ok ? [] : read.faults.map(({ field, text }) => `${field} ${text}`);
};

describe('Inspection points in the form', () => {
  it('come out as they went in, every point there is', () => {
    const read = readLook(filled(startingRows()));
    expect(read.ok && read.sheet.rows).toEqual(startingRows());
    const one = readLook(filled());
    expect(one.ok && one.sheet.rows).toEqual([WIDE]);
  });

  it('have a row to begin with for each point, called as the point is', () => {
    for (const code of POINT_CODES) {
      const row = rowFor(code);
      expect(row && titleOf(row))
        .withContext(code)
        .toBe(pointOf(code).title);
    }
  });

  it('say their number in one line: when it is taken, between what, and what is outside', () => {
    expect(inWords({})).toBe('on each piece, from 0.5 to 2 mm; outside: reject');
    expect(inWords({ min: null })).toBe('on each piece, up to 2 mm; outside: reject');
    expect(inWords({ max: null, measured: 'first' })).toBe('on the first pieces, from 0.5 mm; outside: reject');
    expect(inWords({ min: null, max: null })).toBe('on each piece, as the set-up gives it; outside: reject');
    expect(inWords({ measured: 'never' })).toBe('by eye alone');
    const unmeasured = POINT_CODES.find((code) => !pointOf(code).number);
    if (!unmeasured) throw new Error('every point has a number');
    expect(inWords({ point: unmeasured, measured: 'each' })).toBe('by eye alone');
  });

  it('take a range with one end or none, a comma in it, and never a backward one', () => {
    const form = filled();
    const { min, max } = form.controls.rows.at(0).controls;
    min.setValue('0,5');
    max.setValue('');
    const read = readLook(form);
    expect(read.ok && [read.sheet.rows[0]?.min, read.sheet.rows[0]?.max]).toEqual([0.5, null]);
    max.setValue('0.4');
    expect(faults(form)).toEqual(['row-0 the range is backwards.']);
    max.setValue('wide');
    expect(faults(form)).toEqual(['row-0 the ends of a range are numbers, or empty.']);
  });

  it('need one finding a person could give, and one row', () => {
    const form = filled();
    form.controls.rows.at(0).controls.findings.setValue([]);
    expect(faults(form)).toEqual(['row-0 has no finding a person could give.']);
    form.controls.rows.clear();
    expect(faults(form)).toEqual(['add-point are all taken out.']);
  });

  it('are put back as they were typed, rows that came and went too', () => {
    const typed = filled([WIDE, { ...WIDE, point: 'barrel', text: 'dented' }]);
    const again = lookForm('new', TODAY);
    restoreLook(again, typed.getRawValue());
    expect(again.getRawValue()).toEqual(typed.getRawValue());
  });
});
