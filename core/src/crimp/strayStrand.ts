import type { Practice } from '../practice';
import { strandDamage } from '../prepare';
import type { Wire } from '../wire';

/** What is done with a strand that stays outside the barrel. */
export interface StrayStrand {
  readonly text: string;
  readonly remedy: 'mend' | 'cut-off';
}

/**
 * A stray strand is a lost one whether it is bent away or snipped off. The stricter school makes the end again; the other snips it, as
 * long as the table still allows a cut strand.
 */
export function strayStrand({ conductor }: Pick<Wire, 'conductor'>, practice: Practice): StrayStrand {
  const { cut } = strandDamage(conductor.strands, practice);
  if (practice.strayStrand === 'end-again')
    return {
      text: 'A strand that stays outside: take it out and make the end again, it is not snipped.',
      remedy: 'cut-off',
    };
  if (cut === 0)
    return {
      text: `A strand that stays outside: make the end again. It could be snipped, but of ${conductor.strands} strands none may be cut.`,
      remedy: 'cut-off',
    };
  return {
    text: `A strand that stays outside is snipped off: it counts as one of the ${cut} of ${conductor.strands} that may be cut.`,
    remedy: 'mend',
  };
}
