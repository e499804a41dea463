import type { PulledEnd } from './pull-host';
import type { SetUp } from '@tug-mark/core';

/** The piece a pull is for, in words: 'piece 3', and which of its pulls where it has several. */
export function targetName({ piece, wire }: { piece: number; wire: number }, { pulls, other }: Pulled): string {
  return pulls.length > 1 ? `piece ${piece}, ${other ? 'pull' : 'wire'} ${wire}` : `piece ${piece}`;
}

type Pulled = Pick<SetUp, 'pulls' | 'other'>;

/**
 * The ends of a splice as a pull is judged by them; null for parts with one.
 * @param limits of each wire of the set-up, N
 */
export function pulledEnds(
  { pulls, other }: Pulled,
  number: number,
  limits: readonly (number | null)[],
): readonly PulledEnd[] | null {
  const pull = pulls[number - 1];
  if (!other || !pull) return null;
  return pull.wires.map(({ end, wire }, i) => ({ end, name: wire.label, limit: limits[pull.at[i] ?? -1] ?? null }));
}
