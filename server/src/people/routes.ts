import {
  firstEngineerSchema,
  hereSchema,
  newPersonSchema,
  personChangeSchema,
  personSchema,
  signInSchema,
  type Here,
  type SignIn,
} from '@tug-mark/contract';
import type { FastifyReply } from 'fastify';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { z } from 'zod';
import { DEMO_SIGN_INS } from '../demo/people';
import { refusals } from '../http/problems';
import { only, SESSION_COOKIE } from './session';
import { addPerson, changePerson, closeSession, listPeople, makeFirstEngineer, openSession, readShop } from './store';

/** Signing in and out, the first engineer, and the accounts of the shop. */
export const peopleRoutes: FastifyPluginAsyncZod<{ db: Knex; signInsPerMinute: number }> = async (
  app,
  { db, signInsPerMinute },
) => {
  const here = async (person: Here['person']): Promise<Here> => {
    const shop = await readShop(db);
    return { person, shop: { ...shop, demoSignIns: shop.isDemo ? DEMO_SIGN_INS : [] } };
  };

  const enter = async (reply: FastifyReply, { name, password }: SignIn): Promise<Here> => {
    const session = await openSession(db, name, password);
    if (!session) throw refusals.signInWrong();
    void reply.setCookie(SESSION_COOKIE, session.token, {
      path: '/',
      httpOnly: true,
      sameSite: 'strict',
      secure: 'auto',
    });
    return here(session.person);
  };

  app.get('/session', { schema: { response: { 200: hereSchema } } }, (request) => here(request.person));

  app.post(
    '/session',
    {
      schema: { body: signInSchema, response: { 200: hereSchema } },
      config: {
        rateLimit: {
          max: signInsPerMinute,
          timeWindow: '1 minute',
          errorResponseBuilder: () => refusals.tooManyTries(),
        },
      },
    },
    async (request, reply) => {
      return enter(reply, request.body);
    },
  );

  app.delete('/session', async (request, reply) => {
    const token = request.cookies[SESSION_COOKIE];
    if (token) await closeSession(db, token);
    return reply.clearCookie(SESSION_COOKIE, { path: '/' }).code(204).send();
  });

  app.post(
    '/first-engineer',
    { schema: { body: firstEngineerSchema, response: { 200: hereSchema } } },
    async (request, reply) => {
      await makeFirstEngineer(db, request.body);
      return enter(reply, request.body);
    },
  );

  app.get('/people', { onRequest: only('manage-people'), schema: { response: { 200: z.array(personSchema) } } }, () =>
    listPeople(db),
  );

  app.post(
    '/people',
    { onRequest: only('manage-people'), schema: { body: newPersonSchema, response: { 200: personSchema } } },
    (request) => addPerson(db, request.body),
  );

  app.patch(
    '/people/:id',
    {
      onRequest: only('manage-people'),
      schema: { params: z.object({ id: z.uuid() }), body: personChangeSchema, response: { 200: personSchema } },
    },
    (request) => changePerson(db, request.params.id, request.body),
  );
};
