import { USUAL, type FamilyRule } from '../FamilyRule';

/** A ring, fork or tab whose barrel lies in a plain sleeve that shows its size by colour. */
export const insulatedTerminal: FamilyRule = {
  ...USUAL,
  name: 'insulated terminal',
  nests: {
    listed: ['symmetric-oval', 'two-bite', 'indent-and-cradle'],
    byShape: ['symmetric-oval', 'two-bite', 'indent-and-cradle'],
  },
  isSleeved: true,
  hidesPunch: true,
};
