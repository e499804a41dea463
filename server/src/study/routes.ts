import {
  newAnswerSchema,
  newStudySchema,
  studyLineSchema,
  studyResultSchema,
  studyTurnSchema,
} from '@tug-mark/contract';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { z } from 'zod';
import { only, signedIn } from '../people/session';
import { beginStudy, closeStudy, keepAnswer, listStudies, nextTurn, studyResults } from './store';

const params = z.object({ id: z.uuid() });

/** Studies of how well inspectors agree: set by quality or engineering, answered blind, judged once closed. */
export const studyRoutes: FastifyPluginAsyncZod<{ db: Knex }> = (app, { db }) => {
  app.get('/studies', { schema: { response: { 200: z.array(studyLineSchema) } } }, (request) => {
    signedIn(request);
    return listStudies(db);
  });

  app.post(
    '/studies',
    { onRequest: only('set-study'), schema: { body: newStudySchema, response: { 200: studyLineSchema } } },
    (request) => beginStudy(db, request.body, signedIn(request).name),
  );

  app.get(
    '/studies/:id/turn',
    { onRequest: only('answer-study'), schema: { params, response: { 200: studyTurnSchema } } },
    (request) => nextTurn(db, request.params.id, signedIn(request).name),
  );

  app.post(
    '/studies/:id/answers',
    {
      onRequest: only('answer-study'),
      schema: { params, body: newAnswerSchema, response: { 200: studyTurnSchema } },
    },
    async (request) => {
      const { name } = signedIn(request);
      await keepAnswer(db, request.params.id, name, request.body);
      return nextTurn(db, request.params.id, name);
    },
  );

  app.post(
    '/studies/:id/close',
    { onRequest: only('set-study'), schema: { params, response: { 200: studyLineSchema } } },
    (request) => closeStudy(db, request.params.id),
  );

  app.get('/studies/:id/results', { schema: { params, response: { 200: studyResultSchema } } }, (request) => {
    signedIn(request);
    return studyResults(db, request.params.id);
  });
  return Promise.resolve();
};
