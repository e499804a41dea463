import { startingRows, type LookSheet } from '@tug-mark/core';
import { bareRing, practice, stripper, tool, wire075 } from '../../../../core/src/testing/shop';
import { Bench } from '../testing/bench';
import { LookDraft } from './look-draft';
import { EMPTY_CABINET } from '../testing/made-up';

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
  const open = async (from: LookSheet | 'new' = SHEET, terminals = [bareRing]) => {
    drafts.length = 0;
    bench = await Bench.open(LookDraft, {
      inputs: { from },
      api: {
        keepLookDraft: (draft: LookSheet) => Promise.resolve(drafts.push(draft)).then(() => []),
        cabinet: () =>
          Promise.resolve({
            ...EMPTY_CABINET,
            ...{ wires: [wire075], terminals, tools: [tool], strippers: [stripper] },
            ...{ practices: [practice] },
          }),
      },
    });
  };
  afterEach(() => {
    bench.close();
    for (const left of document.querySelectorAll('.cdk-overlay-container')) left.innerHTML = '';
  });
  const kept = async () => {
    await bench.submit('form');
    return drafts.at(-1)?.rows ?? [];
  };
  /** The row that is open at the side lies over the page. */
  const side = (selector: string) => {
    const found = document.querySelector<HTMLElement>(`.ant-drawer ${selector}`);
    if (!found) throw new Error(`nothing at the side is ${selector}`);
    return found;
  };
  const tick = async (words: string) => {
    const label = [...document.querySelectorAll<HTMLElement>('.ant-drawer tm-tick label')].find(
      (each) => each.textContent?.trim() === words,
    );
    label?.click();
    await bench.settle();
  };
  const row = (point: string) =>
    [...bench.element.querySelectorAll('tbody tr')]
      .find((each) => each.textContent?.includes(point))
      ?.textContent?.replace(/\s+/g, ' ');

  it('is one line a point, in full at the side: for whom, what may be found, its number, and how it looks', async () => {
    await open();
    expect(row('Wire past the barrel')).toContain('may be measured, as the set-up gives it; outside: reject');
    await bench.press('Wire past the barrel');
    expect(side('tm-point-examples svg')).toBeTruthy();
    await tick('butt splice');
    const min = side('#row-min') as HTMLInputElement;
    min.value = '1.5';
    min.dispatchEvent(new Event('input'));
    await bench.settle();
    expect(row('Wire past the barrel')).toContain('butt splice');
    expect(row('Wire past the barrel')).toContain('from 1.5 mm');
    const [brush] = await kept();
    expect([brush?.families, brush?.min, brush?.max]).toEqual([['butt-splice'], 1.5, null]);
  });

  it('offers no number where the eye alone tells, and says where nothing can be drawn yet', async () => {
    await open(SHEET, []);
    await bench.press('Barrel');
    expect(document.querySelector('.ant-drawer #row-measured')).toBeNull();
    expect(side('tm-look-row').textContent).toContain('once the shop has a terminal of these families');
  });

  it('takes a finding away and gives it back', async () => {
    await open();
    await bench.press('Wire past the barrel');
    const before = SHEET.rows[0]?.findings.includes('note');
    await tick('note');
    expect((await kept())[0]?.findings.includes('note')).toBe(!before);
    await tick('note');
    expect((await kept())[0]?.findings).toEqual(SHEET.rows[0]?.findings);
  });

  it('takes points from the list, each open at once, and rows out', async () => {
    await open();
    await bench.choose('add-point', 'Die mark');
    expect(side('.ant-drawer-title').textContent).toBe('Die mark');
    expect((await kept()).map(({ point }) => point)).toEqual([...SHEET.rows.map(({ point }) => point), 'mark']);
    await bench.press('take out');
    expect((await kept()).length).toBe(SHEET.rows.length);
  });

  it('of a shop without any begins with every point there is', async () => {
    await open('new');
    expect(bench.element.querySelectorAll('tbody tr').length).toBe(startingRows().length);
    await bench.submit('form');
    const faults = [...bench.element.querySelectorAll('tm-form-faults li')].map((li) => li.textContent?.trim());
    expect(faults).toEqual(['Document: is empty', 'Grade of work: is empty', 'Owner: is empty']);
    expect(drafts).toEqual([]);
  });

  it('that was left in the middle is there again, rows and all, until it is kept', async () => {
    await open();
    await bench.type('draft-owner', 'Ines');
    await bench.press('take out');
    const saved = { ...localStorage } as Record<string, string>;
    const form = Object.keys(saved).find((key) => key.includes('points/LK-1')) ?? '';
    bench.close();
    bench = await Bench.open(LookDraft, {
      inputs: { from: SHEET },
      kept: { [form]: saved[form] ?? '' },
      api: { cabinet: () => Promise.reject(new Error('no network')), keepLookDraft: () => Promise.resolve([]) },
    });
    expect(bench.text).toContain('is back; it is not kept yet');
    expect(bench.element.querySelector<HTMLInputElement>('#draft-owner')?.value).toBe('Ines');
    expect(bench.element.querySelectorAll('tbody tr').length).toBe(SHEET.rows.length - 1);
    await bench.press('Begin again without it');
    expect(bench.element.querySelectorAll('tbody tr').length).toBe(SHEET.rows.length);
    expect(localStorage.getItem(form)).toBeNull();
  });
});
