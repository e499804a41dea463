import { OPEN_BARREL, type FamilyRule } from '../FamilyRule';

/** An open-barrel contact whose insulation wings hold the neck of a wire seal. */
export const sealedContact: FamilyRule = {
  ...OPEN_BARREL,
  name: 'sealed contact',
  wings: {
    why: 'The rolls curl the wings into the strands only when the floor lies flat; the seal’s neck lies in the insulation wings, ribs towards the wire.',
    confirm: 'Wings are up, seal’s neck lies in the insulation wings',
  },
};
