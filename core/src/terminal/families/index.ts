import { bareTerminal } from './bareTerminal';
import { buttSplice } from './buttSplice';
import { ferrule } from './ferrule';
import { insulatedTerminal } from './insulatedTerminal';
import { lug } from './lug';
import { machinedContact } from './machinedContact';
import { openBarrelContact } from './openBarrelContact';
import { openBarrelSplice } from './openBarrelSplice';
import { sealedContact } from './sealedContact';
import { sealedSleeveTerminal } from './sealedSleeveTerminal';
import { signalContact } from './signalContact';
import { windowSplice } from './windowSplice';
import type { FamilyRule } from '../FamilyRule';
import type { Family } from '../kinds';

/** Every family of the trade by its name in files. */
export const FAMILY_RULES: Readonly<Record<Family, FamilyRule>> = {
  'insulated-terminal': insulatedTerminal,
  'sealed-sleeve-terminal': sealedSleeveTerminal,
  'bare-terminal': bareTerminal,
  'open-barrel-contact': openBarrelContact,
  'sealed-contact': sealedContact,
  'machined-contact': machinedContact,
  'signal-contact': signalContact,
  'butt-splice': buttSplice,
  'window-splice': windowSplice,
  'open-barrel-splice': openBarrelSplice,
  ferrule,
  lug,
};

/** What follows from the family of a part. */
export function familyOf({ family }: { readonly family: Family }): FamilyRule {
  return FAMILY_RULES[family];
}
