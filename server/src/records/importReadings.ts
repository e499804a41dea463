import type { KeptEntry, Person } from '@tug-mark/contract';
import { computeSetUp, entrySlot, judgeReading, readLot, readReadings, type EntryBody } from '@tug-mark/core';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { pipeline } from 'node:stream/promises';
import { Readable, type Writable } from 'node:stream';
import type { Client, Submittable } from 'pg';
// @ts-expect-error the package ships no types of its own; the one function in use is typed below
import copyStreams from 'pg-copy-streams';
import { Refusal, refusals } from '../http/problems';
import { rowHash, sealedContent } from '../lot/chain';
import { contextOf, readJournalOfLot, readRow, readShared } from '../lot/store';
import { readCsv } from './readCsv';

/** A COPY from what is written to it. */
const { from: copyFrom } = copyStreams as { from(statement: string): Writable & Submittable };

/** Rows that go to the database in one piece. */
const PORTION = 2000;

/**
 * Puts the pulls of a file on record for a lot: whole or not at all, each judged and sealed like one made at the bench,
 * through one COPY.
 * @returns how many they are, and the place of the last one in the journal
 * @throws Refusal with every problem by row and column; when the lot is not open; when a piece has a reading already
 */
export async function importReadings(
  db: Knex,
  id: string,
  lot: number,
  bytes: Buffer,
  person: Pick<Person, 'name' | 'role'>,
  now: string,
): Promise<{ readings: number; seq: number }> {
  const table = readCsv(bytes);
  const row = await readRow(db, id);
  const context = await contextOf(db, row, await readShared(db));
  const standing = await readJournalOfLot(db, id, lot);
  const head = readLot(standing, lot);
  if (!head) throw refusals.notFound(`Lot ${lot}`);
  if (head.state === 'finished') throw refusals.entryRefused('lot-finished', 'lot', `Lot ${head.name} is finished.`);
  const setUp = computeSetUp(context, standing, now);
  const read = readReadings(table, setUp.breaks, head.pieces);
  if (!read.ok) {
    throw refusals.listProblems(
      read.problems.map(({ row: at, column, value, text }) => ({ row: at, where: column, value, text })),
      read.total,
    );
  }
  const taken = new Set(
    standing.flatMap((e) => (e.body.kind === 'reading' && e.body.lot === lot ? [e.body.piece] : [])),
  );
  const twice = read.rows.filter(({ piece }) => taken.has(piece));
  if (twice.length) {
    throw refusals.listProblems(
      twice.slice(0, 50).map(({ piece }) => ({
        where: 'piece',
        value: String(piece),
        text: `Piece ${piece} has a reading on record already.`,
      })),
      twice.length,
    );
  }
  const limit = setUp.lots.get(lot)?.[0]?.limit ?? null;
  const key = limit && { document: limit.table.document, revision: limit.table.revision, class: limit.table.class };
  const limitText = key && JSON.stringify(key);

  const seq = await db.transaction(async (trx) => {
    // The chain's end must not move while it is written on.
    await trx.raw('SELECT pg_advisory_xact_lock(hashtextextended(?, 0))', [id]);
    const last = (await trx('journal').where({ combination: id }).orderBy('seq', 'desc').first('seq', 'hash')) as
      { seq: number; hash: string } | undefined;
    let seq = last?.seq ?? 0;
    let previous = last?.hash ?? '0'.repeat(64);
    const lines = function* () {
      let text = '';
      for (const [index, { piece, force, typed, unit, mode, note }] of read.rows.entries()) {
        const body: EntryBody = {
          kind: 'reading',
          lot,
          piece,
          force,
          typed,
          unit,
          mode,
          note,
          confirmed: ['imported'],
        };
        const judged = judgeReading(force, limit?.force ?? null, mode);
        const entry = {
          id: randomUUID(),
          at: now,
          by: person.name,
          role: person.role,
          body,
          verdict: {
            verdict: judged.verdict,
            margin: judged.margin,
            text: judged.reason.text,
            force: limit?.force ?? null,
          },
          limit: key,
          corrects: null,
          why: null,
        } satisfies Omit<KeptEntry, 'seq' | 'previous' | 'hash'>;
        seq += 1;
        const hash = rowHash(previous, seq, sealedContent(entry));
        text += `${entry.id}\t${id}\t${seq}\t${entrySlot(body)}\t${cell(JSON.stringify(body))}\t${cell(JSON.stringify(entry.verdict))}\t${limitText === null ? '\\N' : cell(limitText)}\t${now}\t${cell(person.name)}\t${person.role}\t${previous}\t${hash}\n`;
        previous = hash;
        if ((index + 1) % PORTION === 0) {
          yield text;
          text = '';
        }
      }
      if (text) yield text;
    };
    const client = (await (
      trx as unknown as { client: { acquireConnection(): Promise<Client> } }
    ).client.acquireConnection()) as Client;
    const sink = client.query(
      copyFrom(
        'COPY journal (id, combination, seq, slot, body, verdict, limit_key, at, by_name, by_role, previous, hash) FROM STDIN',
      ),
    );
    try {
      await pipeline(Readable.from(lines()), sink);
    } catch (error) {
      // Somebody kept a reading of one of these pieces since they were looked at.
      if ((error as { code?: string }).code === '23505') {
        throw new Refusal(
          409,
          'slot-taken',
          'A piece of this file was read at a bench meanwhile.',
          'Nothing was imported. Import it again to see which.',
        );
      }
      throw error;
    }
    return seq;
  });
  return { readings: read.rows.length, seq };
}

/** COPY's own text form: what it reads as signs of its own is escaped. */
const cell = (text: string) =>
  text.replace(/[\\\t\n\r]/g, (c) => ({ '\\': '\\\\', '\t': '\\t', '\n': '\\n', '\r': '\\r' })[c] ?? c);
