import type { Cabinet, PartRevision, Suspect } from '@tug-mark/contract';
import type { Practice, SlideOnPart, Stripper, Terminal, Tool, ToolCheck, Wire } from '@tug-mark/core';
import { suspectSpan } from '@tug-mark/core';
import type { Knex } from 'knex';
import { isDeepStrictEqual } from 'node:util';
import { noteDeeds } from '../chain/deeds';
import type { Doer } from '../chain/ledger';
import { bumpVersion } from '../db/bumpVersion';
import { refusals } from '../http/problems';

/** What each kind of part is made of. */
interface PartOf {
  wire: Wire;
  terminal: Terminal;
  stripper: Stripper;
  tool: Tool;
  practice: Practice;
  covering: SlideOnPart;
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

interface CheckRow {
  id: string;
  tool: string;
  at: Date;
  go_passed: boolean;
  no_go_stopped: boolean;
  by_name: string;
  setting: string | null;
  cycles: number | null;
}
type KeptCheck = ToolCheck & { id: string };

const toCheck = (row: CheckRow): KeptCheck => ({
  id: row.id,
  tool: row.tool,
  at: row.at.toISOString(),
  goPassed: row.go_passed,
  noGoStopped: row.no_go_stopped,
  by: row.by_name,
  setting: row.setting,
  cycles: row.cycles,
});
const CHECK_COLUMNS = ['id', 'tool', 'at', 'go_passed', 'no_go_stopped', 'by_name', 'setting', 'cycles'];

/** Every check of one tool, oldest first. */
export async function listChecks(db: Knex, tool: string): Promise<KeptCheck[]> {
  return ((await db('tool_checks').where({ tool }).orderBy('at').select(CHECK_COLUMNS)) as CheckRow[]).map(toCheck);
}

/**
 * The checks that set-ups are judged by: the latest of every tool, and for a tool in use everything from the check
 * before it was taken on. Years of older ones stay in the database.
 * @param since the earliest instant each tool in use was taken
 */
export async function readChecks(db: Knex, since: ReadonlyMap<string, string> = new Map()): Promise<KeptCheck[]> {
  const latest = (await db('tool_checks')
    .distinctOn('tool')
    .orderBy([{ column: 'tool' }, { column: 'at', order: 'desc' }])
    .select(CHECK_COLUMNS)) as CheckRow[];
  const inUse = since.size
    ? ((await db('tool_checks as c')
        .whereIn('c.tool', [...since.keys()])
        .where((where) => {
          for (const [tool, at] of since) {
            void where.orWhere((own) => {
              void own
                .where('c.tool', tool)
                .whereRaw('c.at >= coalesce((SELECT max(at) FROM tool_checks WHERE tool = ? AND at <= ?), ?)', [
                  tool,
                  at,
                  at,
                ]);
            });
          }
        })
        .select(CHECK_COLUMNS.map((column) => `c.${column}`))) as CheckRow[])
    : [];
  const byId = new Map([...latest, ...inUse].map((row) => [row.id, row]));
  return [...byId.values()].map(toCheck).sort((a, b) => a.at.localeCompare(b.at));
}

/** Lots that a tool made pieces of between its last good check and the one that failed: all of them are suspect. */
export async function readSuspect(db: Knex, tool: string): Promise<Suspect | null> {
  const span = suspectSpan(tool, await listChecks(db, tool));
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
export async function listRevisions(db: Knex, kind: PartKind, part: string): Promise<PartRevision[]> {
  const rows = (await db('parts')
    .where({ kind, part })
    .orderBy('revision', 'desc')
    .select('part', 'revision', 'body', 'created_at', 'by_name')) as {
    part: string;
    revision: number;
    body: unknown;
    created_at: Date;
    by_name: string;
  }[];
  return rows.map((row) => ({
    part: row.part,
    revision: row.revision,
    body: row.body,
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

/**
 * Adds one go/no-go check; the same again under its id changes nothing. Runs in the caller's transaction when given one.
 * @returns the check as it stands
 * @throws Refusal when the id stands for another check
 */
export async function addCheck(
  db: Knex,
  check: ToolCheck & { id: string },
  role: string,
): Promise<ToolCheck & { id: string }> {
  return db.transaction(async (trx) => {
    const added = await trx('tool_checks')
      .insert({
        id: check.id,
        tool: check.tool,
        at: check.at,
        go_passed: check.goPassed,
        no_go_stopped: check.noGoStopped,
        by_name: check.by,
        setting: check.setting,
        cycles: check.cycles,
      })
      .onConflict('id')
      .ignore()
      .returning('id');
    if (added.length) {
      await noteDeeds(trx, 'tool-checks', 'checked', [check.id], { by: check.by, role });
      await bumpVersion(trx);
      return check;
    }
    const standing = (await listChecks(trx, check.tool)).find(({ id }) => id === check.id);
    const same =
      standing?.tool === check.tool &&
      standing.goPassed === check.goPassed &&
      standing.noGoStopped === check.noGoStopped;
    if (!same) throw refusals.idTaken();
    return standing;
  });
}

export async function readCabinet(db: Knex): Promise<Cabinet> {
  const [wires, terminals, strippers, tools, practices, coverings, checks] = await Promise.all([
    listParts(db, 'wire'),
    listParts(db, 'terminal'),
    listParts(db, 'stripper'),
    listParts(db, 'tool'),
    listParts(db, 'practice'),
    listParts(db, 'covering'),
    readChecks(db),
  ]);
  return { wires, terminals, strippers, tools, practices, coverings, checks };
}
