import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { ChainReport, CombinationLine } from '@tug-mark/contract';
import { Bench } from '../testing/bench';
import { RecordList } from './record-list';

const line = (id: string, touchedAt: string | null, headline = 'Open') =>
  ({
    ...{ id, terminal: `T-${id}`, wire: 'W-1', list: 'Mast loom', verdict: 'open', headline, touchedAt },
    readIn: false,
  }) as unknown as CombinationLine;
const report = (changes: Partial<ChainReport>): ChainReport =>
  ({ chains: 40, entries: 1200, breaks: [], unsealed: 0, next: null, ...changes }) as ChainReport;

describe('The records of the shop', () => {
  let bench: Bench<RecordList>;
  const open = async (api: object, role: 'technician' | 'quality' = 'technician') => {
    bench = await Bench.open(RecordList, {
      role,
      api: {
        foreignRecords: () => Promise.resolve([]),
        combinations: (at: number) =>
          Promise.resolve(
            at === 0
              ? { lines: [line('a', '2026-10-05T08:00:00Z'), line('b', null)], next: 2 }
              : { lines: [line('c', '2026-10-06T08:00:00Z', 'Accepted')], next: null },
          ),
        ...api,
      },
    });
    await bench.settle();
  };
  afterEach(() => {
    bench.close();
  });

  it('stand the latest first, page after page, without what nothing was put on record for', async () => {
    await open({});
    expect(bench.headline).toBe('2 records');
    const names = [...bench.element.querySelectorAll('tbody a')].map((a) => a.textContent);
    expect(names).toEqual(['T-c on W-1', 'T-a on W-1']);
  });

  it('are checked chain by chain; what was changed is named, with the way to it', async () => {
    const chains = jasmine
      .createSpy('chains')
      .and.returnValues(
        Promise.resolve(report({ next: 40 })),
        Promise.resolve(
          report({ breaks: [{ chain: 'journal/c', name: 'T-c on W-1', text: 'Entry 4 was changed.' }] as never }),
        ),
      );
    await open({ chains });
    await bench.press('Check every chain');
    expect(chains.calls.allArgs()).toEqual([[0], [40]]);
    expect(bench.text).toContain(`2 400 entries in 80 chains: 1 changed behind the application.`);
    const alarm = bench.element.querySelector('tm-notice[role=alert]');
    expect(alarm?.textContent).toContain('Entry 4 was changed.');
    expect(alarm?.querySelector('a')?.getAttribute('href')).toBe('/records/c');
  });

  it('say how many entries are not sealed yet', async () => {
    await open({ chains: () => Promise.resolve(report({ unsealed: 3 })) });
    await bench.press('Check every chain');
    expect(bench.text).toContain('every chain is whole; 3 are not sealed yet.');
  });

  it('of other shops stand apart, and only those who may read one in', async () => {
    const foreign = {
      id: 'f1',
      label: 'RB on W',
      entries: 12,
      shop: 'Elm Yard',
      by: 'Ines',
      at: '2026-10-05T08:00:00Z',
    };
    await open({ foreignRecords: () => Promise.resolve([{ ...foreign, fileName: 'rb.json' }]) });
    expect(bench.text).toContain('From elsewhere');
    expect(bench.text).toContain('Elm Yard');
    expect(bench.element.querySelector('tm-file-button')).toBeNull();
    bench.close();
    const readInRecord = jasmine.createSpy('readInRecord').and.resolveTo({ id: 'f2' });
    await open({ readInRecord }, 'quality');
    const field = bench.element.querySelector<HTMLInputElement>('tm-file-button input[type=file]');
    const files = new DataTransfer();
    files.items.add(new File(['{}'], 'rb.json', { type: 'application/json' }));
    if (field) field.files = files.files;
    field?.dispatchEvent(new Event('change'));
    await bench.settle();
    expect((TestBed.inject(Router).navigate as jasmine.Spy).calls.mostRecent().args[0]).toEqual([
      '/records/elsewhere',
      'f2',
    ]);
  });

  it('tell a refusal of the server', async () => {
    await open({ combinations: () => Promise.reject(new Error('no network')) });
    expect(bench.element.querySelector('tm-problem')).not.toBeNull();
    expect(bench.headline).toBe('0 records');
  });
});
