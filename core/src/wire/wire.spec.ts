import fc from 'fast-check';
import { wire075, wireOf } from '../testing/shop';
import {
  areaToAwg,
  awgArea,
  awgDiameter,
  breakingLoad,
  envelopeDiameter,
  metalArea,
  otherScale,
  sizeLabel,
  TYPICAL_STRENGTHS,
} from './index';

describe('AWG', () => {
  it('gives the published diameters: 36 is 0.127 mm, 18 is 1.024 mm, 4/0 is 11.684 mm', () => {
    expect(awgDiameter(36)).toBeCloseTo(0.127, 12);
    expect(awgDiameter(18)).toBeCloseTo(1.024, 3);
    expect(awgDiameter(-3)).toBeCloseTo(11.684, 3);
  });

  it('gives the published areas: 18 is 0.823, 12 is 3.31, 1/0 is 53.5 mm²', () => {
    expect(awgArea(18)).toBeCloseTo(0.823, 3);
    expect(awgArea(12)).toBeCloseTo(3.31, 2);
    expect(awgArea(0)).toBeCloseTo(53.5, 1);
  });

  it('comes back from its area', () => {
    fc.assert(fc.property(fc.integer({ min: -3, max: 40 }), (n) => expect(areaToAwg(awgArea(n))).toBeCloseTo(n, 9)));
  });

  it('is written 1/0 for zero and 4/0 for minus three', () => {
    expect(sizeLabel({ scale: 'awg', value: 0 })).toBe('AWG 1/0');
    expect(sizeLabel({ scale: 'awg', value: -3 })).toBe('AWG 4/0');
    expect(sizeLabel({ scale: 'mm2', value: 0.75 })).toBe('0.75 mm²');
  });

  it('names the nearest metric size and how far off it is: 0.75 is 8.9 % smaller than AWG 18', () => {
    const near = otherScale({ scale: 'awg', value: 18 });
    expect(near.size).toEqual({ scale: 'mm2', value: 0.75 });
    expect(near.offPercent).toBeCloseTo(-8.87, 1);
  });
});

describe('A stranded conductor', () => {
  // 24 x pi/4 x 0.2^2 = 0.753982
  it('has the area of its strands, not of its label', () => {
    expect(metalArea(wire075.conductor)).toBeCloseTo(0.753982, 6);
  });

  // bunched: 1.155 x sqrt(24) x 0.2 = 1.131664; concentric 19: 5 x 0.2 = 1.0
  it('has the envelope of its lay', () => {
    expect(envelopeDiameter(wire075.conductor)).toBeCloseTo(1.131664, 6);
    expect(envelopeDiameter({ strands: 19, strandDiameter: 0.2, lay: 'concentric' })).toBeCloseTo(1, 12);
    expect(envelopeDiameter({ strands: 1, strandDiameter: 0.98, lay: 'bunched' })).toBe(0.98);
  });

  // 0.753982 x 235 = 177.19 N
  it('breaks at area times tensile strength', () => {
    expect(breakingLoad(wire075.conductor, TYPICAL_STRENGTHS)).toBeCloseTo(177.19, 2);
    expect(breakingLoad(wireOf({ material: 'aluminium' }).conductor, TYPICAL_STRENGTHS)).toBeCloseTo(82.94, 2);
  });
});
