import type { Knex } from 'knex';
import { canonical, NO_HASH, rowHash, sha256 } from './hashes';

export interface Head {
  readonly chain: string;
  readonly count: number;
  readonly head: string;
}

/** One digest of many chains' ends, in the order of their names. */
export function headsDigest(heads: readonly Head[]): string {
  const sorted = [...heads].sort((a, b) => (a.chain < b.chain ? -1 : 1));
  return sha256(canonical(sorted.map(({ chain, count, head }) => [chain, count, head])));
}

export const sealContent = (at: string, chains: number, digest: string): string =>
  canonical({ version: 2, at, chains, digest });

/**
 * Seals the ends of all chains that grew since the seal before. Appends do not wait for it: a seal takes what is on record
 * when it looks, and the rest goes into the next one.
 * @returns the new seal's number; null when nothing grew, or another process is sealing
 */
export async function seal(db: Knex, now = new Date()): Promise<number | null> {
  const made = await db.transaction(async (trx) => {
    const { rows } = await trx.raw<{ rows: { free: boolean }[] }>(
      "SELECT pg_try_advisory_xact_lock(hashtextextended('tug-mark-seal', 2)) AS free",
    );
    if (!rows[0]?.free) return null;
    const heads = (await trx('chains').whereRaw('count > sealed').select('name as chain', 'count', 'head')) as Head[];
    if (!heads.length) return null;
    const last = (await trx('seals').orderBy('number', 'desc').first('number', 'hash')) as
      { number: number; hash: string } | undefined;
    const number = (last?.number ?? 0) + 1;
    const previous = last?.hash ?? NO_HASH;
    const at = now.toISOString();
    const digest = headsDigest(heads);
    const hash = rowHash(previous, number, sealContent(at, heads.length, digest));
    await trx('seals').insert({ number, at, chains: heads.length, digest, previous, hash });
    await trx.batchInsert(
      'seal_heads',
      heads.map((head) => ({ seal: number, ...head })),
      1000,
    );
    return number;
  });
  if (made === null) return null;
  // Noted afterwards, and not for chains somebody writes to at this moment: nobody waits, and those stand in the next seal
  // once more.
  await db.raw(
    `UPDATE chains c SET sealed = h.count FROM seal_heads h WHERE h.seal = ? AND h.chain = c.name AND c.name IN (
       SELECT own.name FROM chains own JOIN seal_heads s ON s.chain = own.name AND s.seal = ?
       FOR UPDATE OF own SKIP LOCKED)`,
    [made, made],
  );
  return made;
}

/** The newest seal: written on what leaves the shop, it shows later that nothing before it was taken out. */
export async function newestSeal(db: Knex): Promise<{ number: number; at: string; hash: string } | null> {
  const row = (await db('seals').orderBy('number', 'desc').first('number', 'at', 'hash')) as
    { number: number; at: Date; hash: string } | undefined;
  return row ? { number: row.number, at: row.at.toISOString(), hash: row.hash } : null;
}

/** Longest time an entry waits for its seal. */
const EVERY_MS = 60_000;

/** Seals each minute for as long as the server runs. */
export class Sealer {
  private readonly timer: NodeJS.Timeout;
  private last: Promise<unknown> = Promise.resolve();

  constructor(db: Knex, every = EVERY_MS) {
    this.timer = setInterval(() => {
      // Missed while the database is away: the next one takes it all.
      this.last = seal(db).catch(() => undefined);
    }, every);
    this.timer.unref();
  }

  async close(): Promise<void> {
    clearInterval(this.timer);
    await this.last;
  }
}
