import type { Practice } from '../practice';
import { familyOf, type Terminal } from '../terminal';
import type { Wire } from '../wire';

export interface StrainRelief {
  /** What holds the wire, in a sentence. */
  readonly text: string;
  /** How far a tube reaches past what it covers, mm. */
  readonly overlap: number;
}

/** A tube that only covers reaches so far past it, mm; one that keeps the wire from bending, so many insulation diameters. */
const COVERS = 6;
const RELIEVES = 5;

/** What keeps the wire from working at the barrel, by the house rules. */
export function strainRelief(
  terminal: Terminal,
  { insulationDiameter }: Pick<Wire, 'insulationDiameter'>,
  practice: Practice,
): StrainRelief {
  if (practice.strainRelief === 'long-tube') {
    const overlap = Math.max(COVERS, Number((RELIEVES * insulationDiameter).toFixed(1)));
    return {
      text: `Strain relief by a long tube: ${overlap.toFixed(1)} mm past the barrel, ${RELIEVES} insulation diameters.`,
      overlap,
    };
  }
  const holds = terminal.barrel.supportLength > 0 && familyOf(terminal).gripsInsulation;
  return {
    text: holds
      ? `Strain relief by the part: its ${familyOf(terminal).words.support} holds the insulation.`
      : 'Nothing of this part holds the insulation: where the wire moves or shakes, tie it down close to the part.',
    overlap: COVERS,
  };
}
