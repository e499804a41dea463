import { API } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { Readable } from 'node:stream';
import { serve } from '../api/serve';
import { writeEntriesOfLot } from '../entry/portions';
import type { ReadingsFirst } from '../live/ReadingsFirst';
import { readHead } from './store';

const HEAD = API.readCombination.answers[200].omit({ entries: true });

/** One combination of the bench in full. */
export function combinationRoutes(
  app: FastifyInstance,
  { db, first }: { db: Knex; first: ReadingsFirst },
): Promise<void> {
  serve(app, API.readCombination, async ({ params: { id }, query, reply }) => {
    // All but the entries through the schema, as every answer; those leave as they are kept, a portion at a time.
    const head = HEAD.parse(await readHead(db, id, query.lot ?? null));
    async function* pieces() {
      yield `${JSON.stringify(head).slice(0, -1)},"entries":[`;
      yield* first.inPortions(writeEntriesOfLot(db, id, head.lot));
      yield ']}';
    }
    return reply.type('application/json; charset=utf-8').send(Readable.from(pieces()));
  });
  return Promise.resolve();
}
