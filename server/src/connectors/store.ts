import type { LoomConnectors } from '@tug-mark/contract';
import type { Plug } from '@tug-mark/core';
import type { Knex } from 'knex';
import { listParts } from '../cabinet/store';
import { setUpsOf } from '../combination/setUps';
import { batches } from '../combination/store';
import { JOURNAL_COLUMNS, OF_LOOM, toEntry, type JournalRow } from '../entry/rows';
import { refusals } from '../http/problems';

interface PluggedRow {
  wire_id: string;
  wire: string;
  quantity: number;
  terminal_a: string;
  terminal_b: string;
  plug_a: Plug | null;
  plug_b: Plug | null;
}

/** A wire's end that goes into a cavity. */
interface Plugged {
  readonly plug: Plug;
  readonly wireId: string;
  readonly wire: string;
  readonly terminal: string;
  readonly quantity: number;
}

/**
 * The connectors of a list in the order of their names, what goes into each of their cavities by the list, and what is on record of
 * it: of every combination of the list that has a contact in a cavity.
 * @throws Refusal when there is no such list
 */
export async function readConnectors(db: Knex, id: string): Promise<LoomConnectors> {
  const list = (await db('wire_lists').where({ id }).first('name')) as { name: string } | undefined;
  if (!list) throw refusals.notFound('That wire list');
  const rows = (await db('wire_list_rows')
    .where({ list: id })
    .where((some) => some.whereNotNull('plug_a').orWhereNotNull('plug_b'))
    .orderBy('row')
    .select('wire_id', 'wire', 'quantity', 'terminal_a', 'terminal_b', 'plug_a', 'plug_b')) as PluggedRow[];
  const ends = rows.flatMap((row): Plugged[] => {
    const about = { wireId: row.wire_id, wire: row.wire, quantity: row.quantity };
    return [
      ...(row.plug_a ? [{ ...about, plug: row.plug_a, terminal: row.terminal_a }] : []),
      ...(row.plug_b ? [{ ...about, plug: row.plug_b, terminal: row.terminal_b }] : []),
    ];
  });
  const contacts = await contactsOf(db, list.name, new Set(ends.map(({ terminal }) => terminal)));
  const parts = new Map(
    (await listParts(db, 'connector', [...new Set(ends.flatMap(({ plug }) => plug.part || []))])).map((part) => [
      part.part,
      part,
    ]),
  );
  const names = [...new Set(ends.map(({ plug }) => plug.connector))].sort((a, b) =>
    a.localeCompare(b, 'en', { numeric: true }),
  );
  return {
    name: list.name,
    connectors: names.map((name) => {
      const own = ends.filter(({ plug }) => plug.connector === name);
      const part = own.find(({ plug }) => plug.part !== '')?.plug.part;
      return {
        name,
        part: part === undefined ? null : (parts.get(part) ?? null),
        looms: Math.max(...own.map(({ quantity }) => quantity)),
        wires: own.map(({ plug, wireId, wire, terminal, quantity }) => {
          const found =
            contacts.find((each) => each.terminal === terminal && each.wires.includes(wire)) ??
            contacts.find((each) => each.terminal === terminal);
          return {
            ...{ cavity: plug.cavity, wireId, wire, terminal, looms: quantity },
            ...{ contact: found?.contact ?? null, push: found?.push ?? null, combination: found?.id ?? null },
          };
        }),
      };
    }),
    work: await workOf(
      db,
      contacts.map((each) => each.id),
    ),
  };
}

/** How the contacts of a list go in and out, by the newest set-up of each. */
async function contactsOf(db: Knex, list: string, terminals: ReadonlySet<string>) {
  const now = new Date().toISOString();
  const found = [];
  for await (const all of batches(db, { list })) {
    const rows = all.filter((row) => terminals.has(row.terminal));
    for (const { row, context, setUp } of await setUpsOf(db, rows, 'set-up', now)) {
      found.push({
        ...{
          id: row.id,
          terminal: row.terminal,
          contact: context.terminal.cavity,
          push: setUp.retention?.force ?? null,
        },
        wires: [row.wire, ...row.together.map(({ part }) => part)],
      });
    }
  }
  return found;
}

async function workOf(db: Knex, combinations: readonly string[]): Promise<LoomConnectors['work']> {
  const rows = (await db('journal')
    .whereIn('combination', combinations)
    .whereRaw(OF_LOOM)
    .orderBy(['at', 'seq'])
    .select(JOURNAL_COLUMNS)) as JournalRow[];
  return rows.map((row) => ({ ...toEntry(row), combination: row.combination }));
}
