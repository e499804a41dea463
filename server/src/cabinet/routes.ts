import { API } from '@tug-mark/contract';
import { CATALOGUES, readPartTable, writePartTable, type CatalogueKind, type CatalogueParts } from '@tug-mark/core';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import type { Doer } from '../chain/ledger';
import { bumpVersion } from '../db/bumpVersion';
import { readCsv } from '../files/readCsv';
import { writeCsv } from '../files/writeCsv';
import { refusals } from '../http/problems';
import { serve } from '../api/serve';
import { keepPractice } from './practices';
import { addCheck, addReturn, placeOfCheck } from './toolRecords';
import { keepPart, keepParts, listParts, listRevisions, readCabinet, readSuspect } from './store';

/** What the shop has: wires, terminals, strippers, tools, sleeves and practices, and the tools' checks. */
export function cabinetRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  const keepAll = async <K extends CatalogueKind>(kind: K, parts: readonly CatalogueParts[K][], doer: Doer) =>
    db.transaction(async (trx) => {
      const changed = await keepParts(trx, kind, parts as never, doer);
      await bumpVersion(trx);
      return { parts: parts.length, changed };
    });

  const toolOf = async (part: string) => {
    const tool = (await listParts(db, 'tool')).find((each) => each.part === part);
    if (!tool) throw refusals.notFound(`Tool ${part}`);
    return tool;
  };

  serve(app, API.readCabinet, () => readCabinet(db));
  serve(app, API.listRevisions, async ({ params: { kind, part } }) => {
    const revisions = await listRevisions(db, kind, part);
    if (!revisions.length) throw refusals.notFound(part);
    return revisions;
  });
  serve(app, API.keepPart, ({ params: { kind }, body, doer }) =>
    keepPart(db, kind, checked(kind, body.body), body.opened, doer),
  );
  serve(app, API.writePartTable, async ({ params: { kind }, reply }) =>
    reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', `attachment; filename="${kind}s.csv"`)
      .send(writeCsv(writePartTable(kind, await listParts(db, kind)))),
  );
  serve(app, API.writeParts, async ({ params: { kind }, reply }) =>
    reply
      .type('application/json; charset=utf-8')
      .header('content-disposition', `attachment; filename="${kind}s.json"`)
      .send(JSON.stringify({ format: 'tug-mark/parts', version: 1, kind, parts: await listParts(db, kind) }, null, 1)),
  );
  serve(app, API.importPartTable, ({ params: { kind }, body, doer }) => {
    const read = readPartTable(kind, readCsv(body));
    if (!read.ok) {
      throw refusals.listProblems(
        read.problems.map(({ row, column, value, text }) => ({ row, where: column, value, text })),
        read.total,
      );
    }
    return keepAll(kind, read.parts, doer);
  });
  serve(app, API.importParts, ({ params: { kind }, body, doer }) => {
    if (body.kind !== kind) {
      throw refusals.fileUnreadable(
        `It holds ${CATALOGUES[body.kind].many}, not ${CATALOGUES[kind].many}. Open it under that heading.`,
      );
    }
    const errors = body.parts.flatMap((part, index) =>
      issuesOf(kind, part).map((issue) => ({ ...issue, where: `parts.${index}.${issue.where}` })),
    );
    if (errors.length) throw refusals.partProblems('this file', errors.slice(0, 200), errors.length);
    return keepAll(
      kind,
      body.parts.map((part) => CATALOGUES[kind].schema.parse(part) as CatalogueParts[CatalogueKind]),
      doer,
    );
  });
  serve(app, API.keepPractice, ({ body, doer }) => keepPractice(db, body.draft, body.opened, doer));
  serve(app, API.checkTool, async ({ body, person, doer }) => {
    const place = placeOfCheck(await toolOf(body.tool), body);
    return addCheck(db, { ...body, ...place, at: new Date().toISOString(), by: person.name }, doer.role);
  });
  serve(app, API.returnTool, async ({ body, doer }) =>
    addReturn(db, await toolOf(body.tool), body, new Date().toISOString(), doer),
  );
  serve(app, API.readSuspect, ({ params }) => readSuspect(db, params.part));
  return Promise.resolve();
}

function issuesOf(kind: CatalogueKind, body: unknown): { where: string; text: string }[] {
  const read = CATALOGUES[kind].schema.safeParse(body);
  return read.success ? [] : read.error.issues.map((issue) => ({ where: issue.path.join('.'), text: issue.message }));
}

function checked<K extends CatalogueKind>(kind: K, body: unknown): CatalogueParts[K] {
  const errors = issuesOf(kind, body);
  if (errors.length) throw refusals.partProblems(`this ${CATALOGUES[kind].one}`, errors);
  return CATALOGUES[kind].schema.parse(body) as CatalogueParts[K];
}
