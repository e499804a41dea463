import { API, type Here, type SignIn } from '@tug-mark/contract';
import type { FastifyInstance, FastifyReply } from 'fastify';
import type { Knex } from 'knex';
import { refusals } from '../http/problems';
import { serve } from '../api/serve';
import type { Hub } from '../live/hub';
import { readHere } from '../shop/here';
import { SESSION_COOKIE } from '../session/session';
import { closeSession, hashToken, openSession } from '../session/store';
import {
  addPerson,
  changePerson,
  chooseOwnPassword,
  giveOnceWord,
  listPeople,
  listSignIns,
  makeFirstEngineer,
} from './store';

interface Options {
  readonly db: Knex;
  readonly hub: Hub;
  readonly signInsPerMinute: number;
}

/** Signing in and out, the first engineer, and the accounts of the shop. */
export async function peopleRoutes(app: FastifyInstance, { db, hub, signInsPerMinute }: Options): Promise<void> {
  const here = (person: Here['person'], mustChoose = false) => readHere(db, person, mustChoose);

  const enter = async (reply: FastifyReply, { name, password }: SignIn): Promise<Here> => {
    const session = await openSession(db, name, password);
    if (!session) throw refusals.signInWrong();
    void reply.setCookie(SESSION_COOKIE, session.token, {
      path: '/',
      httpOnly: true,
      sameSite: 'strict',
      secure: 'auto',
    });
    return here(session.person, session.mustChoose);
  };

  // A password costs time to check: who tries without end is slowed down first.
  const rateLimit = {
    max: signInsPerMinute,
    timeWindow: '1 minute',
    errorResponseBuilder: () => refusals.tooManyTries(),
  };

  serve(app, API.here, ({ person, request }) => here(person, request.mustChoose));
  serve(app, API.signIn, ({ body, reply }) => enter(reply, body), { config: { rateLimit } });
  serve(app, API.signOut, async ({ request, reply }) => {
    const token = request.cookies[SESSION_COOKIE];
    if (token) {
      await closeSession(db, token);
      await hub.signedOut(hashToken(token));
    }
    return reply.clearCookie(SESSION_COOKIE, { path: '/' }).code(204).send();
  });
  serve(
    app,
    API.makeFirstEngineer,
    async ({ body, reply }) => {
      await makeFirstEngineer(db, body);
      return enter(reply, body);
    },
    { config: { rateLimit } },
  );
  serve(
    app,
    API.changeOwnPassword,
    async ({ person, body, request }) => {
      await chooseOwnPassword(db, person, body, request.sessionToken ?? '');
      return here(person);
    },
    { config: { rateLimit } },
  );
  serve(app, API.giveOnceWord, ({ params, doer }) => giveOnceWord(db, params.id, doer));
  serve(app, API.listSignIns, () => listSignIns(db));
  serve(app, API.listPeople, () => listPeople(db));
  serve(app, API.addPerson, ({ body, doer }) => addPerson(db, body, doer));
  serve(app, API.changePerson, ({ params, body, doer }) => changePerson(db, params.id, body, doer));
  return Promise.resolve();
}
