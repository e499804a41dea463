import type { Demand, Place } from '../match';
import type { WireListRow } from './readWireList';

/** One terminal on its wires in one place of use, with the number of ends to be made. */
export interface CombinationCount {
  readonly terminal: string;
  readonly wire: string;
  /** Other wires in the same barrel, in order of their part numbers. */
  readonly together: readonly string[];
  readonly place: Place;
  readonly demand: Demand;
  /** Crimped ends, over all wires and both ends. */
  readonly pieces: number;
}

/** Gathers a wire list into combinations, in the order in which they first appear. */
export function combine(rows: readonly WireListRow[]): CombinationCount[] {
  const counts = new Map<string, { -readonly [K in keyof CombinationCount]: CombinationCount[K] }>();
  const joints = new Map<string, { wires: string[]; first: WireListRow; terminal: string; demand: Demand }>();
  const count = (terminal: string, wires: readonly string[], row: WireListRow, demand: Demand) => {
    const [wire = '', ...together] = wires;
    const { place } = row;
    const key = JSON.stringify([terminal, wires, place, demand]);
    const found = counts.get(key);
    if (found) found.pieces += row.quantity;
    else counts.set(key, { terminal, wire, together, place, demand, pieces: row.quantity });
  };
  const endsOf = (row: WireListRow) =>
    [
      { terminal: row.terminalA, joint: row.jointA, demand: row.demandA },
      { terminal: row.terminalB, joint: row.jointB, demand: row.demandB },
    ].filter((end) => end.terminal !== '');
  for (const row of rows) {
    for (const { terminal, joint, demand } of endsOf(row)) {
      if (joint === '') continue;
      const found = joints.get(joint);
      if (found) found.wires.push(row.wirePart);
      else joints.set(joint, { wires: [row.wirePart], first: row, terminal, demand });
    }
  }
  const counted = new Set<string>();
  for (const row of rows) {
    for (const { terminal, joint, demand } of endsOf(row)) {
      const shared = joint === '' ? undefined : joints.get(joint);
      if (!shared) count(terminal, [row.wirePart], row, demand);
      else if (!counted.has(joint)) {
        counted.add(joint);
        count(shared.terminal, [...shared.wires].sort(), shared.first, shared.demand);
      }
    }
  }
  return [...counts.values()];
}
