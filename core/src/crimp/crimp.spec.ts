import fc from 'fast-check';
import { bareRing, insulatedRing, openContact, practice, stripper, tool, windowSplice, wire075 } from '../testing/shop';
import { stripWindow } from '../prepare';
import { FAMILIES, NEST_PROFILES, type NestProfile, SEAMS, type Terminal } from '../terminal';
import { gates, orientation, placeBites } from './index';

const seam = (s: Terminal['barrel']['seam'], base = bareRing): Terminal => ({
  ...base,
  barrel: { ...base.barrel, seam: s },
});

describe('Orientation', () => {
  it('puts a butted seam down in the cradle, and calls it critical', () => {
    const lies = orientation(bareRing, { profile: 'indent-and-cradle', punch: null }, practice);
    expect(lies?.headline).toBe('Seam in the cradle, away from the punch.');
    expect(lies?.critical).toBeTrue();
    expect(lies?.angle).toBe(180);
  });

  it('never leaves the angle free for a butted seam in an indenting nest', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FAMILIES),
        fc.constantFrom<NestProfile>('indent-and-cradle', 'window-indent'),
        (family, profile) => {
          const lies = orientation({ ...seam('butted'), family }, { profile, punch: null }, practice);
          expect(lies?.angle).not.toBeNull();
        },
      ),
    );
  });

  it('lets a seamless barrel lie any way round', () => {
    expect(orientation(seam('seamless'), { profile: 'indent-and-cradle', punch: null }, practice)?.angle).toBeNull();
  });

  it('keeps the punch opposite a brazed seam, though it is not critical', () => {
    const lies = orientation(seam('brazed'), { profile: 'indent-and-cradle', punch: null }, practice);
    expect([lies?.angle, lies?.critical]).toEqual([180, false]);
  });

  it('turns the sleeve of an insulated ring by the nest: any way in an oval, seam to the wide half in two bites', () => {
    expect(orientation(insulatedRing, { profile: 'symmetric-oval', punch: null }, practice)?.angle).toBeNull();
    expect(orientation(insulatedRing, { profile: 'two-bite', punch: null }, practice)?.headline).toContain('wide half');
  });

  it('puts wings up and the splice window up', () => {
    expect(orientation(openContact, { profile: 'rolled', punch: null }, practice)?.headline).toContain('Wings up');
    expect(orientation(windowSplice, { profile: 'window-indent', punch: null }, practice)?.headline).toContain(
      'Window up',
    );
  });

  it('is none at all for a closed barrel in a rolling nest or open wings in any other', () => {
    expect(orientation(bareRing, { profile: 'rolled', punch: null }, practice)).toBeNull();
    for (const profile of NEST_PROFILES.filter((p) => p !== 'rolled'))
      expect(orientation(openContact, { profile, punch: null }, practice)).toBeNull();
  });
});

describe('Bites', () => {
  const bareOf = (
    length: number,
    count: number | null = null,
    inspection: Terminal['barrel']['inspection'] = null,
  ) => ({
    ...bareRing,
    bites: count,
    barrel: { ...bareRing.barrel, length, inspection },
  });
  const centres = (terminal: Terminal, width: number) =>
    placeBites(terminal, { width }, practice).bites.map((b) => Number(b.centre.toFixed(6)));
  const codes = (terminal: Terminal, width: number) =>
    placeBites(terminal, { width }, practice).reasons.map((r) => r.code);

  it('are one in the middle when the sheet asks for one', () => {
    expect(placeBites(bareOf(6, 1), { width: 3 }, practice)).toEqual({ bites: [{ order: 1, centre: 3 }], reasons: [] });
  });

  // Two of 3 mm and 0.5 between them need 6.5: 6 mm take one, 7 mm two, at 7 - 1.5 = 5.5 and 1.5; three need 10
  it('cover the barrel from tongue to wire when the sheet is silent, half a millimetre apart', () => {
    expect(centres(bareOf(6), 3)).toEqual([3]);
    expect(centres(bareOf(7), 3)).toEqual([5.5, 1.5]);
    expect(centres(bareOf(9.9), 3).length).toBe(2);
    expect(centres(bareOf(10), 3)).toEqual([8.5, 5, 1.5]);
  });

  // Hole from 9 to 10: 0 to 8 and 11 to 12 are free. Two of 3 mm go into 8, at 6.5 and 1.5; one lies as near to 6 as 6.5
  it('stay a millimetre off the inspection hole', () => {
    expect(centres(bareOf(12, null, { min: 9, max: 10 }), 3)).toEqual([6.5, 1.5]);
    expect(centres(bareOf(12, 1, { min: 9, max: 10 }), 3)).toEqual([6]);
    expect(centres(bareOf(12, 1, { min: 6, max: 7 }), 3)).toEqual([3.5]);
    // 0 to 2 and 5 to 6 are free, and the die is 3 wide
    expect(codes(bareOf(6, 1, { min: 3, max: 4 }), 3)).toEqual(['bite-over-hole']);
    // Over the hole nothing is crimped until somebody has settled it; a die over both ends is only told.
    const weights = (length: number, width: number, hole: { min: number; max: number } | null) =>
      placeBites(bareOf(length, 1, hole), { width }, practice).reasons.map(({ code, weight }) => [code, weight]);
    expect(weights(6, 3, { min: 3, max: 4 })).toEqual([['bite-over-hole', 'hold']]);
    expect(weights(6, 7, { min: 3, max: 4 })).toEqual([['die-wider', 'note']]);
    expect(weights(6, 7, null)).toEqual([['die-wider', 'note']]);
  });

  it('are fewer than the sheet asks for where they do not fit, with the reason', () => {
    expect(centres(bareOf(6, 2), 3)).toEqual([3]);
    expect(placeBites(bareOf(6, 2), { width: 3 }, practice).reasons[0]?.text).toBe(
      'The sheet asks for 2 bites and one of 3 mm fits: 6.0 mm of barrel are free and two bites leave 0.5 mm between them.',
    );
    expect(codes(bareOf(2), 3)).toEqual(['die-wider']);
  });

  it('never stand past either end of the barrel, on its hole, or on each other', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 30, noNaN: true }),
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        fc.option(fc.integer({ min: 1, max: 6 })),
        fc.option(fc.double({ min: 0.1, max: 0.9, noNaN: true })),
        (length, width, count, share) => {
          const hole = share === null ? null : { min: share * length, max: share * length + 0.5 };
          const { bites, reasons } = placeBites(bareOf(length, count, hole), { width }, practice);
          expect(bites.length).toBeGreaterThan(0);
          if (reasons.some(({ code }) => code === 'die-wider' || code === 'bite-over-hole')) return;
          bites.forEach(({ centre }, i) => {
            expect(centre - width / 2).toBeGreaterThanOrEqual(-1e-9);
            expect(centre + width / 2).toBeLessThanOrEqual(length + 1e-9);
            if (hole)
              expect(centre + width / 2 <= hole.min - 1 + 1e-9 || centre - width / 2 >= hole.max + 1 - 1e-9).toBeTrue();
            const before = bites[i - 1];
            if (before) expect(before.centre - centre).toBeGreaterThanOrEqual(width + 0.5 - 1e-6);
          });
        },
      ),
    );
  });
});

describe('The steps of the crimp', () => {
  const steps = (terminal: Terminal, profile: NestProfile) => {
    const [die] = tool.dies;
    const nest = die?.nests[0];
    const lies = orientation(terminal, { profile, punch: null }, practice);
    if (!die || !nest || !lies) throw new Error('no nest');
    const strip = stripWindow(terminal, wire075, practice, stripper);
    const chosen = { tool, die, nest, setting: null, positioner: null, insulationPosition: null, stepDown: null };
    const context = {
      terminal,
      wire: wire075,
      practice,
      strip,
      tool: chosen,
      lies,
      bites: [{ order: 1, centre: 2.5 }],
      end: 1,
      setBefore: null,
      ...{ forming: null, locator: null, fuelNear: false },
    } as const;
    return gates(context).map((g) => g.gate);
  };

  it('begin with what has to be slid on, and end with the seal, for a splice in a wet place', () => {
    expect(steps(windowSplice, 'window-indent')).toEqual([
      'slide-on',
      'strip-looked-at',
      'orientation',
      'cycle-complete',
      'mark-matches',
      'hand-tug',
      'sleeve-centred',
      'sealed-both-ends',
    ]);
  });

  it('ask for nothing to slide on when there is nothing', () => {
    expect(steps(bareRing, 'indent-and-cradle')).toEqual([
      'strip-looked-at',
      'orientation',
      'cycle-complete',
      'mark-matches',
      'hand-tug',
    ]);
  });

  it('know every seam the catalogue knows', () => {
    for (const s of SEAMS)
      expect(
        orientation(seam(s), { profile: s === 'open' ? 'rolled' : 'indent-and-cradle', punch: null }, practice),
      ).not.toBeNull();
  });
});
