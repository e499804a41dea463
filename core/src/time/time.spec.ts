import fc from 'fast-check';
import { isZone, showDay, showMoment, today } from './index';

describe('The day it is', () => {
  it('is the shop’s, not that of UTC: it begins at the shop’s midnight', () => {
    // Berlin is an hour ahead of UTC in winter and two in summer; Honolulu ten behind, all year.
    expect(today({ zone: 'Europe/Berlin' }, '2026-11-25T22:59:59.999Z')).toBe('2026-11-25');
    expect(today({ zone: 'Europe/Berlin' }, '2026-11-25T23:00:00.000Z')).toBe('2026-11-26');
    expect(today({ zone: 'Europe/Berlin' }, '2026-07-25T22:00:00.000Z')).toBe('2026-07-26');
    expect(today({ zone: 'Pacific/Honolulu' }, '2027-01-01T09:59:59.000Z')).toBe('2026-12-31');
    expect(today({ zone: 'UTC' }, '2026-02-28T23:59:59.999Z')).toBe('2026-02-28');
  });

  it('never goes back as time goes on', () => {
    const instant = fc.integer({ min: 0, max: 4_000_000_000_000 });
    fc.assert(
      fc.property(
        instant,
        instant,
        fc.constantFrom('Europe/Berlin', 'Asia/Kolkata', 'America/St_Johns'),
        (a, b, zone) => {
          const [early, late] = [Math.min(a, b), Math.max(a, b)].map((ms) =>
            today({ zone }, new Date(ms).toISOString()),
          );
          expect((early ?? '') <= (late ?? '')).toBeTrue();
        },
      ),
    );
  });

  it('is asked of zones that exist', () => {
    expect(isZone('Europe/Berlin')).toBeTrue();
    expect(isZone('Middle/Earth')).toBeFalse();
  });
});

describe('A day and a moment', () => {
  it('are written with the month as a word, the day as itself whatever the zone', () => {
    expect(showDay('2027-01-02')).toBe('2 Jan 2027');
    expect(showDay('next week')).toBe('next week');
  });

  it('as the clocks of the shop showed it, with their zone, in summer and in winter', () => {
    expect(showMoment('2026-11-26T12:17:00.000Z', 'UTC')).toBe('26 Nov 2026, 12:17 UTC');
    expect(showMoment('2026-11-26T23:30:00.000Z', 'Europe/Berlin')).toMatch(/^27 Nov 2026, 00:30 (CET|GMT\+1)$/);
    expect(showMoment('2026-07-26T22:30:00.000Z', 'Europe/Berlin')).toMatch(/^27 Jul 2026, 00:30 (CEST|GMT\+2)$/);
  });
});
