import type { Knex } from 'knex';
import { canonical, NO_HASH, rowHash, sha256 } from './hashes';

/** What has a ledger: everything that judges, and everybody who may. */
export const LEDGERS = [
  'parts',
  'limits',
  'looks',
  'tool-checks',
  'people',
  'lists',
  'studies',
  'baselines',
  'gauges',
  'photos',
  'foreign-records',
  'unsent',
  'plan',
  'shop',
] as const;
export type LedgerName = (typeof LEDGERS)[number];

/** Something done to one subject, and the state it left it in. */
export interface Deed {
  /** What it was done to, e.g. 'wire/FL-W-0075/2'. */
  readonly subject: string;
  readonly did: string;
  /** All of it that judges; null when it is gone. */
  readonly state: unknown;
}

export interface Doer {
  readonly by: string;
  readonly role: string;
}

/** The digest a subject's state is known by. */
export const stateDigest = (state: unknown): string | null => (state === null ? null : sha256(canonical(state)));

/**
 * Writes deeds into their ledger, inside the transaction that does them: neither is there without the other. The chain's
 * end is locked until that transaction ends.
 */
export async function appendDeeds(
  trx: Knex,
  chain: LedgerName,
  deeds: readonly Deed[],
  { by, role }: Doer,
  at = new Date(),
): Promise<void> {
  if (!deeds.length) return;
  await trx('chains').insert({ name: chain, count: 0, head: NO_HASH }).onConflict('name').ignore();
  const end = (await trx('chains').where({ name: chain }).forUpdate().first('count', 'head')) as
    { count: number; head: string } | undefined;
  if (!end) throw new Error(`the chain ${chain} is not there`);
  let { count: seq, head: previous } = end;
  const instant = at.toISOString();
  const rows = deeds.map(({ subject, did, state }) => {
    seq += 1;
    const content = canonical({ version: 2, chain, subject, did, state, by, role, at: instant });
    const hash = rowHash(previous, seq, content);
    const row = { chain, seq, subject, digest: stateDigest(state), content, at: instant, previous, hash };
    previous = hash;
    return row;
  });
  await trx.batchInsert('ledger', rows, 500);
  await trx('chains').where({ name: chain }).update({ count: seq, head: previous });
}
