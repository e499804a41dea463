import { FAMILY_RULES } from './families';
import type { Family } from './kinds';

/** The family in words, as it stands in sentences. */
export function familyName(family: Family): string {
  return FAMILY_RULES[family].name;
}
