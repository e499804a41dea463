import type { Happened, PlanDay } from '@tug-mark/contract';
import { may } from '@tug-mark/contract';
import {
  benchStep,
  entriesOf,
  judgeCombination,
  judgeLot,
  lotNumbers,
  named,
  ofCurrentRun,
  ownSeconds,
  planShop,
  settingOf,
  readLot,
  type Family,
  type FloorPerson,
  type ListToMake,
  type LotHead,
  type Means,
  type PlanNote,
  type Plug,
  type StandingTool,
  type ShopPlan,
  type ToMake,
  type WireToCut,
} from '@tug-mark/core';
import type { Knex } from 'knex';
import { listParts } from '../cabinet/store';
import { setUpsOf, type RowSetUp } from '../combination/setUps';
import { batches } from '../combination/store';
import { longLots, readJournalOfLot } from '../entry/rows';
import { loomOf } from '../loom/store';
import { listPeople } from '../people/store';
import { readZone } from '../shop/store';
import { readFloor } from './floor';
import { readNewestGiven } from './given';
import { learnFrom } from './learn';
import { readLevels } from './stock';

/** A list that is planned, with what its rows say. */
interface ListRow {
  readonly id: string;
  readonly name: string;
  readonly due: string | null;
  readonly priority: number;
  readonly cut_at: Date | null;
}

/** Combinations a plan looks at, those that are due first: beyond that no search comes to an end a shop could wait for. */
const MOST = 5000;

/** What a check plan is when no lot of a combination has said another. */
const EVERY_PIECES = 50;

/** Everything a plan is made from as the shop stands now, and how the plan given out goes. */
export async function readPlanDay(db: Knex, days: number, now = new Date(), most = MOST): Promise<PlanDay> {
  // A plan begins with a whole minute.
  const start = new Date(Math.floor(now.getTime() / 60_000) * 60_000).toISOString();
  const [floorKept, zone, tools, people, stock, given, rows] = await Promise.all([
    readFloor(db),
    readZone(db),
    listParts(db, 'tool'),
    listPeople(db),
    readLevels(db),
    readNewestGiven(db),
    db('wire_lists')
      .whereNull('archived_at')
      .orderByRaw('due ASC NULLS LAST, name')
      .select('id', 'name', db.raw('due::text'), 'priority', 'cut_at') as Promise<ListRow[]>,
  ]);
  const { floor } = floorKept;
  const learned = await learnFrom(db, floor, zone, tools);
  const pieceTime = (family: Family, means: Means) =>
    learned.pieces.find((one) => one.family === family && one.means === means && one.isEnough);
  const toMake: ToMake[] = [];
  const happened: Happened[] = [];
  const lists: ListToMake[] = [];
  const wires: PlanDay['wires'] = [];
  const notReached: string[] = [];
  const taken = await readTaken(db);
  const standing: StandingTool[] = [];
  for (const list of rows) {
    if (toMake.length >= most) {
      notReached.push(list.name);
      continue;
    }
    const own: ToMake[] = [];
    for await (const batch of batches(db, { list: list.name })) {
      const open = batch.filter(({ read_in }) => !read_in);
      const long = await longLots(
        db,
        open.map(({ id }) => id),
      );
      for (const each of await setUpsOf(db, open, 'newest-lot', now.toISOString())) {
        // A lot of thousands comes with its head alone, which does not say how far it is.
        const entries = long.has(each.row.id)
          ? await readJournalOfLot(db, each.row.id, lotNumbers(each.entries).at(-1) ?? null)
          : each.entries;
        const made = toMakeOf({ ...each, entries }, now.toISOString());
        const stands = standingOf({ ...each, entries }, taken, made.isProved);
        if (stands) standing.push(stands);
        if (made.toMake) own.push(made.toMake);
        if (made.happened) happened.push(made.happened);
      }
    }
    if (!own.length) continue;
    toMake.push(...own);
    const { wires: cut, connectors } = await wiresOf(db, list, own);
    wires.push(...cut.map((wire) => ({ ...wire, isCut: list.cut_at !== null })));
    lists.push({
      ...{ name: list.name, due: list.due, weight: list.priority, isCut: list.cut_at !== null },
      ...{ wires: cut.reduce((sum, { quantity }) => sum + quantity, 0), connectors },
      order: await orderOf(db, list.name, own),
    });
  }
  const levels = new Map(stock.map((part) => [part.part, part]));
  const plan: ShopPlan = planShop({
    ...{ start, zone, days, floor, tools, standing, lists, toMake },
    people: people
      .filter(({ active }) => active)
      .map((person): FloorPerson => ({
        ...{ id: person.id, name: person.name },
        ...{ qualifiedUntil: person.qualifiedUntil, qualifications: person.qualifications },
        makes: person.roles.includes('technician'),
        releases: may(person.roles, 'release-set-up'),
      })),
    timeOf: (family, means) => {
      const found = pieceTime(family, means);
      return found
        ? { seconds: found.seconds, pieces: found.pieces }
        : { seconds: ownSeconds(floor, family, means), pieces: 0 };
    },
    // What a check takes before its first note is in the seconds of the pieces: the one goes with the other or not at all.
    stepTime: (step, family, means) =>
      step === 'check' && !pieceTime(family, means)
        ? null
        : (learned.steps.find(
            (one) => one.step === step && one.family === family && one.means === means && one.isEnough,
          )?.minutes ?? null),
    supplyOf: (part) => {
      const found = levels.get(part);
      return found ? { have: found.amount, expected: found.expected } : null;
    },
  });
  const { work, about, ends, cannot, notes } = plan;
  return {
    ...{ start, zone, days, floor: floorKept, stock, learned, given, happened, wires },
    ...{ work, about: [...about], ends, cannot: [...cannot] },
    notes: [...notes, ...tellNotReached(notReached, most)],
  };
}

function tellNotReached(lists: readonly string[], most: number): PlanNote[] {
  if (!lists.length) return [];
  const text = `More than ${most} combinations are to be made: ${named(lists)}, due last, are not planned yet. They are as soon as what comes before is made; lists that wait can be archived meanwhile.`;
  return [{ combination: null, text }];
}

/** What is still to be made of a combination, and what was made of it lately. */
function toMakeOf(
  { row, context, entries, setUp }: RowSetUp,
  now: string,
): { readonly toMake: ToMake | null; readonly happened: Happened | null; readonly isProved: boolean } {
  const heads = lotNumbers(entries).flatMap((lot) => readLot(entries, lot) ?? []);
  const newest = heads.at(-1);
  const verdict = newest ? judgeLot(setUp, entries, context, newest.lot, now) : null;
  // Of earlier lots the heads alone are here: they were made as they were opened.
  // What was scrapped of the newest has to be made once more.
  const made = heads.reduce(
    (sum, head) => sum + (head.state === 'finished' && head !== newest ? head.pieces : head.made),
    -(verdict?.counts.scrapped ?? 0),
  );
  const happened = happenedOf(row, newest ?? null, ofCurrentRun(entries), now);
  const pieces = row.pieces - made;
  const judgement = judgeCombination(setUp, entries, context, now);
  const { release } = judgement;
  const { state } = benchStep(setUp, judgement, entries, verdict);
  const isProved = release.state === 'released' || state === 'to-release';
  if (pieces <= 0) return { toMake: null, happened, isProved };
  const stands = entriesOf(ofCurrentRun(entries), 'release').at(-1)?.body.stands ?? null;
  return {
    ...{ happened, isProved },
    toMake: {
      ...{ combination: row.id, list: row.list, terminal: context.terminal, setUp, pieces },
      wires: [context.wire, ...context.together, ...context.opposite],
      released: release.state === 'released' ? stands : null,
      samples: context.practice.setUpPieces,
      everyPieces: newest ? newest.plan.everyPieces : EVERY_PIECES,
      held:
        verdict?.verdict === 'held' ? `lot ${verdict.head.name} is on hold: ${verdict.headline} Clear it first.` : null,
    },
  };
}

/** What a tool was set up for last, and whether a check says that another die is in it since. */
interface Taken {
  readonly combination: string;
  readonly die: string;
  readonly nest: string;
}

/** Of each tool the set-up it was taken for last, unless it was checked since with another die, or failed: then nobody knows how it stands. */
async function readTaken(db: Knex): Promise<ReadonlyMap<string, Taken>> {
  const { rows } = await db.raw<{ rows: (Taken & { tool: string })[] }>(
    `SELECT t.tool, t.combination, t.die, t.nest
       FROM (SELECT DISTINCT ON (body ->> 'tool') body ->> 'tool' AS tool, combination, body ->> 'die' AS die, body ->> 'nest' AS nest, at
               FROM journal WHERE kind = 'tool' ORDER BY body ->> 'tool', at DESC) t
      WHERE NOT EXISTS (SELECT 1 FROM tool_checks c
              WHERE c.tool = t.tool AND c.at > t.at AND (c.die <> t.die OR NOT c.go_passed OR NOT c.no_go_stopped))`,
  );
  return new Map(rows.map(({ tool, ...taken }) => [tool, taken]));
}

/** The tool that stands as it was set for a combination; null where none does. */
function standingOf(
  { row, context, setUp }: RowSetUp,
  taken: ReadonlyMap<string, Taken>,
  isProved: boolean,
): StandingTool | null {
  const candidate = setUp.toolChoice.candidates.find(({ tool, die, nest }) => {
    const last = taken.get(tool.part);
    return last?.combination === row.id && last.die === die.id && last.nest === nest.id;
  });
  if (!candidate) return null;
  return {
    ...{ tool: candidate.tool.part, set: settingOf(candidate, context.terminal) },
    ...{ combination: row.id, isProved },
  };
}

/** Hours after which a set-up that nobody went on with is no longer going on. */
const SET_UP_HOURS = 12;

/** What is on record of a combination as the board shows it: its lot, else its set-up. */
function happenedOf(
  { id, pieces }: RowSetUp['row'],
  lot: LotHead | null,
  run: RowSetUp['entries'],
  now: string,
): Happened | null {
  const taken = entriesOf(run, 'tool').at(-1);
  if (lot && (lot.state !== 'finished' || !taken || taken.at < lot.openedAt))
    return {
      ...{ combination: id, what: 'lot', startedAt: lot.openedAt, endedAt: lot.finishedAt, made: lot.made },
      ...{ pieces: lot.pieces, by: lot.openedBy, tool: lot.stands.tool },
    };
  if (!taken) return null;
  const released = entriesOf(run, 'release').at(-1)?.at ?? null;
  if (released === null && Date.parse(now) - Date.parse(taken.at) > SET_UP_HOURS * 3_600_000) return null;
  return {
    ...{ combination: id, what: 'set-up', startedAt: taken.at, endedAt: released, made: 0, pieces },
    ...{ by: taken.by, tool: taken.body.tool },
  };
}

/** Wires of a list as they are cut, and the connectors its contacts go into. */
async function wiresOf(db: Knex, list: ListRow, own: readonly ToMake[]) {
  const rows = (await db('wire_list_rows')
    .where({ list: list.id })
    .orderBy('row')
    .select('wire', 'length', 'quantity', 'terminal_a', 'terminal_b', 'plug_a', 'plug_b')) as {
    wire: string;
    length: number;
    quantity: number;
    terminal_a: string;
    terminal_b: string;
    plug_a: Plug | null;
    plug_b: Plug | null;
  }[];
  const connectors = new Map<string, { contacts: number; combinations: Set<string> }>();
  for (const row of rows)
    for (const [plug, terminal] of [
      [row.plug_a, row.terminal_a],
      [row.plug_b, row.terminal_b],
    ] as const) {
      if (!plug) continue;
      const found = connectors.get(plug.connector) ?? { contacts: 0, combinations: new Set<string>() };
      connectors.set(plug.connector, found);
      found.contacts += row.quantity;
      for (const each of own)
        if (each.terminal.part === terminal && each.wires.some(({ part }) => part === row.wire))
          found.combinations.add(each.combination);
    }
  return {
    wires: rows.map(({ wire, length, quantity }): WireToCut => ({
      list: list.name,
      wire,
      length: Number(length),
      quantity,
    })),
    connectors: [...connectors].map(([name, { contacts, combinations }]) => ({
      name,
      contacts,
      combinations: [...combinations],
    })),
  };
}

/** Combinations of which one end of a wire has to come before the other, where that is more than the order of the list. */
async function orderOf(db: Knex, list: string, own: readonly ToMake[]): Promise<ListToMake['order']> {
  const find = (terminal: string, wire: string) =>
    own.filter((each) => each.terminal.part === terminal && each.wires.some(({ part }) => part === wire));
  const pairs = new Map<string, ListToMake['order'][number]>();
  for (const wire of await loomOf(db, list)) {
    if (wire.first === null || wire.why.startsWith('Either end')) continue;
    const [first, then] = wire.first === 'A' ? [wire.a, wire.b] : [wire.b, wire.a];
    for (const one of find(first.terminal, wire.wire))
      for (const other of find(then.terminal, wire.wire))
        pairs.set(`${one.combination}/${other.combination}`, {
          ...{ first: one.combination, then: other.combination, why: wire.why },
        });
  }
  return [...pairs.values()];
}
