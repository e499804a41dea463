import type { ConductorSize } from '../wire';
import { rangeLabel } from './rangeLabel';
import type { Terminal } from './Terminal';

/** The printed range a conductor is compared with: the one on its own scale, where the sheet has one. */
export function rangeOf(
  { conductorRange, otherRange }: Terminal,
  size: Pick<ConductorSize, 'scale'> | undefined,
): Terminal['conductorRange'] {
  return otherRange?.smallest.scale === size?.scale && otherRange ? otherRange : conductorRange;
}

/** What the sheet says the barrel takes, on every scale it says it on: '0.5–1 mm², AWG 20–18'. */
export function takesLabel({ conductorRange, otherRange }: Terminal): string {
  return [conductorRange, ...(otherRange ? [otherRange] : [])].map(rangeLabel).join(', ');
}
