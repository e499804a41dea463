import type { Cabinet, ShopFile } from '@tug-mark/contract';
import type { LimitTable, Practice, Stripper, Terminal, Tool, ToolCheck, Wire } from '@tug-mark/core';
import type { Knex } from 'knex';
import { isDeepStrictEqual } from 'node:util';
import { bumpVersion } from '../db/bumpVersion';
import { refusals } from '../http/problems';

/** What each kind of part is made of. */
interface PartOf {
  wire: Wire;
  terminal: Terminal;
  stripper: Stripper;
  tool: Tool;
  practice: Practice;
}
export type PartKind = keyof PartOf;

/** Newest revision of every part of one kind, by part number. */
export async function listParts<K extends PartKind>(db: Knex, kind: K): Promise<PartOf[K][]> {
  const rows = (await db('parts')
    .distinctOn('part')
    .where({ kind })
    .orderBy([{ column: 'part' }, { column: 'revision', order: 'desc' }])
    .select('body')) as { body: PartOf[K] }[];
  return rows.map((row) => row.body);
}

/** What one revision of a part is looked up by in {@link readRevisions}. */
export const revisionKey = (part: string, revision: number): string => JSON.stringify([part, revision]);

/** The wanted revisions of parts of one kind, by {@link revisionKey}; those that are not there are left out. */
export async function readRevisions<K extends PartKind>(
  db: Knex,
  kind: K,
  wanted: readonly { part: string; revision: number }[],
): Promise<Map<string, PartOf[K]>> {
  const pairs = [
    ...new Map(wanted.map(({ part, revision }) => [revisionKey(part, revision), [part, revision]])).values(),
  ];
  const rows = (await db('parts')
    .where({ kind })
    .whereIn(['part', 'revision'], pairs)
    .select('part', 'revision', 'body')) as {
    part: string;
    revision: number;
    body: PartOf[K];
  }[];
  return new Map(rows.map((row) => [revisionKey(row.part, row.revision), row.body]));
}

/** Newest revision number of each part of one kind. */
export async function newestRevisions(db: Knex, kind: PartKind): Promise<Map<string, number>> {
  const rows = (await db('parts').where({ kind }).groupBy('part').select('part').max('revision as revision')) as {
    part: string;
    revision: number;
  }[];
  return new Map(rows.map((row) => [row.part, row.revision]));
}

/** Keeps parts: a part that differs from its newest revision becomes a new one, an equal one changes nothing. */
export async function keepParts<K extends PartKind>(
  trx: Knex,
  kind: K,
  parts: readonly PartOf[K][],
  by: string,
): Promise<number> {
  const revisions = await newestRevisions(trx, kind);
  const known = new Map((await listParts(trx, kind)).map((body) => [body.part, body]));
  const changed = parts.filter((body) => !isDeepStrictEqual(known.get(body.part), body));
  await trx.batchInsert(
    'parts',
    changed.map((body) => ({
      kind,
      part: body.part,
      revision: (revisions.get(body.part) ?? 0) + 1,
      body: JSON.stringify(body),
      by_name: by,
    })),
  );
  return changed.length;
}

/** Reads a shop file into the cabinet, whole or not at all. Limit tables enter as drafts and leave released ones alone. */
export async function keepShopFile(db: Knex, file: ShopFile, by: string): Promise<{ parts: number; limits: number }> {
  return db.transaction(async (trx) => {
    const parts =
      (await keepParts(trx, 'wire', file.wires, by)) +
      (await keepParts(trx, 'terminal', file.terminals, by)) +
      (await keepParts(trx, 'stripper', file.strippers, by)) +
      (await keepParts(trx, 'tool', file.tools, by)) +
      (await keepParts(trx, 'practice', file.practices, by));
    const limits = await keepLimitDrafts(trx, file.limits, by);
    await bumpVersion(trx);
    return { parts, limits };
  });
}

async function keepLimitDrafts(trx: Knex, tables: readonly LimitTable[], by: string): Promise<number> {
  if (!tables.length) return 0;
  const kept = await trx('limit_tables')
    .insert(
      tables.map((table) => ({
        document: table.document,
        revision: table.revision,
        class: table.class,
        status: 'draft',
        body: JSON.stringify({ ...table, status: 'draft' }),
        by_name: by,
      })),
    )
    .onConflict(['document', 'revision', 'class'])
    .ignore()
    .returning('document');
  return kept.length;
}

/** Every check of every tool, newest last: the state of each, and what a failure makes suspect, follow from them. */
export async function listChecks(db: Knex): Promise<(ToolCheck & { id: string })[]> {
  const rows = (await db('tool_checks')
    .orderBy('at')
    .select('id', 'tool', 'at', 'go_passed', 'no_go_stopped', 'by_name')) as {
    id: string;
    tool: string;
    at: Date;
    go_passed: boolean;
    no_go_stopped: boolean;
    by_name: string;
  }[];
  return rows.map((row) => ({
    id: row.id,
    tool: row.tool,
    at: row.at.toISOString(),
    goPassed: row.go_passed,
    noGoStopped: row.no_go_stopped,
    by: row.by_name,
  }));
}

/**
 * Adds one go/no-go check; the same again under its id changes nothing. Runs in the caller's transaction when given one.
 * @returns the check as it stands
 * @throws Refusal when the id stands for another check
 */
export async function addCheck(db: Knex, check: ToolCheck & { id: string }): Promise<ToolCheck & { id: string }> {
  return db.transaction(async (trx) => {
    const added = await trx('tool_checks')
      .insert({
        id: check.id,
        tool: check.tool,
        at: check.at,
        go_passed: check.goPassed,
        no_go_stopped: check.noGoStopped,
        by_name: check.by,
      })
      .onConflict('id')
      .ignore()
      .returning('id');
    if (added.length) {
      await bumpVersion(trx);
      return check;
    }
    const standing = (await listChecks(trx)).find(({ id }) => id === check.id);
    const same =
      standing?.tool === check.tool &&
      standing.goPassed === check.goPassed &&
      standing.noGoStopped === check.noGoStopped;
    if (!same) throw refusals.idTaken();
    return standing;
  });
}

export async function readCabinet(db: Knex): Promise<Cabinet> {
  const [wires, terminals, strippers, tools, practices, checks] = await Promise.all([
    listParts(db, 'wire'),
    listParts(db, 'terminal'),
    listParts(db, 'stripper'),
    listParts(db, 'tool'),
    listParts(db, 'practice'),
    listChecks(db),
  ]);
  return { wires, terminals, strippers, tools, practices, checks };
}
