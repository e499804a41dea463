import fc from 'fast-check';
import { families } from '../testing/families';
import { missingResults, rangeLabel, readStamp } from './index';

const readings = (text: string) => readStamp(text).readings.map((r) => `${r.wire} | ${r.stud ?? '-'}`);

describe('What is stamped on a terminal', () => {
  // #8: 0.060 + 8 x 0.013 = 0.164 in = 4.1656 mm; AWG 22 is 0.326, AWG 18 0.823 mm2
  it('is read as an AWG range and a stud by number, inch or metric', () => {
    expect(readings('12-10 1/4')).toEqual(['AWG 12–10 | 1/4']);
    expect(readings('22-18 #8')).toEqual(['AWG 22–18 | #8']);
    expect(readings('16-14 M5')).toEqual(['AWG 16–14 | M5']);
    const [found] = readStamp('22-18 #8').readings;
    expect(found?.studDiameter).toBeCloseTo(4.1656, 4);
    expect(found?.area.min).toBeCloseTo(0.326, 3);
    expect(found?.area.max).toBeCloseTo(0.823, 3);
  });

  it('is read as metric class and stud', () => {
    expect(readings('2-5')).toEqual(['metric class 2 (1.04–2.63 mm²) | M5', '2–5 mm² | -']);
    expect(readings('5.5-6')[0]).toBe('metric class 5.5 (2.63–6.64 mm²) | M6');
  });

  it('gives every reading where it can be read in several ways', () => {
    expect(readings('10-6')).toEqual(['10 mm² | M6', 'AWG 10–6 | -']);
    expect(readings('16-10 8')).toEqual(['AWG 16–10 | #8', 'AWG 16–10 | M8']);
    expect(readings('14-8').length).toBeGreaterThan(1);
  });

  it('does not mind case, dashes, spaces and units as people write them', () => {
    for (const text of ['awg 22 – 18 #8', '22-18 AWG NO. 8', '22-18ga #8'])
      expect(readings(text)).withContext(text).toEqual(['AWG 22–18 | #8']);
    expect(readings('1.5-2.5 mm² M6')).toEqual(['1.5–2.5 mm² | M6']);
  });

  it('is nothing where no reading makes sense, and never throws', () => {
    for (const text of ['', '-', 'FL-RT', '1-2-3', '22-18 #99']) expect(readings(text)).withContext(text).toEqual([]);
    fc.assert(fc.property(fc.string(), (text) => Array.isArray(readStamp(text).readings)));
  });
});

describe('A terminal’s sheet', () => {
  it('says its range once where smallest and largest are one size', () => {
    const size = { scale: 'mm2', value: 25 } as const;
    expect(rangeLabel({ smallest: size, largest: size })).toBe('25 mm²');
  });

  it('tells what cannot be given without a dimension, by what the strip rule rests on', () => {
    expect(missingResults(families['bare-terminal'])).toEqual([]);
    const without = (t: keyof typeof families) =>
      missingResults({ ...families[t], barrel: { ...families[t].barrel, length: null } })[0];
    expect(without('bare-terminal')?.lost).toBe('strip length, bites and the drawing');
    expect(without('machined-contact')?.lost).toBe('bites and the drawing');
  });
});
