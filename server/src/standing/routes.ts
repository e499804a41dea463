import { API } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { serve } from '../api/serve';
import type { Projector } from './Projector';
import { readPage } from './store';

/** Combinations per page of the bench list. */
const PAGE = 200;

/** The bench: every combination with where it stands. */
export function standingRoutes(
  app: FastifyInstance,
  { db, projector }: { db: Knex; projector: Projector },
): Promise<void> {
  serve(app, API.listCombinations, async ({ query, request, reply }) => {
    const shop = { zone: request.shopZone };
    const read = () => readPage(db, query.after, PAGE, shop);
    const found = await read();
    const page = (await projector.settle(found, shop)) ? await read() : found;
    const next = page.count === PAGE ? Number(page.last) : null;
    // As it is kept: read and written again it would only be the same text.
    return reply
      .type('application/json; charset=utf-8')
      .send(`{"lines":[${page.lines}],"next":${JSON.stringify(next)}}`);
  });
  return Promise.resolve();
}
