import type { Family } from './kinds';

const NAMES: Readonly<Record<Family, string>> = {
  'insulated-terminal': 'insulated terminal',
  'sealed-sleeve-terminal': 'terminal with shrink sleeve',
  'bare-terminal': 'bare terminal',
  'open-barrel-contact': 'open-barrel contact',
  'sealed-contact': 'sealed contact',
  'machined-contact': 'machined contact',
  'signal-contact': 'signal contact',
  'butt-splice': 'butt splice',
  'window-splice': 'window splice',
  'open-barrel-splice': 'open-barrel splice',
  ferrule: 'wire-end ferrule',
  lug: 'compression lug',
};

/** The family in words, as it stands in sentences. */
export function familyName(family: Family): string {
  return NAMES[family];
}
