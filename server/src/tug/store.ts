import type { LimitKey, LimitTable } from '@tug-mark/core';
import type { Knex } from 'knex';
import { bumpVersion } from '../db/bumpVersion';
import { refusals } from '../http/problems';

/** Every revision of every limit table. The column decides the status; the body keeps what the document says. */
export async function listLimits(db: Knex): Promise<LimitTable[]> {
  const rows = (await db('limit_tables').orderBy(['document', 'revision', 'class']).select('status', 'body')) as {
    status: LimitTable['status'];
    body: LimitTable;
  }[];
  return rows.map((row) => ({ ...row.body, status: row.status }));
}

/** Draft to released, or released to withdrawn; nothing else. */
export async function moveLimit(
  db: Knex,
  key: LimitKey,
  to: 'released' | 'withdrawn',
  by: string,
): Promise<LimitTable> {
  return db.transaction(async (trx) => {
    const where = { document: key.document, revision: key.revision, class: key.class };
    const row = (await trx('limit_tables').where(where).forUpdate().first('status', 'body')) as
      { status: LimitTable['status']; body: LimitTable } | undefined;
    if (!row) throw refusals.notFound(`${key.document} rev ${key.revision}`);
    if (row.status !== to) {
      if (row.status !== (to === 'released' ? 'draft' : 'released')) throw refusals.limitNotDraft(row.status);
      await trx('limit_tables').where(where).update({ status: to, by_name: by, changed_at: trx.fn.now() });
      await bumpVersion(trx);
    }
    return { ...row.body, status: to };
  });
}
