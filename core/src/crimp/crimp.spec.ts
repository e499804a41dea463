import fc from 'fast-check';
import { bareRing, insulatedRing, openContact, practice, stripper, tool, windowSplice, wire075 } from '../testing/shop';
import { stripWindow } from '../prepare';
import { FAMILIES, SEAMS, type Terminal } from '../terminal';
import { NEST_PROFILES, type NestProfile } from '../tool';
import { bites, gates, orientation } from './index';

const seam = (s: Terminal['barrel']['seam'], base = bareRing): Terminal => ({
  ...base,
  barrel: { ...base.barrel, seam: s },
});

describe('Orientation', () => {
  it('puts a butted seam down in the cradle, and calls it critical', () => {
    const lies = orientation(bareRing, 'indent-and-cradle', practice);
    expect(lies?.headline).toBe('Seam down in the cradle. Indent on the plain side.');
    expect(lies?.critical).toBeTrue();
    expect(lies?.angle).toBe(180);
  });

  it('never leaves the angle free for a butted seam in an indenting nest', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FAMILIES),
        fc.constantFrom<NestProfile>('indent-and-cradle', 'window-indent'),
        (family, profile) => {
          const lies = orientation({ ...seam('butted'), family }, profile, practice);
          expect(lies?.angle).not.toBeNull();
        },
      ),
    );
  });

  it('lets a seamless barrel lie any way round', () => {
    expect(orientation(seam('seamless'), 'indent-and-cradle', practice)?.angle).toBeNull();
  });

  it('keeps the punch opposite a brazed seam, though it is not critical', () => {
    const lies = orientation(seam('brazed'), 'indent-and-cradle', practice);
    expect([lies?.angle, lies?.critical]).toEqual([180, false]);
  });

  it('turns the sleeve of an insulated ring by the nest: any way in an oval, seam to the wide half in two bites', () => {
    expect(orientation(insulatedRing, 'symmetric-oval', practice)?.angle).toBeNull();
    expect(orientation(insulatedRing, 'two-bite', practice)?.headline).toContain('wide half');
  });

  it('puts wings up and the splice window up, with the second bite by practice', () => {
    expect(orientation(openContact, 'rolled', practice)?.headline).toContain('Wings up');
    expect(orientation(windowSplice, 'window-indent', practice)?.why).toContain('same plane');
    expect(orientation(windowSplice, 'window-indent', { ...practice, secondBite: 'turned-90' })?.why).toContain('90°');
  });

  it('is none at all for a closed barrel in a rolling nest or open wings in any other', () => {
    expect(orientation(bareRing, 'rolled', practice)).toBeNull();
    for (const profile of NEST_PROFILES.filter((p) => p !== 'rolled'))
      expect(orientation(openContact, profile, practice)).toBeNull();
  });
});

describe('Bites', () => {
  it('are one in the middle when the sheet asks for one', () => {
    expect(bites(bareRing, { width: 3 }, practice)).toEqual([{ order: 1, centre: 3 }]);
  });

  // 6 mm / 3 mm: two, at 6 - 1.5 = 4.5 and 1.5; 7 / 3: three, at 5.5, 3.5, 1.5
  it('cover the barrel from tongue to wire when the sheet is silent', () => {
    const silent = { ...bareRing, bites: null };
    expect(bites(silent, { width: 3 }, practice).map((b) => b.centre)).toEqual([4.5, 1.5]);
    expect(
      bites({ ...silent, barrel: { ...silent.barrel, length: 7 } }, { width: 3 }, practice).map((b) => b.centre),
    ).toEqual([5.5, 3.5, 1.5]);
  });

  it('never stand past either end of the barrel', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 30, noNaN: true }),
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        fc.option(fc.integer({ min: 1, max: 6 })),
        (length, width, count) => {
          const half = Math.min(width, length) / 2;
          for (const bite of bites(
            { ...bareRing, bites: count, barrel: { ...bareRing.barrel, length } },
            { width },
            practice,
          )) {
            expect(bite.centre - half).toBeGreaterThanOrEqual(-1e-9);
            expect(bite.centre + half).toBeLessThanOrEqual(length + 1e-9);
          }
        },
      ),
    );
  });
});

describe('The steps of the crimp', () => {
  const steps = (terminal: Terminal, profile: NestProfile) => {
    const nest = tool.dies[0]?.nests[0];
    const lies = orientation(terminal, profile, practice);
    if (!nest || !lies) throw new Error('no nest');
    const strip = stripWindow(terminal, wire075, practice, stripper);
    const chosen = { tool, nest, setting: null, positioner: null, insulationPosition: null, stepDown: null };
    return gates({ terminal, practice, strip, tool: chosen, lies, bites: 1 }).map((g) => g.gate);
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
      expect(orientation(seam(s), s === 'open' ? 'rolled' : 'indent-and-cradle', practice)).not.toBeNull();
  });
});
