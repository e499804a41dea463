import type { Demand, Place } from '../match';
import type { End } from '../terminal';
import type { WireListRow } from './readWireList';

/** One terminal on its wires in one place of use, with the number of ends to be made. */
export interface CombinationCount {
  readonly terminal: string;
  readonly wire: string;
  /** Other wires in the same barrel, in order of their part numbers. */
  readonly together: readonly string[];
  /** Wires at the other end of a splice, likewise; empty for all else, and where the list names none. */
  readonly opposite: readonly string[];
  readonly place: Place;
  readonly demand: Demand;
  /** Crimped ends, over all wires and both ends. */
  readonly pieces: number;
}

/** A joint of a list: the wires that meet in one part, by the side they come from. */
interface Joint {
  readonly terminal: string;
  readonly row: WireListRow;
  readonly demand: Demand;
  readonly sides: readonly [string[], string[]];
}

/**
 * Gathers a wire list into combinations, in the order in which they first appear.
 *
 * Ends of one joint share one part. In a splice they come from two sides: the side stands behind the joint's name (`J1/2`); where
 * it does not, the first wire of the list is on the first side and the others are on the second.
 * @param splices part numbers of splices
 */
export function combine(rows: readonly WireListRow[], splices: ReadonlySet<string>): CombinationCount[] {
  const counts = new Map<string, { -readonly [K in keyof CombinationCount]: CombinationCount[K] }>();
  const joints = new Map<string, Joint>();
  const count = (terminal: string, [near, far]: Joint['sides'], row: WireListRow, demand: Demand) => {
    // Which wire is called the first end's does not matter: both are made alike, and one order makes them one combination.
    const [wires, opposite] = [near, far].map((side) => [...side].sort()).sort((a, b) => inOrder(a, b)) as [
      string[],
      string[],
    ];
    const [wire = '', ...together] = wires;
    const { place } = row;
    const key = JSON.stringify([terminal, wires, opposite, place, demand]);
    const found = counts.get(key);
    if (found) found.pieces += row.quantity;
    else counts.set(key, { terminal, wire, together, opposite, place, demand, pieces: row.quantity });
  };
  const endsOf = (row: WireListRow) =>
    [
      { terminal: row.terminalA, joint: row.jointA, demand: row.demandA },
      { terminal: row.terminalB, joint: row.jointB, demand: row.demandB },
    ].filter((end) => end.terminal !== '');
  for (const row of rows) {
    for (const { terminal, joint, demand } of endsOf(row)) {
      if (joint === '') continue;
      const { name, side } = jointName(joint, splices.has(terminal));
      const found = joints.get(name) ?? { terminal, row, demand, sides: [[], []] };
      joints.set(name, found);
      const isFirst = side === null ? !splices.has(terminal) || found.sides[0].length === 0 : side === 1;
      found.sides[isFirst ? 0 : 1].push(row.wirePart);
    }
  }
  const counted = new Set<string>();
  for (const row of rows) {
    for (const { terminal, joint, demand } of endsOf(row)) {
      const { name } = jointName(joint, splices.has(terminal));
      const shared = joint === '' ? undefined : joints.get(name);
      if (!shared) count(terminal, [[row.wirePart], []], row, demand);
      else if (!counted.has(name)) {
        counted.add(name);
        count(shared.terminal, shared.sides, shared.row, shared.demand);
      }
    }
  }
  return [...counts.values()];
}

/** Sides with wires before empty ones, then by their part numbers. */
const inOrder = (a: readonly string[], b: readonly string[]) =>
  Number(a.length === 0) - Number(b.length === 0) ||
  (a.join('/') < b.join('/') ? -1 : a.join('/') > b.join('/') ? 1 : 0);

/** A joint's name without the side of a splice behind it, and that side; null where it names none. */
export function jointName(joint: string, isOfSplice: boolean): { readonly name: string; readonly side: End | null } {
  const [, name = joint, side] = (isOfSplice && /^(.+)\/([12])$/.exec(joint)) || [];
  return { name, side: side === undefined ? null : side === '1' ? 1 : 2 };
}
