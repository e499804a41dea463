import { API } from '@tug-mark/contract';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import type { Knex } from 'knex';
import { z } from 'zod';
import { sayAway, sendOn } from '../api/forward';
import { readEnd } from '../api/readEnd';
import { serve } from '../api/serve';
import type { ReadingsFirst } from '../live/ReadingsFirst';
import { readBenchPage, readBenchTotals, type BenchQuery } from './bench';
import type { Projector } from './Projector';
import { readPage, type Page } from './store';

/** Combinations per page of a list. */
const PAGE = 200;

const endSchema = z.tuple([z.union([z.string().max(200), z.number()]), z.number().int()]);

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
  /** Answers with a page whose lines are up to date, or as good as can be said. */
  async function answer<P extends Page>(
    request: FastifyRequest,
    reply: FastifyReply,
    read: () => Promise<P>,
    next: (page: P) => unknown,
  ): Promise<FastifyReply> {
    const send = (to: FastifyReply, page: P) =>
      // As it is kept: read and written again it would only be the same text.
      to
        .type('application/json; charset=utf-8')
        .send(`{"lines":[${page.lines}],"next":${JSON.stringify(page.count === PAGE ? next(page) : null)}}`);
    const whatIsKnown = async (to: FastifyReply) => {
      const page = await read();
      // Lines that are behind say so; one that is not there yet would be missing without a word.
      if (page.fresh.length) sayAway(to);
      else await send(to, page);
    };
    if (!projector && first.areComingIn()) return sendOn(request, reply, whatIsKnown);
    const page = await read();
    if (!page.fresh.length && !page.behind.length) return send(reply, page);
    if (!projector) return sendOn(request, reply, whatIsKnown);
    return send(reply, (await projector.settle(page, { zone: request.shopZone })) ? await read() : page);
  }

  serve(app, API.listCombinations, ({ query, request, reply }) =>
    answer(
      request,
      reply,
      () => readPage(db, query.after, PAGE, { zone: request.shopZone }),
      (page) => Number(page.last),
    ),
  );
  serve(app, API.listBench, ({ query, request, reply }) => {
    const asked: BenchQuery = { ...query, after: readEnd(query.after, endSchema) };
    return answer(
      request,
      reply,
      () => readBenchPage(db, asked, PAGE, { zone: request.shopZone }),
      (page) => JSON.stringify(page.end),
    );
  });
  serve(app, API.readBench, () => readBenchTotals(db));
  return Promise.resolve();
}
