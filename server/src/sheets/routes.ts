import { API, SHEET_DONE } from '@tug-mark/contract';
import { drawSheet, pagesToSvg, pageToSvg, showMoment, type Page, type Paper } from '@tug-mark/core';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import type { Knex } from 'knex';
import { once } from 'node:events';
import { Readable } from 'node:stream';
import { refusals } from '../http/problems';
import { serve } from '../api/serve';
import { fontStyle } from '../pdf/fonts';
import { addMark, addPage, openPdf } from '../pdf/writePdf';
import { readLetterhead } from '../shop/store';
import { readSheets, type SheetSource } from './store';

type Letterhead = Awaited<ReturnType<typeof readLetterhead>>;

/** Set-up sheets: one on screen, as SVG or PDF; all of a wire list as one PDF. */
export function sheetRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  const draw = (source: SheetSource, request: FastifyRequest, shop: Letterhead, paper: Paper | undefined): Page[] =>
    drawSheet(
      {
        ...source,
        shop,
        link: `${request.protocol}://${request.host}/bench/${source.id}`,
        printedAt: showMoment(new Date().toISOString(), shop.zone, shop.settings.language),
      },
      paper ?? shop.settings.paper,
    );
  const one = async (request: FastifyRequest, id: string, paper: Paper | undefined) => {
    for await (const source of readSheets(db, { id })) {
      return { source, pages: draw(source, request, await readLetterhead(db), paper) };
    }
    throw refusals.notFound('This combination');
  };
  const fileNameOf = (words: string) => words.replace(/[^A-Za-z0-9.-]/g, '_');
  const fileName = ({ about }: SheetSource) => fileNameOf(`set-up-${about.terminal}-${about.wire}`);

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
    for (const page of pages) await addPage(doc, page);
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
    const shop = await readLetterhead(db);
    const drawn = (source: SheetSource) => draw(source, request, shop, paper);
    const sheets = pile(readSheets(db, { list }), drawn, `Set-up sheets of ${list}`);
    return reply
      .type('application/pdf')
      .header('content-disposition', `attachment; filename="${fileNameOf(`${list} set-up sheets`)}.pdf"`)
      .send(Readable.from(sheets));
  });
  return Promise.resolve();
}

/**
 * The bytes of one PDF as they are made, each sheet followed by a mark of its own, so that whoever reads it knows how far it
 * is. One sheet is drawn at a time, and only when the reader has taken the one before, so that a pile of any size needs the
 * memory of one sheet.
 */
async function* pile(
  sources: AsyncIterable<SheetSource>,
  drawPages: (source: SheetSource) => Page[],
  title: string,
): AsyncGenerator<Buffer> {
  const doc = await openPdf(title);
  let made: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => made.push(chunk));
  const take = () => {
    const bytes = Buffer.concat(made);
    made = [];
    return bytes;
  };
  for await (const source of sources) {
    for (const page of drawPages(source)) await addPage(doc, page);
    addMark(doc, SHEET_DONE);
    // The document writes in its own turns; give it one before its bytes are taken.
    await new Promise((turn) => setImmediate(turn));
    yield take();
  }
  const ended = once(doc, 'end');
  doc.end();
  await ended;
  yield take();
}
