import type { ListColumns, WireListKept } from '@tug-mark/contract';
import { choosePractice, combine, isSplice, readWireList } from '@tug-mark/core';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { listParts, newestRevisions } from '../cabinet/store';
import { noteDeeds } from '../chain/deeds';
import { sha256 } from '../chain/hashes';
import type { Doer } from '../chain/ledger';
import { refusals } from '../http/problems';

/**
 * Imports a wire list whole or not at all, and makes its combinations from the newest revisions of their parts. The
 * same id with the same file again changes nothing.
 * @throws Refusal with every problem by row and column
 */
export async function importWireList(
  db: Knex,
  list: {
    readonly id: string;
    readonly name: string;
    readonly class: string;
    readonly customer: string | null;
    readonly due: string | null;
    readonly bytes: Buffer;
    /** What the bytes say, row by row. */
    readonly table: string[][];
  },
  doer: Doer,
): Promise<WireListKept> {
  const digest = sha256(list.bytes);
  const { table } = list;
  // One after the other: inside a transaction they share one connection.
  const wires = await newestRevisions(db, 'wire');
  const terminals = await newestRevisions(db, 'terminal');
  const practices = await newestRevisions(db, 'practice');
  const parts = await listParts(db, 'terminal');
  const connectors = await listParts(db, 'connector');
  const splices = new Set(parts.filter(isSplice).map(({ part }) => part));
  const read = readWireList(table, {
    ...{ wires: new Set(wires.keys()), terminals: new Set(terminals.keys()), splices },
    connectors: new Map(connectors.map(({ part, cavities }) => [part, new Set(cavities.map(({ id }) => id))])),
  });
  if (!read.ok) {
    throw refusals.listProblems(
      read.problems.map(({ row, column, value, text }) => ({ row, where: column, value, text })),
      read.total,
    );
  }
  const chosen = choosePractice(await listParts(db, 'practice'), list.customer, list.class);
  if (!chosen.practice) throw refusals.noPractice(chosen.text);
  const practice = chosen.practice.part;
  const combinations = combine(read.rows, splices);
  const kept: WireListKept = {
    id: list.id,
    name: list.name,
    wires: read.rows.length,
    combinations: combinations.length,
    pieces: combinations.reduce((sum, c) => sum + c.pieces, 0),
  };
  await db.transaction(async (trx) => {
    const known = (await trx('wire_lists')
      .where({ id: list.id })
      .orWhere({ name: list.name })
      .first('id', 'digest')) as { id: string; digest: string } | undefined;
    if (known) {
      if (known.id === list.id && known.digest === digest) return;
      throw refusals.nameTaken('A wire list named', list.name);
    }
    const { id, name, customer, due } = list;
    await trx('wire_lists').insert({ id, name, digest, by_name: doer.by, customer, due });
    await trx.batchInsert(
      'wire_list_rows',
      read.rows.map((row) => ({
        list: list.id,
        row: row.row,
        wire_id: row.wireId,
        wire: row.wirePart,
        length: row.length,
        terminal_a: row.terminalA,
        terminal_b: row.terminalB,
        quantity: row.quantity,
        place: row.place,
        joint_a: row.jointA,
        joint_b: row.jointB,
        demand_a: JSON.stringify(row.demandA),
        demand_b: JSON.stringify(row.demandB),
        plug_a: row.plugA && JSON.stringify(row.plugA),
        plug_b: row.plugB && JSON.stringify(row.plugB),
      })),
      2000,
    );
    const made = combinations.map((c) => ({ ...c, id: randomUUID() }));
    await trx.batchInsert(
      'combinations',
      made.map((c) => ({
        id: c.id,
        list: list.name,
        terminal: c.terminal,
        terminal_revision: terminals.get(c.terminal),
        wire: c.wire,
        wire_revision: wires.get(c.wire),
        practice,
        practice_revision: practices.get(practice),
        customer: list.customer,
        together: JSON.stringify(c.together.map((part) => ({ part, revision: wires.get(part) }))),
        opposite: JSON.stringify(c.opposite.map((part) => ({ part, revision: wires.get(part) }))),
        demand: JSON.stringify(c.demand),
        pieces: c.pieces,
        place: c.place,
        class: list.class,
      })),
    );
    const subjects = [`list/${list.id}`, ...made.map((c) => `combination/${c.id}`)];
    await noteDeeds(trx, 'lists', 'imported', subjects, doer);
  });
  return kept;
}

/** The grade of work of the list before: a shop that says none goes on as it did. */
export async function usualGrade(db: Knex): Promise<string> {
  const last = (await db('combinations').where({ read_in: false }).orderBy('number', 'desc').first('class')) as
    { class: string } | undefined;
  return last?.class ?? 'standard';
}

export interface ListChange {
  readonly due: string | null;
  readonly archived: boolean;
  readonly priority?: number | undefined;
  readonly cut?: boolean | undefined;
}

/**
 * Says when a list is due, what being late weighs and whether its wires are cut, and takes it off the bench or puts it back. Its
 * combinations and all that is on record for them stay.
 * @throws Refusal when there is no such list
 */
export async function changeWireList(db: Knex, id: string, change: ListChange, doer: Doer): Promise<{ id: string }> {
  await db.transaction(async (trx) => changeListWithin(trx, id, change, doer));
  return { id };
}

/** The same, inside a transaction that changes several. */
export async function changeListWithin(trx: Knex, id: string, change: ListChange, doer: Doer): Promise<void> {
  const { due, archived } = change;
  const was = (await trx('wire_lists')
    .where({ id })
    .forUpdate()
    .first(trx.raw('due::text'), 'archived_at', 'priority', 'cut_at')) as
    { due: string | null; archived_at: Date | null; priority: number; cut_at: Date | null } | undefined;
  if (!was) throw refusals.notFound('That wire list');
  const [wasArchived, wasCut] = [was.archived_at !== null, was.cut_at !== null];
  const { priority = was.priority, cut = wasCut } = change;
  const did = [
    ...(was.due === due ? [] : ['due']),
    ...(was.priority === priority ? [] : ['priority']),
    ...(wasCut === cut ? [] : [cut ? 'cut' : 'not cut']),
    ...(wasArchived === archived ? [] : [archived ? 'archived' : 'put back']),
  ];
  if (!did.length) return;
  const marks = (on: boolean) => ({ at: on ? trx.fn.now(3) : null, by: on ? doer.by : null });
  const [archive, cutting] = [marks(archived), marks(cut)];
  await trx('wire_lists')
    .where({ id })
    .update({
      ...{ due, priority },
      ...(wasArchived !== archived && { archived_at: archive.at, archived_by: archive.by }),
      ...(wasCut !== cut && { cut_at: cutting.at, cut_by: cutting.by }),
    });
  await noteDeeds(trx, 'lists', did.join(', '), [`list/${id}`], doer);
}

/** Sources that are known again: more than a shop gets lists from. */
const MOST_SOURCES = 200;

/**
 * Keeps what the columns of a list's file were taken for. It says how a file is read, not what was made: the ledger has no part
 * in it.
 * @throws Refusal when there is no such list
 */
export async function keepListColumns(db: Knex, id: string, columns: ListColumns): Promise<{ id: string }> {
  const kept = await db('wire_lists')
    .where({ id })
    .update({ columns: JSON.stringify(columns) });
  if (!kept) throw refusals.notFound('That wire list');
  return { id };
}

/** What columns were taken for, the newest of each kind of source. */
export async function readListColumns(db: Knex): Promise<ListColumns[]> {
  const { rows } = await db.raw<{ rows: { columns: ListColumns }[] }>(
    `SELECT columns FROM (
       SELECT DISTINCT ON (columns->'header') columns, at FROM wire_lists WHERE columns IS NOT NULL
       ORDER BY columns->'header', at DESC
     ) newest ORDER BY at DESC LIMIT ${MOST_SOURCES}`,
  );
  return rows.map(({ columns }) => columns);
}
