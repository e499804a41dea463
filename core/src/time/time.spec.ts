import fc from 'fast-check';
import { isZone, today } from './index';

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
