import { API } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { serve } from '../api/serve';
import { readView } from './store';

/** One combination of the bench in full. */
export function combinationRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  serve(app, API.readCombination, ({ params, query }) => readView(db, params.id, query.lot));
  return Promise.resolve();
}
