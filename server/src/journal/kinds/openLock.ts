import { entriesOf, slotsToCheck, whyLocked } from '@tug-mark/core';
import { JOURNAL_COLUMNS, toEntry, type JournalRow } from '../../entry/rows';
import { refusals } from '../../http/problems';
import type { Proving, ServerKind } from '../Evidence';

/**
 * A contact goes in or out while its connector's lock is open. The lock belongs to all contacts and is told of in the journal of
 * one: those of its whole list are asked.
 */
export const openLock: Pick<ServerKind<'removal' | 'retention'>, 'prove'> = {
  // What was said of a cavity before the lock closed can be put right afterwards.
  prove: ({ connector, piece }, proving) =>
    connector === undefined || proving.isCorrection ? null : proveOpen(connector, piece, proving),
};

async function proveOpen(connector: string, piece: number, { db, combination }: Proving): Promise<void> {
  const slots = slotsToCheck({ kind: 'lock', piece, connector, count: 1, closed: true, note: '' }) ?? [];
  const rows = (await db('journal')
    .whereIn('slot', slots)
    .where('kind', 'lock')
    .whereIn('combination', (own) =>
      own
        .select('id')
        .from('combinations')
        .whereIn('list', (its) => its.select('list').from('combinations').where({ id: combination })),
    )
    .select(JOURNAL_COLUMNS)) as JournalRow[];
  const why = whyLocked(
    connector,
    entriesOf(rows.map(toEntry), 'lock').map(({ body }) => body),
  );
  if (why) throw refusals.entryRefused('lock-closed', '', why);
}
