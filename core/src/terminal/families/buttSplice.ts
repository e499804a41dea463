import { SPLICE, type FamilyRule } from '../FamilyRule';

/** Two wires end to end in one barrel with a stop in its middle. */
export const buttSplice: FamilyRule = {
  ...SPLICE,
  name: 'butt splice',
  nests: {
    listed: ['symmetric-oval', 'two-bite', 'indent-and-cradle'],
    byShape: ['symmetric-oval', 'two-bite', 'indent-and-cradle'],
  },
};
