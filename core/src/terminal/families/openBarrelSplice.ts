import { OPEN_BARREL, SPLICE, type FamilyRule } from '../FamilyRule';

/** Two wires side by side or end to end in open wings. */
export const openBarrelSplice: FamilyRule = {
  ...OPEN_BARREL,
  name: 'open-barrel splice',
  isSplice: true,
  isSleeved: true,
  wings: {
    why: 'Hard crimp on the strands, soft crimp on the insulation: the rolls curl the wings only when the floor lies flat.',
    confirm: OPEN_BARREL.wings.confirm,
  },
  words: {
    ...SPLICE.words,
    liesBy: OPEN_BARREL.words.liesBy,
    wayRound: OPEN_BARREL.words.wayRound,
    seated: 'Floor flat on the anvil, the grip that is pressed under the rolls, the other one outside.',
  },
  drawing: SPLICE.drawing,
};
