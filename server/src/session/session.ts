import { may, needsQualification, whoMay, type Action, type Person } from '@tug-mark/contract';
import { today, whyUnqualified } from '@tug-mark/core';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import type { Knex } from 'knex';
import { refusals, type Refusal } from '../http/problems';
import { hashToken, readSession } from './store';

export const SESSION_COOKIE = 'tug_mark_session';

declare module 'fastify' {
  interface FastifyRequest {
    /** Set by the session hook; null when nobody is signed in. */
    person: Person | null;
    /** Version of cabinet, limits and checks as this request found them. */
    shopVersion: string;
    /** The shop's time zone. */
    shopZone: string;
    /** Signed in with a word for once: a password has to be chosen before anything else. */
    mustChoose: boolean;
    /** Hash of the session's token, as the database knows it. */
    sessionToken: string | null;
    /** The person is what an earlier request found: a refusal has to look again first. */
    isRemembered: boolean;
    /** Reads session and version again from the database. */
    lookAgain(): Promise<void>;
  }
  interface FastifyContextConfig {
    /** This route may begin with a remembered session and confirms it when it writes. */
    rememberSession?: boolean;
  }
}

/** Sessions remembered between requests; only ever a belief that the database confirms before anything is kept. */
const MOST_REMEMBERED = 1000;

/**
 * Reads the session cookie on every API request. The session itself lives in the database, so any process can serve it.
 * A route with `config.rememberSession` may start from what an earlier request found, and must have the database confirm
 * it in the statement that writes (docs/decisions/006-reading-path.md).
 */
export function readSessions(app: FastifyInstance, db: Knex): void {
  const remembered = new Map<
    string,
    { person: Person; shopVersion: string; zone: string; mustChoose: boolean; hash: string }
  >();
  app.decorateRequest('person', null);
  app.decorateRequest('mustChoose', false);
  app.decorateRequest('shopVersion', '');
  app.decorateRequest('shopZone', 'UTC');
  app.decorateRequest('sessionToken', null);
  app.decorateRequest('isRemembered', false);
  const look = async (request: FastifyRequest) => {
    const token = request.cookies[SESSION_COOKIE];
    const session = token ? await readSession(db, token) : null;
    if (token && session) {
      if (remembered.size >= MOST_REMEMBERED) remembered.clear();
      remembered.set(token, { ...session, hash: hashToken(token) });
    } else if (token) remembered.delete(token);
    request.isRemembered = false;
    request.person = session?.person ?? null;
    request.mustChoose = session?.mustChoose ?? false;
    request.shopVersion = session?.shopVersion ?? '';
    request.shopZone = session?.zone ?? 'UTC';
  };
  app.decorateRequest('lookAgain', async function (this: FastifyRequest) {
    await look(this);
  });
  app.addHook('onRequest', (request, _reply, done) => {
    const token = request.cookies[SESSION_COOKIE];
    const known = token && request.routeOptions.config.rememberSession ? remembered.get(token) : undefined;
    request.sessionToken = known?.hash ?? (token ? hashToken(token) : null);
    if (known) {
      request.isRemembered = true;
      request.person = known.person;
      request.mustChoose = known.mustChoose;
      request.shopVersion = known.shopVersion;
      request.shopZone = known.zone;
      done();
    } else {
      look(request).then(() => {
        done();
      }, done);
    }
  });
}

/** The one thing somebody may do who came in with a word for once. */
const CHOOSES = 'changeOwnPassword';

/** The person of this request, or a refusal. */
export function signedIn(request: FastifyRequest): Person {
  if (!request.person) throw refusals.signInFirst();
  if (request.mustChoose && request.routeOptions.config.operation !== CHOOSES) throw refusals.choosePassword();
  return request.person;
}

/** A hook that lets only some roles pass, before anything of the request's body is read. */
export function only(action: Action) {
  return async (request: FastifyRequest): Promise<void> => {
    if (whyNot(request, action) && request.isRemembered) await request.lookAgain();
    const refusal = whyNot(request, action);
    if (refusal) throw refusal;
  };
}

function whyNot({ person, mustChoose, shopZone }: FastifyRequest, action: Action): Refusal | null {
  if (!person) return refusals.signInFirst();
  if (mustChoose) return refusals.choosePassword();
  if (!may(person.roles, action)) return refusals.roleMayNot(person.roles.join(' and '), whoMay(action));
  if (!needsQualification(action)) return null;
  const why = whyUnqualified(person, null, today({ zone: shopZone }, new Date().toISOString()));
  return why === null ? null : refusals.unqualified(why);
}
