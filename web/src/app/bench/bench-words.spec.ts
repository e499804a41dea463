import { footWords, statesFor } from './bench-words';

describe('The words of the bench', () => {
  it('name what waits for whom: pieces for those who make, releases for those who release, both for a shop of one', () => {
    expect(statesFor(['technician'])).toEqual(['held', 'to-make', 'to-set-up']);
    expect(statesFor(['quality'])).toEqual(['held', 'to-release']);
    expect(statesFor(['engineer'])).toEqual(['held', 'to-make', 'to-set-up']);
    expect(statesFor(['engineer', 'technician', 'quality'])).toEqual(['held', 'to-release', 'to-make', 'to-set-up']);
  });

  it('say how much is shown of what there is, and of what it is narrowed to', () => {
    const all = { state: null, list: null };
    expect(footWords(30, 5000, all, false)).toContain('30 of 5\u202f000 ');
    expect(footWords(30, undefined, all, false)).toContain('30 of ... ');
    expect(footWords(3, 5000, { ...all, list: 'Mast loom' }, true)).toContain('3 of Mast loom');
  });
});
