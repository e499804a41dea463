import { gaugeSchema } from '@tug-mark/contract';
import { packTrace } from '@tug-mark/core';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { z } from 'zod';
import { refusals } from '../../http/problems';
import { only, signedIn } from '../../people/session';
import type { GaugeBridge } from './bridge';
import { keepGauge, listGauges } from './store';

/** The shop's force gauges: their settings, zeroing, and the curve of the last pull. */
export const gaugeRoutes: FastifyPluginAsyncZod<{ db: Knex; bridge: GaugeBridge }> = (app, { db, bridge }) => {
  const params = z.object({ id: z.string().max(40) });

  app.get('/gauges', { schema: { response: { 200: z.array(gaugeSchema) } } }, (request) => {
    signedIn(request);
    return listGauges(db);
  });

  app.put(
    '/gauges',
    { onRequest: only('edit-cabinet'), schema: { body: gaugeSchema, response: { 200: z.array(gaugeSchema) } } },
    async (request) => {
      await keepGauge(db, request.body, signedIn(request).name);
      bridge.changed(request.body.id);
      return listGauges(db);
    },
  );

  app.post(
    '/gauges/:id/zero',
    { onRequest: only('record'), schema: { params, response: { 200: z.object({ sent: z.boolean() }) } } },
    (request) => ({ sent: bridge.command(request.params.id, 'zeroCommand') }),
  );

  app.get('/gauges/:id/trace', { schema: { params } }, async (request, reply) => {
    signedIn(request);
    const trace = await bridge.trace(request.params.id);
    if (typeof trace === 'string') throw refusals.gaugeSilent(trace);
    return reply.type('application/octet-stream').send(Buffer.from(packTrace(trace)));
  });
  return Promise.resolve();
};
