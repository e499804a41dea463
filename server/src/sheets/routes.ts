import { API } from '@tug-mark/contract';
import { drawSheet, pagesToSvg, pageToSvg, showMoment, type Page, type Paper } from '@tug-mark/core';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import type { Knex } from 'knex';
import { once } from 'node:events';
import { Readable } from 'node:stream';
import { refusals } from '../http/problems';
import { serve } from '../api/serve';
import { fontStyle } from '../pdf/fonts';
import { addPage, openPdf } from '../pdf/writePdf';
import { readShop } from '../people/store';
import { readSheets, type SheetSource } from './store';

/** Set-up sheets: one on screen, as SVG or PDF; all of a wire list as one PDF that tells how far it is. */
export function sheetRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  const draw = (
    source: SheetSource,
    request: FastifyRequest,
    shop: { name: string; isDemo: boolean; zone: string },
    paper: Paper,
  ): Page[] =>
    drawSheet(
      {
        ...source,
        shop,
        link: `${request.protocol}://${request.host}/bench/${source.id}`,
        printedAt: showMoment(new Date().toISOString(), shop.zone),
      },
      paper,
    );
  const one = async (request: FastifyRequest, id: string, paper: Paper) => {
    for await (const source of readSheets(db, { id })) {
      return { source, pages: draw(source, request, await readShop(db), paper) };
    }
    throw refusals.notFound('This combination');
  };
  const fileName = ({ about }: SheetSource) => `set-up-${about.terminal}-${about.wire}`.replace(/[^A-Za-z0-9.-]/g, '_');

  serve(app, API.readSheet, async ({ params, query, request }) =>
    (await one(request, params.id, query.paper)).pages.map(pageToSvg),
  );
  serve(app, API.drawSheet, async ({ params, query, request, reply }) => {
    const { source, pages } = await one(request, params.id, query.paper);
    return reply
      .type('image/svg+xml; charset=utf-8')
      .header('content-disposition', `attachment; filename="${fileName(source)}.svg"`)
      .send(pagesToSvg(pages, await fontStyle()));
  });
  serve(app, API.printSheet, async ({ params, query, request, reply }) => {
    const { source, pages } = await one(request, params.id, query.paper);
    const doc = await openPdf(`Set-up ${source.about.terminal} on ${source.about.wire}`);
    for (const page of pages) addPage(doc, page);
    doc.end();
    return reply
      .type('application/pdf')
      .header('content-disposition', `attachment; filename="${fileName(source)}.pdf"`)
      .send(doc);
  });
  serve(app, API.printSheets, async ({ query: { list, paper }, request, reply }) => {
    const [{ count } = { count: '0' }] = (await db('combinations').where({ list }).count('id as count')) as {
      count: string;
    }[];
    const of = Number(count);
    if (!of) throw refusals.notFound(`A wire list '${list}'`);
    const shop = await readShop(db);
    const sheets = pile(
      readSheets(db, { list }),
      (source) => draw(source, request, shop, paper),
      of,
      `Set-up sheets of ${list}`,
    );
    return reply.type('application/x-ndjson; charset=utf-8').send(Readable.from(sheets));
  });
  return Promise.resolve();
}

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
  const doc = await openPdf(title);
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
