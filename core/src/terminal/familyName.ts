import type { Family } from './Terminal';

const NAMES: Readonly<Record<Family, string>> = {
  'bare-ring': 'bare ring',
  'insulated-ring': 'insulated ring',
  'open-barrel-contact': 'open-barrel contact',
  'window-splice': 'window splice',
};

/** The family in words, as it stands in sentences. */
export function familyName(family: Family): string {
  return NAMES[family];
}
