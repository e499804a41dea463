import replyFrom from '@fastify/reply-from';
import { API } from '@tug-mark/contract';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { refusals } from '../http/problems';
import { HEAVY } from './heavy';

/** How long an answer may take to begin or to go on, ms: a journal of a million entries is checked in one request. */
const MOST_MS = 10 * 60_000;

/** Sends the heavy operations on to the process for reports, as they came; it asks by itself who is signed in. */
export async function forwardHeavy(app: FastifyInstance, reports: string): Promise<void> {
  await app.register(replyFrom, {
    base: reports,
    disableRequestLogging: true,
    undici: { connections: 64, headersTimeout: MOST_MS, bodyTimeout: MOST_MS },
  });
  // In a room of their own: no body is read on its way through.
  await app.register((room) => {
    room.removeAllContentTypeParsers();
    room.addContentTypeParser('*', (_request, payload, done) => {
      done(null, payload);
    });
    for (const { id, method, path } of Object.values(API)) {
      if (!HEAVY.has(id)) continue;
      room.route({
        method,
        url: path,
        config: { operation: id },
        handler: (request, reply) => sendOn(request, reply),
      });
    }
    return Promise.resolve();
  });
}

/**
 * Has the process for reports answer a request.
 *
 * @param whenAway answers it here while that process is down; without it, whoever asks is told so
 */
export function sendOn(
  request: FastifyRequest,
  reply: FastifyReply,
  whenAway: (reply: FastifyReply) => void | Promise<void> = sayAway,
): FastifyReply {
  return reply.from(request.url, {
    rewriteRequestHeaders: (_request, headers) => ({
      ...headers,
      'x-forwarded-host': request.host,
      'x-forwarded-proto': request.protocol,
    }),
    onError: (bare) => {
      // The library's own type of a reply is the bare one.
      const answer = bare as unknown as FastifyReply;
      Promise.resolve(whenAway(answer)).catch(() => {
        sayAway(answer);
      });
    },
  });
}

/** Says that the process for reports is down. */
export function sayAway(reply: FastifyReply): void {
  const { problem } = refusals.reportsAway();
  void reply.code(problem.status).type('application/problem+json').send(JSON.stringify(problem));
}
