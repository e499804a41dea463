import type { Knex } from 'knex';

interface SealedHead {
  readonly seal: number;
  readonly count: number;
  readonly head: string;
}

/** What seals say of one chain, oldest first. */
export async function readSealed(db: Knex, chain: string): Promise<SealedHead[]> {
  return (await db('seal_heads').where({ chain }).orderBy('seal').select('seal', 'count', 'head')) as SealedHead[];
}

/** What is wrong with where a chain ends, by the end that is kept of it. */
export async function endFaults(
  db: Knex,
  name: string,
  { entries, hash }: { readonly entries: number; readonly hash: string },
): Promise<string[]> {
  const end = (await db('chains').where({ name }).first('count', 'head')) as
    { count: number; head: string } | undefined;
  const holds = end ? end.count === entries && end.head === hash : entries === 0;
  return holds ? [] : [`The chain ends at its entry ${entries}, and should at ${end?.count ?? 0}.`];
}

/** Compares a chain, row by row, with what its seals say of it. */
export class ChainEnd {
  private readonly found = new Map<number, string>();
  private readonly wanted: ReadonlySet<number>;

  constructor(private readonly heads: readonly SealedHead[]) {
    this.wanted = new Set(heads.map((head) => head.count));
  }

  pass(seq: number, hash: string): void {
    if (this.wanted.has(seq)) this.found.set(seq, hash);
  }

  /** @param entries how many rows the chain has */
  faults(entries: number): string[] {
    const last = this.heads.at(-1);
    if (last && last.count > entries) {
      return [`Entries ${entries + 1} to ${last.count} stand in seal ${last.seal} and are gone.`];
    }
    const other = this.heads.find(({ count, head }) => this.found.get(count) !== head);
    return other ? [`Entry ${other.count} is another one than stands in seal ${other.seal}.`] : [];
  }
}
