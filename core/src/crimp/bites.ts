import type { Terminal } from '../terminal';
import type { Nest } from '../tool';

export interface Bite {
  /** Order in which they are made, from 1. */
  readonly order: number;
  /** Centre of the bite, mm from the barrel's wire end towards the tongue. */
  readonly centre: number;
}

/**
 * Bites on one conductor barrel: as many as the sheet asks for, else ceil(barrel / die width); equally spaced, made
 * from the tongue towards the wire, never with the die past either end of the barrel. A die wider than the barrel is
 * centred on it.
 *
 * @returns centres in mm from the barrel's wire end, in the order of making
 * @example barrel 6 mm, die 3 mm, sheet silent: bites at 4.5 and 1.5
 */
export function bites(terminal: Terminal, nest: Pick<Nest, 'width'>): Bite[] {
  const { length } = terminal.barrel;
  const count = terminal.bites ?? Math.max(1, Math.ceil(length / nest.width - 1e-9));
  const half = Math.min(nest.width, length) / 2;
  const first = length - half;
  const last = half;
  if (count === 1) return [{ order: 1, centre: length / 2 }];
  return Array.from({ length: count }, (_, i) => ({
    order: i + 1,
    centre: first + ((last - first) * i) / (count - 1),
  }));
}
