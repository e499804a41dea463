import type { Combination, CombinationView } from '@tug-mark/contract';
import { judgeEnds, type SetUpContext } from '@tug-mark/core';
import type { Knex } from 'knex';
import { listParts, readRevisions, revisionKey } from '../cabinet/store';
import { readChecks, readReturns } from '../cabinet/toolRecords';
import { listLimits } from '../documents/limits';
import { listLooks } from '../documents/looks';
import { newestLots, readJournalOfLot, takenSince, toolsTaken } from '../entry/rows';
import { refusals } from '../http/problems';
import { loomOf } from '../loom/store';
import { readZone } from '../shop/store';

export interface CombinationRow {
  id: string;
  number: string;
  list: string;
  terminal: string;
  terminal_revision: number;
  wire: string;
  wire_revision: number;
  practice: string;
  practice_revision: number;
  pieces: number;
  place: Combination['place'];
  class: string;
  customer: string | null;
  together: { part: string; revision: number }[];
  /** Wires at the other end of a splice. */
  opposite: { part: string; revision: number }[];
  demand: Combination['demand'];
  /** It came with a record file of before such files were kept apart. */
  read_in: boolean;
}

/** A combination as it crosses the wire. */
export const toCombination = (row: CombinationRow): Combination => ({
  id: row.id,
  list: row.list,
  terminal: row.terminal,
  wire: row.wire,
  pieces: row.pieces,
  place: row.place,
  class: row.class,
  customer: row.customer,
  demand: row.demand,
  readIn: row.read_in,
});

/** A page of combinations after the given number (0: from the first), with the number to go on from. */
export async function pageCombinations(
  db: Knex,
  after: number,
  most: number,
  which: Partial<Pick<CombinationRow, 'id' | 'list' | 'class'>> = {},
) {
  const rows = await db<CombinationRow>('combinations')
    .where(which)
    .where('number', '>', after)
    .orderBy('number')
    .limit(most);
  const last = rows.at(-1);
  return { rows, next: rows.length === most && last ? Number(last.number) : null };
}

/** Combinations of one list or class, in order, a batch at a time: any number needs the memory of one batch. */
export async function* batches(
  db: Knex,
  which: Partial<Pick<CombinationRow, 'id' | 'list' | 'class'>>,
): AsyncGenerator<CombinationRow[]> {
  for (let after: number | null = 0; after !== null;) {
    const page: Awaited<ReturnType<typeof pageCombinations>> = await pageCombinations(db, after, 50, which);
    if (page.rows.length) yield page.rows;
    after = page.next;
  }
}

/** What every set-up of the shop shares. Other terminals are read only where one is refused. */
export async function readShared(db: Knex, since?: ReadonlyMap<string, string>) {
  const [strippers, tools, checks, returns, limits, looks, zone] = await Promise.all([
    listParts(db, 'stripper'),
    listParts(db, 'tool'),
    readChecks(db, since),
    readReturns(db),
    listLimits(db),
    listLooks(db),
    readZone(db),
  ]);
  return { strippers, tools, checks, returns, limits, looks, zone, cabinet: [] };
}

async function newestOf(
  db: Knex,
  kind: 'terminal' | 'wire' | 'practice',
  rows: readonly CombinationRow[],
): Promise<Map<string, number>> {
  const others = kind === 'wire' ? rows.flatMap((row) => [...row.together, ...row.opposite].map((w) => w.part)) : [];
  const parts = [...new Set([...rows.map((row) => row[kind]), ...others])];
  const found = (await db('parts')
    .where({ kind })
    .whereIn('part', parts)
    .groupBy('part')
    .select('part')
    .max('revision as revision')) as { part: string; revision: number }[];
  return new Map(found.map((row) => [row.part, row.revision]));
}

/** The contexts combinations are set up from: their own part revisions and the shop's tools, checks and limits. */
export async function contextsOf(
  db: Knex,
  rows: readonly CombinationRow[],
  shared: Awaited<ReturnType<typeof readShared>>,
): Promise<Map<string, SetUpContext>> {
  const revisions = <K extends 'terminal' | 'wire' | 'practice'>(kind: K) =>
    readRevisions(
      db,
      kind,
      rows.map((row) => ({ part: row[kind], revision: row[`${kind}_revision`] })),
    );
  const [terminals, wires, further, practices, newestTerminal, newestWire, newestPractice] = await Promise.all([
    revisions('terminal'),
    revisions('wire'),
    readRevisions(
      db,
      'wire',
      rows.flatMap((row) => [...row.together, ...row.opposite]),
    ),
    revisions('practice'),
    newestOf(db, 'terminal', rows),
    newestOf(db, 'wire', rows),
    newestOf(db, 'practice', rows),
  ]);
  return new Map(
    rows.map((row) => {
      const terminal = terminals.get(revisionKey(row.terminal, row.terminal_revision));
      const wire = wires.get(revisionKey(row.wire, row.wire_revision));
      const practice = practices.get(revisionKey(row.practice, row.practice_revision));
      const wiresOf = (of: CombinationRow['together']) =>
        of.flatMap((w) => further.get(revisionKey(w.part, w.revision)) ?? []);
      const [together, opposite] = [wiresOf(row.together), wiresOf(row.opposite)];
      const isWhole = together.length === row.together.length && opposite.length === row.opposite.length;
      if (!terminal || !wire || !practice || !isWhole) {
        throw new Error(`Combination ${row.id} names a part revision that is not there.`);
      }
      const context: SetUpContext = {
        ...shared,
        terminal,
        wire,
        together,
        opposite,
        practice,
        use: { ...row.demand, place: row.place },
        class: row.class,
        revisions: {
          terminal: row.terminal_revision,
          wire: row.wire_revision,
          together: row.together.map((w) => w.revision),
          ...(opposite.length && { opposite: row.opposite.map((w) => w.revision) }),
          practice: row.practice_revision,
        },
        newest: {
          terminal: newestTerminal.get(row.terminal) ?? row.terminal_revision,
          wire: newestWire.get(row.wire) ?? row.wire_revision,
          together: row.together.map((w) => newestWire.get(w.part) ?? w.revision),
          ...(opposite.length && { opposite: row.opposite.map((w) => newestWire.get(w.part) ?? w.revision) }),
          practice: newestPractice.get(row.practice) ?? row.practice_revision,
        },
      };
      return [row.id, context];
    }),
  );
}

/** The context of one combination. */
export async function contextOf(
  db: Knex,
  row: CombinationRow,
  shared: Awaited<ReturnType<typeof readShared>>,
): Promise<SetUpContext> {
  const context = (await contextsOf(db, [row], shared)).get(row.id);
  if (!context) throw new Error(`Combination ${row.id} has no context.`);
  return context;
}

export async function readRow(db: Knex, id: string): Promise<CombinationRow> {
  const row = await db<CombinationRow>('combinations').where({ id }).first();
  if (!row) throw refusals.notFound('This combination');
  return row;
}

/** The lot a view is of: the one asked for, or the newest. */
async function lotOfView(db: Knex, id: string, lot: number | null): Promise<number | null> {
  return lot ?? (await newestLots(db, [id])).get(id) ?? null;
}

/**
 * A combination with its journal.
 * @param which entries of the 'set-up' and the heads of lots alone, or beside them those of one lot; null: the newest
 */
export async function readView(db: Knex, id: string, which: 'set-up' | number | null = null): Promise<CombinationView> {
  const row = await readRow(db, id);
  const lot = await lotOfView(db, id, which === 'set-up' ? null : which);
  const entries = await readJournalOfLot(db, id, which === 'set-up' ? null : lot);
  return { ...(await headOf(db, row, lot, takenSince([entries]))), entries };
}

/** The same without the journal, of which nothing is read but when tools were taken. */
export async function readHead(db: Knex, id: string, lot: number | null): Promise<Omit<CombinationView, 'entries'>> {
  const row = await readRow(db, id);
  return headOf(db, row, await lotOfView(db, id, lot), await toolsTaken(db, id));
}

async function headOf(
  db: Knex,
  row: CombinationRow,
  lot: number | null,
  taken: ReadonlyMap<string, string>,
): Promise<Omit<CombinationView, 'entries'>> {
  const shared = await readShared(db, taken);
  const context = await contextOf(db, row, shared);
  const { terminal, wire, together, opposite, practice, use, revisions, newest } = context;
  // The cabinet is needed only to name what would fit instead.
  const refused = judgeEnds(terminal, [wire, ...together], opposite, use, practice).verdict === 'no';
  return {
    combination: toCombination(row),
    wire,
    together: [...together],
    opposite: [...opposite],
    terminal,
    practice,
    revisions,
    newest,
    strippers: shared.strippers,
    tools: shared.tools,
    checks: shared.checks,
    returns: shared.returns,
    limits: shared.limits,
    looks: shared.looks,
    zone: shared.zone,
    lot,
    coverings: (await listParts(db, 'covering')).filter((part) => part.recoveredBore !== null),
    loom: row.read_in ? [] : await loomOf(db, row.list, row),
    cabinet: refused ? await listParts(db, 'terminal') : [],
  };
}
