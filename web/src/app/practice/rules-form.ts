import { FormControl, FormGroup, FormRecord, type AbstractControl, type ValidationErrors } from '@angular/forms';
import {
  asKept,
  asTyped,
  CHOICES,
  numberAt,
  readNumber,
  readStrandDamage,
  RULE_NUMBERS,
  strandDamageText,
  withNumbers,
  type PracticeChoices,
  type PracticeDraft,
  type RuleNumber,
} from '@tug-mark/core';
import type { FormFault } from '../parts/form-faults';
import { typedText } from '../parts/zod-form';

/** The head of a profile: what it is called, for whom it is, and what it is based on. */
export const RULE_HEADS = [
  { key: 'part', title: 'Short name', isNeeded: true },
  { key: 'label', title: 'Name', isNeeded: true },
  { key: 'customer', title: 'For the customer, empty for all', isNeeded: false },
  { key: 'class', title: 'For the grade of work', isNeeded: false },
] as const;

/** A profile of house rules as it is typed: an empty choice or number is as in the profile it is based on. */
export type RulesForm = FormGroup<{
  readonly head: FormGroup<Record<(typeof RULE_HEADS)[number]['key'] | 'base', FormControl<string>>>;
  readonly choices: FormRecord<FormControl<string>>;
  readonly numbers: FormRecord<FormControl<string>>;
  readonly strandDamage: FormControl<string>;
  /** 'second', 'anyone', or empty. */
  readonly releases: FormControl<string>;
}>;

/** Who may release limits, as a choice like the others. */
export const RELEASES = [
  {
    value: 'anyone',
    title: 'whoever of quality',
    effect: 'Who drafted a table may release it: a one-person shop can work.',
  },
  { value: 'second', title: 'a second person', effect: 'Nobody releases what they drafted themselves.' },
] as const;

/** What a form begins with: the choices a profile makes itself, or those of a starter; nothing of a base. */
export function rulesForm(start: PracticeDraft): RulesForm {
  const { choices, base, customer, class: grade, part, label } = start;
  const isNeeded = (message: string) => (control: AbstractControl<string>) =>
    control.value.trim() === '' ? { zod: message } : null;
  const text = (value: string | null | undefined) => typedText(value ?? '');
  const head = { part: text(part), label: text(label), customer: text(customer), class: text(grade), base: text(base) };
  head.part.addValidators(isNeeded('is empty'));
  head.label.addValidators(isNeeded('is empty'));
  const form: RulesForm = new FormGroup({
    head: new FormGroup(head),
    choices: new FormRecord(Object.fromEntries(CHOICES.map(({ key }) => [key, text(choices[key] as string)]))),
    numbers: new FormRecord(
      Object.fromEntries(
        RULE_NUMBERS.map((rule) => {
          const kept = numberAt(choices, rule.path);
          const control = text(kept === undefined ? '' : String(asTyped(rule, kept)));
          control.addValidators(({ value }: AbstractControl<string>) => numberFault(rule, value));
          return [rule.path, control];
        }),
      ),
    ),
    strandDamage: text(choices.strandDamage && strandDamageText(choices.strandDamage)),
    releases: text(
      choices.secondPersonReleases === undefined ? '' : choices.secondPersonReleases ? 'second' : 'anyone',
    ),
  });
  form.controls.strandDamage.addValidators(({ value }: AbstractControl<string>) => {
    const read = value.trim() === '' ? null : readStrandDamage(value);
    return read && !read.ok ? { zod: read.text } : null;
  });
  // A profile that stands on its own leaves nothing open.
  form.addValidators(() => openFault(form));
  return form;
}

/** A number in its unit, which may be typed behind it. */
function readRule({ unit, isWhole, least, most }: RuleNumber, text: string): number | string | null {
  if (text.trim() === '') return null;
  const read = readNumber(text);
  if (read.outcome === 'refused') return read.text;
  if (read.rest !== '' && read.rest !== unit) return `'${read.rest}' is not the unit here: ${unit}.`;
  if (isWhole && !Number.isInteger(read.value)) return 'It is a whole number.';
  return read.value < least || read.value > most ? `It lies from ${least} to ${most} ${unit}.` : read.value;
}

function numberFault(rule: RuleNumber, text: string): ValidationErrors | null {
  const read = readRule(rule, text);
  return typeof read === 'string' ? { zod: read } : null;
}

function openFault({
  controls: { head, choices, numbers, strandDamage, releases },
}: RulesForm): ValidationErrors | null {
  if (head.value.base) return null;
  const all = [...Object.values(choices.controls), ...Object.values(numbers.controls), strandDamage, releases];
  return all.some(({ value }) => value.trim() === '') ? { open: true } : null;
}

/** The draft a form holds; what is not right in it is left out. */
export function draftFrom({ controls: { head, choices, numbers, strandDamage, releases } }: RulesForm): PracticeDraft {
  const { part, label, customer, class: grade, base } = head.getRawValue();
  const made = Object.fromEntries(Object.entries(choices.getRawValue()).filter(([, value]) => value !== ''));
  const typed = new Map<string, number>();
  for (const rule of RULE_NUMBERS) {
    const read = readRule(rule, numbers.controls[rule.path]?.value ?? '');
    if (typeof read === 'number') typed.set(rule.path, asKept(rule, read));
  }
  const damage = strandDamage.value.trim() === '' ? null : readStrandDamage(strandDamage.value);
  return {
    ...{ part: part.trim(), label: label.trim(), customer: customer.trim() || null, class: grade.trim() || null },
    base: base || null,
    choices: {
      ...withNumbers(made as Partial<PracticeChoices>, typed),
      ...(damage?.ok && { strandDamage: damage.rows }),
      ...(releases.value && { secondPersonReleases: releases.value === 'second' }),
    },
  };
}

/** Id of the field of a number. */
export const ruleId = (path: string): string => `n-${path.replace('.', '-')}`;

/** All that is not right in a form, in its order. */
export function faultsOf(form: RulesForm): FormFault[] {
  const { head, choices, numbers, strandDamage, releases } = form.controls;
  const own = (control: AbstractControl | undefined, field: string, label: string): FormFault[] => {
    const text = (control?.errors?.['zod'] as string | undefined) ?? '';
    return text ? [{ field, label, text }] : [];
  };
  const open = (control: AbstractControl<string> | undefined, field: string, label: string): FormFault[] =>
    !head.value.base && control?.value.trim() === ''
      ? [{ field, label, text: 'is left open. A profile without a base makes every choice.' }]
      : [];
  return [
    ...RULE_HEADS.flatMap(({ key, title }) => own(head.controls[key], `p-${key}`, title)),
    ...CHOICES.flatMap(({ key, title }) => open(choices.controls[key], `c-${key}`, title)),
    ...open(releases, 'c-releases', 'Limits are released by'),
    ...RULE_NUMBERS.flatMap(({ path, title }) => {
      const control = numbers.controls[path];
      const id = ruleId(path);
      return [...own(control, id, title), ...open(control, id, title)];
    }),
    ...rangeFaults(form),
    ...own(strandDamage, 'n-strandDamage', 'Strands that may be hurt'),
    ...open(strandDamage, 'n-strandDamage', 'Strands that may be hurt'),
  ];
}

/**
 * The two ends of a range come from one place, the smaller one first: one end typed here and the other from the base would be a
 * range nobody chose.
 */
function rangeFaults({ controls: { head, numbers } }: RulesForm): FormFault[] {
  const ends = RULE_NUMBERS.filter(({ path }) => path.includes('.')).map((rule) => {
    const typed = numbers.controls[rule.path]?.value ?? '';
    return { rule, isEmpty: typed.trim() === '', value: readRule(rule, typed) };
  });
  const tell = ({ path, title }: RuleNumber, text: string): FormFault => ({ field: ruleId(path), label: title, text });
  const empty = ends.filter(({ isEmpty }) => isEmpty);
  if (head.value.base && empty.length === 1)
    return empty.map(({ rule }) =>
      tell(rule, 'is empty and the other end is not. Type both, or leave both as in the profile it is based on.'),
    );
  const [min, max] = ends;
  const isBackwards = typeof min?.value === 'number' && typeof max?.value === 'number' && min.value > max.value;
  return isBackwards ? [tell(min.rule, 'is backwards: the smaller end comes first.')] : [];
}
