import type { LotLine } from '@tug-mark/contract';
import { Bench } from '../testing/bench';
import { LotsPage } from './lots-page';

const lot = (name: string, changes: Partial<LotLine> = {}): LotLine => ({
  id: '0192f3a4-0000-7000-8000-000000000003',
  lot: 1,
  name,
  list: 'Sensor bar',
  terminal: 'FL-OC-1508',
  wire: 'FL-W-0100',
  pieces: 240,
  made: 121,
  state: 'held',
  headline: 'Held: Pieces 82 to 121.',
  openedAt: '2026-11-25T08:00:00.000Z',
  openedBy: 'Odile',
  finishedAt: null,
  ...changes,
});

describe('The lots of the shop', () => {
  let bench: Bench<LotsPage>;
  afterEach(() => {
    bench.close();
  });

  it('lead to each lot with how it stands, and go on by the page', async () => {
    const lots = jasmine
      .createSpy('lots')
      .and.returnValues(
        Promise.resolve({ lines: [lot('L-0402')], next: '["x"]' }),
        Promise.resolve({ lines: [lot('L-0001', { lot: 2, made: null, state: 'finished' })], next: null }),
      );
    bench = await Bench.open(LotsPage, { api: { lots } });
    expect(bench.headline).toBe('Lots: 1 or more');
    expect(bench.text).toContain('121 of 240');
    expect(bench.element.querySelector('tbody a')?.getAttribute('href')).toBe(`/bench/${lot('').id}/lot`);
    await bench.press('Show more');
    expect(lots.calls.mostRecent().args[0]).toEqual({ find: '', after: '["x"]' });
    expect(bench.headline).toBe('Lots: 2');
    expect(bench.text).toContain('? of 240');
    expect(bench.has('Show more')).toBeFalse();
  });

  it('are asked for by state and words, and say so where there are none', async () => {
    const lots = jasmine.createSpy('lots').and.resolveTo({ lines: [], next: null });
    bench = await Bench.open(LotsPage, { api: { lots } });
    expect(bench.text).toContain('No lot is opened yet');
    [...bench.element.querySelectorAll<HTMLElement>('label.ant-radio-button-wrapper')]
      .find((label) => label.textContent?.includes('held'))
      ?.click();
    await bench.settle();
    expect(lots.calls.mostRecent().args[0]).toEqual({ state: 'held', find: '', after: '' });
    await bench.type('lot-search', ' l-04 odile ');
    await new Promise((later) => setTimeout(later, 250));
    expect(lots.calls.mostRecent().args[0].find).toBe('l-04 odile');
  });
});
