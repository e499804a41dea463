import { API, type ChartKind } from '@tug-mark/contract';
import { today } from '@tug-mark/core';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { Readable } from 'node:stream';
import { refusals } from '../http/problems';
import { serve } from '../api/serve';
import type { ReadingsFirst } from '../live/ReadingsFirst';
import { readHeights } from './heights';
import { findChoice, keepBaseline, listChoices, readAbout, readGlances, streamPoints } from './store';

/** Readings over time: their points as they stand, what happened between them, and the baseline that was frozen. */
export function chartRoutes(app: FastifyInstance, { db, first }: { db: Knex; first: ReadingsFirst }): Promise<void> {
  const find = async (kind: ChartKind, value: string) => {
    const found = await findChoice(db, kind, value);
    if (!found) throw refusals.notFound('This chart');
    return found;
  };
  const about = async (kind: ChartKind, value: string, zone: string) => {
    const { label } = await find(kind, value);
    return readAbout(db, kind, value, label, today({ zone }, new Date().toISOString()));
  };

  serve(app, API.listChartChoices, () => listChoices(db));
  serve(app, API.readHeights, ({ params }) => readHeights(db, params.id));
  serve(app, API.readChart, ({ query: { kind, value }, request }) => about(kind, value, request.shopZone));
  serve(app, API.readChartPoints, async ({ query: { kind, value }, reply }) => {
    await find(kind, value);
    const portions = first.inPortions(streamPoints(db, kind, value));
    return reply.type('application/octet-stream').send(Readable.from(portions));
  });
  serve(app, API.readChartGlances, async ({ query: { kind, value } }) => {
    await find(kind, value);
    return readGlances(db, kind, value);
  });
  serve(app, API.freezeBaseline, async ({ body, doer, request }) => {
    const { kind, value } = body;
    await find(kind, value);
    await keepBaseline(db, body, doer);
    return about(kind, value, request.shopZone);
  });
  return Promise.resolve();
}
