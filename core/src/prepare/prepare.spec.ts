import fc from 'fast-check';
import { bareRing, openContact, practice, stripper, windowSplice, wire075, wireOf, wireRound } from '../testing/shop';
import type { Practice } from '../practice';
import type { Terminal } from '../terminal';
import { choosePreparation, strandDamage, stripWindow, type Stripper } from './index';
import { chooseNotch } from './chooseNotch';

const barrel = (changes: Partial<Terminal['barrel']>, rest: Partial<Terminal> = {}): Terminal => ({
  ...bareRing,
  ...rest,
  barrel: { ...bareRing.barrel, ...changes },
});
const strip = (terminal: Terminal, wire = wireRound, s: Stripper = stripper, p: Practice = practice) =>
  stripWindow(terminal, wire, p, s);

describe('The strip window of a through barrel', () => {
  // L = 6, e in [1.5, 4], g in [0, 1.5] (envelope 1.5): S in [6 + 1.5 + 1.5, 6 + 4 + 0] = [9, 10]
  // guard = [9.2, 9.8], middle 9.5 is on the 0.5 step
  it('lies between barrel + least brush + largest gap and barrel + largest brush + least gap', () => {
    const s = strip(bareRing);
    expect(s.kind).toBe('robust');
    expect(s.window?.min).toBeCloseTo(9, 12);
    expect(s.window?.max).toBeCloseTo(10, 12);
    expect(s.guard?.min).toBeCloseTo(9.2, 12);
    expect(s.guard?.max).toBeCloseTo(9.8, 12);
    expect(s.setPoint).toBe(9.5);
  });

  // brushMax 2.5: robust [9, 8.5] is empty; feasible [6 + 1.5 + 0, 6 + 2.5 + 1.5] = [7.5, 10], middle 8.75 -> 8.5 or 9.
  // At 9: gap must lie in [max(0, 9 - 6 - 2.5), min(1.5, 9 - 6 - 1.5)] = [0.5, 1.5]
  it('falls back to the feasible window and names the position when no length suits every insertion', () => {
    const s = strip(barrel({}, { brushMax: 2.5 }));
    expect(s.kind).toBe('positioned');
    expect(s.window).toEqual({ min: 7.5, max: 10 });
    expect(s.setPoint).toBe(9);
    expect(s.position.min).toBeCloseTo(0.5, 12);
    expect(s.position.max).toBeCloseTo(1.5, 12);
    expect(s.reasons.map((r) => r.code)).toContain('position-required');
  });

  it('is empty when the stud area leaves less room than the wire must show', () => {
    const s = strip(barrel({}, { brushMax: 0 }), wireRound, stripper, { ...practice, gap: 'butted' });
    expect(s.kind).toBe('empty');
    expect(s.setPoint).toBeNull();
    expect(s.reasons[0]?.code).toBe('strip-window-empty');
  });

  // window [9, 10] needs r of 0.5 or better
  it('says how good a stripper would have to be when this one cannot hold it', () => {
    const s = strip(bareRing, wireRound, { ...stripper, repeatability: 0.7 });
    expect(s.guard).toBeNull();
    expect(s.setPoint).toBeNull();
    expect(s.reasons.find((r) => r.code === 'stripper-cannot-hold')?.numbers['needed']).toBeCloseTo(0.5, 12);
  });

  // guard [9.2, 9.8] and a step of 2: 8 and 10 lie outside
  it('is refused by a stripper whose steps miss the guard band', () => {
    expect(strip(bareRing, wireRound, { ...stripper, step: 2 }).reasons.map((r) => r.code)).toContain(
      'stripper-too-coarse',
    );
  });

  it('follows the practice: fixed brush of 1.6, butted gap up to 0.3', () => {
    // [6 + 1.6 + 0.3, 6 + 4 + 0] = [7.9, 10]
    const s = strip(bareRing, wireRound, stripper, { ...practice, brush: 'fixed', gap: 'butted' });
    expect(s.window?.min).toBeCloseTo(7.9, 12);
    expect(s.window?.max).toBeCloseTo(10, 12);
  });
});

describe('The strip window of an open barrel', () => {
  // L = 3, w = 2, f 0.25..0.75 so the edge lies 0.5..1.5 behind the grip; e in [1.5, 3]:
  // S in [3 + 1.5 + 1.5, 3 + 3 + 0.5] = [6, 6.5]
  it('puts the insulation edge between the two grips', () => {
    const s = strip(openContact, wireRound, { ...stripper, repeatability: 0.1, step: 0.1 });
    expect(s.window?.min).toBeCloseTo(6, 12);
    expect(s.window?.max).toBeCloseTo(6.5, 12);
    expect(s.gap).toEqual({ min: 0.5, max: 1.5 });
  });
});

describe('The strip window of a splice with a stop', () => {
  // D = 7, g in [0, 1.5]: S in [7, 8.5], middle 7.75 -> 7.5 or 8; both as near, both inside the guard [7.2, 8.3]
  it('lets the conductor reach the stop', () => {
    const s = strip(windowSplice);
    expect(s.window).toEqual({ min: 7, max: 8.5 });
    expect(s.brush).toBeNull();
    expect([7.5, 8]).toContain(s.setPoint ?? 0);
  });

  it('is refused when the stop lies before the far edge of the window', () => {
    const s = strip({ ...windowSplice, barrel: { ...windowSplice.barrel, depth: 6 } });
    expect(s.reasons.map((r) => r.code)).toContain('inspection-not-covered');
  });
});

describe('Every strip window', () => {
  const terminals = fc.record({
    length: fc.double({ min: 2, max: 12, noNaN: true }),
    brushMax: fc.double({ min: 0, max: 8, noNaN: true }),
    strandDiameter: fc.double({ min: 0.05, max: 0.6, noNaN: true }),
    repeatability: fc.double({ min: 0.02, max: 0.5, noNaN: true }),
    step: fc.constantFrom(0.1, 0.5, 25.4 / 64),
  });

  it('has its set point on a step of the stripper and inside the guard band', () => {
    fc.assert(
      fc.property(terminals, ({ length, brushMax, strandDiameter, repeatability, step }) => {
        const s = strip(barrel({ length }, { brushMax }), wireOf({ strandDiameter }), {
          ...stripper,
          repeatability,
          step,
        });
        if (s.setPoint === null || !s.guard) return;
        expect(s.setPoint).toBeGreaterThanOrEqual(s.guard.min - 1e-9);
        expect(s.setPoint).toBeLessThanOrEqual(s.guard.max + 1e-9);
        expect(Math.abs(s.setPoint / step - Math.round(s.setPoint / step))).toBeLessThan(1e-4);
      }),
    );
  });

  it('gives, when robust, a brush in range for any allowed gap', () => {
    fc.assert(
      fc.property(
        terminals,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (t, a, b) => {
          const terminal = barrel({ length: t.length }, { brushMax: t.brushMax });
          const s = strip(terminal, wireOf({ strandDiameter: t.strandDiameter }));
          if (s.kind !== 'robust' || !s.window || !s.brush) return;
          const length = s.window.min + a * (s.window.max - s.window.min);
          const gap = s.gap.min + b * (s.gap.max - s.gap.min);
          const brush = length - t.length - gap;
          expect(brush).toBeGreaterThanOrEqual(s.brush.min - 1e-9);
          expect(brush).toBeLessThanOrEqual(s.brush.max + 1e-9);
        },
      ),
    );
  });
});

describe('The stripper notch', () => {
  it('is the smallest stranded bore that clears 1.13 mm of strands: 1.2', () => {
    expect(chooseNotch(stripper, wire075).notch).toEqual({ label: '0.75', for: 'stranded', bore: 1.2 });
  });

  it('is never a solid notch for stranded wire, nor a stranded one for solid', () => {
    const solid = wireOf({ kind: 'solid', strands: 1, strandDiameter: 0.98 });
    expect(chooseNotch(stripper, solid).notch?.for).toBe('solid');
  });

  it('is refused when no bore lies between strands and insulation, or the insulation is not listed', () => {
    expect(chooseNotch(stripper, wireOf({}, { insulationDiameter: 1.15 })).reason.code).toBe('no-notch');
    expect(chooseNotch(stripper, wireOf({}, { insulation: 'silicone' })).reason.code).toBe('stripper-insulation');
  });
});

describe('Preparing', () => {
  it('takes the finest stripper that does both strip and notch', () => {
    const fine = { ...stripper, part: 'FINE', repeatability: 0.05, step: 0.1 };
    const deaf = { ...fine, part: 'DEAF', repeatability: 0.01, insulations: ['silicone'] };
    expect(choosePreparation(bareRing, wire075, practice, [stripper, fine, deaf])?.stripper.part).toBe('FINE');
    expect(choosePreparation(bareRing, wire075, practice, [])).toBeNull();
  });

  it('allows hurt strands by strand count, and none beyond the table', () => {
    expect(strandDamage(6, practice)).toEqual({ nicked: 0, cut: 0 });
    expect(strandDamage(24, practice)).toEqual({ nicked: 3, cut: 0 });
    expect(strandDamage(400, practice)).toEqual({ nicked: 0, cut: 0 });
  });
});
