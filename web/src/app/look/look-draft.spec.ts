import { startingRows, type LookSheet } from '@tug-mark/core';
import { Bench } from '../testing/bench';
import { LookDraft } from './look-draft';

const SHEET: LookSheet = {
  document: 'LK-1',
  revision: 'A',
  class: 'standard',
  owner: 'Quality',
  effectiveFrom: '2026-01-01',
  effectiveUntil: null,
  status: 'draft',
  origin: 'made-up',
  rows: startingRows().filter(({ point }) => point === 'brush' || point === 'barrel'),
};

describe('A draft of inspection points', () => {
  let bench: Bench<LookDraft>;
  const drafts: LookSheet[] = [];
  beforeEach(async () => {
    drafts.length = 0;
    const keepLookDraft = (draft: LookSheet) => Promise.resolve(drafts.push(draft)).then(() => []);
    bench = await Bench.open(LookDraft, { inputs: { from: SHEET }, api: { keepLookDraft } });
  });
  afterEach(() => {
    bench.close();
  });
  const kept = async () => {
    await bench.submit('form');
    return drafts.at(-1)?.rows ?? [];
  };

  it('says of each point for whom, whether it is measured, and what it means to be outside', async () => {
    await bench.choose('families-0', 'butt splice');
    await bench.choose('measured-0', 'on each piece');
    await bench.type('min-0', '1.5');
    await bench.choose('outside-0', 'rework');
    const row = (await kept())[0];
    expect([row?.families, row?.measured, row?.min, row?.outside]).toEqual([['butt-splice'], 'each', 1.5, 'rework']);
    await bench.choose('families-0', 'all families');
    expect((await kept())[0]?.families).toEqual([]);
  });

  it('offers no number where the eye alone tells', () => {
    const barrel = SHEET.rows.findIndex(({ point }) => point === 'barrel');
    expect(bench.element.querySelector(`#measured-${barrel}`)).toBeNull();
  });

  it('takes a finding away and gives it back', async () => {
    const tick = [...bench.element.querySelectorAll<HTMLElement>('li:first-child tm-tick label')].find(
      (label) => label.textContent?.trim() === 'note',
    );
    const before = SHEET.rows[0]?.findings.includes('note');
    tick?.click();
    await bench.settle();
    expect((await kept())[0]?.findings.includes('note')).toBe(!before);
    tick?.click();
    await bench.settle();
    expect((await kept())[0]?.findings.includes('note')).toBe(!!before);
  });

  it('takes points one after the other from the list, which is empty again for the next', async () => {
    await bench.choose('add-point', 'Die mark');
    await bench.settle();
    await bench.choose('add-point', 'Strands');
    expect((await kept()).map(({ point }) => point)).toEqual([
      ...SHEET.rows.map(({ point }) => point),
      'mark',
      'strands',
    ]);
    await bench.press('take out');
    expect((await kept()).length).toBe(SHEET.rows.length + 1);
  });
});
