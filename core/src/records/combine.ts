import type { Place } from '../match';
import type { WireListRow } from './readWireList';

/** One terminal on one wire in one place of use, with the number of ends to be made. */
export interface CombinationCount {
  readonly terminal: string;
  readonly wire: string;
  readonly place: Place;
  /** Crimped ends, over all wires and both ends. */
  readonly pieces: number;
}

/** Gathers a wire list into combinations, in the order in which they first appear. */
export function combine(rows: readonly WireListRow[]): CombinationCount[] {
  const counts = new Map<string, { terminal: string; wire: string; place: Place; pieces: number }>();
  for (const row of rows) {
    for (const terminal of [row.terminalA, row.terminalB]) {
      if (terminal === '') continue;
      const key = JSON.stringify([terminal, row.wirePart, row.place]);
      const found = counts.get(key);
      if (found) found.pieces += row.quantity;
      else counts.set(key, { terminal, wire: row.wirePart, place: row.place, pieces: row.quantity });
    }
  }
  return [...counts.values()];
}
