import { OPEN_BARREL, type FamilyRule } from '../FamilyRule';

/** A contact from the reel, its wings rolled into the strands, others around the insulation. */
export const openBarrelContact: FamilyRule = { ...OPEN_BARREL, name: 'open-barrel contact' };
