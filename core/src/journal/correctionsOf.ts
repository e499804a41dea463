import type { Entry } from '../entry';
import { describeEntry } from './describeEntry';

/** An entry that was corrected: what it said, what it says now, and why. */
export interface Correction {
  /** Piece it is about; null where it is about none. */
  readonly piece: number | null;
  readonly was: string;
  readonly is: string;
  readonly why: string;
  readonly by: string;
  /** ISO instant. */
  readonly at: string;
}

/** Every correction among these entries, in journal order; one that was corrected again stands with both. */
export function correctionsOf(
  entries: readonly Pick<Entry, 'id' | 'at' | 'by' | 'body' | 'corrects' | 'why'>[],
): Correction[] {
  const byId = new Map(entries.map((entry) => [entry.id, entry]));
  return entries.flatMap(({ at, by, body, corrects, why }) => {
    const first = corrects === null ? undefined : byId.get(corrects);
    if (!first) return [];
    return [
      {
        piece: 'piece' in body ? body.piece : null,
        was: describeEntry(first.body),
        is: describeEntry(body),
        why: why ?? '',
        by,
        at,
      },
    ];
  });
}
