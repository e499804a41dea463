import type { KeptEntry } from '@tug-mark/contract';
import { contentOf, NO_HASH, rowHash } from './hashes';

/** Where a chain does not hold. */
export interface ChainBreak {
  readonly seq: number;
  readonly id: string;
  readonly text: string;
}

/**
 * A check of one chain that takes its rows in any number of portions, in order. It goes on after a fault: what follows is
 * checked against what stands, so that one changed row is one fault.
 */
export class LinkCheck {
  private previous = NO_HASH;
  private seq = 0;

  /** Rows seen so far, and the hash of the last one. */
  get seen(): { readonly entries: number; readonly hash: string } {
    return { entries: this.seq, hash: this.previous };
  }

  /** @returns what is wrong with a row: its place, its predecessor, its content */
  take(row: { seq: number; previous: string; hash: string; content: string }): string[] {
    const wanted = this.seq + 1;
    const faults: string[] = [];
    if (row.seq !== wanted) {
      const gone = row.seq - 1 > wanted ? `Entries ${wanted} to ${row.seq - 1} are` : `Entry ${wanted} is`;
      faults.push(`${gone} missing: the next one on record is ${row.seq}.`);
    } else if (row.previous !== this.previous) faults.push(`Entry ${row.seq} does not follow the one before it.`);
    if (row.hash !== rowHash(row.previous, row.seq, row.content)) {
      faults.push(`Entry ${row.seq} is not what was put on record.`);
    }
    this.previous = row.hash;
    this.seq = row.seq;
    return faults;
  }
}

/** Where the chain of a combination's entries breaks first, or null. */
export function findBreak(combination: string, entries: readonly KeptEntry[]): ChainBreak | null {
  const check = new LinkCheck();
  for (const entry of entries) {
    const { seq, id, previous, hash } = entry;
    const [text] = check.take({ seq, previous, hash, content: contentOf(combination, entry) });
    if (text) return { seq, id, text };
  }
  return null;
}
