import type { Family } from '../../terminal';
import { TOLD_SET_UPS } from './setUps';
import { tellChange, tellSetUp } from './tell';

/** What is told of each set-up: of a family as the house makes it all of it, of the others what differs. */
export function tellAll(): Record<string, string[]> {
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
