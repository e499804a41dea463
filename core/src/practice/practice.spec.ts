import { practice } from '../testing/shop';
import {
  asKept,
  asTyped,
  CHOICE_KEYS,
  CHOICES,
  choosePractice,
  numberAt,
  resolvePractice,
  RULE_NUMBERS,
  STARTER_RULES,
  withNumbers,
  type Practice,
  type PracticeDraft,
} from './index';

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
    // Every open one is named, as a person knows it.
    const { windowShare, brush, ...rest } = STARTER_RULES;
    const two = resolvePractice(draft('a', null, rest), [house]);
    expect(!two.ok && two.text).toBe(
      "Left open: 'Wire past the barrel', 'Insulation edge between two grips'. A profile without a base has to make every choice.",
    );
    expect(resolvePractice(draft('a', null, { ...rest, windowShare, brush }), []).ok).toBeTrue();
  });

  it('can begin with the usual school of each choice and the usual numbers, nothing left open', () => {
    const starter = resolved(draft('house', null, STARTER_RULES), []);
    for (const { key, schools } of CHOICES)
      expect(starter[key])
        .withContext(key)
        .toBe(schools[0]?.value as never);
    expect([starter.edgeBand, starter.windowShare, starter.coverage]).toEqual([0.05, { min: 0.25, max: 0.75 }, 0.99]);
    // Nobody's strands are hurt, and nobody is asked for a second person, until the shop says so.
    expect([starter.strandDamage, starter.secondPersonReleases]).toEqual([[], false]);
  });

  it('takes numbers at their paths, shares typed in per cent and kept as shares, and they come back as typed', () => {
    for (const rule of RULE_NUMBERS) {
      expect(rule.usual).withContext(rule.path).toBeGreaterThanOrEqual(rule.least);
      expect(rule.usual).withContext(rule.path).toBeLessThanOrEqual(rule.most);
      for (const typed of [rule.least, rule.usual, rule.most, 7, 33.3]) {
        expect(asTyped(rule, asKept(rule, typed)))
          .withContext(rule.path)
          .toBe(typed);
      }
      expect(numberAt(STARTER_RULES, rule.path)).withContext(rule.path).toBe(asKept(rule, rule.usual));
    }
    // Half a range is none.
    expect(withNumbers({}, new Map([['windowShare.min', 0.3]]))).toEqual({});
    expect(numberAt({}, 'windowShare.min')).toBeUndefined();
  });

  it('knows every choice with at least two schools and the usual one first', () => {
    expect(CHOICES.length).toBe(29);
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
