import { API } from '@tug-mark/contract';
import type { FastifyInstance, FastifyReply } from 'fastify';
import type { Knex } from 'knex';
import { sendOn } from '../api/forward';
import { serve } from '../api/serve';
import type { Projector } from './Projector';
import { readPage, type Page } from './store';

/** Combinations per page of the bench list. */
const PAGE = 200;

/**
 * The bench: every combination with where it stands.
 *
 * @param projector works out what is behind; null: the process for reports does, and is asked whenever something is
 */
export function standingRoutes(
  app: FastifyInstance,
  { db, projector }: { db: Knex; projector: Projector | null },
): Promise<void> {
  serve(app, API.listCombinations, async ({ query, request, reply }) => {
    const shop = { zone: request.shopZone };
    const read = () => readPage(db, query.after, PAGE, shop);
    const page = await read();
    if (!page.fresh.length && !page.behind.length) return send(reply, page);
    if (projector) return send(reply, (await projector.settle(page, shop)) ? await read() : page);
    // Lines that are behind say so; one that is not there yet would be missing without a word.
    return page.fresh.length ? sendOn(request, reply) : sendOn(request, reply, (answer) => send(answer, page));
  });
  return Promise.resolve();
}

/** As it is kept: read and written again it would only be the same text. */
function send(reply: FastifyReply, { lines, count, last }: Page): FastifyReply {
  const next = count === PAGE ? Number(last) : null;
  return reply.type('application/json; charset=utf-8').send(`{"lines":[${lines}],"next":${JSON.stringify(next)}}`);
}
