import { unpackTrace, writeTraceCsv } from '@tug-mark/core';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { createHash } from 'node:crypto';
import { z } from 'zod';
import { refusals } from '../../http/problems';
import { only, signedIn } from '../../people/session';

const MEBIBYTE = 1024 * 1024;

interface TraceRow {
  id: string;
  combination: string;
  digest: string;
  bytes: Buffer;
}

/** The curves of pulls: kept before the reading that names them, never changed. */
export const traceRoutes: FastifyPluginAsyncZod<{ db: Knex }> = (app, { db }) => {
  app.addContentTypeParser(
    'application/octet-stream',
    { parseAs: 'buffer', bodyLimit: 16 * MEBIBYTE },
    (_request, body, done) => {
      done(null, body);
    },
  );
  const params = z.object({ id: z.uuid(), trace: z.uuid() });

  app.put(
    '/combinations/:id/traces/:trace',
    {
      onRequest: only('record'),
      bodyLimit: 16 * MEBIBYTE,
      schema: { params, response: { 200: z.object({ digest: z.string() }) } },
    },
    async (request) => {
      const bytes = request.body;
      const trace = Buffer.isBuffer(bytes) ? unpackTrace(bytes) : null;
      if (!trace || !Buffer.isBuffer(bytes)) throw refusals.traceUnreadable();
      const { id: combination, trace: id } = request.params;
      if (!(await db('combinations').where({ id: combination }).first('id')))
        throw refusals.notFound('This combination');
      const digest = createHash('sha256').update(bytes).digest('hex');
      await db('traces')
        .insert({
          id,
          combination,
          digest,
          rate: trace.rate,
          samples: trace.forces.length,
          bytes,
          by_name: signedIn(request).name,
        })
        .onConflict('id')
        .ignore();
      const standing = (await db('traces').where({ id }).first('digest', 'combination')) as TraceRow | undefined;
      if (standing?.digest !== digest || standing.combination !== combination) throw refusals.traceTaken();
      return { digest };
    },
  );

  const readRow = async (combination: string, id: string): Promise<TraceRow> => {
    const row = (await db('traces').where({ id, combination }).first('bytes', 'digest')) as TraceRow | undefined;
    if (!row) throw refusals.notFound('This curve');
    return row;
  };

  app.get('/combinations/:id/traces/:trace', { schema: { params } }, async (request, reply) => {
    signedIn(request);
    const { bytes } = await readRow(request.params.id, request.params.trace);
    return reply.type('application/octet-stream').send(bytes);
  });

  app.get('/combinations/:id/traces/:trace/csv', { schema: { params } }, async (request, reply) => {
    signedIn(request);
    const { bytes } = await readRow(request.params.id, request.params.trace);
    const trace = unpackTrace(bytes);
    if (!trace) throw refusals.notFound('This curve');
    return reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', `attachment; filename="curve-${request.params.trace}.csv"`)
      .send(writeTraceCsv(trace));
  });
  return Promise.resolve();
};
