import type { Family } from '../../terminal';
import { tellCauses } from './causes';
import { tellCurves } from './curves';
import { tellLots } from './lots';
import { TOLD_SET_UPS } from './setUps';
import { tellChange, tellSetUp } from './tell';

/** Of a family as the house makes it all that is told, of the others what differs. */
function tellSetUps(): Record<string, string[]> {
  const usual = new Map<Family, string[]>();
  return Object.fromEntries(
    [...TOLD_SET_UPS].map(([name, { family, context }]) => {
      const lines = tellSetUp(context);
      const known = usual.get(family);
      if (known) return [name, tellChange(known, lines)];
      usual.set(family, lines);
      return [name, lines];
    }),
  );
}

/** What is told, by the name of the file it is held in: of each thing by its name, line by line. */
export const TOLD = {
  setUps: tellSetUps,
  lots: tellLots,
  causes: tellCauses,
  curves: tellCurves,
} as const satisfies Record<string, () => Record<string, string[]>>;
