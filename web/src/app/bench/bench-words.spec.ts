import type { CombinationLine } from '@tug-mark/contract';
import { benchHead, footWords, scannedCombination, statesFor } from './bench-words';

describe('The words of the bench', () => {
  it('name what waits for whom: pieces for those who make, releases for those who release, both for a shop of one', () => {
    expect(statesFor(['technician'])).toEqual(['held', 'to-make', 'to-set-up']);
    expect(statesFor(['quality'])).toEqual(['held', 'to-release']);
    expect(statesFor(['engineer'])).toEqual(['held', 'to-make', 'to-set-up']);
    expect(statesFor(['engineer', 'technician', 'quality'])).toEqual(['held', 'to-release', 'to-make', 'to-set-up']);
  });

  it('begin with what the plan says is next here; cutting is no combination, and Begin leads to what waits', () => {
    const line = {
      id: 'c1',
      terminal: 'T-1',
      wire: 'W-1',
      list: 'Mast',
      pieces: 24,
      lot: null,
      headline: 'Held back.',
      next: { to: 'tool', text: 'Take HT-11' },
    } as unknown as CombinationLine;
    const planned = { headline: 'Next at Bench 1: ring M4.', under: '06:10 to 06:40, Odile.', combination: 'c2' };
    expect(benchHead(planned, line, 'none')).toEqual({
      ...{ headline: planned.headline, under: planned.under, begin: ['/bench', 'c2'] },
    });
    expect(benchHead({ ...planned, combination: null }, line, 'none').begin).toEqual(['/bench', 'c1', 'tool']);
    expect(benchHead({ ...planned, combination: null }, null, 'none').begin).toBeNull();
    const own = benchHead(null, line, 'none');
    expect([own.headline, own.begin]).toEqual(['Next: take HT-11, T-1 on W-1.', ['/bench', 'c1', 'tool']]);
    expect([benchHead(null, null, 'none').headline, benchHead(null, null, 'none').begin]).toEqual(['none', null]);
  });

  it('know the code of a set-up sheet from anything else that is scanned', () => {
    const id = '0192f3a4-0000-7000-8000-000000000003';
    expect(scannedCombination(`https://shop.local/bench/${id}/match`)).toBe(id);
    expect(scannedCombination('FL-RT-0406')).toBeUndefined();
  });

  it('say how much is shown of what there is, and of what it is narrowed to', () => {
    const all = { state: null, list: null };
    expect(footWords(30, 5000, all, false)).toContain('30 of 5\u202f000 ');
    expect(footWords(30, undefined, all, false)).toContain('30 of ... ');
    expect(footWords(3, 5000, { ...all, list: 'Mast loom' }, true)).toContain('3 of Mast loom');
  });
});
