import type { Family } from '../terminal';
import { whyUnqualified, type Qualified } from './index';

const DAY = '2026-11-27';
const given = (family: Family, until: string | null) => ({
  ...{ family, until, by: 'Marek', at: '2026-01-05T08:00:00.000Z' },
});
const byFamily: Qualified = {
  qualifiedUntil: null,
  qualifications: [given('lug', '2026-11-27'), given('ferrule', '2026-11-26'), given('butt-splice', null)],
};

describe('Whether somebody is qualified', () => {
  it('is one date for every family, to the end of its day, while none is kept by family', () => {
    const until = (qualifiedUntil: string | null) => ({ qualifiedUntil, qualifications: null });
    expect(whyUnqualified(until(null), 'lug', DAY)).toBeNull();
    expect(whyUnqualified(until(DAY), 'lug', DAY)).toBeNull();
    expect(whyUnqualified(until('2026-11-26'), 'lug', DAY)).toBe('Your qualification lapsed on 26 Nov 2026.');
  });

  it('is by family as soon as one is kept so: to the end of its day, and for no other', () => {
    expect(whyUnqualified(byFamily, 'lug', DAY)).toBeNull();
    expect(whyUnqualified(byFamily, 'butt-splice', DAY)).toBeNull();
    expect(whyUnqualified(byFamily, 'ferrule', DAY)).toBe(
      'Your qualification for wire-end ferrule lapsed on 26 Nov 2026.',
    );
    expect(whyUnqualified(byFamily, 'window-splice', DAY)).toBe('You are not qualified for window splice.');
    // The one date of before gives nothing back.
    expect(whyUnqualified({ ...byFamily, qualifiedUntil: '2031-12-31' }, 'window-splice', DAY)).not.toBeNull();
  });

  it('for work of no family takes any qualification that holds', () => {
    expect(whyUnqualified(byFamily, null, DAY)).toBeNull();
    expect(whyUnqualified({ ...byFamily, qualifications: [given('ferrule', '2026-11-26')] }, null, DAY)).not.toBeNull();
    expect(whyUnqualified({ ...byFamily, qualifications: [] }, null, DAY)).not.toBeNull();
  });
});
