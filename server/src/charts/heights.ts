import type { HeightChart } from '@tug-mark/contract';
import { setUpContext } from '@tug-mark/contract';
import { computeSetUp, isValidMode, type FailureMode } from '@tug-mark/core';
import type { Knex } from 'knex';
import { readView } from '../combination/store';

/** Newest measured pieces a chart of heights shows. */
const MOST_PIECES = 5000;

/** Crimp heights of one combination with the pull of the same piece, oldest first. Corrected entries are left out. */
export async function readHeights(db: Knex, id: string): Promise<HeightChart> {
  const view = await readView(db, id);
  const setUp = computeSetUp(setUpContext(view), view.entries, new Date().toISOString());
  const inForce = (alias: string) => `NOT EXISTS (SELECT 1 FROM journal later WHERE later.corrects = ${alias}.id)`;
  const { rows } = await db.raw<{
    rows: {
      at: Date;
      lot: number | null;
      piece: number;
      height: number;
      force: number | null;
      mode: FailureMode | null;
    }[];
  }>(
    `SELECT m.at, m.lot, (m.body ->> 'piece')::int AS piece, (m.body ->> 'value')::float8 AS height,
       (r.body ->> 'force')::float8 AS force, r.body ->> 'mode' AS mode
     FROM journal m
     LEFT JOIN journal r ON r.combination = m.combination AND r.lot IS NOT DISTINCT FROM m.lot
       AND r.kind = 'reading' AND (r.body ->> 'piece') = (m.body ->> 'piece')
       AND coalesce((r.body ->> 'run')::int, 1) = coalesce((m.body ->> 'run')::int, 1)
       AND coalesce((r.body ->> 'wire')::int, 1) = 1 AND ${inForce('r')}
     WHERE m.combination = ? AND m.kind = 'measure' AND m.body ->> 'what' = 'height' AND ${inForce('m')}
     ORDER BY m.seq DESC LIMIT ?`,
    [id, MOST_PIECES],
  );
  return {
    label: `${view.combination.terminal} on ${view.combination.wire}, ${view.combination.list}`,
    range: setUp.measures.height,
    limit: setUp.limit.limit?.force ?? null,
    step: setUp.tool?.tool.heightStep ?? null,
    points: rows.reverse().map((row) => ({
      at: row.at.toISOString(),
      lot: row.lot,
      piece: row.piece,
      height: row.height,
      force: row.mode && isValidMode(row.mode) ? row.force : null,
    })),
  };
}
