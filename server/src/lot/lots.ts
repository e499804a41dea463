import type { LotLine } from '@tug-mark/contract';
import type { Knex } from 'knex';
import { asInstant } from '../entry/portions';
import { likeWords } from '../db/likeWords';

export interface LotsQuery {
  readonly state?: LotLine['state'] | undefined;
  readonly find: string;
  /** [when opened, id of the entry that did] of the last line before; null: from the newest. */
  readonly after: readonly [string, string] | null;
}

/*
 * What a lot is, its own entries say; how it stands is worked out, for the newest lot of a combination. Of an earlier one
 * it is known whether it was finished.
 */
const LOTS = `SELECT o.id AS entry, o.at, o.combination AS id, o.lot, coalesce(s.name, l.body ->> 'name') AS name,
    c.list, c.terminal, c.wire, coalesce(s.pieces, (l.body ->> 'pieces')::int) AS pieces, s.made,
    CASE WHEN f.at IS NOT NULL THEN 'finished' WHEN s.verdict = 'held' THEN 'held' ELSE coalesce(s.state, 'running') END AS state,
    coalesce(s.headline, CASE WHEN f.at IS NULL THEN 'Open it to see how far it is.' ELSE 'Finished.' END) AS headline,
    ${asInstant('o.at')} AS "openedAt", o.by_name AS "openedBy", ${asInstant('f.at')} AS "finishedAt"
  FROM journal o
  JOIN combinations c ON c.id = o.combination
  LEFT JOIN lot_standings s ON s.combination = o.combination AND s.lot = o.lot
  JOIN LATERAL (SELECT body FROM journal WHERE combination = o.combination AND lot = o.lot AND kind = 'lot'
    ORDER BY seq DESC LIMIT 1) l ON true
  LEFT JOIN LATERAL (SELECT at FROM journal WHERE combination = o.combination AND lot = o.lot AND kind = 'finish'
    ORDER BY seq DESC LIMIT 1) f ON true
  WHERE o.kind = 'lot' AND o.corrects IS NULL`;

/** A page of the shop's lots, the newest first, and the place to go on from. */
export async function listLots(
  db: Knex,
  { state, find, after }: LotsQuery,
  most: number,
): Promise<{ readonly lines: LotLine[]; readonly next: string | null }> {
  const words = likeWords(find);
  const where = [
    ...(state === undefined ? [] : ['state = :state']),
    ...(words.length ? [`lower(concat_ws(' ', name, list, terminal, wire, "openedBy")) LIKE ALL (:words)`] : []),
  ];
  const { rows } = await db.raw<{ rows: (LotLine & { readonly entry: string; readonly at: unknown })[] }>(
    `SELECT * FROM (${LOTS}${after === null ? '' : ' AND (o.at, o.id) < (:at::timestamptz, :entry::uuid)'}) lots
      ${where.length ? `WHERE ${where.join(' AND ')}` : ''} ORDER BY at DESC, entry DESC LIMIT :most`,
    {
      most,
      ...(state !== undefined && { state }),
      ...(words.length && { words }),
      ...(after !== null && { at: after[0], entry: after[1] }),
    },
  );
  const last = rows.length === most ? rows.at(-1) : undefined;
  return {
    lines: rows.map(({ entry: _entry, at: _at, ...line }) => line),
    next: last ? JSON.stringify([last.openedAt, last.entry]) : null,
  };
}
