import type { ToolCandidate } from '@tug-mark/core';
import { toolHeadline, toolWhy } from './tool-words';

const candidate = (changes: object): ToolCandidate =>
  ({
    tool: { label: 'Hand tool HT' },
    die: { label: 'Die A' },
    nest: { label: '1', mark: 'one dot' },
    state: { state: 'ready', reasons: [] },
    mounted: true,
    ...changes,
  }) as unknown as ToolCandidate;
const due = { state: 'check-due', reasons: [{ code: 'check-old', weight: 'hold', text: 'Checked 9 hours ago.' }] };

describe('The tool in words', () => {
  it('is taken when it is ready, and named as taken then', () => {
    expect(toolHeadline(candidate({}), false)).toBe('Take Hand tool HT, Die A, nest 1.');
    expect(toolHeadline(candidate({}), true)).toBe('Hand tool HT, Die A, nest 1 is taken.');
    expect(toolHeadline(null, false)).toBe('No tool can be taken.');
  });

  it('is checked first when a check is due, and its die mounted before', () => {
    expect(toolHeadline(candidate({ state: due }), false)).toBe('Check Hand tool HT first.');
    expect(toolHeadline(candidate({ state: due, mounted: false }), false)).toBe(
      'Mount Die A in Hand tool HT, then check it.',
    );
  });

  it('says what the check is due for, and once taken what to read on the piece', () => {
    expect(toolWhy(candidate({ state: due }), false)).toBe('Checked 9 hours ago.');
    expect(toolWhy(candidate({ state: due }), true)).toBe('It leaves one dot on the piece: read it after the crimp.');
  });
});
