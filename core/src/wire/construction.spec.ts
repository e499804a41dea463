import fc from 'fast-check';
import { construction } from './index';

describe('What a conductor is made of', () => {
  it('follows from any two of metal, strands and their diameter', () => {
    // 24 x pi/4 x 0.2^2 = 0.75398; 0.75 mm2 in 24 strands: sqrt(4 x 0.75 / (pi x 24)) = 0.19947.
    expect(construction({ strands: 24, strandDiameter: 0.2 })?.area).toBeCloseTo(0.75398, 5);
    expect(construction({ area: 0.75, strands: 24 })?.strandDiameter).toBeCloseTo(0.19947, 5);
    expect(construction({ area: 0.75, strandDiameter: 0.2 })?.strands).toBe(24);
    // What was counted and measured goes before what is printed.
    expect(construction({ area: 1, strands: 24, strandDiameter: 0.2 })?.area).toBeCloseTo(0.75398, 5);
  });

  it('does not follow from one of them', () => {
    for (const one of [{}, { area: 1 }, { strands: 7 }, { strandDiameter: 0.2 }]) expect(construction(one)).toBeNull();
  });

  it('is the same there and back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 2000 }),
        fc.double({ min: 0.05, max: 3, noNaN: true }),
        (strands, strandDiameter) => {
          const area = construction({ strands, strandDiameter })?.area ?? NaN;
          expect(construction({ area, strands })?.strandDiameter).toBeCloseTo(strandDiameter, 9);
          expect(construction({ area, strandDiameter })?.strands).toBe(strands);
        },
      ),
    );
  });
});
