import fc from 'fast-check';
import { wire075 } from '../testing/shop';
import { caliperedWire, envelopeDiameter, printedWire, readJacket, sizeLabel, whatWire } from '../index';

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

describe('A caliper over the strands', () => {
  const seen = (diameter: number, packing: 'bunched' | 'concentric' | 'compacted' | 'solid', uncertainty = 0.05) =>
    caliperedWire({ diameter, uncertainty, packing }, [wire075]);

  it('gives the metal by how the strands are packed, with what the reading leaves open', () => {
    // pi/4 x 1.13^2 = 1.0029; x 0.75 = 0.752. 1.08: 0.9161 x 0.68 = 0.623. 1.18: 1.0936 x 0.78 = 0.853.
    const guess = seen(1.13, 'bunched');
    expect([guess.area, guess.least, guess.most].map((each) => each.toFixed(3))).toEqual(['0.752', '0.623', '0.853']);
    expect(labels(guess)[0]).toBe('0.75 mm²');
    expect(labels(guess)).toContain('AWG 18');
    expect(guess.wires.map(({ wire }) => wire.part)).toEqual(['W-075']);
  });

  it('takes a pressed conductor for more metal, and a solid one for all of the circle', () => {
    expect(seen(1.13, 'compacted').area).toBeCloseTo(0.8826, 3);
    expect(seen(0.98, 'solid', 0.01).area).toBeCloseTo(0.7543, 3);
    // No stranded wire is a solid one.
    expect(seen(1.13, 'solid').wires).toEqual([]);
  });

  it('never leaves out a wire whose strands it was put over, within its own uncertainty', () => {
    fc.assert(
      fc.property(fc.double({ min: -1, max: 1, noNaN: true }), (by) => {
        const over = envelopeDiameter(wire075.conductor) + 0.05 * by;
        expect(labels(seen(over, 'bunched'))).toContain('0.75 mm²');
      }),
    );
  });
});

describe('The words on a jacket', () => {
  const of = (text: string) =>
    readJacket(text).readings.map(({ size, cores, strands, strandDiameter }) =>
      [cores, size && sizeLabel(size), strands, strandDiameter?.toFixed(3)].map((each) => each ?? '-').join(' '),
    );

  it('are read on either scale, with cores before a size', () => {
    expect(of('H05V-K 0,75 mm² 300/500 V')).toEqual(['- 0.75 mm² - -']);
    expect(of('flex 3G1.5 105C')).toEqual(['3 1.5 mm² - -']);
    expect(of('2 x 0.75 sqmm')).toEqual(['2 0.75 mm² - -']);
    expect(of('style 10 18 AWG 105C 600V')).toEqual(['- AWG 18 - -']);
    expect(of('AWG 1/0')).toEqual(['- AWG 1/0 - -']);
  });

  it('are read with strands and their diameter, or strands and their gauge', () => {
    expect(of('24/0.20')).toEqual(['- - 24 0.200']);
    expect(of('24 x 0,20 mm')).toEqual(['- - 24 0.200']);
    // AWG 30 is 0.127 x 92^((36 - 30)/39) = 0.2546 mm; 16 of them 0.815 mm2.
    expect(of('AWG 18 16/30')).toEqual(['- AWG 18 16 0.255']);
    expect(readJacket('AWG 18 16/30').readings[0]?.area).toBeCloseTo(0.8147, 3);
  });

  it('agree, or contradict each other and say so', () => {
    expect(readJacket('0.75 mm² 24/0.20').agree).toBeTrue();
    const clash = readJacket('1.5 mm² 24/0.20');
    expect([clash.agree, clash.text.startsWith('They contradict each other')]).toEqual([false, true]);
    expect(readJacket('AWG 14 16/30').agree).toBeFalse();
    expect(readJacket('0.75 mm² AWG 18').agree).toBeTrue();
  });

  it('name wires of the shop whose metal and strands agree, the printed size first', () => {
    const parts = (text: string) => printedWire(readJacket(text), [wire075])?.wires.map(({ wire }) => wire.part);
    expect(parts('0.75 mm²')).toEqual(['W-075']);
    expect(parts('AWG 18 24/0.20')).toEqual(['W-075']);
    // Other strands of the same size are another wire.
    expect(parts('AWG 18 16/30')).toEqual([]);
    expect(parts('1.5 mm²')).toEqual([]);
    expect(printedWire(readJacket('AWG 18'), [])?.sizes[0]?.size).toEqual({ scale: 'awg', value: 18 });
    expect(printedWire(readJacket('nothing'), [])).toBeNull();
  });

  it('say nothing where no unit is printed, and never fail on what somebody types', () => {
    expect(readJacket('300/500 V 105').readings).toEqual([]);
    expect(readJacket('').text).toContain('Nothing printed here tells a size');
    fc.assert(
      fc.property(fc.string(), (text) => {
        for (const { area, least, most } of readJacket(text).readings) {
          expect(Number.isFinite(area) && area > 0 && Number.isFinite(least) && Number.isFinite(most)).toBeTrue();
        }
      }),
      { numRuns: 2000 },
    );
  });
});
