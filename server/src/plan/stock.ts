import type { NewStockMove, StockMoved } from '@tug-mark/contract';
import { stockOf, USE_DAYS, type PartStock, type StockKind } from '@tug-mark/core';
import type { Knex } from 'knex';
import { noteDeeds } from '../chain/deeds';
import type { Doer } from '../chain/ledger';
import { bumpVersion } from '../db/bumpVersion';
import { refusals } from '../http/problems';

interface MoveRow extends Omit<StockMoved, 'at' | 'by'> {
  readonly at: Date;
  readonly by_name: string;
}

const COLUMNS = ['id', 'kind', 'part', 'reel', 'what', 'amount', 'arrives', 'settles', 'note', 'at', 'by_name'];
/** Moves that are shown one by one. */
const SHOWN = 200;

const toMove = ({ at, by_name, ...row }: MoveRow): StockMoved => ({ ...row, at: at.toISOString(), by: by_name });

/**
 * What is there of each part. Read with every plan: of years of moves only those since the last count of a reel, those that use is
 * told from, and what is on its way.
 */
export async function readLevels(db: Knex, now = new Date()): Promise<PartStock[]> {
  const { rows } = await db.raw<{ rows: MoveRow[] }>(
    `SELECT ${COLUMNS.map((column) => `m.${column}`).join(', ')} FROM stock_moves m
       LEFT JOIN (SELECT DISTINCT ON (kind, part, reel) kind, part, reel, at FROM stock_moves WHERE what = 'counted'
         ORDER BY kind, part, reel, at DESC) c ON c.kind = m.kind AND c.part = m.part AND c.reel IS NOT DISTINCT FROM m.reel
      WHERE c.at IS NULL OR m.at >= c.at OR m.what IN ('expected', 'called-off') OR m.settles IS NOT NULL
        OR m.at >= ?::timestamptz - interval '${USE_DAYS} days'
      ORDER BY m.number`,
    [now],
  );
  return stockOf(rows.map(toMove), now.toISOString()).sort(
    (a, b) => a.kind.localeCompare(b.kind) || a.part.localeCompare(b.part),
  );
}

export async function readStock(db: Knex): Promise<{ parts: PartStock[]; moves: StockMoved[] }> {
  const newest = (await db('stock_moves').orderBy('number', 'desc').limit(SHOWN).select(COLUMNS)) as MoveRow[];
  return { parts: await readLevels(db), moves: newest.map(toMove) };
}

/**
 * Puts moves on record, all or none; the same ids again change nothing.
 * @throws Refusal when the cabinet has no such part, or what is to be settled was never expected
 */
export async function moveStock(db: Knex, moves: readonly NewStockMove[], doer: Doer, at = new Date()): Promise<void> {
  await db.transaction(async (trx) => {
    const kinds = [...new Set(moves.map(({ kind }) => kind))];
    const known = new Map<StockKind, Set<string>>();
    for (const kind of kinds) {
      const rows = (await trx('parts').where({ kind }).distinct('part')) as { part: string }[];
      known.set(kind, new Set(rows.map(({ part }) => part)));
    }
    const open = new Set(
      ((await trx('stock_moves').where({ what: 'expected' }).select('id')) as { id: string }[]).map(({ id }) => id),
    );
    const errors = moves.flatMap(({ kind, part, settles, what }, row) => [
      ...(known.get(kind)?.has(part)
        ? []
        : [
            {
              row: row + 1,
              where: 'part',
              value: part,
              text: `The cabinet has no ${kind} ${part}. Enter it there first.`,
            },
          ]),
      ...(settles !== null && !open.has(settles)
        ? [{ row: row + 1, where: 'settles', value: settles, text: 'It settles something nobody expected.' }]
        : []),
      ...(what === 'called-off' && settles === null
        ? [{ row: row + 1, where: 'settles', value: '', text: 'Say which delivery is called off.' }]
        : []),
    ]);
    if (errors.length) throw refusals.stockUnknown(errors);
    const ids = moves.map(({ id }) => id);
    const before = new Map(
      ((await trx('stock_moves').whereIn('id', ids).select(COLUMNS)) as MoveRow[]).map((row) => [row.id, toMove(row)]),
    );
    const fresh = moves.filter(({ id }) => !before.has(id));
    for (const { id, part, what, amount } of moves) {
      const stands = before.get(id);
      if (stands && (stands.part !== part || stands.what !== what || stands.amount !== amount))
        throw refusals.idTaken();
    }
    if (!fresh.length) return;
    await trx.batchInsert(
      'stock_moves',
      fresh.map((move) => ({ ...move, at, by_name: doer.by })),
      500,
    );
    await noteDeeds(
      trx,
      'plan',
      'moved stock',
      fresh.map(({ id }) => `stock/${id}`),
      doer,
    );
    await bumpVersion(trx);
  });
}
