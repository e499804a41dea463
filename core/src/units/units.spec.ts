import fc from 'fast-check';
import {
  fromNewtons,
  readLength,
  readNumber,
  showLength,
  showNumber,
  showRange,
  toMillimetres,
  toNewtons,
} from './index';

describe('Units', () => {
  it('turn ten kilograms-force into 98.0665 newtons and one pound-force into 4.4482216152605', () => {
    expect(toNewtons(10, 'kgf')).toBeCloseTo(98.0665, 10);
    expect(toNewtons(1, 'lbf')).toBe(4.4482216152605);
    expect(toMillimetres(0.5, 'in')).toBeCloseTo(12.7, 12);
  });

  it('lose nothing on the way to another unit and back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 1e5, noNaN: true }),
        fc.constantFrom('N', 'lbf', 'kgf' as const),
        (force, unit) => {
          expect(Math.abs(toNewtons(fromNewtons(force, unit), unit) / force - 1)).toBeLessThan(1e-14);
        },
      ),
    );
  });
});

describe('A shown number', () => {
  it('shows 89.96 against a limit of 90, because 90.0 would contradict its verdict', () => {
    expect(showNumber(89.96, 1, 90)).toBe('89.96');
    expect(showNumber(89.94, 1, 90)).toBe('89.9');
    expect(showNumber(90, 1, 90)).toBe('90.0');
  });

  it('never lies on the other side of the boundary than the value does', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 500, noNaN: true }), fc.integer({ min: 1, max: 400 }), (value, boundary) => {
        const shown = Number(showNumber(value, 1, boundary));
        expect(Math.sign(shown - boundary)).toBe(Math.sign(value - boundary));
      }),
    );
  });
});

describe('A typed number', () => {
  const value = (text: string) => {
    const read = readNumber(text);
    return read.outcome === 'number' ? read.value : read.code;
  };

  it('is read with a decimal point or a decimal comma', () => {
    expect(value('118.4')).toBe(118.4);
    expect(value('12,5')).toBe(12.5);
    expect(value(' 7 ')).toBe(7);
    expect(value('.5')).toBe(0.5);
    expect(value('1e9')).toBe(1e9);
    expect(value('\u221212')).toBe(-12);
  });

  it('is asked about when a comma may group thousands', () => {
    expect(value('12,500')).toBe('ambiguous-comma');
    expect(value('0,500')).toBe(0.5);
    expect(value('1,234.5')).toBe(1234.5);
    expect(value('1.234,5')).toBe(1234.5);
  });

  it('is refused with a reason when it is none', () => {
    for (const text of ['NaN', 'Infinity', 'abc', '--5', '1.2.3', '12.5.', '1,2,3'])
      expect(value(text)).withContext(text).toBe('not-a-number');
    expect(value('')).toBe('empty');
    expect(value('   ')).toBe('empty');
  });

  it('keeps the unit that stands behind it', () => {
    expect(readNumber('12.5 lbf')).toEqual({ outcome: 'number', value: 12.5, rest: 'lbf' });
  });
});

describe('A length', () => {
  it('is read in millimetres, inches and fractions of an inch, and in no other unit', () => {
    const mm = (text: string, unit: 'mm' | 'in' = 'mm') => {
      const read = readLength(text, unit);
      return read.outcome === 'length' ? read.millimetres : read.code;
    };
    expect([mm('9,5'), mm('9.5', 'in'), mm('0.5 in'), mm('3/8 in'), mm('1 1/64')]).toEqual([
      9.5, 241.29999999999998, 12.7, 9.524999999999999, 25.796875,
    ]);
    expect([mm('9 cm'), mm('0'), mm('-2'), mm('1/0 in'), mm('long')]).toEqual([
      'unknown-unit',
      'zero',
      'zero',
      'not-a-number',
      'not-a-number',
    ]);
  });

  // 9.525 mm is 3/8 in exactly; 9.5 mm is 23.94 sixty-fourths, so 24/64 = 3/8 and marked as near
  it('is shown in millimetres, decimal inches or the nearest 64th, and says when it is only near', () => {
    expect(showLength(9.525, 'mm')).toBe('9.5 mm');
    expect(showLength(9.525, 'in')).toBe('0.375 in');
    expect(showLength(9.525, 'in/64')).toBe('3/8 in');
    expect(showLength(9.5, 'in/64')).toBe('≈ 3/8 in');
    expect(showLength(25.4 * 1.015625, 'in/64')).toBe('1 1/64 in');
  });

  it('shown in 64ths is never further off than a 128th of an inch', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 200, noNaN: true }), (millimetres) => {
        const read = readLength(showLength(millimetres, 'in/64').replace('≈ ', ''), 'in');
        if (read.outcome === 'length')
          expect(Math.abs(read.millimetres - millimetres)).toBeLessThanOrEqual(25.4 / 128 + 1e-9);
        else expect(Math.round((millimetres / 25.4) * 64)).toBe(0);
      }),
    );
  });

  it('shows a range rounded inwards, so that whatever reads as inside it is inside', () => {
    // 6.38 mm would be inside '5.6 to 6.4' and is too long.
    expect(showRange({ min: 5.6, max: 6.36 }, 1, ' to ')).toBe('5.6 to 6.3');
    expect(showRange({ min: 7.76, max: 8.5 }, 1)).toBe('7.8–8.5');
    // 1.48 - 0.05 in binary is not quite 1.43, and is 1.43 on the caliper.
    expect(showRange({ min: 1.48 - 0.05, max: 1.48 + 0.05 }, 2)).toBe('1.43–1.53');
    expect(showRange({ min: 8.12, max: 8.18 }, 1)).toBe('8.12–8.18');
    expect(showRange({ min: -0.04, max: 1 }, 1)).toBe('0.0–1.0');
    const ends = fc.tuple(fc.double({ min: 0, max: 50, noNaN: true }), fc.double({ min: 0.001, max: 20, noNaN: true }));
    fc.assert(
      fc.property(ends, fc.integer({ min: 0, max: 3 }), ([min, width], decimals) => {
        const [low = NaN, high = NaN] = showRange({ min, max: min + width }, decimals)
          .split('–')
          .map(Number);
        expect(low).toBeLessThanOrEqual(high);
        expect(low).toBeGreaterThanOrEqual(min - 1e-5);
        expect(high).toBeLessThanOrEqual(min + width + 1e-5);
      }),
    );
  });
});
