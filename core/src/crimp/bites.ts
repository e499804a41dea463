import type { Practice } from '../practice';
import { isSplice, type Terminal } from '../terminal';
import type { Nest } from '../tool';

export interface Bite {
  /** Order in which they are made, from 1. */
  readonly order: number;
  /** Centre of the bite, mm from the barrel's wire end towards the tongue. */
  readonly centre: number;
}

/**
 * Bites on one conductor barrel: as many as the sheet asks for; for a splice by the practice (one, or two from the
 * centre out); else ceil(barrel / die width). Equally spaced, made from the tongue towards the wire (a lug from its
 * pad, a splice from its centre), never with the die past either end of the barrel. A die wider than the barrel is
 * centred on it.
 *
 * @returns centres in mm from the barrel's wire end, in the order of making; none when the sheet gives no length
 * @example barrel 6 mm, die 3 mm, sheet silent: bites at 4.5 and 1.5
 */
export function bites(terminal: Terminal, nest: Pick<Nest, 'width'>, practice: Practice): Bite[] {
  const { length } = terminal.barrel;
  if (length === null) return [];
  const bySchool = isSplice(terminal) ? (practice.spliceBites === 'centre-out-two' ? 2 : 1) : null;
  const count = terminal.bites ?? bySchool ?? Math.max(1, Math.ceil(length / nest.width - 1e-9));
  const half = Math.min(nest.width, length) / 2;
  const first = length - half;
  const last = half;
  if (count === 1) return [{ order: 1, centre: length / 2 }];
  return Array.from({ length: count }, (_, i) => ({
    order: i + 1,
    centre: first + ((last - first) * i) / (count - 1),
  }));
}
