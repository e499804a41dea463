import { API } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { serve } from '../api/serve';

/** Newest cases a diagnosis learns from: older ones are of other tools and people. */
const MOST_CASES = 2000;

/** Causes the shop has confirmed, newest first, with what was known when they were. Corrected ones are left out. */
export function causeRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  serve(app, API.listCauses, async () => {
    const rows = (await db('journal as own')
      .join('combinations as c', 'c.id', 'own.combination')
      .where({ 'own.kind': 'cause', 'c.read_in': false })
      .whereNotExists(db('journal as later').whereRaw('later.corrects = own.id'))
      .orderBy('own.at', 'desc')
      .limit(MOST_CASES)
      .select('own.body')) as { body: { cause: string; evidence: string[] } }[];
    return rows.map(({ body: { cause, evidence } }) => ({ cause, evidence }));
  });
  return Promise.resolve();
}
