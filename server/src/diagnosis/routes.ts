import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { z } from 'zod';
import { signedIn } from '../people/session';

/** Newest cases a diagnosis learns from: older ones are of other tools and people. */
const MOST_CASES = 2000;

/** Causes the shop has confirmed, newest first, with what was known when they were. Corrected ones are left out. */
export const causeRoutes: FastifyPluginAsyncZod<{ db: Knex }> = (app, { db }) => {
  app.get(
    '/causes',
    { schema: { response: { 200: z.array(z.object({ cause: z.string(), evidence: z.array(z.string()) })) } } },
    async (request) => {
      signedIn(request);
      const rows = (await db('journal as own')
        .whereRaw("own.body ->> 'kind' = 'cause'")
        .whereNotExists(db('journal as later').whereRaw('later.corrects = own.id'))
        .orderBy('own.at', 'desc')
        .limit(MOST_CASES)
        .select('own.body')) as { body: { cause: string; evidence: string[] } }[];
      return rows.map(({ body: { cause, evidence } }) => ({ cause, evidence }));
    },
  );
  return Promise.resolve();
};
