import { FormArray } from '@angular/forms';
import { sizeLabel, type LimitTable } from '@tug-mark/core';
import * as fc from 'fast-check';
import { limitRow, limitTable, wire075 } from '../../../../core/src/testing/shop';
import {
  LIMIT_COLUMNS,
  layInto,
  limitForm,
  pastedCells,
  readLimits,
  restoreLimits,
  rowForm,
  type LimitKey,
  type LimitRowForm,
} from './limit-form';

const TODAY = '2026-11-25';
const SHOWN: readonly LimitKey[] = ['size', 'force', 'percent'];
const WHOLE: LimitTable = {
  ...limitTable,
  interpolates: true,
  hold: { seconds: 5, percent: 80, force: null },
  loadingRate: { min: 10, max: 20 },
  pushes: [
    { contactSize: '16', families: ['machined-contact'], force: 45 },
    { contactSize: null, families: [], force: 30 },
  ],
};
/** What a draft of a table comes to when nothing is changed but its revision. */
const drafted = (table: LimitTable) => {
  const form = limitForm(table, [], TODAY);
  form.controls.head.controls.revision.setValue('Z');
  return readLimits(form, table);
};

describe('A limit table in the form', () => {
  it('comes out as it went in, hold, rate and pushes too', () => {
    const read = drafted(WHOLE);
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const { rows, interpolates, speed, hold, loadingRate, pushes, retention } = read.table;
    expect({ rows, interpolates, speed, hold, loadingRate, pushes, retention }).toEqual({
      ...{ rows: WHOLE.rows, interpolates: true, speed: WHOLE.speed, hold: WHOLE.hold },
      ...{ loadingRate: WHOLE.loadingRate, pushes: WHOLE.pushes, retention: WHOLE.retention },
    });
  });

  it('keeps each force to the last figure, whatever the forces are', () => {
    const force = fc.integer({ min: 1, max: 99_999 }).map((tenths) => tenths / 10);
    const size = fc.uniqueArray(fc.constantFrom(0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10), { minLength: 1 });
    fc.assert(
      fc.property(size, fc.array(force, { minLength: 8, maxLength: 8 }), (sizes, forces) => {
        const rows = sizes.map((value, i) => ({ ...limitRow(value), force: forces[i] ?? 1 }));
        const read = drafted({ ...limitTable, rows });
        expect(read.ok && read.table.rows).toEqual(rows);
      }),
    );
  });

  it('is put back as it was typed where rows and pushes are more than it began with', () => {
    const typed = limitForm('new', [wire075], TODAY);
    typed.controls.rows.push(rowForm(['4 mm2', '310']));
    typed.controls.pushes.push(limitForm(WHOLE, [], TODAY).controls.pushes.at(0));
    const again = limitForm('new', [], TODAY);
    restoreLimits(again, typed.getRawValue());
    expect(again.getRawValue()).toEqual(typed.getRawValue());
    expect(again.controls.rows.length).toBe(2);
  });

  it('has a hold only with its time, and a push only with its force', () => {
    const form = limitForm(WHOLE, [], TODAY);
    form.controls.numbers.controls.holdSeconds.setValue('');
    form.controls.pushes.at(0).controls.force.setValue('0');
    const read = readLimits(form, WHOLE);
    expect(read.ok ? [] : read.faults.map(({ field }) => field)).toEqual(
      jasmine.arrayContaining(['l-holdSeconds', 'push-0-force']),
    );
  });
});

describe('Cells copied in a spreadsheet', () => {
  let rows: FormArray<LimitRowForm>;
  beforeEach(() => {
    rows = new FormArray([rowForm(['0.75 mm2', '60']), rowForm(['1 mm2', '80'])]);
  });
  const cells = () => rows.controls.map((row) => SHOWN.map((key) => row.controls[key].value));
  const paste = (text: string, row: number, key: LimitKey) =>
    layInto(rows, pastedCells(text) ?? [], { row, key }, SHOWN);

  it('are told from a single value, which is typed as it is', () => {
    expect(pastedCells(' 85\n')).toBeNull();
    expect(pastedCells('85\t90')).toEqual([['85', '90']]);
    expect(pastedCells('"1,5 mm2"\t 85 \r\n\r\n2.5\t120\r\n')).toEqual([
      ['1,5 mm2', '85'],
      ['2.5', '120'],
    ]);
  });

  it('are laid from the cell they were pasted into, never to the left of it, never past the last column', () => {
    expect(paste('85\t50\tx\n95\t55\tx\n105\t60\tx', 1, 'force')).toBe('3 rows came with the paste, from row 2 on.');
    expect(cells()).toEqual([
      ['0.75 mm2', '60', ''],
      ['1 mm2', '85', '50'],
      ['', '95', '55'],
      ['', '105', '60'],
    ]);
  });

  it('with a head of their own take the place of the rows, column by column, in the unit the head says', () => {
    expect(paste('Least force N\tConductor\n110\t1.5 mm2', 0, 'size')).toBe(
      '1 rows came with the paste, in place of those before.',
    );
    expect(cells()).toEqual([['1.5 mm2', '110', '']]);
    paste('wire size\tforce lbf\nAWG 18\t20', 0, 'size');
    // One pound-force is 4.4482216 N.
    expect(Number(cells()[0]?.[1])).toBeCloseTo(20 * 4.4482216, 3);
  });

  it('that cannot be read keep their unit behind each number, and are never newtons by accident', () => {
    paste('size\tforce lbf\nAWG 18\t20\nnone\t30', 0, 'size');
    expect(cells()).toEqual([
      ['AWG 18', '20 lbf', ''],
      ['none', '30 lbf', ''],
    ]);
  });

  it('without a size in their head are no table: a head is not taken for a row that can be kept', () => {
    paste('force\tpercent\n85\t50', 0, 'force');
    const form = limitForm('new', [], TODAY);
    form.setControl('rows', rows);
    const read = readLimits(form, 'new');
    expect(read.ok ? [] : read.faults.map(({ field }) => field)).toContain('l-0-force');
  });

  it('of any shape change no cell outside of where they are laid', () => {
    const cell = fc.constantFrom('7', '12.5', 'x');
    const block = fc.array(fc.array(cell, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 4 });
    fc.assert(
      fc.property(block, fc.nat(1), fc.constantFrom(...SHOWN), (pasted, row, key) => {
        rows = new FormArray([rowForm(['0.75 mm2', '60']), rowForm(['1 mm2', '80'])]);
        const before = cells();
        layInto(rows, pasted, { row, key }, SHOWN);
        const from = SHOWN.indexOf(key);
        cells().forEach((line, r) => {
          line.forEach((value, c) => {
            expect(value).toBe(pasted[r - row]?.[c - from] ?? before[r]?.[c] ?? '');
          });
        });
      }),
    );
  });
});

describe('The columns of a limit table', () => {
  it('are those of a file, so that a file and the form say the same', () => {
    const form = rowForm(LIMIT_COLUMNS.map(({ file }) => file));
    expect(Object.values(form.getRawValue())).toEqual(LIMIT_COLUMNS.map(({ file }) => file));
    expect(limitForm('new', [wire075, wire075], TODAY).controls.rows.getRawValue()).toEqual([
      jasmine.objectContaining({ size: sizeLabel(wire075.conductor.size).replace('²', '2'), force: '' }),
    ]);
  });
});
