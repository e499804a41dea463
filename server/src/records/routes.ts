import { recordSchema, wireListKeptSchema } from '@tug-mark/contract';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { z } from 'zod';
import { refusals } from '../http/problems';
import { readFormerNames } from '../http/readFormerNames';
import type { Teller } from '../live/teller';
import { only, signedIn } from '../people/session';
import { importReadings } from './importReadings';
import { importRecord, makeRecord, recordToCsv } from './record';
import { importWireList } from './wireLists';

const MEBIBYTE = 1024 * 1024;

/** Files in and out: wire lists, and the record of a combination. */
export const recordRoutes: FastifyPluginAsyncZod<{ db: Knex; teller: Teller }> = async (app, { db, teller }) => {
  app.addContentTypeParser('text/csv', { parseAs: 'buffer', bodyLimit: 32 * MEBIBYTE }, (_request, body, done) => {
    done(null, body);
  });

  app.post(
    '/wire-lists',
    {
      onRequest: only('import-wire-list'),
      bodyLimit: 16 * MEBIBYTE,
      schema: {
        querystring: z.strictObject({
          id: z.uuid(),
          name: z.string().trim().min(1, 'is empty').max(60, 'is longer than 60 characters'),
          class: z.string().trim().min(1).max(40).default('2'),
          customer: z.string().trim().min(1).max(80).nullable().default(null),
        }),
        consumes: ['text/csv'],
        response: { 201: wireListKeptSchema },
      },
    },
    async (request, reply) => {
      if (!Buffer.isBuffer(request.body)) throw refusals.fileUnreadable('Send the file itself, as text/csv.');
      const kept = await importWireList(db, { ...request.query, bytes: request.body }, signedIn(request).name);
      return reply.code(201).send(kept);
    },
  );

  const params = z.object({ id: z.uuid() });
  app.get(
    '/combinations/:id/record.json',
    { schema: { params, response: { 200: recordSchema } } },
    async (request, reply) => {
      signedIn(request);
      const record = await makeRecord(db, request.params.id, new Date().toISOString());
      return reply
        .header('content-disposition', `attachment; filename="${fileName(record.combination)}.json"`)
        .send(record);
    },
  );

  app.get('/combinations/:id/record.csv', { schema: { params } }, async (request, reply) => {
    signedIn(request);
    const record = await makeRecord(db, request.params.id, new Date().toISOString());
    return reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', `attachment; filename="${fileName(record.combination)}.csv"`)
      .send(recordToCsv(record));
  });

  app.post(
    '/combinations/:id/lots/:lot/readings',
    {
      onRequest: only('record'),
      bodyLimit: 32 * MEBIBYTE,
      schema: {
        params: z.object({ id: z.uuid(), lot: z.coerce.number().int().positive() }),
        consumes: ['text/csv'],
        response: { 201: z.object({ readings: z.number() }) },
      },
    },
    async (request, reply) => {
      if (!Buffer.isBuffer(request.body)) throw refusals.fileUnreadable('Send the file itself, as text/csv.');
      const { id, lot } = request.params;
      const now = new Date().toISOString();
      const { readings, seq } = await importReadings(db, id, lot, request.body, signedIn(request), now);
      teller.tell(id, seq);
      return reply.code(201).send({ readings });
    },
  );

  app.post(
    '/records',
    {
      onRequest: only('import-record'),
      preValidation: readFormerNames,
      bodyLimit: 32 * MEBIBYTE,
      schema: { body: recordSchema, response: { 201: z.object({ id: z.uuid() }) } },
    },
    async (request, reply) => {
      await importRecord(db, request.body, signedIn(request).name);
      return reply.code(201).send({ id: request.body.combination.id });
    },
  );
};

function fileName({ terminal, wire }: { terminal: string; wire: string }): string {
  return `record-${terminal}-${wire}`.replace(/[^A-Za-z0-9.-]/g, '_');
}
