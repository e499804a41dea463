import { provideHttpClient } from '@angular/common/http';
import { provideStore } from '@ngrx/store';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { CombinationRecord } from '@tug-mark/contract';
import { SheetPile } from '../bench/sheet-pile';
import { Api } from '../http/api';
import { describeEntry } from '@tug-mark/core';
import { Bench, kept, pulled, TOOL_TAKEN, viewOf } from '../testing/bench';
import { RecordPage } from './record-page';
import { SheetPage } from './sheet-page';

const record = (changes: Partial<CombinationRecord> = {}): CombinationRecord => {
  const { cabinet, newest, coverings, lot, ...view } = viewOf();
  if (cabinet.length + coverings.length + newest.terminal + (lot ?? 0) === 0) throw new Error('an empty view');
  return {
    format: 'tug-mark/record',
    version: 1,
    exportedAt: new Date().toISOString(),
    shop: { name: 'Fennick Lane', isDemo: true },
    ...view,
    photos: [],
    curves: [],
    judgement: { verdict: 'open', headline: '', stages: [] },
    ...changes,
  };
};

describe('The record on screen', () => {
  let bench: Bench<unknown>;
  afterEach(() => {
    bench.close();
  });

  it('judges by the pulls of the present run alone and keeps those of the run before in its journal', async () => {
    const run = kept({
      kind: 'run',
      run: 2,
      cause: 'new reel',
      revisions: { terminal: 1, wire: 1, together: [], practice: 1 },
    });
    const entries = [TOOL_TAKEN(), pulled(1, 116.2), run];
    bench = await Bench.open(RecordPage, {
      api: { unsent: () => Promise.resolve([]), record: () => Promise.resolve(record({ entries })) },
      inputs: { id: 'c1' },
    });
    expect(bench.text).toContain('Journal, 3 entries');
    expect(bench.element.querySelector('tm-tug-line svg')?.getAttribute('aria-label')).not.toContain('piece 1');
    expect(bench.text).toContain('Set-up begun again (run 2): new reel');
  });

  it('of thousands of entries is drawn as somebody comes to it, and whole when it is printed', async () => {
    const entries = [TOOL_TAKEN(), ...Array.from({ length: 2000 }, (_, i) => pulled(i + 1, 118 + (i % 5)))];
    bench = await Bench.open(RecordPage, {
      api: { unsent: () => Promise.resolve([]), record: () => Promise.resolve(record({ entries })) },
      inputs: { id: 'c1' },
    });
    const rows = () => bench.element.querySelectorAll('.journal tbody tr').length;
    expect(bench.text).toContain('Journal, 2001 entries');
    expect(rows()).toBe(100);
    await bench.press('1901 more');
    expect(rows()).toBe(200);
    window.dispatchEvent(new Event('beforeprint'));
    expect(rows()).toBe(2001);
  });

  it('names every wire that shares the barrel', async () => {
    const together = [{ ...viewOf().wire, part: 'W-2', label: 'second wire' }];
    bench = await Bench.open(RecordPage, {
      api: { unsent: () => Promise.resolve([]), record: () => Promise.resolve(record({ together })) },
      inputs: { id: 'c1' },
    });
    expect(bench.headline).toContain('and W-2 second wire');
  });
});

describe('Set-up sheets', () => {
  let bench: Bench<unknown>;
  afterEach(() => {
    bench.close();
  });

  it('are shown page by page on the paper that is chosen', async () => {
    const sheetPages = jasmine
      .createSpy('sheetPages')
      .and.callFake((_id: string, paper: string) =>
        Promise.resolve([`<svg data-paper="${paper}"></svg>`, '<svg></svg>']),
      );
    bench = await Bench.open(SheetPage, { api: { sheetPages }, inputs: { id: 'c1' } });
    expect(bench.element.querySelectorAll('.sheet svg').length).toBe(2);
    await bench.press('letter');
    expect(sheetPages.calls.mostRecent().args).toEqual(['c1', 'letter']);
    expect(bench.element.querySelector('.sheet svg')?.getAttribute('data-paper')).toBe('letter');
  });

  it('in a pile tell how far they are, can be stopped, and are there to take at the end', async () => {
    let tell: (done: number) => void = () => undefined;
    let finish: (pdf: Blob) => void = () => undefined;
    const sheetPile = jasmine.createSpy('sheetPile').and.callFake(
      (_list: string, _paper: string, signal: AbortSignal, told: typeof tell) =>
        new Promise<Blob>((resolve, reject) => {
          tell = told;
          finish = resolve;
          signal.addEventListener('abort', () => {
            reject(new Error('stopped'));
          });
        }),
    );
    bench = await Bench.open(SheetPile, { api: { sheetPile }, inputs: { list: 'Mast loom', of: 21 } });
    await bench.press('Set-up sheets of Mast loom');
    tell(3);
    await bench.settle();
    expect(bench.text).toContain('3 of 21 sheets');
    await bench.press('Stop');
    expect(bench.has('Set-up sheets of Mast loom')).toBeTrue();
    expect(bench.element.querySelector('tm-problem')).toBeNull();
    await bench.press('Set-up sheets of Mast loom');
    finish(new Blob(['%PDF-']));
    await bench.settle();
    expect(bench.element.querySelector('a')?.textContent).toContain('Take the PDF of Mast loom');
  });
});

describe('An entry in words', () => {
  it('tells of an entry which run it belongs to, from the second on', () => {
    expect(describeEntry({ kind: 'gate', gate: 'hand-tug', answer: 'yes', note: '', run: 2 })).toBe(
      "Run 2. Step 'tug by hand': yes",
    );
    expect(describeEntry({ kind: 'gate', gate: 'hand-tug', answer: 'yes', note: '' })).toBe("Step 'tug by hand': yes");
    expect(
      describeEntry({ kind: 'measure', piece: 1, what: 'height', value: 1.5, typed: '0.059', unit: 'in', note: '' }),
    ).toBe('Piece 1, crimp height 1.50 mm (typed 0.059 in)');
  });
});

describe('A pile of sheets on its way', () => {
  it('that breaks off is told so and never taken for whole', async () => {
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideHttpClient(), provideStore()],
    });
    const api = TestBed.inject(Api);
    const fetched = spyOn(window, 'fetch');
    const pile = () => api.sheetPile('Mast loom', 'A4', new AbortController().signal, () => undefined);
    fetched.and.resolveTo(new Response('%PDF-1.7\n1 0 obj'));
    await expectAsync(pile()).toBeRejectedWithError(/The sheets broke off/);
    fetched.and.resolveTo(new Response('%PDF-1.7\n%%EOF\n'));
    expect(await (await pile()).text()).toBe('%PDF-1.7\n%%EOF\n');
  });
});
