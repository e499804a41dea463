import { API } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { Readable } from 'node:stream';
import { serve } from '../api/serve';
import { writeEntriesOfLot } from '../entry/portions';
import { lotOfView, readView } from './store';

/** One combination of the bench in full. */
export function combinationRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  serve(app, API.readCombination, async ({ params: { id }, query, reply }) => {
    const [{ entries, ...view }, lot] = await Promise.all([
      readView(db, id, 'set-up'),
      lotOfView(db, id, query.lot ?? null),
    ]);
    void entries;
    // All but the entries through the schema, as every answer; those leave as they are kept, a portion at a time.
    const { entries: none, ...head } = API.readCombination.answers[200].parse({ ...view, lot, entries: [] });
    async function* pieces() {
      yield `${JSON.stringify(head).slice(0, -1)},"entries":[`;
      yield* writeEntriesOfLot(db, id, lot);
      yield ']}';
    }
    void none;
    return reply.type('application/json; charset=utf-8').send(Readable.from(pieces()));
  });
  return Promise.resolve();
}
