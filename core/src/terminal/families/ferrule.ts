import { USUAL, type FamilyRule } from '../FamilyRule';

/** A sleeve of thin metal over the wire's end for a clamp, with a collar that guides the insulation. */
export const ferrule: FamilyRule = {
  ...USUAL,
  name: 'wire-end ferrule',
  nests: { listed: ['trapezoid', 'square'], byShape: ['trapezoid', 'square'] },
  // The collar guides the insulation and grips nothing.
  gripsInsulation: false,
  words: {
    ...USUAL.words,
    front: 'tip',
    inOnePlane: 'Collar and ferrule',
    notBitten: 'the collar',
    wireEnd: ({ trimFlush }) => (trimFlush ? 'cut flush afterwards' : 'all strands through'),
    insulationHome: 'Insulation home in the funnel of the collar, no bare wire behind it.',
    seated: 'Ferrule in the nest up to its collar, the collar outside.',
    support: 'collar',
    titles: { gap: 'Insulation in the collar' },
  },
  drawing: { ...USUAL.drawing, front: 'none' },
};
