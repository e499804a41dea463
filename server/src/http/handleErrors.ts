import type { Problem } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';
import { Refusal, refusals } from './problems';

/** Every answer that is not a success is problem details; a bug says so without telling its insides. */
export function handleErrors(app: FastifyInstance): void {
  app.setErrorHandler((error: Error & { code?: string; statusCode?: number }, request, reply) => {
    const problem = toProblem(error);
    if (problem.status >= 500) request.log.error({ err: error, request: `${request.method} ${request.url}` });
    return reply.code(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  });
}

function toProblem(error: Error & { code?: string; statusCode?: number }): Problem {
  if (error instanceof Refusal) return error.problem;
  if (hasZodFastifySchemaValidationErrors(error)) {
    return refusals.shapeWrong(
      error.validation.map((issue) => ({
        where: issue.instancePath.replace(/^\//, '').replace(/\//g, '.'),
        text: issue.message ?? 'is not as it has to be',
      })),
    ).problem;
  }
  switch (error.code) {
    case 'FST_ERR_CTP_BODY_TOO_LARGE':
      return refusals.fileTooLarge('this server takes').problem;
    case 'FST_ERR_CTP_INVALID_MEDIA_TYPE':
      return new Refusal(
        415,
        'media-type',
        'This kind of content is not read here.',
        'Send JSON, or a CSV file as text/csv.',
      ).problem;
    case 'FST_ERR_CTP_INVALID_JSON_BODY':
    case 'FST_ERR_CTP_EMPTY_JSON_BODY':
      return refusals.notJson().problem;
    // PostgreSQL cannot store U+0000 in text.
    case '22021':
    case '22P05':
      return refusals.textUnreadable('').problem;
  }
  if (error instanceof SyntaxError && error.statusCode === 400) return refusals.notJson().problem;
  if (isAway(error)) return refusals.away().problem;
  if (error.statusCode && error.statusCode < 500) {
    return new Refusal(error.statusCode, 'refused', error.message, 'Check the request and try again.').problem;
  }
  return new Refusal(
    500,
    'fault',
    'Something went wrong in Tug Mark.',
    'What you entered is kept on this device; try again in a moment.',
  ).problem;
}

/** Classes of PostgreSQL's errors that pass: connection, resources, shutdown and cancellation, conflict between writers. */
const PASSING = /^(08|53|57|40)/;
const LINE_ERRORS = ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTFOUND', 'EAI_AGAIN'];

/** Whether the database is away for a while: the same request may go through later. */
export function isAway(error: Error & { code?: string }): boolean {
  return (
    (error.code !== undefined &&
      (LINE_ERRORS.includes(error.code) || (/^[0-9A-Z]{5}$/.test(error.code) && PASSING.test(error.code)))) ||
    error.name === 'KnexTimeoutError' ||
    /^Connection terminated|^Connection ended|Client has encountered a connection error/.test(error.message)
  );
}
