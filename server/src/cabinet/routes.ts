import {
  cabinetSchema,
  coveringSchema,
  newToolCheckSchema,
  partRevisionSchema,
  practiceDraftSchema,
  shopFileSchema,
  stripperSchema,
  suspectSchema,
  terminalSchema,
  toolCheckSchema,
  toolSchema,
  wireSchema,
} from '@tug-mark/contract';
import {
  CATALOGUE_KINDS,
  CATALOGUES,
  readPartTable,
  writePartTable,
  type CatalogueKind,
  type CatalogueParts,
} from '@tug-mark/core';
import { stringify } from 'csv-stringify/sync';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { z } from 'zod';
import { bumpVersion } from '../db/bumpVersion';
import { refusals } from '../http/problems';
import { readFormerNames } from '../http/readFormerNames';
import { only, signedIn } from '../people/session';
import { keepShopFile } from './keepShopFile';
import { readCsv } from '../records/readCsv';
import { checkPractices, keepPractice } from './practices';
import { addCheck, keepPart, keepParts, listParts, listRevisions, readCabinet, readSuspect } from './store';

const SCHEMAS = {
  wire: wireSchema,
  terminal: terminalSchema,
  tool: toolSchema,
  stripper: stripperSchema,
  covering: coveringSchema,
} satisfies { [K in CatalogueKind]: z.ZodType<CatalogueParts[K]> };

const MEBIBYTE = 1024 * 1024;
const kindParams = z.object({ kind: z.enum(CATALOGUE_KINDS) });
const partParams = z.object({ kind: z.enum([...CATALOGUE_KINDS, 'practice']), part: z.string().min(1).max(40) });
const importedSchema = z.object({ parts: z.number(), changed: z.number() });

/** What the shop has: wires, terminals, strippers, tools, sleeves and practices, and the tools' checks. */
export const cabinetRoutes: FastifyPluginAsyncZod<{ db: Knex }> = async (app, { db }) => {
  app.addContentTypeParser('text/csv', { parseAs: 'buffer', bodyLimit: 32 * MEBIBYTE }, (_request, body, done) => {
    done(null, body);
  });

  app.get('/cabinet', { schema: { response: { 200: cabinetSchema } } }, (request) => {
    signedIn(request);
    return readCabinet(db);
  });

  app.post(
    '/shop-file',
    {
      onRequest: only('import-shop-file'),
      preValidation: readFormerNames,
      bodyLimit: 32 * MEBIBYTE,
      schema: {
        body: shopFileSchema,
        response: { 200: z.object({ parts: z.number(), limits: z.number(), looks: z.number() }) },
      },
    },
    async (request) => {
      checkPractices(request.body.practices, await listParts(db, 'practice'));
      return keepShopFile(db, request.body, signedIn(request).name);
    },
  );

  app.get(
    '/cabinet/:kind/:part/revisions',
    { schema: { params: partParams, response: { 200: z.array(partRevisionSchema) } } },
    async (request) => {
      signedIn(request);
      const { kind, part } = request.params;
      const revisions = await listRevisions(db, kind, part);
      if (!revisions.length) throw refusals.notFound(part);
      return revisions;
    },
  );

  app.put(
    '/cabinet/:kind',
    {
      onRequest: only('edit-cabinet'),
      schema: {
        params: kindParams,
        body: z.strictObject({ opened: z.number().int().nonnegative(), body: z.unknown() }),
        response: { 200: partRevisionSchema },
      },
    },
    (request) => {
      const { kind } = request.params;
      const body = checked(kind, request.body.body);
      return keepPart(db, kind, body, request.body.opened, signedIn(request).name);
    },
  );

  app.get('/cabinet/:kind/parts.csv', { schema: { params: kindParams } }, async (request, reply) => {
    signedIn(request);
    const { kind } = request.params;
    return reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', `attachment; filename="${kind}s.csv"`)
      .send(stringify(writePartTable(kind, await listParts(db, kind))));
  });

  app.get('/cabinet/:kind/parts.json', { schema: { params: kindParams } }, async (request, reply) => {
    signedIn(request);
    const { kind } = request.params;
    return reply
      .type('application/json; charset=utf-8')
      .header('content-disposition', `attachment; filename="${kind}s.json"`)
      .send(JSON.stringify({ format: 'tug-mark/parts', version: 1, kind, parts: await listParts(db, kind) }, null, 1));
  });

  const keepAll = async <K extends CatalogueKind>(kind: K, parts: readonly CatalogueParts[K][], by: string) =>
    db.transaction(async (trx) => {
      const changed = await keepParts(trx, kind, parts as never, by);
      await bumpVersion(trx);
      return { parts: parts.length, changed };
    });

  app.post(
    '/cabinet/:kind/table',
    {
      onRequest: only('edit-cabinet'),
      bodyLimit: 32 * MEBIBYTE,
      schema: { params: kindParams, consumes: ['text/csv'], response: { 200: importedSchema } },
    },
    (request) => {
      const { kind } = request.params;
      if (!Buffer.isBuffer(request.body)) throw refusals.fileUnreadable('Send the file itself, as text/csv.');
      const read = readPartTable(kind, readCsv(request.body));
      if (!read.ok) {
        throw refusals.listProblems(
          read.problems.map(({ row, column, value, text }) => ({ row, where: column, value, text })),
          read.total,
        );
      }
      const errors = read.parts.flatMap((part, index) =>
        issuesOf(kind, part).map((issue) => ({ ...issue, row: read.rows[index] ?? 0 })),
      );
      if (errors.length) throw refusals.listProblems(errors.slice(0, 200), errors.length);
      return keepAll(kind, read.parts, signedIn(request).name);
    },
  );

  app.post(
    '/cabinet/:kind/parts',
    {
      onRequest: only('edit-cabinet'),
      bodyLimit: 32 * MEBIBYTE,
      schema: {
        params: kindParams,
        body: z.strictObject({
          format: z.literal('tug-mark/parts'),
          version: z.literal(1),
          kind: z.enum(CATALOGUE_KINDS),
          parts: z.array(z.unknown()),
        }),
        response: { 200: importedSchema },
      },
    },
    (request) => {
      const { kind } = request.params;
      if (request.body.kind !== kind) {
        throw refusals.fileUnreadable(
          `It holds ${CATALOGUES[request.body.kind].many}, not ${CATALOGUES[kind].many}. Open it under that heading.`,
        );
      }
      const errors = request.body.parts.flatMap((part, index) =>
        issuesOf(kind, part).map((issue) => ({ ...issue, where: `parts.${index}.${issue.where}` })),
      );
      if (errors.length) throw refusals.partProblems('this file', errors.slice(0, 200), errors.length);
      return keepAll(
        kind,
        request.body.parts.map((part) => SCHEMAS[kind].parse(part)),
        signedIn(request).name,
      );
    },
  );

  app.put(
    '/practices',
    {
      onRequest: only('edit-practice'),
      schema: {
        body: z.strictObject({ opened: z.number().int().nonnegative(), draft: practiceDraftSchema }),
        response: { 200: partRevisionSchema },
      },
    },
    (request) => keepPractice(db, request.body.draft, request.body.opened, signedIn(request).name),
  );

  app.post(
    '/tool-checks',
    { onRequest: only('check-tool'), schema: { body: newToolCheckSchema, response: { 201: toolCheckSchema } } },
    async (request, reply) => {
      const tools = await listParts(db, 'tool');
      if (!tools.some((tool) => tool.part === request.body.tool)) throw refusals.notFound(`Tool ${request.body.tool}`);
      const check = { ...request.body, at: new Date().toISOString(), by: signedIn(request).name };
      return reply.code(201).send(await addCheck(db, check));
    },
  );

  app.get(
    '/tools/:part/suspect',
    { schema: { params: z.object({ part: z.string() }), response: { 200: suspectSchema.nullable() } } },
    (request) => {
      signedIn(request);
      return readSuspect(db, request.params.part);
    },
  );
};

function issuesOf(kind: CatalogueKind, body: unknown): { where: string; text: string }[] {
  const read = SCHEMAS[kind].safeParse(body);
  return read.success ? [] : read.error.issues.map((issue) => ({ where: issue.path.join('.'), text: issue.message }));
}

function checked<K extends CatalogueKind>(kind: K, body: unknown): CatalogueParts[K] {
  const errors = issuesOf(kind, body);
  if (errors.length) throw refusals.partProblems(`this ${CATALOGUES[kind].one}`, errors);
  return SCHEMAS[kind].parse(body) as CatalogueParts[K];
}
