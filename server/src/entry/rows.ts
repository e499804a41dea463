import type { KeptEntry } from '@tug-mark/contract';
import type { DocumentKey } from '@tug-mark/core';
import type { Knex } from 'knex';

/** A row of the journal as the database gives it. */
export interface JournalRow {
  id: string;
  combination: string;
  seq: number;
  body: KeptEntry['body'];
  verdict: KeptEntry['verdict'];
  limit_key: DocumentKey | null;
  at: Date;
  by_name: string;
  by_role: KeptEntry['role'];
  corrects: string | null;
  why: string | null;
  made_at: Date | null;
  clock_behind: number | null;
  version: number;
  slot: string;
  previous: string;
  hash: string;
}

export const JOURNAL_COLUMNS = [
  'id',
  'combination',
  'seq',
  'body',
  'verdict',
  'limit_key',
  'at',
  'by_name',
  'by_role',
  'corrects',
  'why',
  'made_at',
  'clock_behind',
  'version',
  'slot',
  'previous',
  'hash',
];

export function toEntry(row: JournalRow): KeptEntry {
  return {
    id: row.id,
    seq: row.seq,
    at: row.at.toISOString(),
    by: row.by_name,
    role: row.by_role,
    body: row.body,
    verdict: row.verdict,
    limit: row.limit_key,
    corrects: row.corrects,
    why: row.why,
    madeAt: row.made_at?.toISOString() ?? null,
    clockBehind: row.clock_behind,
    version: row.version,
    slot: row.slot,
    previous: row.previous,
    hash: row.hash,
  };
}

/** One combination's journal in order; only the given slots when asked. */
export async function readJournal(db: Knex, combination: string, slots?: readonly string[]): Promise<KeptEntry[]> {
  const query = db('journal').where({ combination }).orderBy('seq').select(JOURNAL_COLUMNS);
  if (slots) void query.whereIn('slot', slots);
  return ((await query) as JournalRow[]).map(toEntry);
}

/** Entries of one combination after a place in its journal, in order. */
export async function readEntriesAfter(
  db: Knex,
  combination: string,
  after: number,
  most: number,
): Promise<KeptEntry[]> {
  const rows = (await db('journal')
    .where({ combination })
    .where('seq', '>', after)
    .orderBy('seq')
    .limit(most)
    .select(JOURNAL_COLUMNS)) as JournalRow[];
  return rows.map(toEntry);
}

/*
 * The slots of a lot's entries begin with 'lot/<number>'. Slots are in the order of their signs, so a lot is one range of
 * the index of slots, and the set-up is what lies before and behind all lots.
 */
export const SET_UP = "(slot < 'lot/' OR slot >= 'lot0') AND (slot < 'loom/' OR slot >= 'loom0')";
/** What became of connectors. */
export const OF_LOOM = "(slot >= 'loom/' AND slot < 'loom0')";
export const OF_LOT =
  "(slot = 'lot/' || :lot::int OR (slot >= 'lot/' || :lot::int || '/' AND slot < 'lot/' || :lot::int || '0'))";

/**
 * What of a lot its set-up has to know: that it was opened, finished, and that its tool was changed, which opens the set-up again.
 * Kinds stand first and alone: the index over the steps of a journal is used for those.
 */
export const HEADS =
  "(kind IN ('lot', 'finish', 'progress') AND (kind <> 'progress' OR coalesce(body ->> 'change', '') = 'tool'))";

/** Entries of the set-up, the heads of all lots, and everything of one lot. */
export async function readJournalOfLot(db: Knex, combination: string, lot: number | null): Promise<KeptEntry[]> {
  const of = () => db('journal').where({ combination }).select(JOURNAL_COLUMNS);
  // One after the other: inside a transaction they share one connection.
  const rows = (await of().whereRaw(SET_UP)) as JournalRow[];
  rows.push(...((await of().whereRaw(HEADS)) as JournalRow[]));
  if (lot !== null) {
    const own = (await of().whereRaw(OF_LOT, { lot }).whereRaw(`NOT ${HEADS}`)) as JournalRow[];
    for (const row of own) rows.push(row);
  }
  return rows.map(toEntry).sort((a, b) => a.seq - b.seq);
}

/** When each tool was first taken in the set-up of a combination. */
export async function toolsTaken(db: Knex, combination: string): Promise<Map<string, string>> {
  const rows = (await db('journal')
    .where({ combination, kind: 'tool' })
    .whereRaw(SET_UP)
    .groupByRaw("body ->> 'tool'")
    .select(db.raw("body ->> 'tool' AS tool"))
    .min('at as at')) as unknown as { tool: string; at: Date }[];
  return new Map(rows.map(({ tool, at }) => [tool, at.toISOString()]));
}

/** The newest lot of each combination that has one. */
export async function newestLots(db: Knex, combinations: readonly string[]): Promise<Map<string, number>> {
  const rows = (await db('journal')
    .whereIn('combination', combinations)
    .whereRaw("kind IN ('lot', 'finish')")
    .groupBy('combination')
    .select('combination')
    .max('lot as lot')) as { combination: string; lot: number }[];
  return new Map(rows.map((row) => [row.combination, row.lot]));
}

/** Lots of several combinations, and what of a journal is in them. */
const NEWEST = 'unnest(:combinations::uuid[], :lots::int[]) AS n (combination, lot)';
const IN_NEWEST = `j.combination = n.combination AND j.slot >= 'lot/' || n.lot || '/' AND j.slot < 'lot/' || n.lot || '0'`;
const named = (lots: readonly (readonly [string, number])[]) => ({
  combinations: lots.map(([combination]) => combination),
  lots: lots.map(([, lot]) => lot),
});

/** Entries a lot may have and still be judged in a list of many; of longer ones the list has the head alone. */
const MOST_IN_LIST = 3000;

/** Combinations whose newest lot is too long to be judged in a list of many. */
export async function longLots(db: Knex, combinations: readonly string[]): Promise<Set<string>> {
  const newest = [...(await newestLots(db, combinations))];
  if (!newest.length) return new Set();
  const { rows } = await db.raw<{ rows: { combination: string }[] }>(
    `SELECT n.combination FROM ${NEWEST}
      WHERE (SELECT count(*) FROM (SELECT 1 FROM journal j WHERE ${IN_NEWEST} LIMIT :most + 1) x) > :most`,
    { ...named(newest), most: MOST_IN_LIST },
  );
  return new Set(rows.map((row) => row.combination));
}

/**
 * Journals of many combinations at once, each in order.
 * @param which 'all' of them, those of the 'set-up' alone, or 'newest-lot': the set-up and the lot being made
 */
export async function readJournals(
  db: Knex,
  combinations: readonly string[],
  which: 'all' | 'set-up' | 'newest-lot' = 'all',
): Promise<Map<string, KeptEntry[]>> {
  const query = db('journal')
    .whereIn('combination', combinations)
    .orderBy(['combination', 'seq'])
    .select(JOURNAL_COLUMNS);
  if (which !== 'all') void query.whereRaw(SET_UP);
  const rows = (await query) as JournalRow[];
  if (which === 'newest-lot') {
    const newest = [...(await newestLots(db, combinations))];
    const long = await longLots(db, combinations);
    const heads = (await db('journal')
      .whereIn(['combination', 'lot'], newest)
      .whereRaw(HEADS)
      .select(JOURNAL_COLUMNS)) as JournalRow[];
    const { rows: ofLots } = await db.raw<{ rows: JournalRow[] }>(
      `SELECT ${JOURNAL_COLUMNS.map((column) => `j.${column}`).join(', ')} FROM ${NEWEST} JOIN journal j ON ${IN_NEWEST}
        WHERE NOT ${HEADS}`,
      named(newest.filter(([combination]) => !long.has(combination))),
    );
    ofLots.push(...heads);
    for (const row of ofLots) rows.push(row);
    rows.sort((a, b) => (a.combination < b.combination ? -1 : a.combination > b.combination ? 1 : a.seq - b.seq));
  }
  const journals = new Map<string, KeptEntry[]>();
  for (const row of rows) {
    const journal = journals.get(row.combination);
    if (journal) journal.push(toEntry(row));
    else journals.set(row.combination, [toEntry(row)]);
  }
  return journals;
}

/** When each tool on these journals was first taken: what checks have to be read back to. */
export function takenSince(journals: Iterable<readonly KeptEntry[]>): Map<string, string> {
  const since = new Map<string, string>();
  for (const journal of journals) {
    for (const { body, at } of journal) {
      if (body.kind !== 'tool') continue;
      const known = since.get(body.tool);
      if (known === undefined || at < known) since.set(body.tool, at);
    }
  }
  return since;
}
