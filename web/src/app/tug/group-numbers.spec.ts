import type { GroupVerdict } from '@tug-mark/core';
import { groupNumbers } from './group-numbers';

const group = (changes: object): GroupVerdict =>
  ({
    summary: { n: 5, min: 112.2, mean: 117.6, s: 3.55 },
    cpl: 3.05,
    lowerBound: 97.2,
    reasons: [],
    ...changes,
  }) as unknown as GroupVerdict;

describe('The numbers of a group of pulls', () => {
  it('are shown in the unit chosen', () => {
    expect(groupNumbers(group({}), 85, 'N')).toEqual(
      jasmine.objectContaining({ n: 5, min: '112.2', mean: '117.6', s: '3.5', cpl: '3.05', bound: '97.2' }),
    );
    // 112.2 / 4.44822 = 25.22, 97.2 / 4.44822 = 21.85
    expect(groupNumbers(group({}), 85, 'lbf')).toEqual(jasmine.objectContaining({ min: '25.2', bound: '21.9' }));
  });

  it('say what they need where they cannot be told', () => {
    const one = { summary: { n: 1, min: 112, mean: 112, s: null }, cpl: null, lowerBound: null };
    expect(groupNumbers(group(one), 85, 'N')).toEqual(
      jasmine.objectContaining({ s: 'needs 2', cpl: 'needs 2', bound: 'needs 2' }),
    );
    expect(groupNumbers(group({ summary: null }), 85, 'N')).toBeNull();
  });

  it('give no bound below nothing, and no capability of readings without spread', () => {
    expect(groupNumbers(group({ lowerBound: -766.7 }), 85, 'N')?.bound).toBe('none above 0');
    const alike = { summary: { n: 5, min: 112, mean: 112, s: 0 }, cpl: null };
    expect(groupNumbers(group(alike), 85, 'N')?.cpl).toBe('no spread');
  });
});
