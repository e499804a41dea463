import { STOCK_DEEDS, STOCK_KINDS, daysFrom, shopFloorSchema } from '@tug-mark/core';
import { ROLES } from '@tug-mark/contract';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { noteDeeds } from '../chain/deeds';
import type { Doer } from '../chain/ledger';
import { keepFloor } from '../plan/floor';
import { moveStock } from '../plan/stock';
import { changeWireList } from '../records/wireLists';
import { hashPassword } from '../session/passwords';
import { readZone } from '../shop/store';

const { hours, benches, closed, dueBy, endWorth } = shopFloorSchema.shape;
/** The made-up floor, its people by name and its days counted from the one the demo is loaded on. */
const floorFileSchema = z.strictObject({
  people: z.array(z.strictObject({ name: z.string(), role: z.enum(ROLES) })),
  floor: z.strictObject({ benches, closed, dueBy, endWorth }),
  hours: z.array(hours.element.omit({ person: true, days: true }).extend({ person: z.string() })),
  away: z.array(
    z.strictObject({ person: z.string(), fromDay: z.number().int(), toDay: z.number().int(), why: z.string() }),
  ),
  priorities: z.record(z.string(), z.number().int()),
  cut: z.array(z.string()),
  stock: z.array(
    z.strictObject({
      ...{ kind: z.enum(STOCK_KINDS), part: z.string(), what: z.enum(STOCK_DEEDS), amount: z.number() },
      reel: z.string().nullable().default(null),
      hoursAgo: z.number(),
      arrivesDay: z.number().int().optional(),
      arrives: z.string().optional(),
    }),
  ),
});

/** It is worked every day there, so that a plan is worth a look whenever the demo is loaded. */
const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7];

/**
 * Loads benches, hours, absences and stock of the made-up shop through the doors its people use, and those who have no sign-in of
 * their own to show.
 */
export async function loadFloor(db: Knex, file: unknown, now: Date, doer: Doer): Promise<void> {
  const read = floorFileSchema.parse(file);
  const zone = await readZone(db);
  const dayAt = (ahead: number) =>
    daysFrom(new Date(now.getTime() + ahead * 86_400_000).toISOString(), zone, 1)[0] as string;
  const others = read.people.map((person) => ({ id: randomUUID(), ...person }));
  await db.transaction(async (trx) => {
    for (const { id, name, role } of others)
      await trx('people').insert({
        id,
        name,
        role,
        password_hash: await hashPassword(randomUUID()),
        qualified_until: '2031-12-31',
      });
    await noteDeeds(
      trx,
      'people',
      'added',
      others.map(({ id }) => id),
      doer,
    );
  });
  const ids = new Map(
    ((await db('people').select('id', 'name')) as { id: string; name: string }[]).map(({ id, name }) => [name, id]),
  );
  const idOf = (name: string) => {
    const id = ids.get(name);
    if (id === undefined) throw new Error(`demo/floor.json: nobody is called ${name}`);
    return id;
  };
  const floor = shopFloorSchema.parse({
    ...read.floor,
    hours: read.hours.map((one) => ({ ...one, person: idOf(one.person), days: EVERY_DAY })),
    away: read.away.map(({ person, fromDay, toDay, why }) => ({
      ...{ person: idOf(person), why, from: `${dayAt(fromDay)}T00:00`, to: `${dayAt(toDay)}T00:00` },
    })),
  });
  await keepFloor(db, 0, floor, doer);
  const lists = (await db('wire_lists').select('id', 'name', db.raw('due::text'))) as {
    id: string;
    name: string;
    due: string | null;
  }[];
  for (const { id, name, due } of lists) {
    const change = { due, archived: false, priority: read.priorities[name], cut: read.cut.includes(name) };
    await changeWireList(db, id, change, doer);
  }
  // In the order it happened, each at its own time.
  for (const { hoursAgo, arrivesDay = 0, arrives, ...move } of read.stock.toSorted((a, b) => b.hoursAgo - a.hoursAgo))
    await moveStock(
      db,
      [
        {
          ...{ id: randomUUID(), settles: null, note: '' },
          ...{ ...move, arrives: arrives === undefined ? null : `${dayAt(arrivesDay)}T${arrives}` },
        },
      ],
      doer,
      new Date(now.getTime() - hoursAgo * 3_600_000),
    );
}
