import { CHOICES } from './choices';
import type { PracticeChoices } from './Practice';
import { asKept, RULE_NUMBERS, withNumbers } from './ruleNumbers';

/**
 * House rules a shop can begin with: of each choice the usual school, of each number what shops usually begin with, no
 * strand hurt at all, and limits that whoever may release also may have drafted. They are read and kept by a person, never
 * put in place by themselves.
 */
export const STARTER_RULES: PracticeChoices = withNumbers(
  {
    ...(Object.fromEntries(CHOICES.map(({ key, schools }) => [key, schools[0]?.value])) as Partial<PracticeChoices>),
    strandDamage: [],
    secondPersonReleases: false,
  },
  new Map(RULE_NUMBERS.map((number) => [number.path, asKept(number, number.usual)])),
) as PracticeChoices;
