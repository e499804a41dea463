import { currentRun, readLot, type EntryBody, type ReadingsRead } from '@tug-mark/core';
import type { Knex } from 'knex';
import { readJournalOfLot } from '../entry/rows';
import { refusals } from '../http/problems';
import type { By, Journal } from './Journal';

/** Problems that are told one by one. */
const MOST_TOLD = 50;

/**
 * Puts the pulls of a file on record for a lot: whole or not at all, each by the same rules as one that is typed, in the
 * run the set-up is in now.
 * @returns how many they are, and the place of the last one in the journal
 * @throws Refusal with every problem by row and column
 */
export async function importReadings(
  db: Knex,
  journal: Journal,
  id: string,
  lot: number,
  read: ReadingsRead,
  person: By,
  at: Date,
): Promise<{ readings: number; seq: number }> {
  const { rows, columns } = read;
  const standing = await readJournalOfLot(db, id, lot);
  const head = readLot(standing, lot);
  if (!head) throw refusals.notFound(`Lot ${lot}`);
  const run = currentRun(standing);
  // One at a time: of 200,000 none has to be held longer than it takes to write it.
  const bodies = function* (): Generator<EntryBody> {
    for (const { piece, wire, force, typed, unit, mode, failedEnd, note } of rows) {
      yield {
        kind: 'reading',
        ...(run > 1 && { run }),
        lot,
        piece,
        ...(wire > 1 && { wire }),
        ...(failedEnd && { failedEnd }),
        force,
        typed,
        unit,
        mode,
        note,
        // The pieces are pulled already: whether anybody looked at them cannot be asked any more, only marked.
        confirmed: ['imported'],
      };
    }
  };
  const done = await journal.appendMany(id, lot, bodies(), person, at, !read.ok);
  if (done.ok) return { readings: rows.length, seq: done.seq };
  const unread = read.ok ? [] : read.problems.map(({ column, ...problem }) => ({ ...problem, where: column }));
  const told = [
    ...unread,
    ...done.wrong.slice(0, MOST_TOLD).map(({ index, refusal }) => {
      const row = rows[index];
      const cells = {
        piece: row?.piece,
        force: row?.typed,
        typed: row?.typed,
        wire: row?.wire,
        note: row?.note,
        failedEnd: row?.failedEnd,
      };
      const value = cells[refusal.field as keyof typeof cells];
      return {
        ...(row && { row: row.row }),
        where: columns[refusal.field as keyof typeof columns] ?? refusal.field,
        ...(value !== undefined && { value: String(value) }),
        text: refusal.text,
      };
    }),
  ].sort((a, b) => (a.row ?? 0) - (b.row ?? 0));
  throw refusals.listProblems(told.slice(0, MOST_TOLD), done.wrong.length + (read.ok ? 0 : read.total));
}
