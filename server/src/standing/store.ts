import { today, type ShopTime } from '@tug-mark/core';
import type { Knex } from 'knex';
import type { CombinationRow } from '../combination/store';
import { runPrepared } from '../db/prepared';
import { judgeLines, type JudgedLine } from './judgeLines';

/*
 * A standing is good while its journal, the shop's version and the shop's day are those it was worked out from, and no
 * time on it has run out. Everything here asks by that one rule.
 */
export const IS_BEHIND = `(t.combination IS NULL OR t.seq <> h.count OR t.version <> s.version OR t.day <> :day
  OR coalesce(t.until <= now(), false))`;
export const FROM = `combinations c
  JOIN chains h ON h.name = 'journal/' || c.id
  CROSS JOIN shop s
  LEFT JOIN standings t ON t.combination = c.id`;

/** Combinations whose standing is behind, those of the given ids or of all. */
export async function findBehind(
  db: Knex,
  shop: ShopTime,
  most: number,
  { among, except = [] }: { readonly among?: readonly string[]; readonly except?: readonly string[] } = {},
): Promise<string[]> {
  const { rows } = await db.raw<{ rows: { id: string }[] }>(
    `SELECT c.id FROM ${FROM} WHERE ${IS_BEHIND} AND c.id <> ALL (:except::uuid[]) ${among ? 'AND c.id = ANY (:among::uuid[])' : ''}
      ORDER BY c.number LIMIT :most`,
    {
      day: today(shop, new Date().toISOString()),
      most,
      except: [...except],
      ...(among && { among: [...among] }),
    },
  );
  return rows.map((row) => row.id);
}

/** Combinations of a page of the list, with the number to go on from. */
export async function pageIds(
  db: Knex,
  after: number,
  most: number,
): Promise<{ readonly ids: string[]; readonly next: number | null }> {
  const rows = (await db('combinations')
    .where('number', '>', after)
    .orderBy('number')
    .limit(most)
    .select('id', 'number')) as { id: string; number: string }[];
  const last = rows.at(-1);
  return { ids: rows.map((row) => row.id), next: rows.length === most && last ? Number(last.number) : null };
}

/** A page of the bench list. */
export interface Page {
  /**
   * Lines as they are kept, each with how many changes have come since: entries, and the shop's own as one. JSON objects with
   * commas between.
   */
  readonly lines: string;
  readonly count: number;
  /** Number of its last combination. */
  readonly last: string | null;
  /** Ids of those that have no standing at all yet. */
  readonly fresh: readonly string[];
  /** Ids of those whose standing is behind. */
  readonly behind: readonly string[];
}

/** A page of the bench list in one look. */
export async function readPage(db: Knex, after: number, most: number, shop: ShopTime): Promise<Page> {
  const [page] = await runPrepared<Page>(
    db,
    'page-of-list',
    `SELECT coalesce(string_agg(line, ',' ORDER BY number), '') AS lines, count(*)::int AS count, max(number) AS last,
        coalesce(array_agg(id ORDER BY number) FILTER (WHERE line IS NULL), '{}') AS fresh,
        coalesce(array_agg(id ORDER BY number) FILTER (WHERE line IS NOT NULL AND is_behind), '{}') AS behind
       FROM (
         SELECT c.id, c.number, b.is_behind, left(t.line::text, -1) || ',"behind":'
             || (h.count - t.seq + (t.seq = h.count AND b.is_behind)::int) || '}' AS line
           FROM ${FROM} CROSS JOIN LATERAL (SELECT ${IS_BEHIND.replace(':day', '$3')} AS is_behind) b
          WHERE c.number > $1 ORDER BY c.number LIMIT $2
       ) page`,
    [after, most, today(shop, new Date().toISOString())],
  );
  return page ?? { lines: '', count: 0, last: null, fresh: [], behind: [] };
}

/**
 * Works out where combinations stand and writes it down. What is put on record meanwhile is seen by the next look: a
 * standing says by which entry it was made.
 */
export async function refreshStandings(db: Knex, ids: readonly string[], shop: ShopTime): Promise<void> {
  const now = new Date().toISOString();
  // Read before the journals: what comes in between leaves the standing behind, never ahead.
  const { rows: ends } = await db.raw<{ rows: { id: string; count: number; version: string }[] }>(
    `SELECT c.id, h.count, s.version FROM combinations c JOIN chains h ON h.name = 'journal/' || c.id CROSS JOIN shop s
      WHERE c.id = ANY (?::uuid[])`,
    [[...ids]],
  );
  const rows = await db<CombinationRow>('combinations').whereIn('id', ids);
  const judged = await judgeLines(db, rows, now);
  const found = ends.flatMap((end) => {
    const own = judged.get(end.id);
    return own ? [{ ...end, ...own }] : [];
  });
  await write(db, found, today(shop, now));
}

/** What a line is found by. */
function wordsOf({
  terminal,
  terminalLabel,
  wire,
  wireLabel,
  list,
  family,
  customer,
  lot,
}: JudgedLine['line']): string {
  return [terminal, terminalLabel, wire, wireLabel, list, family, customer, lot?.name]
    .filter(Boolean)
    .join(' ')
    .toLowerCase();
}

async function write(
  db: Knex,
  found: readonly (JudgedLine & { readonly id: string; readonly count: number; readonly version: string })[],
  day: string,
): Promise<void> {
  if (!found.length) return;
  await db('standings')
    .insert(
      found.map(({ id, count, version, line, until }) => ({
        combination: id,
        seq: count,
        version,
        day,
        until,
        line: JSON.stringify(line),
        verdict: line.verdict,
        release: line.release,
        state: line.state,
        words: wordsOf(line),
      })),
    )
    .onConflict('combination')
    .merge()
    // Two processes may work at once; the one that knew more stands.
    .whereRaw('(standings.version, standings.seq) <= (excluded.version, excluded.seq)');
  const lots = found.flatMap(({ id, count, version, lot, until }) => {
    if (!lot) return [];
    const { head, due, verdict, headline } = lot;
    const [next] = due;
    return [
      {
        combination: id,
        lot: head.lot,
        seq: count,
        version,
        name: head.name,
        pieces: head.pieces,
        made: head.made,
        state: head.state,
        verdict,
        headline,
        next_piece: next?.piece ?? null,
        next_in: next?.inPieces ?? null,
        due_at: until,
      },
    ];
  });
  if (lots.length) {
    await db('lot_standings')
      .insert(lots)
      .onConflict(['combination', 'lot'])
      .merge()
      .whereRaw('(lot_standings.version, lot_standings.seq) <= (excluded.version, excluded.seq)');
  }
}
