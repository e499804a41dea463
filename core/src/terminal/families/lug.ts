import { USUAL, type FamilyRule } from '../FamilyRule';

/** A heavy lug whose barrel is pressed by dies of its own index and grows over the wire. */
export const lug: FamilyRule = {
  ...USUAL,
  name: 'compression lug',
  nests: { listed: ['hex', 'contoured'], byShape: ['hex', 'contoured'] },
  aftercare: ({ material }) =>
    material === 'aluminium'
      ? ['Contact grease where the sheet asks for it; the pad is brushed bright before it is bolted.']
      : [],
  words: {
    ...USUAL.words,
    front: 'pad',
    hole: 'inspection hole',
    seated: 'Barrel in the die where the first bite lies, pad parallel to it.',
    wayRound: 'Barrel straight, pad square to the bites, no fin wider than the die’s own.',
    titles: { tongue: 'Pad' },
  },
};
