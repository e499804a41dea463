import type { KeptEntry } from '@tug-mark/contract';
import { createHash } from 'node:crypto';

type Sealed = Pick<KeptEntry, 'id' | 'body' | 'verdict' | 'limit' | 'at' | 'by' | 'role' | 'corrects' | 'why'>;

/** What an entry says, in the one form that is hashed: a JSON array, so that no field can run into the next. */
export function sealedContent(entry: Sealed): string {
  const { id, body, verdict, limit, at, by, role, corrects, why } = entry;
  return JSON.stringify([id, body, verdict, limit, at, by, role, corrects, why]);
}

/** Hash of a row from the row before it, its place and its content; the database computes the same in `append_entry`. */
export function rowHash(previous: string, seq: number, content: string): string {
  return createHash('sha256').update(`${previous}:${seq}:${content}`).digest('hex');
}

/** Where a chain does not hold. */
export interface ChainBreak {
  readonly seq: number;
  readonly id: string;
  readonly text: string;
}

/** A check of one chain that takes its entries in any number of portions, in order. */
export class ChainCheck {
  private previous = '0'.repeat(64);
  private seq = 0;

  /** Entries seen so far, and the hash of the last one. */
  get seen(): { readonly entries: number; readonly hash: string } {
    return { entries: this.seq, hash: this.previous };
  }

  /** @returns the first entry whose place, predecessor or content is not what was sealed; null when all hold */
  take(entries: readonly KeptEntry[]): ChainBreak | null {
    for (const entry of entries) {
      const { seq, id } = entry;
      const wanted = this.seq + 1;
      if (seq !== wanted) return { seq, id, text: `Entry ${wanted} is missing: the next one on record is ${seq}.` };
      if (entry.previous !== this.previous) {
        return { seq, id, text: `Entry ${seq} does not follow the one before it.` };
      }
      if (entry.hash !== rowHash(this.previous, seq, sealedContent(entry))) {
        return { seq, id, text: `Entry ${seq} is not what was put on record.` };
      }
      this.previous = entry.hash;
      this.seq = seq;
    }
    return null;
  }
}

/** Where a chain breaks, or null. */
export function findBreak(entries: readonly KeptEntry[]): ChainBreak | null {
  return new ChainCheck().take(entries);
}
