import { certificateSchema, chainReportSchema } from '@tug-mark/contract';
import { drawCertificate, PAPERS } from '@tug-mark/core';
import { stringify } from 'csv-stringify/sync';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { z } from 'zod';
import { signedIn } from '../../people/session';
import { addPage, openPdf } from '../../sheets/writePdf';
import { verifyChain, verifyChains } from '../verifyChains';
import { readCertificate, toCertificate, toDrawing } from './store';

/** Chains checked in one request. */
const AT_ONCE = 50;

/** What a finished lot is handed over with, and the check that no journal was changed behind the application. */
export const certificateRoutes: FastifyPluginAsyncZod<{ db: Knex }> = (app, { db }) => {
  const params = z.object({ id: z.uuid(), lot: z.coerce.number().int().positive() });
  const nameOf = (lot: string) => `lot-${lot}`.replace(/[^A-Za-z0-9.-]/g, '_');

  app.get(
    '/combinations/:id/lots/:lot/certificate.json',
    { schema: { params, response: { 200: certificateSchema } } },
    async (request, reply) => {
      signedIn(request);
      const now = new Date().toISOString();
      const source = await readCertificate(db, request.params.id, request.params.lot, now);
      return reply
        .header('content-disposition', `attachment; filename="${nameOf(source.lot.head.name)}.json"`)
        .send(toCertificate(source, now));
    },
  );

  app.get('/combinations/:id/lots/:lot/certificate.csv', { schema: { params } }, async (request, reply) => {
    signedIn(request);
    const now = new Date().toISOString();
    const source = await readCertificate(db, request.params.id, request.params.lot, now);
    const { lot, checks, combination, limits } = toCertificate(source, now);
    const rows = checks.map(({ force, ...check }) => ({
      lot: lot.name,
      terminal: combination.terminal,
      wire: combination.wire,
      ...check,
      'force N': force ?? '',
      'limit N': limits[0]?.force ?? '',
    }));
    return reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', `attachment; filename="${nameOf(lot.name)}.csv"`)
      .send(stringify(rows, { header: true }));
  });

  app.get(
    '/combinations/:id/lots/:lot/certificate.pdf',
    { schema: { params, querystring: z.object({ paper: z.enum(PAPERS).default('A4') }) } },
    async (request, reply) => {
      signedIn(request);
      const now = new Date().toISOString();
      const source = await readCertificate(db, request.params.id, request.params.lot, now);
      const doc = openPdf(`Lot ${source.lot.head.name}`);
      const printedAt = `${now.slice(0, 16).replace('T', ' ')} UTC`;
      for (const page of drawCertificate(toDrawing(source, printedAt), request.query.paper)) addPage(doc, page);
      doc.end();
      return reply
        .type('application/pdf')
        .header('content-disposition', `attachment; filename="${nameOf(source.lot.head.name)}.pdf"`)
        .send(doc);
    },
  );

  app.get(
    '/combinations/:id/chain',
    {
      schema: {
        params: z.object({ id: z.uuid() }),
        response: { 200: z.object({ entries: z.number(), hash: z.string(), text: z.string().nullable() }) },
      },
    },
    (request) => {
      signedIn(request);
      return verifyChain(db, request.params.id);
    },
  );

  app.get(
    '/chains',
    {
      schema: {
        querystring: z.object({ after: z.coerce.number().int().nonnegative().default(0) }),
        response: { 200: chainReportSchema },
      },
    },
    (request) => {
      signedIn(request);
      return verifyChains(db, request.query.after, AT_ONCE);
    },
  );
  return Promise.resolve();
};
