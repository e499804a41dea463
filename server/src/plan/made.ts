import type { Knex } from 'knex';

/**
 * Pieces made of each combination that has a lot, from the journal itself: lists may follow a moment later, a queue of work may not.
 * Lots are made one after the other, so all but the newest were made as they were opened; of the newest a piece that was looked at,
 * pulled or held has been made, whether it is counted yet or not. An entry that was corrected says nothing.
 * @param until as it stood then
 */
export async function madeSoFar(
  db: Knex,
  combinations: readonly string[],
  until = new Date(8.64e15),
): Promise<Map<string, number>> {
  const { rows } = await db.raw<{ rows: { combination: string; made: number }[] }>(
    `WITH opened AS (
       SELECT DISTINCT ON (combination, lot) combination, lot, (body ->> 'pieces')::int AS pieces
         FROM journal WHERE kind = 'lot' AND combination = ANY(:combinations::uuid[]) AND at <= :until
        ORDER BY combination, lot, seq DESC),
     newest AS (SELECT combination, max(lot) AS lot FROM opened GROUP BY combination),
     reached AS (
       SELECT n.combination, max(CASE j.kind WHEN 'progress' THEN (j.body ->> 'made')::int ELSE (j.body ->> 'piece')::int END) AS made
         FROM newest n JOIN journal j ON j.combination = n.combination AND j.lot = n.lot
        WHERE j.kind IN ('progress', 'finding', 'reading', 'measure', 'hold') AND j.at <= :until
          AND NOT EXISTS (SELECT 1 FROM journal c WHERE c.combination = j.combination AND c.slot = j.slot AND c.corrects = j.id AND c.at <= :until)
        GROUP BY n.combination)
     SELECT n.combination, (coalesce(r.made, 0) + coalesce(sum(o.pieces), 0))::int AS made
       FROM newest n
       LEFT JOIN reached r ON r.combination = n.combination
       LEFT JOIN opened o ON o.combination = n.combination AND o.lot < n.lot
      GROUP BY n.combination, r.made`,
    { combinations: combinations as string[], until },
  );
  return new Map(rows.map(({ combination, made }) => [combination, made]));
}
