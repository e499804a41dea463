import { practiceSchema, type Cabinet, type PartRevision, type Suspect } from '@tug-mark/contract';
import {
  completer,
  connectorSchema,
  coveringSchema,
  stripperSchema,
  suspectSpan,
  terminalSchema,
  toolSchema,
  wireSchema,
  type Connector,
  type Practice,
  type SlideOnPart,
  type Stripper,
  type Terminal,
  type Tool,
  type Wire,
} from '@tug-mark/core';
import type { Knex } from 'knex';
import { isDeepStrictEqual } from 'node:util';
import type { z } from 'zod';
import { noteDeeds } from '../chain/deeds';
import type { Doer } from '../chain/ledger';
import { bumpVersion } from '../db/bumpVersion';
import { refusals } from '../http/problems';
import { readChecks, readRecordsOf, readReturns } from './toolRecords';

/** What each kind of part is made of. */
interface PartOf {
  wire: Wire;
  terminal: Terminal;
  stripper: Stripper;
  tool: Tool;
  practice: Practice;
  covering: SlideOnPart;
  connector: Connector;
}
export type PartKind = keyof PartOf;

const SCHEMAS = {
  wire: wireSchema,
  terminal: terminalSchema,
  stripper: stripperSchema,
  tool: toolSchema,
  practice: practiceSchema,
  covering: coveringSchema,
  connector: connectorSchema,
} satisfies { [K in PartKind]: z.ZodType<PartOf[K]> };
/** What was kept before a field existed is read with the field's default; the rows themselves never change. */
const COMPLETE = Object.fromEntries(
  Object.entries(SCHEMAS).map(([kind, schema]) => [kind, completer(schema as z.ZodType)]),
) as {
  [K in PartKind]: (body: PartOf[K]) => PartOf[K];
};

/** Newest revision of every part of one kind, or of some, by part number. */
export async function listParts<K extends PartKind>(
  db: Knex,
  kind: K,
  only: readonly string[] | null = null,
): Promise<PartOf[K][]> {
  const rows = (await db('parts')
    .distinctOn('part')
    .where({ kind })
    .modify((query) => {
      if (only) void query.whereIn('part', only);
    })
    .orderBy([{ column: 'part' }, { column: 'revision', order: 'desc' }])
    .select('body')) as { body: PartOf[K] }[];
  return rows.map((row) => COMPLETE[kind](row.body));
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
  return new Map(rows.map((row) => [revisionKey(row.part, row.revision), COMPLETE[kind](row.body)]));
}

/** Newest revision number of each part of one kind. */
export async function newestRevisions(db: Knex, kind: PartKind): Promise<Map<string, number>> {
  const rows = (await db('parts').where({ kind }).groupBy('part').select('part').max('revision as revision')) as {
    part: string;
    revision: number;
  }[];
  return new Map(rows.map((row) => [row.part, row.revision]));
}

/**
 * Keeps parts: a part that differs from its newest revision becomes a new one, an equal one changes nothing.
 */
export async function keepParts<K extends PartKind>(
  trx: Knex,
  kind: K,
  parts: readonly PartOf[K][],
  doer: Doer,
): Promise<number> {
  const revisions = await newestRevisions(trx, kind);
  const known = new Map((await listParts(trx, kind)).map((body) => [body.part, body]));
  const changed = parts.filter((body) => !isDeepStrictEqual(known.get(body.part), body));
  const seen = new Set<string>();
  const twice = changed.find(({ part }) => seen.size === seen.add(part).size);
  if (twice) {
    throw refusals.partProblems('this file', [
      { where: 'part', value: twice.part, text: `${twice.part} stands in it more than once.` },
    ]);
  }
  const rows = changed.map((body) => ({
    kind,
    part: body.part,
    revision: (revisions.get(body.part) ?? 0) + 1,
    body: JSON.stringify(body),
    by_name: doer.by,
  }));
  await trx.batchInsert('parts', rows);
  const subjects = rows.map(({ part, revision }) => `${kind}/${part}/${revision}`);
  await noteDeeds(trx, 'parts', 'revised', subjects, doer);
  return changed.length;
}

/** Lots that a tool made pieces of between its last good check and the one that failed: all of them are suspect. */
export async function readSuspect(db: Knex, tool: string): Promise<Suspect | null> {
  const span = suspectSpan(tool, await readRecordsOf(db, tool));
  if (!span) return null;
  const lots = (await db('combinations as c')
    .join('journal as j', 'j.combination', 'c.id')
    .where({ 'c.read_in': false })
    .whereIn('c.id', (taken) => {
      void taken.from('journal').whereRaw("kind = 'tool' AND body ->> 'tool' = ?", [tool]).select('combination');
    })
    .where('j.at', '<=', span.upTo)
    .modify((query) => {
      if (span.after !== null) void query.where('j.at', '>', span.after);
    })
    .groupBy('c.id')
    .orderBy('c.number')
    .select('c.id', 'c.list', 'c.terminal', 'c.wire', 'c.pieces')
    .count('j.id as entries')) as {
    id: string;
    list: string;
    terminal: string;
    wire: string;
    pieces: number;
    entries: string;
  }[];
  return { ...span, lots: lots.map((lot) => ({ ...lot, entries: Number(lot.entries) })) };
}

/** Every revision of one part, newest first. */
export async function listRevisions<K extends PartKind>(db: Knex, kind: K, part: string): Promise<PartRevision[]> {
  const rows = (await db('parts')
    .where({ kind, part })
    .orderBy('revision', 'desc')
    .select('part', 'revision', 'body', 'created_at', 'by_name')) as {
    part: string;
    revision: number;
    body: PartOf[K];
    created_at: Date;
    by_name: string;
  }[];
  return rows.map((row) => ({
    part: row.part,
    revision: row.revision,
    body: COMPLETE[kind](row.body),
    at: row.created_at.toISOString(),
    by: row.by_name,
  }));
}

/**
 * Keeps one part as a new revision.
 * @param opened the revision it was edited from; 0 for a new part
 * @throws Refusal when somebody else has made a newer one since
 */
export async function keepPart<K extends PartKind>(
  db: Knex,
  kind: K,
  body: PartOf[K],
  opened: number,
  doer: Doer,
): Promise<PartRevision> {
  return db.transaction(async (trx) => {
    await trx.raw('SELECT pg_advisory_xact_lock(hashtextextended(?, 1))', [`${kind}/${body.part}`]);
    const [newest] = await listRevisions(trx, kind, body.part);
    if ((newest?.revision ?? 0) !== opened) {
      if (newest && isDeepStrictEqual(newest.body, body)) return newest;
      throw refusals.staleRevision(body.part, newest?.revision ?? 0);
    }
    await keepParts(trx, kind, [body], doer);
    await bumpVersion(trx);
    const [kept] = await listRevisions(trx, kind, body.part);
    if (!kept) throw new Error('a part just kept is not there');
    return kept;
  });
}

export async function readCabinet(db: Knex): Promise<Cabinet> {
  const [wires, terminals, strippers, tools, practices, coverings, connectors, checks, returns] = await Promise.all([
    listParts(db, 'wire'),
    listParts(db, 'terminal'),
    listParts(db, 'stripper'),
    listParts(db, 'tool'),
    listParts(db, 'practice'),
    listParts(db, 'covering'),
    listParts(db, 'connector'),
    readChecks(db),
    readReturns(db),
  ]);
  return { wires, terminals, strippers, tools, practices, coverings, connectors, checks, returns };
}
