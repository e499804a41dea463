import { API } from '@tug-mark/contract';
import { today } from '@tug-mark/core';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { LOOK_SHEETS, listLookRecords } from '../documents/looks';
import { keepDraft, moveDocument } from '../documents/store';
import { serve } from '../api/serve';

/** What pieces are looked at for: drafted by quality or engineering, released and withdrawn by quality. */
export function lookRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  const day = ({ shopZone }: { shopZone: string }) => today({ zone: shopZone }, new Date().toISOString());

  serve(app, API.listLooks, ({ request }) => listLookRecords(db, day(request)));
  for (const [route, to] of [
    [API.releaseLook, 'released'],
    [API.withdrawLook, 'withdrawn'],
  ] as const) {
    serve(app, route, ({ body: { replaces, ...key }, doer, request }) =>
      moveDocument(db, LOOK_SHEETS, key, to, { ...doer, today: day(request), replaces }),
    );
  }
  serve(app, API.keepLookDraft, async ({ body, doer, request }) => {
    await keepDraft(db, LOOK_SHEETS, body, doer);
    return listLookRecords(db, day(request));
  });
  return Promise.resolve();
}
