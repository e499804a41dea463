import { API, type Unsent } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { serve } from '../api/serve';
import { noteDeeds } from '../chain/deeds';
import { refusals } from '../http/problems';

/** What became of entries that waited on a device for somebody who did not come back. */
export function unsentRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  serve(app, API.settleUnsent, async ({ params, body: { id, body, madeBy, madeAt, act, why }, doer, reply }) => {
    const settled = await db.transaction(async (trx) => {
      if (!(await trx('combinations').where({ id: params.id }).first('id'))) {
        throw refusals.notFound('This combination');
      }
      const standing = (await trx('unsent').where({ id }).first('combination', 'act')) as
        { combination: string; act: string } | undefined;
      if (standing) {
        if (standing.combination !== params.id || standing.act !== act) throw refusals.idTaken();
        return false;
      }
      // What came through all the same is on record as its maker's: nobody else settles it.
      if (await trx('journal').where({ id }).first('id')) throw refusals.idTaken();
      const row = { id, combination: params.id, body, made_by: madeBy, made_at: madeAt, act, why, by_name: doer.by };
      await trx('unsent').insert({ ...row, at: new Date() });
      await noteDeeds(trx, 'unsent', act, [id], doer);
      return true;
    });
    return reply.code(settled ? 201 : 200).send({ id });
  });

  serve(app, API.listUnsent, async ({ params }) => {
    const rows = (await db('unsent').where({ combination: params.id }).orderBy('at').orderBy('id')) as {
      id: string;
      body: Unsent['body'];
      made_by: string;
      made_at: Date;
      act: Unsent['act'];
      why: string;
      at: Date;
      by_name: string;
    }[];
    return rows.map(({ id, body, made_by, made_at, act, why, at, by_name }) => ({
      ...{ id, body, act, why },
      ...{ madeBy: made_by, madeAt: made_at.toISOString(), at: at.toISOString(), by: by_name },
    }));
  });
  return Promise.resolve();
}
