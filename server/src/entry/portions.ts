import type { Knex } from 'knex';
import { HEADS, OF_LOT, SET_UP } from './rows';

/*
 * A whole journal, a portion at a time: the first one small, so that whoever waits for a file sees it begin. Between two
 * portions the reader sets the pace.
 */
const FIRST = 20;
const PORTION = 500;

/** Place of the last entry. */
export async function readEnd(db: Knex, combination: string): Promise<number> {
  const row = (await db('chains')
    .where({ name: `journal/${combination}` })
    .first('count')) as { count: number } | undefined;
  return row?.count ?? 0;
}

/** Portions of a journal up to a place: those after one place, and no further than another. */
export function* portionsOf(end: number): Generator<{ readonly after: number; readonly upTo: number }> {
  for (let [after, most] = [0, FIRST]; after < end; after += most, most = PORTION) {
    yield { after, upTo: Math.min(after + most, end) };
  }
}

/** ISO instant of a column, as a Date of JavaScript writes it. */
export const asInstant = (column: string) => `to_char(${column} AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;

/** An entry as it crosses the wire, from its row: the same keys in the same order as toEntry gives them. */
const AS_ENTRY = `SELECT j.id, j.seq, ${asInstant('j.at')} AS at, j.by_name AS by, j.by_role AS role, j.body, j.verdict,
  j.limit_key AS "limit", j.corrects, j.why, ${asInstant('j.made_at')} AS "madeAt", j.clock_behind AS "clockBehind",
  j.version, j.slot, j.previous, j.hash`;

/** Entries up to a place as JSON objects with commas between, written by the database: none of them is parsed here. */
export async function* writeEntriesInPortions(db: Knex, combination: string, end: number): AsyncGenerator<string> {
  for (const { after, upTo } of portionsOf(end)) {
    const { rows } = await db.raw<{ rows: { text: string | null }[] }>(
      `SELECT string_agg(row_to_json(e)::text, ',' ORDER BY e.seq) AS text
         FROM (${AS_ENTRY} FROM journal j WHERE j.combination = ? AND j.seq > ? AND j.seq <= ?) e`,
      [combination, after, upTo],
    );
    const text = rows[0]?.text;
    if (text) yield text;
  }
}

/**
 * What readJournalOfLot gives, as JSON objects with commas between and written by the database: a lot of thousands is opened
 * without any of them being parsed here. Their places are found first, so that no portion waits for all to be put in order.
 */
export async function* writeEntriesOfLot(db: Knex, combination: string, lot: number | null): AsyncGenerator<string> {
  const of = (which: string) => `SELECT seq FROM journal WHERE combination = :combination AND ${which}`;
  const parts = [of(SET_UP), of(HEADS), ...(lot === null ? [] : [of(`${OF_LOT} AND NOT ${HEADS}`)])];
  const { rows } = await db.raw<{ rows: { places: string | null }[] }>(
    `SELECT string_agg(seq::text, ',' ORDER BY seq) AS places FROM (${parts.join(' UNION ALL ')}) p`,
    { combination, ...(lot !== null && { lot }) },
  );
  const places = rows[0]?.places?.split(',') ?? [];
  for (const { after, upTo } of portionsOf(places.length)) {
    const {
      rows: [found],
    } = await db.raw<{ rows: { text: string }[] }>(
      `SELECT string_agg(row_to_json(e)::text, ',' ORDER BY e.seq) AS text
         FROM (${AS_ENTRY} FROM journal j WHERE j.combination = ? AND j.seq = ANY (?::int[])) e`,
      [combination, places.slice(after, upTo)],
    );
    yield `${after ? ',' : ''}${found?.text ?? ''}`;
  }
}
