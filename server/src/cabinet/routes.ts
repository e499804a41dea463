import { cabinetSchema, newToolCheckSchema, shopFileSchema, toolCheckSchema } from '@tug-mark/contract';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { z } from 'zod';
import { refusals } from '../http/problems';
import { only, signedIn } from '../people/session';
import { addCheck, keepShopFile, listParts, readCabinet } from './store';

/** What the shop has: wires, terminals, strippers, tools and practices, and the tools' checks. */
export const cabinetRoutes: FastifyPluginAsyncZod<{ db: Knex }> = async (app, { db }) => {
  app.get('/cabinet', { schema: { response: { 200: cabinetSchema } } }, (request) => {
    signedIn(request);
    return readCabinet(db);
  });

  app.post(
    '/shop-file',
    {
      onRequest: only('import-shop-file'),
      bodyLimit: 32 * 1024 * 1024,
      schema: { body: shopFileSchema, response: { 200: z.object({ parts: z.number(), limits: z.number() }) } },
    },
    (request) => keepShopFile(db, request.body, signedIn(request).name),
  );

  app.post(
    '/tool-checks',
    { onRequest: only('check-tool'), schema: { body: newToolCheckSchema, response: { 201: toolCheckSchema } } },
    async (request, reply) => {
      const tools = await listParts(db, 'tool');
      if (!tools.some((tool) => tool.part === request.body.tool)) throw refusals.notFound(`Tool ${request.body.tool}`);
      const check = { ...request.body, at: new Date().toISOString(), by: signedIn(request).name };
      return reply.code(201).send(await addCheck(db, check));
    },
  );
};
