import replyFrom from '@fastify/reply-from';
import { API } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import { refusals } from '../http/problems';
import { HEAVY } from './heavy';

/** How long an answer may take to begin or to go on, ms: a journal of a million entries is checked in one request. */
const MOST_MS = 10 * 60_000;

/** Sends the heavy operations on to the process for reports, as they came; it asks by itself who is signed in. */
export async function forwardHeavy(app: FastifyInstance, { reports }: { reports: string }): Promise<void> {
  await app.register(replyFrom, {
    base: reports,
    disableRequestLogging: true,
    undici: { connections: 64, headersTimeout: MOST_MS, bodyTimeout: MOST_MS },
  });
  app.removeAllContentTypeParsers();
  app.addContentTypeParser('*', (_request, payload, done) => {
    done(null, payload);
  });
  for (const { id, method, path } of Object.values(API)) {
    if (!HEAVY.has(id)) continue;
    app.route({
      method,
      url: path,
      config: { operation: id },
      handler: (request, reply) =>
        reply.from(request.url, {
          rewriteRequestHeaders: (_request, headers) => ({
            ...headers,
            'x-forwarded-host': request.host,
            'x-forwarded-proto': request.protocol,
          }),
          onError: (answer) => {
            const { problem } = refusals.reportsAway();
            void answer.code(problem.status).type('application/problem+json').send(JSON.stringify(problem));
          },
        }),
    });
  }
}
