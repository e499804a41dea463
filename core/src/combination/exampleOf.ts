import { criteria, type Criterion, type LookContext, type PointCode } from '../look';
import { judgeFit, NO_DEMAND } from '../match';
import type { Practice } from '../practice';
import type { Stripper } from '../prepare';
import type { Family, Terminal } from '../terminal';
import type { Tool } from '../tool';
import type { Wire } from '../wire';
import { computeSetUp, type SetUpContext } from './computeSetUp';

/** Parts of a shop, as far as a set-up is computed from them. */
export interface ShopParts {
  readonly terminals: readonly Terminal[];
  readonly wires: readonly Wire[];
  readonly tools: readonly Tool[];
  readonly strippers: readonly Stripper[];
  readonly practice: Practice | undefined;
}

const FIRST = { terminal: 1, wire: 1, together: [], practice: 1 };

/** What a set-up of two parts is computed from where nothing but the parts is known: dry place, no document, no check. */
export function plainContext(terminal: Terminal, wire: Wire, parts: ShopParts, practice: Practice): SetUpContext {
  return {
    ...{ terminal, wire, together: [], opposite: [], use: { ...NO_DEMAND, place: 'dry' }, class: '', practice },
    ...{ strippers: parts.strippers, tools: parts.tools, checks: [], returns: [], limits: [], looks: [], cabinet: [] },
    ...{ revisions: FIRST, newest: FIRST, zone: 'UTC' },
  };
}

/** A set-up with one of its points to draw. */
export interface PointExample {
  readonly look: LookContext;
  readonly criterion: Criterion;
}

/**
 * A set-up of the shop's own parts on which a point can be drawn: the first terminal of the families with a wire that fits, a
 * tool that makes it, and that point to look at. Of each family one set-up is tried: its others have the same points.
 * @param families empty: any
 * @param now ISO instant
 * @returns null where the shop has none yet
 */
export function exampleOf(
  point: PointCode,
  families: readonly Family[],
  parts: ShopParts,
  now: string,
): PointExample | null {
  const { practice, wires } = parts;
  if (!practice) return null;
  const tried = new Set<Family>();
  for (const terminal of parts.terminals) {
    const { family } = terminal;
    if (tried.has(family) || (families.length && !families.includes(family))) continue;
    const wire = wires.find(
      (each) => judgeFit(terminal, [each], { ...NO_DEMAND, place: 'dry' }, practice).verdict !== 'no',
    );
    const look = wire && computeSetUp(plainContext(terminal, wire, parts, practice), [], now).look;
    if (!look) continue;
    tried.add(family);
    const criterion = criteria(look).find(({ code }) => code === point);
    if (criterion) return { look, criterion };
  }
  return null;
}
