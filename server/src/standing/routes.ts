import { API } from '@tug-mark/contract';
import type { FastifyInstance, FastifyReply } from 'fastify';
import type { Knex } from 'knex';
import { sayAway, sendOn } from '../api/forward';
import { serve } from '../api/serve';
import type { ReadingsFirst } from '../live/ReadingsFirst';
import type { Projector } from './Projector';
import { readPage, type Page } from './store';

/** Combinations per page of the bench list. */
const PAGE = 200;

/**
 * The bench: every combination with where it stands.
 *
 * @param projector works out what is behind; null: the process for reports does. That one is asked whenever something is
 *   behind, and as long as readings come in, which keep this one busy.
 */
export function standingRoutes(
  app: FastifyInstance,
  { db, projector, first }: { db: Knex; projector: Projector | null; first: ReadingsFirst },
): Promise<void> {
  serve(app, API.listCombinations, async ({ query, request, reply }) => {
    const shop = { zone: request.shopZone };
    const read = () => readPage(db, query.after, PAGE, shop);
    const whatIsKnown = async (answer: FastifyReply) => {
      const page = await read();
      // Lines that are behind say so; one that is not there yet would be missing without a word.
      if (page.fresh.length) sayAway(answer);
      else send(answer, page);
    };
    if (!projector && first.areComingIn()) return sendOn(request, reply, whatIsKnown);
    const page = await read();
    if (!page.fresh.length && !page.behind.length) return send(reply, page);
    if (!projector) return sendOn(request, reply, whatIsKnown);
    return send(reply, (await projector.settle(page, shop)) ? await read() : page);
  });
  return Promise.resolve();
}

/** As it is kept: read and written again it would only be the same text. */
function send(reply: FastifyReply, { lines, count, last }: Page): FastifyReply {
  const next = count === PAGE ? Number(last) : null;
  return reply.type('application/json; charset=utf-8').send(`{"lines":[${lines}],"next":${JSON.stringify(next)}}`);
}
