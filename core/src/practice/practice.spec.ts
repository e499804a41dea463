import { practice } from '../testing/shop';
import { CHOICE_KEYS, CHOICES, choosePractice, resolvePractice, type Practice, type PracticeDraft } from './index';

const house: Practice = { ...practice, own: CHOICE_KEYS };
const draft = (part: string, base: string | null, choices: PracticeDraft['choices'] = {}): PracticeDraft => ({
  part,
  label: part,
  customer: null,
  class: null,
  base,
  choices,
});
const resolved = (d: PracticeDraft, others: readonly Practice[]) => {
  const found = resolvePractice(d, others);
  if (!found.ok) throw new Error(found.text);
  return found.practice;
};

describe('A practice profile', () => {
  it('takes what it leaves open from its base, over several steps', () => {
    const dock = resolved(draft('dock', 'house', { gap: 'required' }), [house]);
    const wet = resolved(draft('wet dock', 'dock', { brush: 'fixed' }), [house, dock]);
    expect([wet.gap, wet.brush, wet.lay]).toEqual(['required', 'fixed', house.lay]);
    expect(wet.own).toEqual(['brush']);
  });

  it('is refused when its base is missing or the bases go in a circle', () => {
    const lost = resolvePractice(draft('a', 'b'), [house]);
    expect(!lost.ok && lost.code).toBe('base-missing');
    const b: Practice = { ...house, part: 'b', base: 'a' };
    const circle = resolvePractice(draft('a', 'b'), [house, b]);
    expect(!circle.ok && circle.text).toContain('a on b on a');
    const self = resolvePractice(draft('a', 'a'), [house]);
    expect(!self.ok && self.code).toBe('base-circular');
  });

  it('without a base has to make every choice', () => {
    const open = resolvePractice(draft('a', null, { gap: 'small' }), [house]);
    expect(!open.ok && open.code).toBe('choice-missing');
  });

  it('knows every choice with at least two schools and the usual one first', () => {
    expect(CHOICES.length).toBe(16);
    for (const choice of CHOICES) {
      expect(choice.schools.length).withContext(choice.key).toBeGreaterThan(1);
      expect(choice.schools[0]?.value).withContext(choice.key).toBe(String(house[choice.key]));
    }
  });
});

describe('The profile that applies', () => {
  const of = (part: string, customer: string | null, className: string | null): Practice => ({
    ...house,
    part,
    customer,
    class: className,
  });
  const all = [of('house', null, null), of('class 3', null, '3'), of('dock', 'Dock', null), of('dock 3', 'Dock', '3')];
  const chosen = (customer: string | null, className: string) =>
    choosePractice(all, customer, className).practice?.part;

  it('is the most particular one for customer and class', () => {
    expect(chosen(null, '2')).toBe('house');
    expect(chosen('Elsewhere', '3')).toBe('class 3');
    expect(chosen('Dock', '2')).toBe('dock');
    expect(chosen('Dock', '3')).toBe('dock 3');
  });

  it('is none while two apply alike, or none does', () => {
    expect(choosePractice([...all, of('rival', 'Dock', null)], 'Dock', '2').text).toContain("'dock' and 'rival'");
    expect(choosePractice([of('dock', 'Dock', null)], null, '2').practice).toBeNull();
  });
});
