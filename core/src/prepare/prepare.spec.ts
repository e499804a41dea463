import fc from 'fast-check';
import { bareRing, openContact, practice, stripper, windowSplice, wire075, wireOf, wireRound } from '../testing/shop';
import type { Practice } from '../practice';
import type { Terminal } from '../terminal';
import {
  choosePreparation,
  chooseShrinkTube,
  reterminationBudget,
  strandDamage,
  stripWindow,
  type Stripper,
} from './index';
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

  // brushMax 3.5: e is 2 wide, the stripper needs 2 x 0.2 + 0.5 = 0.9 of it, 1.1 is left for the edge and the gap is 1.5 wide.
  // So the edge lies at 0 to 1.1 and S in [6 + 1.5 + 1.1, 6 + 3.5 + 0] = [8.6, 9.5]; guard [8.8, 9.3], middle 9.05 -> 9
  it('names where the insulation edge has to lie when no length suits every position, both numbers good together', () => {
    const s = strip(barrel({}, { brushMax: 3.5 }));
    expect(s.kind).toBe('positioned');
    expect(s.position.min).toBe(0);
    expect(s.position.max).toBeCloseTo(1.1, 12);
    expect(s.window?.min).toBeCloseTo(8.6, 12);
    expect(s.window?.max).toBeCloseTo(9.5, 12);
    expect(s.setPoint).toBe(9);
    expect(s.reasons.map((r) => r.code)).toContain('position-required');
  });

  // The house rules want a gap: g in [0.75, 2.25], 1.5 wide; the band of 1.1 lies about its middle, 1.5: 0.95, to a tenth 1, to 2.1
  it('puts the edge into the middle of the gap where the house rules ask for a gap', () => {
    const s = strip(barrel({}, { brushMax: 3.5 }), wireRound, stripper, { ...practice, gap: 'required' });
    expect(s.position.min).toBeCloseTo(1, 12);
    expect(s.position.max).toBeCloseTo(2.1, 12);
  });

  // brushMax 2.5: e is 1 wide, 0.1 left: an edge cannot be placed within that, so 0.3 is taken, S in [6 + 1.5 + 0.3, 6 + 2.5]
  // = [7.8, 8.5], guard [8, 8.3], and the step at 8 does. Half of 0.7 is the repeatability it needs.
  it('asks nobody to place an edge within less than 0.3 mm', () => {
    const s = strip(barrel({}, { brushMax: 2.5 }));
    expect(s.position.max - s.position.min).toBeCloseTo(0.3, 12);
    expect(s.setPoint).toBe(8);
    const coarse = strip(barrel({}, { brushMax: 2.5 }), wireRound, { ...stripper, repeatability: 0.4 });
    expect([coarse.setPoint, coarse.reasons[0]?.code]).toEqual([null, 'stripper-cannot-hold']);
    expect(coarse.reasons[0]?.text).toContain(
      'needs ± 0.35 mm or better, with the insulation edge placed within 0.3 mm',
    );
  });

  it('is empty when the stud area leaves less room than the wire must show', () => {
    const s = strip(barrel({}, { brushMax: 0 }), wireRound, stripper, { ...practice, gap: 'butted' });
    expect(s.kind).toBe('empty');
    expect(s.setPoint).toBeNull();
    expect(s.reasons[0]?.code).toBe('strip-window-empty');
  });

  // With the edge placed within 0.3: [6 + 1.5 + 0.3, 6 + 4] = [7.8, 10], which needs r of 1.1 or better
  it('says how good a stripper would have to be when this one cannot hold it', () => {
    const s = strip(bareRing, wireRound, { ...stripper, repeatability: 1.2 });
    expect(s.guard).toBeNull();
    expect(s.setPoint).toBeNull();
    expect(s.reasons.find((r) => r.code === 'stripper-cannot-hold')?.numbers['needed']).toBeCloseTo(1.1, 12);
  });

  // guard [8, 9.8] and a step of 5: 5 and 10 lie outside
  it('is refused by a stripper whose steps miss the guard band', () => {
    expect(strip(bareRing, wireRound, { ...stripper, step: 5 }).reasons.map((r) => r.code)).toContain(
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

  it('gives a brush in range wherever in the named position the insulation edge lies', () => {
    fc.assert(
      fc.property(
        terminals,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (t, a, b) => {
          const terminal = barrel({ length: t.length }, { brushMax: t.brushMax });
          const s = strip(terminal, wireOf({ strandDiameter: t.strandDiameter }));
          if (!s.window || !s.brush) return;
          const length = s.window.min + a * (s.window.max - s.window.min);
          const edge = s.position.min + b * (s.position.max - s.position.min);
          const brush = length - t.length - edge;
          expect(brush).toBeGreaterThanOrEqual(s.brush.min - 1e-9);
          expect(brush).toBeLessThanOrEqual(s.brush.max + 1e-9);
          expect(edge).toBeGreaterThanOrEqual(s.gap.min - 1e-9);
          expect(edge).toBeLessThanOrEqual(s.gap.max + 1e-9);
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

describe('The shrink tube', () => {
  const tube = (part: string, suppliedBore: number, recoveredBore: number, changes = {}) => ({
    part,
    label: part,
    kind: 'shrink-tube' as const,
    outerDiameter: null,
    suppliedBore,
    recoveredBore,
    length: null,
    longitudinalShrink: 0.1,
    adhesive: false,
    heat: null,
    wireRange: null,
    temperature: 125,
    wayRound: null,
    ...changes,
  });
  // passes 3.3: 1.05 x 3.3 = 3.465; grips 2.2: 0.9 x 2.2 = 1.98; (6 + 2 x 6) / 0.9 = 20
  const task = { passes: 3.3, grips: 2.2, covers: 6, overlap: 6 };

  it('has to pass over the joint and to grip the wire, the tightest first, and is cut for its own shrinking', () => {
    const found = chooseShrinkTube(
      [tube('loose', 6.4, 1.9), tube('tight', 3.5, 1.0), tube('small', 3.2, 1.0), tube('wide', 9.5, 3.2)],
      task,
    );
    expect(found.map((c) => [c.tube.part, c.fits])).toEqual([
      ['tight', true],
      ['loose', true],
      ['small', false],
      ['wide', false],
    ]);
    expect(found[0]?.cut).toBeCloseTo(20, 12);
    expect(found[2]?.reasons.find((r) => r.weight === 'bad')?.text).toContain('3.46 mm or more is needed');
  });

  it('seals a wet place only with adhesive, and a piece has to be long enough', () => {
    expect(chooseShrinkTube([tube('plain', 4, 1)], task, true)[0]?.reasons.map((r) => r.code)).toContain(
      'tube-no-adhesive',
    );
    expect(chooseShrinkTube([tube('short', 4, 1, { length: 18 })], task)[0]?.reasons.map((r) => r.code)).toContain(
      'tube-short',
    );
  });
});

describe('The re-termination budget', () => {
  it('counts how often strip, crimp and trim still fit into what the wire has to spare', () => {
    // 20 mm to spare, 8 + 0 + 1 = 9 mm each: twice, 2 mm left
    expect(reterminationBudget({ cut: 500, shortest: 480 }, { strip: 8, crimp: 0, trim: 1 })).toEqual(
      jasmine.objectContaining({ perAttempt: 9, attempts: 2, spare: 2 }),
    );
    expect(reterminationBudget({ cut: 500, shortest: 495 }, { strip: 8, crimp: 0, trim: 1 }).text).toContain(
      'a bad crimp scraps this wire',
    );
  });

  it('counts no attempts where one would use less than a hand can trim, however little that is', () => {
    const least = reterminationBudget({ cut: 400, shortest: 0 }, { strip: 0, crimp: 0, trim: 0.1 });
    expect(least.attempts).toBe(4000);
    for (const trim of [0, 5e-324, 1e-310, 0.099]) {
      const none = reterminationBudget({ cut: 400, shortest: 0 }, { strip: 0, crimp: 0, trim });
      expect(none).toEqual(jasmine.objectContaining({ attempts: 0, spare: 400 }));
      expect(none.text).toContain('say how much');
    }
  });
});

describe('The strip window of any barrel', () => {
  it('is never empty where a robust one exists, and its set point always lies in the guard band', () => {
    const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        mm(1, 20),
        mm(0, 8),
        mm(0.01, 0.4),
        fc.constantFrom(0.1, 0.5, 25.4 / 64),
        (length, brushMax, repeatability, step) => {
          const terminal = { ...bareRing, brushMax, barrel: { ...bareRing.barrel, length } };
          const found = stripWindow(terminal, wireRound, practice, { ...stripper, repeatability, step });
          // brush from 1.5, gap 0 to 1.5: any position does where B - 1.5 - 2 r - step is 1.5 or more
          if (brushMax >= 3 + 2 * repeatability + step) expect(found.kind).toBe('robust');
          if (found.setPoint !== null && found.guard) {
            expect(found.setPoint).toBeGreaterThanOrEqual(found.guard.min - 1e-6);
            expect(found.setPoint).toBeLessThanOrEqual(found.guard.max + 1e-6);
          }
        },
      ),
    );
  });

  it('says so when the wire would have to stand further out than the mating room, or the sheet gives no length', () => {
    const tight = { ...bareRing, brushMax: 0.5, barrel: { ...bareRing.barrel, stripRule: 'barrel' as const } };
    const empty = stripWindow(tight, wireRound, { ...practice, gap: 'butted' }, stripper);
    expect(empty.kind).toBe('empty');
    expect(empty.reasons[0]?.text).toContain(
      'The wire would have to stand 1.5 mm past the barrel and the mating room is 0.5 mm.',
    );
    const unknown = stripWindow(
      { ...bareRing, barrel: { ...bareRing.barrel, length: null } },
      wireRound,
      practice,
      stripper,
    );
    expect([unknown.kind, unknown.reasons[0]?.code]).toEqual(['unknown', 'dimension-missing']);
  });

  it('lets a ferrule stand out by half a millimetre at most where it is not cut flush', () => {
    const ferrule = { ...bareRing, barrel: { ...bareRing.barrel, stripRule: 'ferrule' as const, length: 8 } };
    // 8 to 8.5, less 0.1 on both sides, step 0.1: the middle 8.25 lies between 8.2 and 8.3
    const found = stripWindow(ferrule, wireRound, practice, { ...stripper, repeatability: 0.1, step: 0.1 });
    expect([8.2, 8.3]).toContain(found.setPoint ?? 0);
    expect(stripWindow(ferrule, wireRound, practice, stripper).reasons[0]?.code).toBe('stripper-too-coarse');
  });
});
