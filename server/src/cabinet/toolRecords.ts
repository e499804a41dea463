import type { NewToolCheck, NewToolReturn } from '@tug-mark/contract';
import {
  checkPlaces,
  findCheckPlace,
  standingFailure,
  type Tool,
  type ToolCheck,
  type ToolReturn,
} from '@tug-mark/core';
import type { Knex } from 'knex';
import { noteDeeds } from '../chain/deeds';
import type { Doer } from '../chain/ledger';
import { bumpVersion } from '../db/bumpVersion';
import { refusals } from '../http/problems';

/* What is on record of the shop's tools: their checks, and how they came back after one that failed. */

interface CheckRow {
  id: string;
  tool: string;
  die: string | null;
  nest: string | null;
  at: Date;
  go_passed: boolean;
  no_go_stopped: boolean;
  by_name: string;
  setting: string | null;
  cycles: number | null;
}
type KeptCheck = ToolCheck & { id: string };
const CHECK_COLUMNS = ['id', 'tool', 'die', 'nest', 'at', 'go_passed', 'no_go_stopped', 'by_name', 'setting', 'cycles'];
const toCheck = (row: CheckRow): KeptCheck => ({
  id: row.id,
  tool: row.tool,
  die: row.die,
  nest: row.nest,
  at: row.at.toISOString(),
  goPassed: row.go_passed,
  noGoStopped: row.no_go_stopped,
  by: row.by_name,
  setting: row.setting,
  cycles: row.cycles,
});

type ReturnRow = Omit<ToolReturn, 'at' | 'by'> & { id: string; at: Date; by_name: string };
type KeptReturn = ToolReturn & { id: string };
const toReturn = ({ id, tool, at, done, note, by_name }: ReturnRow): KeptReturn => ({
  id,
  tool,
  at: at.toISOString(),
  done,
  note,
  by: by_name,
});

/** Everything on record of one tool, oldest first. */
export async function readRecordsOf(
  db: Knex,
  tool: string,
): Promise<{ readonly checks: KeptCheck[]; readonly returns: KeptReturn[] }> {
  const [checks, returns] = await Promise.all([
    db('tool_checks').where({ tool }).orderBy('at').select(CHECK_COLUMNS) as Promise<CheckRow[]>,
    db('tool_returns').where({ tool }).orderBy('at') as Promise<ReturnRow[]>,
  ]);
  return { checks: checks.map(toCheck), returns: returns.map(toReturn) };
}

/**
 * The checks that set-ups are judged by: the latest of every nest and die, the latest of every tool that failed, and for a
 * tool in use everything from the check before it was taken on. Years of older ones stay in the database.
 * @param since the earliest instant each tool in use was taken
 */
export async function readChecks(db: Knex, since: ReadonlyMap<string, string> = new Map()): Promise<KeptCheck[]> {
  const latest = db('tool_checks')
    .distinctOn('tool', 'die', 'nest')
    .orderBy(['tool', 'die', 'nest', { column: 'at', order: 'desc' }])
    .select(CHECK_COLUMNS) as Promise<CheckRow[]>;
  const failed = db('tool_checks')
    .distinctOn('tool')
    .whereRaw('NOT (go_passed AND no_go_stopped)')
    .orderBy(['tool', { column: 'at', order: 'desc' }])
    .select(CHECK_COLUMNS) as Promise<CheckRow[]>;
  const inUse = since.size
    ? (db('tool_checks as c')
        .whereIn('c.tool', [...since.keys()])
        .where((where) => {
          for (const [tool, at] of since) {
            void where.orWhere((own) => {
              void own.where('c.tool', tool).whereRaw(
                `c.at >= coalesce((SELECT min(last) FROM (SELECT max(at) AS last FROM tool_checks
                    WHERE tool = ? AND at <= ? GROUP BY die, nest) AS of_nests), ?)`,
                [tool, at, at],
              );
            });
          }
        })
        .select(CHECK_COLUMNS.map((column) => `c.${column}`)) as Promise<CheckRow[]>)
    : [];
  const rows = await Promise.all([latest, failed, inUse]);
  const byId = new Map(rows.flat().map((row) => [row.id, row]));
  return [...byId.values()].map(toCheck).sort((a, b) => a.at.localeCompare(b.at));
}

/** How tools came back into use: few, and each may be what a set-up of long ago stands on. */
export async function readReturns(db: Knex): Promise<KeptReturn[]> {
  return ((await db('tool_returns').orderBy('at')) as ReturnRow[]).map(toReturn);
}

/**
 * Which die and nest a check is of.
 * @throws Refusal when what it names is not checked by itself, or it names no die where there are several
 */
export function placeOfCheck(tool: Tool, { die, nest }: Pick<NewToolCheck, 'die' | 'nest'>) {
  const place = findCheckPlace(tool, die, nest);
  if (!place) {
    const known = checkPlaces(tool).map(({ key }) => key);
    throw refusals.dieUnknown(tool.label, known);
  }
  return { die: place.die.id, nest };
}

/**
 * Adds one go/no-go check; the same again under its id changes nothing. Runs in the caller's transaction when given one.
 * @returns the check as it stands
 * @throws Refusal when the id stands for another check
 */
export async function addCheck(db: Knex, check: KeptCheck, role: string): Promise<KeptCheck> {
  return db.transaction(async (trx) => {
    const added = await trx('tool_checks')
      .insert({
        id: check.id,
        tool: check.tool,
        die: check.die,
        nest: check.nest,
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
    const standing = (await readRecordsOf(trx, check.tool)).checks.find(({ id }) => id === check.id);
    const same =
      standing?.tool === check.tool &&
      standing.die === check.die &&
      standing.nest === check.nest &&
      standing.goPassed === check.goPassed &&
      standing.noGoStopped === check.noGoStopped;
    if (!same) throw refusals.idTaken();
    return standing;
  });
}

/**
 * Puts a tool that failed its check back into use; the same again under its id changes nothing.
 * @throws Refusal when no failure stands, or the id stands for another return
 */
export async function addReturn(
  db: Knex,
  tool: Tool,
  sent: NewToolReturn,
  at: string,
  doer: Doer,
): Promise<KeptReturn> {
  return db.transaction(async (trx) => {
    // One at a time for a tool, so that it is put back once.
    await trx.raw('SELECT pg_advisory_xact_lock(hashtextextended(?, 5))', [tool.part]);
    const records = await readRecordsOf(trx, tool.part);
    const standing = records.returns.find(({ id }) => id === sent.id);
    if (standing) {
      if (standing.done === sent.done && standing.note === sent.note) return standing;
      throw refusals.idTaken();
    }
    if (!standingFailure(records)) throw refusals.nothingToReturn(tool.label);
    const { id, done, note } = sent;
    const [row] = (await trx('tool_returns')
      .insert({ id, tool: tool.part, at, done, note, by_name: doer.by })
      .onConflict('id')
      .ignore()
      .returning('*')) as ReturnRow[];
    if (!row) throw refusals.idTaken();
    await noteDeeds(trx, 'tool-checks', 'returned', [`return/${id}`], doer);
    await bumpVersion(trx);
    return toReturn(row);
  });
}
