import { PLAIN_SHEET, startingRows, type LookSheet } from '@tug-mark/core';
import { Bench } from '../testing/bench';
import { OPEN, released } from '../testing/made-up';
import { LotMeasure } from './lot-measure';

const sheet: LookSheet = {
  ...PLAIN_SHEET,
  ...{ document: 'LK-1', revision: 'A', class: '2' },
  rows: startingRows().map((row) => (row.point === 'tongue' ? { ...row, measured: 'each' as const } : row)),
};

describe('Measuring a piece of a lot', () => {
  let bench: Bench<LotMeasure>;
  beforeEach(async () => {
    bench = await Bench.open(LotMeasure, { view: released(() => [OPEN], [sheet]), inputs: { piece: 1, lot: 1 } });
  });
  afterEach(() => {
    bench.close();
  });

  it('offers what has a number, and judges one that is typed at once', async () => {
    const offered = await bench.offers('lot-what');
    expect(offered.length).toBeGreaterThan(1);
    await bench.choose('lot-what', 'past the barrel');
    await bench.type('lot-measured', '2.5');
    await bench.submit();
    expect(bench.put[0]?.body).toEqual({
      ...{ kind: 'measure', lot: 1, piece: 1, what: 'brush', value: 2.5, typed: '2.5', unit: 'mm', note: '' },
    });
    expect(bench.element.querySelector('.figures tm-mark')?.textContent?.trim()).toBe('passed');
  });

  it('says what is good where a number is not', async () => {
    await bench.choose('lot-what', 'past the barrel');
    await bench.type('lot-measured', '9');
    await bench.submit();
    const line = bench.element.querySelector('.figures');
    expect(line?.querySelector('tm-mark')?.textContent?.trim()).toBe('failed');
    expect(line?.textContent).toContain('is good');
  });

  it('takes what the caliper sends, in millimetres alone', async () => {
    await bench.choose('lot-what', 'past the barrel');
    bench.measure(2.4);
    await bench.settle();
    expect(bench.put[0]?.body).toEqual(jasmine.objectContaining({ what: 'brush', value: 2.4, from: 'C-1' }));
    await bench.choose('lot-what', 'bend');
    bench.measure(2.4);
    await bench.settle();
    expect(bench.text).toContain('The caliper sent 2.4 mm, but this is not measured in mm.');
    expect(bench.put.length).toBe(1);
  });

  it('refuses what is no number, and keeps it in the field', async () => {
    await bench.type('lot-measured', 'wide');
    await bench.submit();
    expect(bench.element.querySelector('[role=alert]')).not.toBeNull();
    expect(bench.put).toEqual([]);
    expect(bench.element.querySelector<HTMLInputElement>('#lot-measured')?.value).toBe('wide');
  });
});
