import { CHOICE_KEYS, CHOICES } from './choices';
import type { Practice, PracticeChoices } from './Practice';
import { RULE_NUMBERS } from './ruleNumbers';

export type PracticeResolved =
  | { readonly ok: true; readonly practice: Practice }
  | { readonly ok: false; readonly code: 'base-missing' | 'base-circular' | 'choice-missing'; readonly text: string };

/** A profile as it is entered: who it is for, what it is based on, and the choices it makes itself. */
export type PracticeDraft = Pick<Practice, 'part' | 'label' | 'customer' | 'class' | 'base'> & {
  readonly choices: Partial<PracticeChoices>;
};

/**
 * Fills a profile's open choices from the profile it is based on, and that one's from its own base.
 *
 * @param draft the profile as entered
 * @param others the shop's other profiles; one of the same part is left out, it is what the draft replaces
 * @returns why it cannot be resolved: the base is not there, the chain of bases comes back to itself, or a profile
 *   without a base leaves a choice open
 */
export function resolvePractice(draft: PracticeDraft, others: readonly Practice[]): PracticeResolved {
  const byPart = new Map(others.filter((p) => p.part !== draft.part).map((p) => [p.part, p]));
  const way = [draft.part];
  let choices: Partial<PracticeChoices> = draft.choices;
  let base = draft.base;
  while (base !== null) {
    if (way.includes(base)) {
      return {
        ok: false,
        code: 'base-circular',
        text: `The profiles are based on each other in a circle: ${[...way, base].join(' on ')}. One of them has to stand on its own.`,
      };
    }
    const found = byPart.get(base);
    if (!found) {
      return { ok: false, code: 'base-missing', text: `There is no practice profile '${base}' to base this one on.` };
    }
    way.push(base);
    choices = { ...draftOf(found).choices, ...choices };
    base = found.base;
  }
  const missing = CHOICE_KEYS.filter((key) => choices[key] === undefined);
  if (missing.length) {
    const titles = missing.map((key) => `'${titleOf(key)}'`).join(', ');
    return {
      ok: false,
      code: 'choice-missing',
      text: `Left open: ${titles}. A profile without a base has to make every choice.`,
    };
  }
  const own = CHOICE_KEYS.filter((key) => draft.choices[key] !== undefined);
  const { part, label, customer, class: className } = draft;
  return {
    ok: true,
    practice: { ...(choices as PracticeChoices), part, label, customer, class: className, base: draft.base, own },
  };
}

const OTHERS: Readonly<Record<string, string>> = {
  windowShare: 'Insulation edge between two grips',
  secondPersonReleases: 'Limits are released by',
  strandDamage: 'Strands that may be hurt',
};

/** What a choice is called where it stands in a sentence or a table. */
function titleOf(key: keyof PracticeChoices): string {
  return (
    CHOICES.find((choice) => choice.key === key)?.title ??
    RULE_NUMBERS.find((number) => number.path === key)?.title ??
    OTHERS[key] ??
    key
  );
}

/** Choices a profile makes itself: one that stands on its own makes every one, also those that came after it was kept. */
export function ownChoices({ base, own }: Practice): readonly (keyof PracticeChoices)[] {
  return base === null ? CHOICE_KEYS : own;
}

/** A profile as it would be entered. */
export function draftOf(practice: Practice): PracticeDraft {
  const { part, label, customer, class: className, base } = practice;
  const choices = Object.fromEntries(ownChoices(practice).map((key) => [key, practice[key]]));
  return { part, label, customer, class: className, base, choices };
}
