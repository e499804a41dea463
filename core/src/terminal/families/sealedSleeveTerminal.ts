import { USUAL, type FamilyRule } from '../FamilyRule';

/** A ring, fork or tab in a sleeve with adhesive, shrunk after the crimp. */
export const sealedSleeveTerminal: FamilyRule = {
  ...USUAL,
  name: 'terminal with shrink sleeve',
  nests: { listed: ['symmetric-oval', 'two-bite'], byShape: ['symmetric-oval', 'two-bite'] },
  inTheWet:
    'The place of use is wet. The adhesive sleeve closes the wire side; at the tongue the barrel stays open: nearly tight, not sealed. Whoever answers for the joint decides whether that does here.',
};
