import type { JobsFile } from '@tug-mark/contract';
import { WIRE_LIST_COLUMNS, WIRE_LIST_KEYS, type Demand, type Plug, type WireListKey } from '@tug-mark/core';
import type { Knex } from 'knex';
import type { Doer } from '../chain/ledger';
import { Refusal, refusals } from '../http/problems';
import { changeListWithin, importWireList, usualGrade } from '../records/wireLists';

type FileList = JobsFile['lists'][number];
type FileWire = FileList['wires'][number];

interface WireRow {
  readonly list: string;
  readonly wire_id: string;
  readonly wire: string;
  readonly length: number;
  readonly terminal_a: string;
  readonly terminal_b: string;
  readonly quantity: number;
  readonly place: string;
  readonly joint_a: string;
  readonly joint_b: string;
  readonly demand_a: Demand;
  readonly demand_b: Demand;
  readonly plug_a: Plug | null;
  readonly plug_b: Plug | null;
}

/** A wire as its row says it; what says nothing is left out. */
function toWire(row: WireRow): FileWire {
  const { temperature, current, voltage, fuelNear } = row.demand_a;
  const all: Record<WireListKey, string | number | null> = {
    ...{
      wireId: row.wire_id,
      wirePart: row.wire,
      length: Number(row.length),
      quantity: row.quantity,
      place: row.place,
    },
    ...{ terminalA: row.terminal_a || '-', terminalB: row.terminal_b || '-', jointA: row.joint_a, jointB: row.joint_b },
    ...{ studA: row.demand_a.stud, studB: row.demand_b.stud, temperature, current, voltage },
    fuelNear: fuelNear ? 'yes' : null,
    ...{
      connectorA: row.plug_a?.connector ?? null,
      housingA: row.plug_a?.part ?? null,
      cavityA: row.plug_a?.cavity ?? null,
    },
    ...{
      connectorB: row.plug_b?.connector ?? null,
      housingB: row.plug_b?.part ?? null,
      cavityB: row.plug_b?.cavity ?? null,
    },
  };
  return Object.fromEntries(
    WIRE_LIST_KEYS.flatMap((key) => (all[key] === null || all[key] === '' ? [] : [[key, all[key]]])),
  );
}

async function wiresOf(db: Knex, list: string): Promise<FileWire[]> {
  return ((await db('wire_list_rows').where({ list }).orderBy('row')) as WireRow[]).map(toWire);
}

/** Every list on the bench with its wires, to be read in elsewhere or again. */
export async function writeJobsFile(db: Knex): Promise<JobsFile> {
  const rows = (await db('wire_lists')
    .whereNull('archived_at')
    .orderBy('name')
    .select('id', 'name', 'customer', db.raw('due::text'), 'priority', 'cut_at')) as (Pick<
    FileList,
    'id' | 'name' | 'customer' | 'due' | 'priority'
  > & { readonly cut_at: Date | null })[];
  const lists: FileList[] = [];
  for (const { cut_at, ...list } of rows) {
    const wires = await wiresOf(db, list.id);
    if (!wires.length) continue;
    const first = (await db('combinations').where({ list: list.name }).first('class')) as { class: string } | undefined;
    lists.push({ ...list, ...(first && { class: first.class }), cut: cut_at !== null, wires });
  }
  return { format: 'tug-mark/jobs', version: 1, lists };
}

const written = (wires: readonly FileWire[]) =>
  JSON.stringify(wires.map((wire) => WIRE_LIST_KEYS.map((key) => String(wire[key] ?? ''))));

/**
 * Takes lists in, whole or not at all, by the door a file of one list takes. Of a list that is here already its day, its weight and
 * whether it is cut are taken over.
 * @throws Refusal with each problem and the list it is in; when a list is here with other wires
 */
export async function readJobsFile(
  db: Knex,
  { lists }: JobsFile,
  doer: Doer,
): Promise<{ lists: number; made: number }> {
  const grade = await usualGrade(db);
  let made = 0;
  await db.transaction(async (trx) => {
    for (const list of lists) {
      const known = (await trx('wire_lists').where({ id: list.id }).first('name', 'archived_at')) as
        { name: string; archived_at: Date | null } | undefined;
      if (!known) {
        await importOne(trx, list, grade, doer);
        made++;
      } else if (written(await wiresOf(trx, list.id)) !== written(list.wires))
        throw refusals.nameTaken('A wire list with other wires under this id, named', known.name);
      const { due, priority, cut } = list;
      const archived = known !== undefined && known.archived_at !== null;
      await changeListWithin(trx, list.id, { due, priority, cut, archived }, doer);
    }
  });
  return { lists: lists.length, made };
}

async function importOne(trx: Knex, list: FileList, grade: string, doer: Doer): Promise<void> {
  const { id, name, customer, due, wires } = list;
  const used = WIRE_LIST_KEYS.filter(
    (key) => WIRE_LIST_COLUMNS[key].needed || wires.some((wire) => wire[key] !== undefined),
  );
  const table = [
    used.map((key) => WIRE_LIST_COLUMNS[key].name),
    ...wires.map((wire) => used.map((key) => String(wire[key] ?? ''))),
  ];
  try {
    await importWireList(
      trx,
      { ...{ id, name, customer, due, table }, class: list.class ?? grade, bytes: Buffer.from(written(wires)) },
      doer,
    );
  } catch (error) {
    // Of several lists each problem says in which.
    if (!(error instanceof Refusal) || !error.problem.errors) throw error;
    const { errors, total = errors.length } = error.problem;
    throw refusals.listProblems(
      errors.map((each) => ({ ...each, where: `${name}: ${each.where ?? ''}` })),
      total,
    );
  }
}
