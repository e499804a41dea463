import { USUAL, type FamilyRule } from '../FamilyRule';

/** A turned pin or socket, pressed by four indents; its wire is seen in the inspection hole. */
export const machinedContact: FamilyRule = {
  ...USUAL,
  name: 'machined contact',
  nests: { listed: ['four-indent'], byShape: ['four-indent'] },
  words: {
    ...USUAL.words,
    hole: 'inspection hole',
    seated: 'Contact home in the positioner, mating end first.',
  },
  drawing: { ...USUAL.drawing, front: 'pin' },
};
