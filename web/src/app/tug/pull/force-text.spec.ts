import fc from 'fast-check';
import { asMeasured, decimalsOf, peakOf, tidy } from './force-text';

describe('A force as a gauge gives it', () => {
  it('keeps the digits that were measured, two at the least, and none that were not', () => {
    expect(asMeasured(118.4)).toBe('118.40');
    expect(asMeasured(89.996)).toBe('89.996');
    // 0.1 in single precision is 0.100000001490116: what a curve holds of it.
    expect(asMeasured(Math.fround(0.1))).toBe('0.10');
    expect(asMeasured(1 / 3)).toBe('0.333333');
  });

  it('is the same single-precision number again when read back, for every force a gauge of 1 kN can send', () => {
    fc.assert(
      fc.property(fc.integer({ min: -1_000_000, max: 1_000_000 }), (thousandths) => {
        const force = Math.fround(thousandths / 1000);
        expect(Math.fround(Number(asMeasured(force)))).toBe(force);
      }),
    );
  });

  it('has its peak wherever it stands, below zero too, and none without samples', () => {
    expect(peakOf({ rate: 10, forces: [1, 7, 3] })).toBe(7);
    expect(peakOf({ rate: 10, forces: [-4, -2] })).toBe(-2);
    expect(peakOf({ rate: 10, forces: [] })).toBe(-Infinity);
  });

  it('is counted in its decimals, and rid of what arithmetic added', () => {
    expect([118, 118.4, 118.45].map(decimalsOf)).toEqual([0, 1, 2]);
    expect(tidy(26.6 * 4.4482216152605)).toBe(118.322695);
  });
});
