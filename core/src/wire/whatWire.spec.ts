import fc from 'fast-check';
import { wire075 } from '../testing/shop';
import { sizeLabel, whatWire } from './index';

const labels = (guess: ReturnType<typeof whatWire>) => guess.sizes.map(({ size }) => sizeLabel(size));

describe('What wire is this?', () => {
  it('is told from strands and their diameter, with what the reading leaves open', () => {
    // 24 x pi/4 x 0.20^2 = 0.7540; with 0.195 and 0.205: 0.7167 and 0.7922.
    const guess = whatWire({ strands: 24, strandDiameter: 0.2, uncertainty: 0.005, insulationDiameter: null }, []);
    expect(guess.area).toBeCloseTo(0.754, 3);
    expect(guess.least).toBeCloseTo(0.7167, 3);
    expect(guess.most).toBeCloseTo(0.7922, 3);
    expect(labels(guess)).toEqual(['0.75 mm²', 'AWG 18']);
    // AWG 18 has 0.823 mm2: this metal is 8.4 % less.
    expect(guess.sizes[1]?.offPercent).toBeCloseTo(-8.4, 1);
  });

  it('names more than one size where a coarse reading reaches both', () => {
    const coarse = whatWire({ strands: 19, strandDiameter: 0.2, uncertainty: 0.03, insulationDiameter: null }, []);
    expect(labels(coarse).filter((label) => label.startsWith('AWG'))).toHaveSize(2);
    expect(labels(coarse).filter((label) => label.endsWith('mm²')).length).toBeGreaterThan(0);
  });

  it('names wires of the shop that agree, by what is over their insulation, and no other', () => {
    const { strands, strandDiameter } = wire075.conductor;
    const thick = { ...wire075, part: 'W-THICK', insulationDiameter: wire075.insulationDiameter + 0.6 };
    const other = { ...wire075, part: 'W-7', conductor: { ...wire075.conductor, strands: 7 } };
    const seen = { strands, strandDiameter, uncertainty: 0.005, insulationDiameter: null };
    const parts = (insulationDiameter: number | null) =>
      whatWire({ ...seen, insulationDiameter }, [thick, other, wire075]).wires.map(({ wire }) => wire.part);
    expect(parts(null)).toEqual(['W-THICK', 'W-075']);
    expect(parts(wire075.insulationDiameter + 0.1)).toEqual(['W-075']);
    expect(parts(wire075.insulationDiameter + 2)).toEqual([]);
  });

  it('never leaves out the wire itself, however the reading is off within its own uncertainty', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: 0.001, max: 0.02, noNaN: true }),
        (by, uncertainty) => {
          const { strands, strandDiameter } = wire075.conductor;
          const seen = {
            strands,
            strandDiameter: strandDiameter + by * uncertainty * 0.999,
            uncertainty,
            insulationDiameter: null,
          };
          const guess = whatWire(seen, [wire075]);
          expect(guess.wires.map(({ wire }) => wire.part)).toEqual(['W-075']);
          expect(labels(guess)).toContain('0.75 mm²');
        },
      ),
    );
  });
});
