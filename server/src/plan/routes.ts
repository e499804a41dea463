import { API } from '@tug-mark/contract';
import type { FastifyInstance, FastifyReply } from 'fastify';
import type { Knex } from 'knex';
import { serve } from '../api/serve';
import { readCsv } from '../files/readCsv';
import { writeCsv } from '../files/writeCsv';
import { refusals } from '../http/problems';
import { changeListWithin } from '../records/wireLists';
import { readShop } from '../shop/store';
import { keepFloor, readFloor, readNames } from './floor';
import { listGiven, readGiven, readNewestGiven } from './given';
import { givePlanOut } from './giveOut';
import { readPlanDay } from './planDay';
import { readQueue } from './queue';
import { readJobsFile, writeJobsFile } from './jobsFile';
import { moveStock, readLevels, readStock } from './stock';
import { readWent } from './went';
import { hoursTable, jobsTable, readCountTable, readDueTable, readHoursTable, stockTable } from './tables';

/** What a plan is made from, and plans as they are given out. */
export function planRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  const csv = (reply: FastifyReply, name: string, rows: readonly (readonly (string | number | null)[])[]) =>
    reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', `attachment; filename="${name}.csv"`)
      .send(writeCsv(rows));

  serve(app, API.readFloor, () => readFloor(db));
  serve(app, API.keepFloor, ({ body, doer }) => keepFloor(db, body.revision, body.floor, doer));
  serve(app, API.writeHours, async ({ reply }) =>
    csv(reply, 'hours', hoursTable((await readFloor(db)).floor, await readNames(db))),
  );
  serve(app, API.readHours, async ({ body, doer }) => {
    const hours = readHoursTable(readCsv(body), await readNames(db));
    const { revision, floor } = await readFloor(db);
    return keepFloor(db, revision, { ...floor, hours }, doer);
  });

  serve(app, API.readStock, () => readStock(db));
  serve(app, API.moveStock, async ({ body, doer }) => {
    await moveStock(db, body, doer);
    return readStock(db);
  });
  serve(app, API.writeStock, async ({ reply }) => csv(reply, 'stock', stockTable(await readLevels(db))));
  serve(app, API.readCounts, async ({ body, doer }) => {
    await moveStock(db, readCountTable(readCsv(body)), doer);
    return readStock(db);
  });

  serve(app, API.readPlanDay, ({ query }) => readPlanDay(db, query.days), { plain: true });
  serve(app, API.writeJobs, async ({ query, reply }) =>
    csv(reply, 'jobs', jobsTable(await readPlanDay(db, query.days))),
  );
  serve(app, API.writeJobsFile, async ({ reply }) => {
    void reply.header('content-disposition', 'attachment; filename="jobs.json"');
    return writeJobsFile(db);
  });
  serve(app, API.readJobsFile, ({ body, doer }) => readJobsFile(db, body, doer));
  serve(app, API.readDues, async ({ body, doer }) => {
    const known = (await db('wire_lists').select('id', 'name', 'archived_at')) as {
      id: string;
      name: string;
      archived_at: Date | null;
    }[];
    const lists = new Map(known.map((list) => [list.name, list]));
    const rows = readDueTable(readCsv(body), new Set(lists.keys()));
    await db.transaction(async (trx) => {
      for (const { list, due, priority } of rows) {
        const own = lists.get(list);
        if (own) await changeListWithin(trx, own.id, { due, priority, archived: own.archived_at !== null }, doer);
      }
    });
    return { lists: rows.length };
  });

  serve(app, API.readQueue, ({ query }) => readQueue(db, query.known), { plain: true });
  serve(app, API.givePlanOut, ({ body, doer }) => givePlanOut(db, body, doer));
  serve(app, API.listGivenPlans, () => listGiven(db));
  serve(app, API.readGivenPlan, ({ params }) => readGiven(db, params.revision), { plain: true });
  serve(app, API.readPlanWent, ({ params }) => readWent(db, params.revision), { plain: true });
  serve(app, API.writeCalendar, async ({ query, reply }) => {
    const plan = await readNewestGiven(db);
    if (!plan) throw refusals.notFound('A plan that was given out');
    // What writes calendars is read with the first one, so that a start does not wait for it.
    const { writeCalendar } = await import('./calendar');
    return reply
      .type('text/calendar; charset=utf-8')
      .header('content-disposition', 'attachment; filename="plan.ics"')
      .send(writeCalendar(plan, (await readShop(db)).name, query));
  });
  return Promise.resolve();
}
