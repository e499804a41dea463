import type { LoomWire } from '@tug-mark/contract';
import { orderEnds, type Terminal } from '@tug-mark/core';
import type { Knex } from 'knex';
import { listParts } from '../cabinet/store';
import { refusals } from '../http/problems';

interface RowsAlike {
  wire: string;
  terminal_a: string;
  terminal_b: string;
  joined_a: boolean;
  joined_b: boolean;
  wires: number;
  ids: string[];
  more: boolean;
}

/** Names of wires that are told one by one; more of a kind are counted. */
const NAMED = 4;

/** The wires of one list, those alike together, with both their ends. @throws Refusal when there is no such list */
export async function readLoom(db: Knex, id: string): Promise<{ name: string; wires: LoomWire[] }> {
  const list = (await db('wire_lists').where({ id }).first('name')) as { name: string } | undefined;
  if (!list) throw refusals.notFound('That wire list');
  return { name: list.name, wires: await loomOf(db, list.name) };
}

/**
 * Wires of the list of that name that are alike, in the order in which they first appear, each with the order of its ends by the
 * newest sheets of its parts.
 * @param only those with this terminal on this wire
 */
export async function loomOf(
  db: Knex,
  name: string,
  only: { readonly terminal: string; readonly wire: string } | null = null,
): Promise<LoomWire[]> {
  const alike = (await db('wire_list_rows as r')
    .join('wire_lists as l', 'l.id', 'r.list')
    .where('l.name', name)
    .modify((query) => {
      if (only)
        void query
          .where('r.wire', only.wire)
          .where((either) => either.where('terminal_a', only.terminal).orWhere('terminal_b', only.terminal));
    })
    .groupBy('wire', 'terminal_a', 'terminal_b', db.raw("joint_a = ''"), db.raw("joint_b = ''"))
    .orderByRaw('min("row")')
    .select('wire', 'terminal_a', 'terminal_b')
    .select(
      db.raw("bool_or(joint_a <> '') AS joined_a, bool_or(joint_b <> '') AS joined_b, sum(quantity)::int AS wires"),
    )
    .select(
      db.raw(`(array_agg(wire_id ORDER BY "row"))[1:${NAMED}] AS ids, count(*) > ${NAMED} AS more`),
    )) as RowsAlike[];
  if (!alike.length) return [];
  // Of a cabinet of thousands only what these wires need: this is read with every combination.
  const [terminals, wires] = await Promise.all([
    listParts(db, 'terminal', [...new Set(alike.flatMap((row) => [row.terminal_a, row.terminal_b]))]),
    listParts(db, 'wire', [...new Set(alike.map((row) => row.wire))]),
  ]);
  const slidOn = [...new Set(terminals.flatMap(({ slideOn }) => slideOn.map(({ part }) => part)))];
  const coverings = await listParts(db, 'covering', slidOn);
  const terminalOf = new Map(terminals.map((terminal) => [terminal.part, terminal]));
  const wireOf = new Map(wires.map((wire) => [wire.part, wire]));
  const coveringOf = new Map(coverings.map((part) => [part.part, part]));
  const endOf = (part: string, joined: boolean) => ({
    terminal: part,
    label: terminalOf.get(part)?.label ?? '',
    joined,
  });
  return alike.flatMap((row): LoomWire[] => {
    const wire = wireOf.get(row.wire);
    if (!wire) return [];
    const [a, b] = [row.terminal_a, row.terminal_b].map((part) => terminalOf.get(part) ?? null) as [
      Terminal | null,
      Terminal | null,
    ];
    const order = orderEnds(
      wire,
      { terminal: a, joined: row.joined_a },
      { terminal: b, joined: row.joined_b },
      coveringOf,
    );
    return [
      {
        ...{ wire: wire.part, wireLabel: wire.label, wires: row.wires, ids: row.ids, more: row.more },
        ...{ a: endOf(row.terminal_a, row.joined_a), b: endOf(row.terminal_b, row.joined_b) },
        ...{ first: order.first, why: order.why, steps: [...order.steps] },
        reasons: order.reasons.map(({ weight, text }) => ({ bad: weight === 'bad', text })),
      },
    ];
  });
}
