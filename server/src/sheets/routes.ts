import { drawSheet, pageToSvg, PAPERS, type Page, type Paper } from '@tug-mark/core';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { FastifyRequest } from 'fastify';
import type { Knex } from 'knex';
import { once } from 'node:events';
import { Readable } from 'node:stream';
import { z } from 'zod';
import { refusals } from '../http/problems';
import { readShop } from '../people/store';
import { signedIn } from '../people/session';
import { readSheets, type SheetSource } from './store';
import { addPage, openPdf } from './writePdf';

const paperQuery = z.object({ paper: z.enum(PAPERS).default('A4') });
const params = z.object({ id: z.uuid() });

/** Set-up sheets: one on screen, as SVG or PDF; all of a wire list as one PDF that tells how far it is. */
export const sheetRoutes: FastifyPluginAsyncZod<{ db: Knex }> = async (app, { db }) => {
  const printedAt = () => `${new Date().toISOString().slice(0, 16).replace('T', ' ')} UTC`;
  const draw = (
    source: SheetSource,
    request: FastifyRequest,
    shop: { name: string; isDemo: boolean },
    paper: Paper,
  ): Page[] =>
    drawSheet(
      {
        ...source,
        shop,
        link: `${request.protocol}://${request.host}/bench/${source.id}`,
        printedAt: printedAt(),
      },
      paper,
    );
  const one = async (request: FastifyRequest, id: string, paper: Paper) => {
    signedIn(request);
    for await (const source of readSheets(db, { id })) {
      return { source, pages: draw(source, request, await readShop(db), paper) };
    }
    throw refusals.notFound('This combination');
  };
  const fileName = ({ about }: SheetSource) => `set-up-${about.terminal}-${about.wire}`.replace(/[^A-Za-z0-9.-]/g, '_');

  app.get(
    '/combinations/:id/sheet',
    { schema: { params, querystring: paperQuery, response: { 200: z.array(z.string()) } } },
    async (request) => (await one(request, request.params.id, request.query.paper)).pages.map(pageToSvg),
  );

  app.get('/combinations/:id/sheet.svg', { schema: { params, querystring: paperQuery } }, async (request, reply) => {
    const { source, pages } = await one(request, request.params.id, request.query.paper);
    return reply
      .type('image/svg+xml; charset=utf-8')
      .header('content-disposition', `attachment; filename="${fileName(source)}.svg"`)
      .send(pages[0] ? pageToSvg(pages[0]) : '');
  });

  app.get('/combinations/:id/sheet.pdf', { schema: { params, querystring: paperQuery } }, async (request, reply) => {
    const { source, pages } = await one(request, request.params.id, request.query.paper);
    const doc = openPdf(`Set-up ${source.about.terminal} on ${source.about.wire}`);
    for (const page of pages) addPage(doc, page);
    doc.end();
    return reply
      .type('application/pdf')
      .header('content-disposition', `attachment; filename="${fileName(source)}.pdf"`)
      .send(doc);
  });

  app.get(
    '/sheets',
    { schema: { querystring: paperQuery.extend({ list: z.string().min(1).max(60) }) } },
    async (request, reply) => {
      signedIn(request);
      const { list, paper } = request.query;
      const [{ count } = { count: '0' }] = (await db('combinations').where({ list }).count('id as count')) as {
        count: string;
      }[];
      const of = Number(count);
      if (!of) throw refusals.notFound(`A wire list '${list}'`);
      const shop = await readShop(db);
      return reply
        .type('application/x-ndjson; charset=utf-8')
        .send(
          Readable.from(
            pile(
              readSheets(db, { list }),
              (source) => draw(source, request, shop, paper),
              of,
              `Set-up sheets of ${list}`,
            ),
          ),
        );
    },
  );
};

/**
 * Lines of JSON: how far it is, and the bytes of the PDF made since the line before. One sheet is drawn at a time, and
 * only when the reader has taken the one before, so that a pile of any size needs the memory of one sheet.
 */
async function* pile(
  sources: AsyncIterable<SheetSource>,
  drawPages: (source: SheetSource) => Page[],
  of: number,
  title: string,
): AsyncGenerator<string> {
  const doc = openPdf(title);
  let made: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => made.push(chunk));
  const take = () => {
    const bytes = Buffer.concat(made).toString('base64');
    made = [];
    return bytes;
  };
  let done = 0;
  for await (const source of sources) {
    for (const page of drawPages(source)) addPage(doc, page);
    done += 1;
    // The document writes in its own turns; give it one before its bytes are taken.
    await new Promise((turn) => setImmediate(turn));
    yield `${JSON.stringify({ done, of, bytes: take() })}\n`;
  }
  const ended = once(doc, 'end');
  doc.end();
  await ended;
  yield `${JSON.stringify({ done, of, bytes: take(), end: true })}\n`;
}
