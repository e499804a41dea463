import { API } from '@tug-mark/contract';
import { drawCertificate, guardCell } from '@tug-mark/core';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { z } from 'zod';
import { writeCsv } from '../files/writeCsv';
import { readEnd } from '../api/readEnd';
import { serve } from '../api/serve';
import { addPage, openPdf } from '../pdf/writePdf';
import { readCertificate, toCertificate, toDrawing } from './certificate';
import { listLots } from './lots';

/** Lots per page. */
const PAGE = 200;

const endSchema = z.tuple([z.iso.datetime(), z.uuid()]);

/** The shop's lots, and what a finished one is handed over with. */
export function lotRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  const nameOf = (lot: string) => `lot-${lot}`.replace(/[^A-Za-z0-9.-]/g, '_');
  const now = () => new Date().toISOString();

  serve(app, API.listLots, ({ query }) => listLots(db, { ...query, after: readEnd(query.after, endSchema) }, PAGE));

  serve(app, API.writeCertificate, async ({ params, reply }) => {
    const at = now();
    const source = await readCertificate(db, params.id, params.lot, at);
    return reply
      .header('content-disposition', `attachment; filename="${nameOf(source.lot.head.name)}.json"`)
      .send(toCertificate(source, at));
  });
  serve(app, API.writeCertificateTable, async ({ params, reply }) => {
    const at = now();
    const source = await readCertificate(db, params.id, params.lot, at);
    const { lot, checks, combination, limits, corrections } = toCertificate(source, at);
    const rows = checks.map(({ force, ...check }) => ({
      lot: guardCell(lot.name),
      terminal: guardCell(combination.terminal),
      wire: guardCell(combination.wire),
      ...check,
      by: guardCell(check.by),
      'force N': force ?? '',
      'limit N': limits[0]?.force ?? '',
      corrected: guardCell(
        corrections
          .filter((c) => c.piece === check.piece)
          .map((c) => `was: ${c.was}; ${c.why}`)
          .join(' | '),
      ),
    }));
    return reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', `attachment; filename="${nameOf(lot.name)}.csv"`)
      .send(writeCsv([Object.keys(rows[0] ?? {}), ...rows.map((row) => Object.values(row))]));
  });
  serve(app, API.printCertificate, async ({ params, query, reply }) => {
    const at = now();
    const source = await readCertificate(db, params.id, params.lot, at);
    const doc = await openPdf(`Lot ${source.lot.head.name}`);
    for (const page of drawCertificate(toDrawing(source, at), query.paper ?? source.shop.settings.paper))
      await addPage(doc, page);
    doc.end();
    return reply
      .type('application/pdf')
      .header('content-disposition', `attachment; filename="${nameOf(source.lot.head.name)}.pdf"`)
      .send(doc);
  });
  return Promise.resolve();
}
