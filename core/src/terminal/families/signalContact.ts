import { OPEN_BARREL, type FamilyRule } from '../FamilyRule';

/** A small open-barrel contact for signals. */
export const signalContact: FamilyRule = { ...OPEN_BARREL, name: 'signal contact' };
