import { documentKey, documentName, type DocumentKey, type ShopDocument } from '@tug-mark/core';
import type { Knex } from 'knex';
import { isDeepStrictEqual } from 'node:util';
import { listParts } from '../cabinet/store';
import { noteDeeds } from '../chain/deeds';
import type { Doer } from '../chain/ledger';
import { bumpVersion } from '../db/bumpVersion';
import { refusals } from '../http/problems';

/** Something that stands against releasing a document. */
export interface DocumentProblem {
  readonly row: number;
  readonly field: string;
  readonly weight: 'bad' | 'note';
  readonly text: string;
}

/** A kind of document: where it is kept, and what stands against releasing one. */
export interface DocumentKind<T extends ShopDocument> {
  readonly table: 'limit_tables' | 'look_sheets';
  readonly ledger: 'limits' | 'looks';
  readonly problems: (db: Knex, today: string) => Promise<(document: T) => readonly DocumentProblem[]>;
  /** A document as it was kept, with what later versions say beside. What is sealed stays in its table as it stands. */
  readonly complete: (kept: T) => T;
}

interface DocumentRow<T> {
  status: ShopDocument['status'];
  body: T;
  drafted_by: string;
  released_by: string | null;
  released_at: Date | null;
  withdrawn_by: string | null;
  withdrawn_at: Date | null;
}

/** What a document is called in its ledger. */
const subjectOf = ({ document, revision, class: className }: DocumentKey) => `${document}/${revision}/${className}`;

const ORDER = ['document', 'revision', 'class'];

/** Every revision of every document of a kind. The column decides the status; the body keeps what the document says. */
export async function listDocuments<T extends ShopDocument>(
  db: Knex,
  { table, complete }: DocumentKind<T>,
): Promise<T[]> {
  const rows = (await db(table).orderBy(ORDER).select('status', 'body')) as Pick<DocumentRow<T>, 'status' | 'body'>[];
  return rows.map((row) => ({ ...complete(row.body), status: row.status }));
}

/** The documents with who drafted, released and withdrew them, and what stands against releasing each draft. */
export async function listDocumentRecords<T extends ShopDocument>(db: Knex, kind: DocumentKind<T>, today: string) {
  const [rows, check] = await Promise.all([
    db(kind.table).orderBy(ORDER) as Promise<DocumentRow<T>[]>,
    kind.problems(db, today),
  ]);
  return rows.map((row) => ({
    document: { ...kind.complete(row.body), status: row.status },
    draftedBy: row.drafted_by,
    releasedBy: row.released_by,
    releasedAt: row.released_at?.toISOString() ?? null,
    withdrawnBy: row.withdrawn_by,
    withdrawnAt: row.withdrawn_at?.toISOString() ?? null,
    problems: row.status === 'draft' ? [...check(kind.complete(row.body))] : [],
  }));
}

/**
 * Keeps a draft, or the same draft again with other rows. What is released or withdrawn does not change.
 * @throws Refusal when the document stands already
 */
export async function keepDraft<T extends ShopDocument>(
  db: Knex,
  { table, ledger, complete }: DocumentKind<T>,
  document: T,
  doer: Doer,
): Promise<void> {
  const { by } = doer;
  await db.transaction(async (trx) => {
    const standing = (await trx(table).where(documentKey(document)).forUpdate().first('status', 'body')) as
      Pick<DocumentRow<T>, 'status' | 'body'> | undefined;
    const body: T = { ...document, status: 'draft' };
    if (!standing) {
      await trx(table).insert({
        ...documentKey(document),
        status: 'draft',
        body: JSON.stringify(body),
        by_name: by,
        drafted_by: by,
      });
    } else if (standing.status !== 'draft') {
      if (isDeepStrictEqual({ ...complete(standing.body), status: 'draft' }, body)) return;
      throw refusals.limitStands(documentName(document), standing.status);
    } else {
      await trx(table)
        .where(documentKey(document))
        .update({ body: JSON.stringify(body), by_name: by, drafted_by: by, changed_at: trx.fn.now() });
    }
    await noteDeeds(trx, ledger, 'drafted', [subjectOf(document)], doer);
    await bumpVersion(trx);
  });
}

/** Puts the documents of a shop file in as drafts; those that stand already are left alone. */
export async function keepDrafts<T extends ShopDocument>(
  trx: Knex,
  { table, ledger }: DocumentKind<T>,
  documents: readonly T[],
  doer: Doer,
): Promise<number> {
  if (!documents.length) return 0;
  const kept = (await trx(table)
    .insert(
      documents.map((document) => ({
        ...documentKey(document),
        status: 'draft',
        body: JSON.stringify({ ...document, status: 'draft' }),
        by_name: doer.by,
        drafted_by: doer.by,
      })),
    )
    .onConflict(['document', 'revision', 'class'])
    .ignore()
    .returning(['document', 'revision', 'class'])) as DocumentKey[];
  await noteDeeds(trx, ledger, 'drafted', kept.map(subjectOf), doer);
  return kept.length;
}

/** What a move of a document needs to know beside it. */
export interface Move extends Doer {
  /** ISO date */
  readonly today: string;
  /** Withdraw the document of the same class that is in effect for the same days. */
  readonly replaces: boolean;
}

/**
 * Draft to released, or released to withdrawn; nothing else.
 * @throws Refusal when its rows or dates are wrong, another one applies for the same days, or the practice wants a second
 *   person
 */
export async function moveDocument<T extends ShopDocument>(
  db: Knex,
  kind: DocumentKind<T>,
  key: DocumentKey,
  to: 'released' | 'withdrawn',
  { by, role, today, replaces }: Move,
): Promise<T> {
  return db.transaction(async (trx) => {
    const row = (await trx(kind.table).where(documentKey(key)).forUpdate().first()) as DocumentRow<T> | undefined;
    if (!row) throw refusals.notFound(documentName(key));
    const moved: T = { ...row.body, status: to };
    if (row.status === to) return moved;
    if (row.status !== (to === 'released' ? 'draft' : 'released')) throw refusals.limitNotDraft(row.status);
    if (to === 'released') await mayRelease(trx, kind, row, { by, role, today, replaces });
    const now = trx.fn.now();
    const who = to === 'released' ? { released_by: by, released_at: now } : { withdrawn_by: by, withdrawn_at: now };
    await trx(kind.table)
      .where(documentKey(key))
      .update({ status: to, by_name: by, changed_at: now, ...who });
    await noteDeeds(trx, kind.ledger, to, [subjectOf(key)], { by, role });
    await bumpVersion(trx);
    return moved;
  });
}

async function mayRelease<T extends ShopDocument>(
  trx: Knex.Transaction,
  kind: DocumentKind<T>,
  row: DocumentRow<T>,
  { by, role, today, replaces }: Move,
): Promise<void> {
  const { body } = row;
  const practices = await listParts(trx, 'practice');
  const wantsSecond = practices.some((p) => (p.class === null || p.class === body.class) && p.secondPersonReleases);
  if (wantsSecond && row.drafted_by === by) throw refusals.secondPerson(by);
  const bad = (await kind.problems(trx, today))(body).filter((p) => p.weight === 'bad');
  if (bad.length) {
    throw refusals.limitProblems(
      bad.map(({ row: at, field, text }) => ({ where: field, ...(at ? { row: at } : {}), text })),
    );
  }
  const overlapping = (await listDocuments(trx, kind)).filter(
    (other) =>
      other.status === 'released' &&
      other.class === body.class &&
      other.effectiveFrom <= (body.effectiveUntil ?? '9999-12-31') &&
      body.effectiveFrom <= (other.effectiveUntil ?? '9999-12-31'),
  );
  for (const other of overlapping) {
    if (!replaces) throw refusals.limitOverlaps(documentName(other));
    await trx(kind.table).where(documentKey(other)).update({
      status: 'withdrawn',
      by_name: by,
      changed_at: trx.fn.now(),
      withdrawn_by: by,
      withdrawn_at: trx.fn.now(),
    });
    await noteDeeds(trx, kind.ledger, 'withdrawn', [subjectOf(other)], { by, role });
  }
}
