import { limitKeySchema, limitTableSchema } from '@tug-mark/contract';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { z } from 'zod';
import { only, signedIn } from '../people/session';
import { listLimits, moveLimit } from './store';

/** The limit tables, and quality's hand on them. */
export const tugRoutes: FastifyPluginAsyncZod<{ db: Knex }> = async (app, { db }) => {
  app.get('/limits', { schema: { response: { 200: z.array(limitTableSchema) } } }, (request) => {
    signedIn(request);
    return listLimits(db);
  });

  for (const [path, to] of [
    ['/limits/release', 'released'],
    ['/limits/withdraw', 'withdrawn'],
  ] as const) {
    app.post(
      path,
      { onRequest: only('release-limits'), schema: { body: limitKeySchema, response: { 200: limitTableSchema } } },
      (request) => moveLimit(db, request.body, to, signedIn(request).name),
    );
  }
};
