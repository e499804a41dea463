import {
  documentKeySchema,
  limitRecordSchema,
  limitRowSchema,
  limitTableSchema,
  touchedSchema,
} from '@tug-mark/contract';
import { isSameDocument, readLimitRows, writeLimitRows } from '@tug-mark/core';
import { stringify } from 'csv-stringify/sync';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { z } from 'zod';
import { refusals } from '../http/problems';
import { only, signedIn } from '../people/session';
import { readCsv } from '../records/readCsv';
import { keepDraft, moveDocument } from '../documents/store';
import { LIMIT_TABLES, listLimitRecords, listLimits } from './store';
import { touchedBy } from './touched';

const today = () => new Date().toISOString().slice(0, 10);

/** The limit tables: drafted by quality or engineering, released and withdrawn by quality. */
export const tugRoutes: FastifyPluginAsyncZod<{ db: Knex }> = async (app, { db }) => {
  app.addContentTypeParser('text/csv', { parseAs: 'buffer', bodyLimit: 1024 * 1024 }, (_request, body, done) => {
    done(null, body);
  });

  app.get('/limits', { schema: { response: { 200: z.array(limitRecordSchema) } } }, (request) => {
    signedIn(request);
    return listLimitRecords(db, today());
  });

  for (const [path, to] of [
    ['/limits/release', 'released'],
    ['/limits/withdraw', 'withdrawn'],
  ] as const) {
    app.post(
      path,
      {
        onRequest: only('release-limits'),
        schema: {
          body: documentKeySchema.extend({ replaces: z.boolean().default(false) }),
          response: { 200: limitTableSchema },
        },
      },
      (request) => {
        const { replaces, ...key } = request.body;
        return moveDocument(db, LIMIT_TABLES, key, to, { by: signedIn(request).name, today: today(), replaces });
      },
    );
  }

  app.put(
    '/limits/draft',
    {
      onRequest: only('draft-limits'),
      schema: { body: limitTableSchema, response: { 200: z.array(limitRecordSchema) } },
    },
    async (request) => {
      await keepDraft(db, LIMIT_TABLES, request.body, signedIn(request).name);
      return listLimitRecords(db, today());
    },
  );

  app.get(
    '/limits/touched',
    {
      schema: {
        querystring: documentKeySchema,
        response: { 200: z.array(touchedSchema) },
      },
    },
    (request) => {
      signedIn(request);
      return touchedBy(db, request.query, new Date().toISOString());
    },
  );

  app.get('/limits/rows.csv', { schema: { querystring: documentKeySchema } }, async (request, reply) => {
    signedIn(request);
    const { document, revision, class: className } = request.query;
    const table = (await listLimits(db)).find((t) => isSameDocument(t, request.query));
    if (!table) throw refusals.notFound(`${document} rev ${revision}`);
    const name = `limits-${document}-${revision}-${className}`.replace(/[^A-Za-z0-9.-]/g, '_');
    return reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', `attachment; filename="${name}.csv"`)
      .send(stringify(writeLimitRows(table.rows)));
  });

  app.post(
    '/limits/rows',
    {
      onRequest: only('draft-limits'),
      schema: { consumes: ['text/csv'], response: { 200: z.array(limitRowSchema) } },
    },
    (request) => {
      signedIn(request);
      if (!Buffer.isBuffer(request.body)) throw refusals.fileUnreadable('Send the file itself, as text/csv.');
      const read = readLimitRows(readCsv(request.body));
      if (!read.ok) {
        throw refusals.listProblems(
          read.problems.map(({ row, column, value, text }) => ({ row, where: column, value, text })),
          read.total,
        );
      }
      return [...read.rows];
    },
  );
};
