import { API } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { Readable } from 'node:stream';
import { checkPractices } from '../cabinet/practices';
import { listParts } from '../cabinet/store';
import { readCsv } from '../files/readCsv';
import { readFormerNames } from '../files/readFormerNames';
import { serve, takeFiles } from '../api/serve';
import type { ReadingsFirst } from '../live/ReadingsFirst';
import { listForeignRecords, readForeignFile, readForeignRecord, readInRecord } from './foreign';
import { keepShopFile } from './keepShopFile';
import { writeRecord } from './record';
import { writeRecordTable } from './recordTable';
import { readConnectors } from '../connectors/store';
import { readLoom } from '../loom/store';
import { changeWireList, importWireList, keepListColumns, readListColumns, usualGrade } from './wireLists';

/** Files in and out: shop files, wire lists, the record of a combination, and records of other shops. */
export async function recordRoutes(
  app: FastifyInstance,
  { db, first }: { db: Knex; first: ReadingsFirst },
): Promise<void> {
  serve(app, API.importWireList, async ({ query, body, doer }) =>
    importWireList(
      db,
      {
        ...query,
        class: query.class ?? (await usualGrade(db)),
        customer: query.customer || null,
        bytes: Buffer.from(body),
        table: readCsv(body),
      },
      doer,
    ),
  );

  serve(app, API.changeWireList, ({ params, body, doer }) => changeWireList(db, params.id, body, doer));
  serve(app, API.keepListColumns, ({ params, body }) => keepListColumns(db, params.id, body));
  serve(app, API.readListColumns, () => readListColumns(db));
  serve(app, API.readLoom, ({ params }) => readLoom(db, params.id));
  serve(app, API.readConnectors, ({ params }) => readConnectors(db, params.id));

  serve(
    app,
    API.importShopFile,
    async ({ body, doer }) => {
      checkPractices(body.practices, await listParts(db, 'practice'));
      return keepShopFile(db, body, doer);
    },
    { preValidation: readFormerNames },
  );

  // What is sealed leaves as it stands: no second look through the schema may change the order of a key.
  serve(app, API.writeRecord, async ({ params, reply }) => {
    const { combination, pieces } = await writeRecord(db, params.id, new Date().toISOString());
    return reply
      .type('application/json; charset=utf-8')
      .header('content-disposition', `attachment; filename="${fileName(combination)}.json"`)
      .send(Readable.from(first.inPortions(pieces)));
  });
  serve(app, API.writeRecordTable, async ({ params, reply }) => {
    const { combination, pieces } = await writeRecordTable(db, params.id);
    return reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', `attachment; filename="${fileName(combination)}.csv"`)
      .send(Readable.from(first.inPortions(pieces)));
  });

  serve(app, API.listForeignRecords, () => listForeignRecords(db));
  serve(app, API.readForeignRecord, ({ params }) => readForeignRecord(db, params.id));
  serve(app, API.writeForeignRecord, async ({ params, reply }) => {
    const { bytes } = await readForeignFile(db, params.id);
    return reply
      .type('application/json; charset=utf-8')
      .header('content-disposition', `attachment; filename="read-in-${params.id}.json"`)
      .send(bytes);
  });
  // A record is taken as the bytes it is, so that what is kept is what was sent.
  await app.register((files) => {
    files.removeContentTypeParser('application/json');
    takeFiles(files, ['application/json'], API.readInRecord.body.most);
    serve(files, API.readInRecord, ({ body, query, doer }) => readInRecord(db, Buffer.from(body), query.name, doer));
    return Promise.resolve();
  });
}

function fileName({ terminal, wire }: { terminal: string; wire: string }): string {
  return `record-${terminal}-${wire}`.replace(/[^A-Za-z0-9.-]/g, '_');
}
