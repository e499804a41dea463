import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { readFile } from 'node:fs/promises';
import { refusals } from '../http/problems';
import { readShop } from '../people/store';
import { signedIn } from '../people/session';

/** The demo's own wire list, to be imported by hand. Only the demo shop has it. */
export const demoRoutes: FastifyPluginAsyncZod<{ db: Knex }> = async (app, { db }) => {
  app.get('/demo/sprayer-loom.csv', { schema: { hide: true } }, async (request, reply) => {
    signedIn(request);
    if (!(await readShop(db)).isDemo) throw refusals.notFound('The demo’s wire list');
    return reply
      .type('text/csv; charset=utf-8')
      .send(await readFile(new URL('../../../demo/sprayer-loom.csv', import.meta.url)));
  });
};
