import { API } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { serve } from '../api/serve';
import type { Projector } from './Projector';
import { pageIds, readLines } from './store';

/** Combinations per page of the bench list. */
const PAGE = 200;

/** The bench: every combination with where it stands. */
export function standingRoutes(
  app: FastifyInstance,
  { db, projector }: { db: Knex; projector: Projector },
): Promise<void> {
  serve(app, API.listCombinations, async ({ query, request, reply }) => {
    const { ids, next } = await pageIds(db, query.after, PAGE);
    await projector.settle(ids);
    // As it is kept: read and written again it would only be the same text.
    const lines = await readLines(db, ids, { zone: request.shopZone });
    return reply.type('application/json; charset=utf-8').send(`{"lines":${lines},"next":${JSON.stringify(next)}}`);
  });
  return Promise.resolve();
}
