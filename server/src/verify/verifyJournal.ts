import type { KeptEntry } from '@tug-mark/contract';
import { entrySlot, lotOf } from '@tug-mark/core';
import type { Knex } from 'knex';
import { LinkCheck } from '../chain/ChainCheck';
import { contentOf, NO_HASH, sha256 } from '../chain/hashes';
import { JOURNAL_COLUMNS, toEntry, type JournalRow } from '../entry/rows';
import { findPhoto, readPhoto } from '../evidence/photos';
import { ChainEnd, endFaults, readSealed } from './sealed';

/** Rows read at a time: a chain of any length needs the memory of one portion. */
const PORTION = 2000;

export interface JournalReport {
  readonly entries: number;
  readonly hash: string;
  /** Everything that is wrong, in the order of the journal; empty when all holds. */
  readonly faults: readonly string[];
}

/**
 * Checks one combination's journal: every row's place, predecessor and content, the columns that repeat what it says, the
 * curves and photographs it names, and that nothing which stands in a seal has gone.
 */
export async function verifyJournal(db: Knex, combination: string): Promise<JournalReport> {
  const name = `journal/${combination}`;
  const check = new LinkCheck();
  const faults: string[] = [];
  const sealed = new ChainEnd(await readSealed(db, name));
  for (let after = 0; ;) {
    const rows = (await db('journal')
      .where({ combination })
      .where('seq', '>', after)
      .orderBy('seq')
      .limit(PORTION)
      .select([...JOURNAL_COLUMNS, 'kind', 'lot'])) as (JournalRow & { kind: string; lot: number | null })[];
    for (const row of rows) {
      const entry = toEntry(row);
      const { seq, previous, hash } = entry;
      faults.push(...check.take({ seq, previous, hash, content: contentOf(combination, entry) }));
      sealed.pass(seq, hash);
      const { body } = entry;
      if (row.slot !== entrySlot(body)) faults.push(`Entry ${seq} stands in another place than it speaks about.`);
      if (row.kind !== body.kind || row.lot !== lotOf(body)) {
        faults.push(`Entry ${seq} is filed under another kind or lot than its own.`);
      }
      const missing = await evidenceOf(db, entry);
      if (missing) faults.push(missing);
    }
    const last = rows.at(-1);
    if (!last || rows.length < PORTION) break;
    after = last.seq;
  }
  const { entries, hash } = check.seen;
  faults.push(...sealed.faults(entries), ...(await endFaults(db, name, check.seen)));
  return { entries, hash: entries ? hash : NO_HASH, faults };
}

/** What is wrong with the curve or photograph an entry names; null when nothing is. */
async function evidenceOf(db: Knex, { seq, body }: KeptEntry): Promise<string | null> {
  if (body.kind === 'reading' && body.trace) {
    const row = (await db('traces').where({ id: body.trace.id }).first('bytes')) as { bytes: Buffer } | undefined;
    if (!row) return `The curve of entry ${seq} is missing.`;
    return sha256(row.bytes) === body.trace.digest ? null : `The curve of entry ${seq} is not what was put on record.`;
  }
  if (body.kind !== 'photo') return null;
  const row = await findPhoto(db, body.photo.id);
  if (!row) return `The photograph of entry ${seq} is missing.`;
  const pieces: Buffer[] = [];
  try {
    for await (const piece of readPhoto(db, row.id, row.size)) pieces.push(piece);
  } catch (error) {
    return `The photograph of entry ${seq} is not whole: ${error instanceof Error ? error.message : ''}`;
  }
  return sha256(Buffer.concat(pieces)) === body.photo.digest
    ? null
    : `The photograph of entry ${seq} is not what was put on record.`;
}
