import type { Knex } from 'knex';
import { LinkCheck } from '../chain/ChainCheck';
import { headsDigest, sealContent, type Head } from '../chain/seal';

/** Seals read at a time. */
const PORTION = 500;

interface SealRow {
  number: number;
  at: Date;
  chains: number;
  digest: string;
  previous: string;
  hash: string;
}

/**
 * Checks the shop chain: every seal follows the one before it and says what its heads say.
 * @param known a seal from outside, as it stands on a record or a certificate: it has to be among them
 */
export async function verifySeals(
  db: Knex,
  known: { readonly number: number; readonly hash: string } | null = null,
): Promise<{ seals: number; faults: string[] }> {
  const check = new LinkCheck();
  const faults: string[] = [];
  let found = known === null;
  let seals = 0;
  for (let after = 0; ;) {
    const rows = (await db('seals').where('number', '>', after).orderBy('number').limit(PORTION)) as SealRow[];
    const last = rows.at(-1);
    if (!last) break;
    const heads = (await db('seal_heads')
      .whereBetween('seal', [after + 1, last.number])
      .select('seal', 'chain', 'count', 'head')) as (Head & { seal: number })[];
    const ofSeal = new Map<number, Head[]>();
    for (const { seal, ...head } of heads) ofSeal.set(seal, [...(ofSeal.get(seal) ?? []), head]);
    for (const { number, at, chains, digest, previous, hash } of rows) {
      const content = sealContent(at.toISOString(), chains, digest);
      faults.push(...check.take({ seq: number, previous, hash, content }).map((text) => text.replace('Entry', 'Seal')));
      const own = ofSeal.get(number) ?? [];
      if (own.length !== chains || headsDigest(own) !== digest) {
        faults.push(`The ends that seal ${number} was made from are not those on record.`);
      }
      found ||= number === known?.number && hash === known.hash;
    }
    seals += rows.length;
    after = last.number;
  }
  if (!found) faults.push(`Seal ${known?.number} with the hash that was given is not among them.`);
  return { seals, faults };
}
