import type { KeptEntry } from '@tug-mark/contract';
import { createHash } from 'node:crypto';

type Sealed = Pick<KeptEntry, 'id' | 'body' | 'verdict' | 'limit' | 'at' | 'by' | 'role' | 'corrects' | 'why'>;

/** What an entry says, in the one form that is hashed: a JSON array, so that no field can run into the next. */
export function sealedContent(entry: Sealed): string {
  const { id, body, verdict, limit, at, by, role, corrects, why } = entry;
  return JSON.stringify([id, body, verdict, limit, at, by, role, corrects, why]);
}

/** Hash of a row from the row before it, its place and its content; the database computes the same in `append_entry`. */
function rowHash(previous: string, seq: number, content: string): string {
  return createHash('sha256').update(`${previous}:${seq}:${content}`).digest('hex');
}

/** Where a chain breaks, or null: the first entry whose place, predecessor or content is not what was sealed. */
export function findBreak(entries: readonly KeptEntry[]): { seq: number; id: string; text: string } | null {
  let previous = '0'.repeat(64);
  for (const [index, entry] of entries.entries()) {
    const { seq, id } = entry;
    if (seq !== index + 1) return { seq, id, text: `Entry ${index + 1} is missing: the next one on record is ${seq}.` };
    if (entry.previous !== previous) return { seq, id, text: `Entry ${seq} does not follow the one before it.` };
    if (entry.hash !== rowHash(previous, seq, sealedContent(entry))) {
      return { seq, id, text: `Entry ${seq} is not what was put on record.` };
    }
    previous = entry.hash;
  }
  return null;
}
