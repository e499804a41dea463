import type { LimitTable } from '@tug-mark/core';
import { wire075 } from '../../../../core/src/testing/shop';
import { Bench, viewOf } from '../testing/bench';
import { LimitDraft } from './limit-draft';

const [TABLE] = viewOf().limits;
const wire15 = {
  ...wire075,
  part: 'W-150',
  conductor: { ...wire075.conductor, size: { scale: 'mm2' as const, value: 1.5 } },
};

describe('A draft of limits', () => {
  let bench: Bench<LimitDraft>;
  let draftLimit: jasmine.Spy<(table: LimitTable) => Promise<unknown>>;
  const open = async (from: LimitTable | 'new', grade = '') => {
    draftLimit = jasmine.createSpy('draftLimit').and.resolveTo([]);
    bench = await Bench.open(LimitDraft, {
      role: 'quality',
      api: { draftLimit },
      inputs: { from, grade, wires: [wire15, wire075, wire075] },
    });
  };
  const cells = (r: number) =>
    [...(bench.element.querySelectorAll('tbody tr')[r]?.querySelectorAll<HTMLInputElement>('input') ?? [])].map(
      (cell) => cell.value,
    );
  const faults = () => [...bench.element.querySelectorAll('tm-form-faults li')].map((li) => li.textContent?.trim());
  const paste = async (id: string, text: string) => {
    const data = new DataTransfer();
    data.setData('text', text);
    bench.element
      .querySelector(`#${id}`)
      ?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    await bench.settle();
  };
  const head = async () => {
    await bench.type('draft-document', 'QS-12');
    await bench.type('draft-class', 'standard');
    await bench.type('draft-owner', 'Ines');
  };
  afterEach(() => {
    bench.close();
  });

  it('begins with the grade it is most likely for, and one from another table with that one’s', async () => {
    const grade = () => bench.element.querySelector<HTMLInputElement>('#draft-class')?.value;
    await open('new', 'high');
    expect(grade()).toBe('high');
    bench.close();
    if (!TABLE) throw new Error('no table');
    await open(TABLE, 'high');
    expect(grade()).toBe(TABLE.class);
  });

  it('of a shop without any has a row for each size of its own wires, and never a force', async () => {
    await open('new');
    expect([cells(0), cells(1), cells(2)]).toEqual([['0.75 mm2', '', ''], ['1.5 mm2', '', ''], []]);
    await bench.submit();
    expect(faults()).toContain('Rows: hold no force yet. A table needs one row at least.');
    await head();
    await bench.type('l-1-force', '150');
    await bench.submit();
    const [table] = draftLimit.calls.mostRecent().args;
    // The size without a force is left out.
    expect(table.rows.map(({ size, force }) => [size.value, force])).toEqual([[1.5, 150]]);
    expect(table).toEqual(
      jasmine.objectContaining({
        document: 'QS-12',
        status: 'draft',
        speed: { min: 25, max: 50 },
        hold: null,
        pushes: [],
      }),
    );
  });

  it('names its bad rows, with the way to each, and keeps the good ones as typed', async () => {
    await open(TABLE ?? 'new');
    await bench.type('draft-revision', 'E');
    await bench.type('l-0-force', 'many');
    await bench.submit();
    expect(faults()).toEqual([jasmine.stringMatching(/^Row 1, Least force, N: 'many' is not a number/)]);
    expect(bench.element.querySelector('#l-0-force')?.getAttribute('aria-invalid')).toBe('true');
    expect(draftLimit).not.toHaveBeenCalled();
    await bench.press('Row 1, Least force, N');
    expect(document.activeElement?.id).toBe('l-0-force');
    await bench.type('l-0-force', '90');
    await bench.submit();
    expect(draftLimit.calls.mostRecent().args[0]).toEqual(
      jasmine.objectContaining({ revision: 'E', status: 'draft', rows: [{ ...TABLE?.rows[0], force: 90 }] }),
    );
  });

  it('takes a column copied in a spreadsheet from the cell it is pasted into, and adds rows for it', async () => {
    await open('new');
    await paste('l-0-force', '85\n150\n');
    expect([cells(0)[1], cells(1)[1]]).toEqual(['85', '150']);
    await paste('l-1-size', '1.5 mm2\t151\r\n2.5 mm2\t230');
    expect([cells(1), cells(2)]).toEqual([
      ['1.5 mm2', '151', ''],
      ['2.5 mm2', '230', ''],
    ]);
  });

  it('takes a table with its own head, in its own unit, and never takes pounds-force for newtons', async () => {
    await open('new');
    await paste('l-0-size', 'size\tforce lbf\nAWG 18\t20\nAWG 16\t30');
    expect(Number(cells(0)[1])).toBeCloseTo(88.96, 1);
    await paste('l-0-size', 'size\tforce lbf\nAWG 18\t20\nAWG 16\tthirty');
    await head();
    await bench.submit();
    expect(faults().length).toBeGreaterThan(0);
    expect(draftLimit).not.toHaveBeenCalled();
  });

  it('asks for both ends of a range, and for the time of a hold', async () => {
    await open(TABLE ?? 'new');
    await bench.type('draft-revision', 'E');
    await bench.type('l-speedMax', '');
    await bench.type('l-holdPercent', '50');
    await bench.type('l-rateMin', '20');
    await bench.type('l-rateMax', '10');
    await bench.submit();
    expect(faults()).toEqual([
      'Pulled at: names one end only.',
      'Force rises: is backwards: the smaller one comes first.',
      'A hold lasts: is empty: a hold needs its time.',
    ]);
  });

  it('keeps pushes of seated contacts by size and family', async () => {
    await open(TABLE ?? 'new');
    await bench.type('draft-revision', 'E');
    await bench.press('One more push');
    await bench.type('push-0-size', '16');
    await bench.submit();
    expect(faults()).toEqual(['Push 1: is empty.']);
    await bench.type('push-0-force', '40');
    await bench.submit();
    expect(draftLimit.calls.mostRecent().args[0].pushes).toEqual([{ contactSize: '16', families: [], force: 40 }]);
  });
});
