import { API } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { readFile } from 'node:fs/promises';
import { DEMO } from '../files/places';
import { refusals } from '../http/problems';
import { serve } from '../api/serve';
import { readShop } from '../shop/store';

/** The demo's own wire list, to be imported by hand. Only the demo shop has it. */
export function demoRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  serve(app, API.demoWireList, async ({ reply }) => {
    if (!(await readShop(db)).isDemo) throw refusals.notFound('The demo’s wire list');
    return reply.type('text/csv; charset=utf-8').send(await readFile(new URL('sprayer-loom.csv', DEMO)));
  });
  return Promise.resolve();
}
