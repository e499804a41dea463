import type { LimitRecord } from '@tug-mark/contract';
import { checkLimitTable, type LimitKey, type LimitTable } from '@tug-mark/core';
import type { Knex } from 'knex';
import { isDeepStrictEqual } from 'node:util';
import { listParts } from '../cabinet/store';
import { bumpVersion } from '../db/bumpVersion';
import { refusals } from '../http/problems';

interface LimitTableRow {
  status: LimitTable['status'];
  body: LimitTable;
  drafted_by: string;
  released_by: string | null;
  released_at: Date | null;
  withdrawn_by: string | null;
  withdrawn_at: Date | null;
}

const whereIs = ({ document, revision, class: className }: LimitKey) => ({ document, revision, class: className });
const nameOf = (key: LimitKey) => `${key.document} rev ${key.revision}, class ${key.class}`;

/** Every revision of every limit table. The column decides the status; the body keeps what the document says. */
export async function listLimits(db: Knex): Promise<LimitTable[]> {
  const rows = (await db('limit_tables').orderBy(['document', 'revision', 'class']).select('status', 'body')) as {
    status: LimitTable['status'];
    body: LimitTable;
  }[];
  return rows.map((row) => ({ ...row.body, status: row.status }));
}

/** The limit tables with who drafted, released and withdrew them, and what stands against releasing each draft. */
export async function listLimitRecords(db: Knex, today: string): Promise<LimitRecord[]> {
  const [rows, wires] = await Promise.all([
    db<LimitTableRow>('limit_tables').orderBy(['document', 'revision', 'class']) as Promise<LimitTableRow[]>,
    listParts(db, 'wire'),
  ]);
  return rows.map((row) => ({
    table: { ...row.body, status: row.status },
    draftedBy: row.drafted_by,
    releasedBy: row.released_by,
    releasedAt: row.released_at?.toISOString() ?? null,
    withdrawnBy: row.withdrawn_by,
    withdrawnAt: row.withdrawn_at?.toISOString() ?? null,
    problems: row.status === 'draft' ? checkLimitTable(row.body, wires, today) : [],
  }));
}

/**
 * Keeps a draft, or the same draft again with other rows. What is released or withdrawn does not change.
 * @throws Refusal when the table stands already
 */
export async function keepDraft(db: Knex, table: LimitTable, by: string): Promise<void> {
  await db.transaction(async (trx) => {
    const standing = (await trx('limit_tables').where(whereIs(table)).forUpdate().first('status', 'body')) as
      Pick<LimitTableRow, 'status' | 'body'> | undefined;
    const body: LimitTable = { ...table, status: 'draft' };
    if (!standing) {
      await trx('limit_tables').insert({
        ...whereIs(table),
        status: 'draft',
        body: JSON.stringify(body),
        by_name: by,
        drafted_by: by,
      });
    } else if (standing.status !== 'draft') {
      if (isDeepStrictEqual({ ...standing.body, status: 'draft' }, body)) return;
      throw refusals.limitStands(nameOf(table), standing.status);
    } else {
      await trx('limit_tables')
        .where(whereIs(table))
        .update({ body: JSON.stringify(body), by_name: by, drafted_by: by, changed_at: trx.fn.now() });
    }
    await bumpVersion(trx);
  });
}

/** What a move of a table needs to know beside the table. */
export interface Move {
  readonly by: string;
  /** ISO date */
  readonly today: string;
  /** Withdraw the table of the same class that is in effect for the same days. */
  readonly replaces: boolean;
}

/**
 * Draft to released, or released to withdrawn; nothing else.
 * @throws Refusal when its rows or dates are wrong, another table applies for the same days, or the practice wants a
 *   second person
 */
export async function moveLimit(
  db: Knex,
  key: LimitKey,
  to: 'released' | 'withdrawn',
  { by, today, replaces }: Move,
): Promise<LimitTable> {
  return db.transaction(async (trx) => {
    const row = (await trx('limit_tables').where(whereIs(key)).forUpdate().first()) as LimitTableRow | undefined;
    if (!row) throw refusals.notFound(nameOf(key));
    const moved: LimitTable = { ...row.body, status: to };
    if (row.status === to) return moved;
    if (row.status !== (to === 'released' ? 'draft' : 'released')) throw refusals.limitNotDraft(row.status);
    if (to === 'released') await mayRelease(trx, row, { by, today, replaces });
    const now = trx.fn.now();
    const who = to === 'released' ? { released_by: by, released_at: now } : { withdrawn_by: by, withdrawn_at: now };
    await trx('limit_tables')
      .where(whereIs(key))
      .update({ status: to, by_name: by, changed_at: now, ...who });
    await bumpVersion(trx);
    return moved;
  });
}

async function mayRelease(trx: Knex.Transaction, row: LimitTableRow, { by, today, replaces }: Move): Promise<void> {
  const { body } = row;
  const practices = await listParts(trx, 'practice');
  const wantsSecond = practices.some((p) => (p.class === null || p.class === body.class) && p.secondPersonReleases);
  if (wantsSecond && row.drafted_by === by) throw refusals.secondPerson(by);
  const bad = checkLimitTable(body, await listParts(trx, 'wire'), today).filter((p) => p.weight === 'bad');
  if (bad.length) {
    throw refusals.limitProblems(
      bad.map(({ row: at, field, text }) => ({ where: field, ...(at ? { row: at } : {}), text })),
    );
  }
  const overlapping = (await listLimits(trx)).filter(
    (other) =>
      other.status === 'released' &&
      other.class === body.class &&
      other.effectiveFrom <= (body.effectiveUntil ?? '9999-12-31') &&
      body.effectiveFrom <= (other.effectiveUntil ?? '9999-12-31'),
  );
  for (const other of overlapping) {
    if (!replaces) throw refusals.limitOverlaps(nameOf(other));
    await trx('limit_tables').where(whereIs(other)).update({
      status: 'withdrawn',
      by_name: by,
      changed_at: trx.fn.now(),
      withdrawn_by: by,
      withdrawn_at: trx.fn.now(),
    });
  }
}
