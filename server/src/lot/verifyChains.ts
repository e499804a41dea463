import type { ChainReport } from '@tug-mark/contract';
import type { Knex } from 'knex';
import { createHash } from 'node:crypto';
import { findPhoto, readWholePhoto, sha256 } from '../look/photos/store';
import { ChainCheck } from './chain';
import { readEntriesAfter } from './store';

/** Entries read at a time: a chain of any length needs the memory of one portion. */
const PORTION = 2000;

/** Checks one combination's chain, and that the curves and photographs its entries name are the ones that were sealed. */
export async function verifyChain(
  db: Knex,
  combination: string,
): Promise<{ entries: number; hash: string; text: string | null }> {
  const check = new ChainCheck();
  for (let after = 0; ;) {
    const entries = await readEntriesAfter(db, combination, after, PORTION);
    const broken = check.take(entries);
    if (broken) return { ...check.seen, text: broken.text };
    const named = entries.flatMap(({ seq, body }) =>
      body.kind === 'reading' && body.trace ? [{ seq, ...body.trace }] : [],
    );
    for (const { seq, id, digest } of named) {
      const row = (await db('traces').where({ id }).first('bytes')) as { bytes: Buffer } | undefined;
      if (!row) return { ...check.seen, text: `The curve of entry ${seq} is missing.` };
      if (createHash('sha256').update(row.bytes).digest('hex') !== digest) {
        return { ...check.seen, text: `The curve of entry ${seq} is not what was put on record.` };
      }
    }
    for (const { seq, body } of entries) {
      if (body.kind !== 'photo') continue;
      const row = await findPhoto(db, body.photo.id);
      if (!row) return { ...check.seen, text: `The photograph of entry ${seq} is missing.` };
      if (sha256(await readWholePhoto(db, row)) !== body.photo.digest) {
        return { ...check.seen, text: `The photograph of entry ${seq} is not what was put on record.` };
      }
    }
    const last = entries.at(-1);
    if (!last || entries.length < PORTION) return { ...check.seen, text: null };
    after = last.seq;
  }
}

/** Checks the chains of the combinations that follow a number, `most` of them; `next` is null after the last one. */
export async function verifyChains(db: Knex, after: number, most: number): Promise<ChainReport> {
  const rows = (await db('combinations')
    .where('number', '>', after)
    .orderBy('number')
    .limit(most)
    .select('id', 'number', 'terminal', 'wire', 'list')) as {
    id: string;
    number: string;
    terminal: string;
    wire: string;
    list: string;
  }[];
  let entries = 0;
  const breaks: ChainReport['breaks'] = [];
  for (const { id, terminal, wire, list } of rows) {
    const found = await verifyChain(db, id);
    entries += found.entries;
    if (found.text !== null)
      breaks.push({ combination: id, name: `${terminal} on ${wire}, ${list}`, text: found.text });
  }
  const last = rows.at(-1);
  return { chains: rows.length, entries, breaks, next: rows.length === most && last ? Number(last.number) : null };
}
