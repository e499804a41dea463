import { may, whoMay, type Action, type Person } from '@tug-mark/contract';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import type { Knex } from 'knex';
import { refusals } from '../http/problems';
import { readSession } from './store';

export const SESSION_COOKIE = 'tug_mark_session';

declare module 'fastify' {
  interface FastifyRequest {
    /** Set by the session hook; null when nobody is signed in. */
    person: Person | null;
    /** Version of cabinet, limits and checks as this request found them. */
    shopVersion: string;
  }
}

/** Reads the session cookie on every API request. The session itself lives in the database, so any process can serve it. */
export function readSessions(app: FastifyInstance, db: Knex): void {
  app.decorateRequest('person', null);
  app.decorateRequest('shopVersion', '');
  app.addHook('onRequest', async (request) => {
    const token = request.cookies[SESSION_COOKIE];
    const session = token ? await readSession(db, token) : null;
    request.person = session?.person ?? null;
    request.shopVersion = session?.shopVersion ?? '';
  });
}

/** The person of this request, or a refusal. */
export function signedIn(request: FastifyRequest): Person {
  if (!request.person) throw refusals.signInFirst();
  return request.person;
}

/** A hook that lets only some roles pass, before anything of the request's body is read. */
export function only(action: Action) {
  return async (request: FastifyRequest): Promise<void> => {
    const person = signedIn(request);
    if (!may(person.role, action)) throw refusals.roleMayNot(person.role, whoMay(action));
    const today = new Date().toISOString().slice(0, 10);
    if (action === 'record' && person.qualifiedUntil !== null && person.qualifiedUntil < today) {
      throw refusals.qualificationLapsed(person.qualifiedUntil);
    }
  };
}
