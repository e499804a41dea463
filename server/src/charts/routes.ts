import {
  CHART_KINDS,
  chartAboutSchema,
  chartChoiceSchema,
  heightChartSchema,
  newBaselineSchema,
} from '@tug-mark/contract';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { Readable } from 'node:stream';
import { z } from 'zod';
import { refusals } from '../http/problems';
import { only, signedIn } from '../people/session';
import { readHeights } from './heights';
import { keepBaseline, listChoices, readAbout, streamPoints } from './store';

const query = z.object({ kind: z.enum(CHART_KINDS), value: z.string().min(1).max(200) });

/** Readings over time: their points as they stand, what happened between them, and the baseline that was frozen. */
export const chartRoutes: FastifyPluginAsyncZod<{ db: Knex }> = (app, { db }) => {
  app.get('/charts', { schema: { response: { 200: z.array(chartChoiceSchema) } } }, (request) => {
    signedIn(request);
    return listChoices(db);
  });

  app.get(
    '/charts/heights/:id',
    { schema: { params: z.object({ id: z.uuid() }), response: { 200: heightChartSchema } } },
    (request) => {
      signedIn(request);
      return readHeights(db, request.params.id);
    },
  );

  const find = async (kind: (typeof CHART_KINDS)[number], value: string) => {
    const found = (await listChoices(db)).find((choice) => choice.kind === kind && choice.value === value);
    if (!found) throw refusals.notFound('This chart');
    return found;
  };

  app.get('/charts/about', { schema: { querystring: query, response: { 200: chartAboutSchema } } }, async (request) => {
    signedIn(request);
    const { kind, value } = request.query;
    const { label } = await find(kind, value);
    return readAbout(db, kind, value, label, new Date().toISOString().slice(0, 10));
  });

  app.get('/charts/points', { schema: { querystring: query } }, async (request, reply) => {
    signedIn(request);
    const { kind, value } = request.query;
    await find(kind, value);
    return reply.type('application/octet-stream').send(Readable.from(streamPoints(db, kind, value)));
  });

  app.post(
    '/charts/baselines',
    { onRequest: only('draft-limits'), schema: { body: newBaselineSchema, response: { 201: chartAboutSchema } } },
    async (request, reply) => {
      const { kind, value } = request.body;
      const { label } = await find(kind, value);
      await keepBaseline(db, request.body, signedIn(request).name);
      return reply.code(201).send(await readAbout(db, kind, value, label, new Date().toISOString().slice(0, 10)));
    },
  );
  return Promise.resolve();
};
