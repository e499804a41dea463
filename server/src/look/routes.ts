import { documentKeySchema, lookRecordSchema, lookSheetSchema } from '@tug-mark/contract';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { z } from 'zod';
import { keepDraft, moveDocument } from '../documents/store';
import { only, signedIn } from '../people/session';
import { LOOK_SHEETS, listLookRecords } from './store';

const today = () => new Date().toISOString().slice(0, 10);

/** What pieces are looked at for: drafted by quality or engineering, released and withdrawn by quality. */
export const lookRoutes: FastifyPluginAsyncZod<{ db: Knex }> = async (app, { db }) => {
  app.get('/looks', { schema: { response: { 200: z.array(lookRecordSchema) } } }, (request) => {
    signedIn(request);
    return listLookRecords(db, today());
  });

  for (const [path, to] of [
    ['/looks/release', 'released'],
    ['/looks/withdraw', 'withdrawn'],
  ] as const) {
    app.post(
      path,
      {
        onRequest: only('release-look'),
        schema: {
          body: documentKeySchema.extend({ replaces: z.boolean().default(false) }),
          response: { 200: lookSheetSchema },
        },
      },
      (request) => {
        const { replaces, ...key } = request.body;
        return moveDocument(db, LOOK_SHEETS, key, to, { by: signedIn(request).name, today: today(), replaces });
      },
    );
  }

  app.put(
    '/looks/draft',
    {
      onRequest: only('draft-look'),
      schema: { body: lookSheetSchema, response: { 200: z.array(lookRecordSchema) } },
    },
    async (request) => {
      await keepDraft(db, LOOK_SHEETS, request.body, signedIn(request).name);
      return listLookRecords(db, today());
    },
  );
};
