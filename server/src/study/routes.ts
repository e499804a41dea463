import { API } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { serve } from '../api/serve';
import { beginStudy, closeStudy, keepAnswer, listStudies, nextTurn, studyResults } from './store';

/** Studies of how well inspectors agree: set by quality or engineering, answered blind, judged once closed. */
export function studyRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  serve(app, API.listStudies, () => listStudies(db));
  serve(app, API.beginStudy, ({ body, doer }) => beginStudy(db, body, doer));
  serve(app, API.readStudyTurn, ({ params, person }) => nextTurn(db, params.id, person.name));
  serve(app, API.answerStudy, async ({ params, body, person, doer }) => {
    await keepAnswer(db, params.id, doer, body);
    return nextTurn(db, params.id, person.name);
  });
  serve(app, API.closeStudy, ({ params, doer }) => closeStudy(db, params.id, doer));
  serve(app, API.readStudyResults, ({ params }) => studyResults(db, params.id));
  return Promise.resolve();
}
