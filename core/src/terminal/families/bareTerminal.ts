import { USUAL, type FamilyRule } from '../FamilyRule';

/** A ring, fork or tab of bare metal: its seam decides how it lies. */
export const bareTerminal: FamilyRule = {
  ...USUAL,
  name: 'bare terminal',
  nests: { listed: ['indent-and-cradle'], byShape: ['indent-and-cradle'] },
};
