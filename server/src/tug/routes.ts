import { API } from '@tug-mark/contract';
import { isSameDocument, readLimitRows, today, writeLimitRows } from '@tug-mark/core';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { LIMIT_TABLES, listLimitRecords, listLimits } from '../documents/limits';
import { keepDraft, moveDocument } from '../documents/store';
import { writeCsv } from '../files/writeCsv';
import { readCsv } from '../files/readCsv';
import { refusals } from '../http/problems';
import { serve } from '../api/serve';
import { touchedBy } from './touched';

/** The limit tables: drafted by quality or engineering, released and withdrawn by quality. */
export function tugRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  const day = ({ shopZone }: { shopZone: string }) => today({ zone: shopZone }, new Date().toISOString());

  serve(app, API.listLimits, ({ request }) => listLimitRecords(db, day(request)));
  for (const [route, to] of [
    [API.releaseLimit, 'released'],
    [API.withdrawLimit, 'withdrawn'],
  ] as const) {
    serve(app, route, ({ body: { replaces, ...key }, doer, request }) =>
      moveDocument(db, LIMIT_TABLES, key, to, { ...doer, today: day(request), replaces }),
    );
  }
  serve(app, API.keepLimitDraft, async ({ body, doer, request }) => {
    await keepDraft(db, LIMIT_TABLES, body, doer);
    return listLimitRecords(db, day(request));
  });
  serve(app, API.touchedByLimits, ({ query, request }) => touchedBy(db, query, day(request)));
  serve(app, API.writeLimitRows, async ({ query, reply }) => {
    const { document, revision, class: className } = query;
    const table = (await listLimits(db)).find((t) => isSameDocument(t, query));
    if (!table) throw refusals.notFound(`${document} rev ${revision}`);
    const name = `limits-${document}-${revision}-${className}`.replace(/[^A-Za-z0-9.-]/g, '_');
    return reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', `attachment; filename="${name}.csv"`)
      .send(writeCsv(writeLimitRows(table.rows)));
  });
  serve(app, API.readLimitRows, ({ body }) => {
    const read = readLimitRows(readCsv(body));
    if (!read.ok) {
      throw refusals.listProblems(
        read.problems.map(({ row, column, value, text }) => ({ row, where: column, value, text })),
        read.total,
      );
    }
    return [...read.rows];
  });
  return Promise.resolve();
}
