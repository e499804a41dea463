import fc from 'fast-check';
import { construction } from './construction';
import { describeConstruction } from './index';

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

describe('A conductor while it is typed in', () => {
  const size = { scale: 'mm2' as const, value: 0.75 };
  it('says what is known, and nothing before', () => {
    expect(describeConstruction({ size: null, lay: 'bunched' })).toEqual([]);
    expect(describeConstruction({ size: null, lay: 'bunched', strands: 24 })).toEqual([]);
    expect(describeConstruction({ size, lay: 'bunched' })).toEqual(['printed 0.75 mm², nearest AWG 18, 10 % bigger']);
    expect(describeConstruction({ size, lay: 'bunched', strands: 24 })[1]).toBe(
      '24 strands of it: about 0.199 mm each.',
    );
    expect(describeConstruction({ size, lay: 'bunched', strandDiameter: 0.2 })[1]).toBe('of 0.2 mm: about 24 strands.');
  });

  it('is doubted where count, diameter and size do not agree, not where constructions differ', () => {
    const said = (strandDiameter: number) =>
      describeConstruction({ size, lay: 'bunched', strands: 24, strandDiameter });
    expect(said(0.2)).toHaveSize(2);
    // 24 x pi/4 x 0.21^2 = 0.831: 11 % more. 0.25: 1.178, 57 % more.
    expect(said(0.21)).toHaveSize(2);
    expect(said(0.25)[2]).toContain('57 % more metal than the printed size');
    expect(said(0.15)[2]).toContain('43 % less metal');
  });
});
