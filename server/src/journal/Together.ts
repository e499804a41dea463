import type { Knex } from 'knex';
import { runPrepared } from '../db/prepared';
import { isAway } from '../http/handleErrors';

/** An entry that has passed its check, with what the database confirms as it keeps it. */
export interface Passed {
  readonly id: string;
  readonly combination: string;
  /** What is hashed: canonical JSON, from which every column is read. */
  readonly content: string;
  readonly token: string;
  readonly version: string;
  readonly kind: string;
  readonly lot: number | null;
  /** Beginning of the slots of which one has to be taken already. */
  readonly asked: string | null;
  readonly pull: { readonly gauge: string; readonly start: string; readonly end: string } | null;
}

export interface Kept {
  readonly entry_id: string;
  readonly entry_seq: number;
  readonly entry_previous: string;
  readonly entry_hash: string;
}

interface Waiting {
  readonly passed: Passed;
  readonly resolve: (kept: Kept | null) => void;
  readonly reject: (error: unknown) => void;
}

/** Most entries in one statement. */
const MOST = 64;

/**
 * Keeps entries of several stations in one statement and one commit. There is no timer: what arrives while a batch is in
 * flight goes with the next, so a station alone waits for nobody.
 */
export class Together {
  private waiting: Waiting[] = [];
  private isSending = false;

  constructor(private readonly db: Knex) {}

  /** @returns null when nothing was kept and the entry has to be looked at alone */
  keep(passed: Passed): Promise<Kept | null> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ passed, resolve, reject });
      if (!this.isSending) void this.send();
    });
  }

  private async send(): Promise<void> {
    this.isSending = true;
    for (let batch = this.take(); batch.length; batch = this.take()) {
      try {
        const kept = await write(
          this.db,
          batch.map(({ passed }) => passed),
        );
        for (const { passed, resolve } of batch) resolve(kept.get(passed.id) ?? null);
      } catch (error) {
        // Nothing was kept. One entry the database cannot take must not refuse the others: each goes alone then.
        const away = error instanceof Error && isAway(error);
        for (const { resolve, reject } of batch) {
          if (away) reject(error);
          else resolve(null);
        }
      }
    }
    this.isSending = false;
  }

  /** The next batch: one entry of a chain and one pull of a gauge at a time, in the order they came. */
  private take(): Waiting[] {
    const taken = new Set<string>();
    const batch: Waiting[] = [];
    const left: Waiting[] = [];
    for (const each of this.waiting) {
      const { id, combination, pull } = each.passed;
      const names = [id, combination, ...(pull ? [pull.gauge] : [])];
      if (batch.length >= MOST || names.some((name) => taken.has(name))) left.push(each);
      else batch.push(each);
      // What stands behind one of its own chain stays behind it.
      for (const name of names) taken.add(name);
    }
    this.waiting = left;
    return batch;
  }
}

async function write(db: Knex, batch: readonly Passed[]): Promise<Map<string, Kept>> {
  const entries = batch.map(
    ({ content, combination, token, version, kind, lot, asked, pull }) =>
      `{"content":${content},${JSON.stringify({ chain: `journal/${combination}`, token, version, kind, lot, asked, gauge: pull?.gauge, pullStart: pull?.start, pullEnd: pull?.end }).slice(1)}`,
  );
  const rows = await runPrepared<Kept>(db, 'append-together', 'SELECT * FROM append_together($1, $2, $3)', [
    batch.map(({ combination }) => `journal/${combination}`),
    batch.flatMap(({ pull }) => (pull ? [pull.gauge] : [])),
    `[${entries.join(',')}]`,
  ]);
  return new Map(rows.map((row) => [row.entry_id, row]));
}
