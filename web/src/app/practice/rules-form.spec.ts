import {
  asTyped,
  CHOICE_KEYS,
  draftOf,
  numberAt,
  RULE_NUMBERS,
  STARTER_RULES,
  type PracticeDraft,
} from '@tug-mark/core';
import { practice } from '../../../../core/src/testing/shop';
import { draftFrom, faultsOf, rulesForm } from './rules-form';

const STARTER: PracticeDraft = {
  ...{ part: 'house', label: 'House rules', base: null, customer: null, class: null },
  choices: STARTER_RULES,
};
const BASED: PracticeDraft = { ...STARTER, part: 'dock', base: 'house', choices: {} };

describe('House rules in the form', () => {
  it('come out as they went in, those of a starter and those of the shop', () => {
    const own = draftOf({ ...practice, own: CHOICE_KEYS });
    for (const start of [STARTER, own]) {
      expect(faultsOf(rulesForm(start))).toEqual([]);
      expect(draftFrom(rulesForm(start))).toEqual(start);
    }
  });

  it('of a profile with a base make no choice that is left empty', () => {
    const form = rulesForm(BASED);
    expect(faultsOf(form)).toEqual([]);
    expect(draftFrom(form).choices).toEqual({});
    form.controls.head.controls.base.setValue('');
    expect(faultsOf(form).length).toBe(Object.keys(form.controls.choices.controls).length + RULE_NUMBERS.length + 2);
  });

  for (const rule of RULE_NUMBERS) {
    it(`hold ${rule.title.toLowerCase()} (${rule.path}) between its ends, in its unit, and nowhere else`, () => {
      const form = rulesForm(BASED);
      const control = form.controls.numbers.controls[rule.path];
      // A range is typed with both its ends.
      const other = RULE_NUMBERS.find(
        ({ path }) => path !== rule.path && path.split('.')[0] === rule.path.split('.')[0],
      );
      if (other)
        form.controls.numbers.controls[other.path]?.setValue(
          String(rule.path.endsWith('.max') ? rule.least : rule.most),
        );
      const said = (text: string) => {
        control?.setValue(text);
        return faultsOf(form).map((fault) => fault.text);
      };
      expect(said(String(rule.least))).toEqual([]);
      expect(said(`${rule.most} ${rule.unit}`)).toEqual([]);
      const kept = numberAt(draftFrom(form).choices, rule.path);
      expect(kept === undefined ? null : asTyped(rule, kept)).toBeCloseTo(rule.most, 9);
      const range = `It lies from ${rule.least} to ${rule.most} ${rule.unit}.`;
      expect(said(String(rule.most + 1))).toEqual([range]);
      expect(said(String(rule.least - 1))).toEqual([range]);
      expect(said(`${rule.least} furlong`)).toEqual([`'furlong' is not the unit here: ${rule.unit}.`]);
      expect(said('some').length).toBe(1);
      expect(numberAt(draftFrom(form).choices, rule.path)).toBeUndefined();
    });
  }

  it('take both ends of a range here, or both from the base, and never drop one without a word', () => {
    const form = rulesForm(BASED);
    form.controls.numbers.controls['windowShare.min']?.setValue('40');
    expect(faultsOf(form).map(({ field }) => field)).toEqual(['n-windowShare-max']);
    form.controls.numbers.controls['windowShare.max']?.setValue('20');
    expect(faultsOf(form).map(({ field, text }) => [field, text])).toEqual([
      ['n-windowShare-min', 'is backwards: the smaller end comes first.'],
    ]);
    form.controls.numbers.controls['windowShare.max']?.setValue('60');
    expect(faultsOf(form)).toEqual([]);
    expect(draftFrom(form).choices).toEqual({ windowShare: { min: 0.4, max: 0.6 } });
  });

  it('say who releases limits, or leave it to the base', () => {
    const form = rulesForm(BASED);
    for (const [value, kept] of [
      ['second', true],
      ['anyone', false],
      ['', undefined],
    ] as const) {
      form.controls.releases.setValue(value);
      expect(draftFrom(form).choices.secondPersonReleases).toBe(kept);
    }
  });
});
