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
      return new Refusal(
        400,
        'not-json',
        'The request is not JSON.',
        'NaN and Infinity are no JSON either: send a number.',
      ).problem;
    // PostgreSQL cannot store U+0000 in text.
    case '22021':
    case '22P05':
      return new Refusal(
        422,
        'text-unreadable',
        'The text holds a character that cannot be kept.',
        'Take it out and try again.',
      ).problem;
  }
  if (error instanceof SyntaxError && error.statusCode === 400) {
    return new Refusal(
      400,
      'not-json',
      'The request is not JSON.',
      'NaN and Infinity are no JSON either: send a number.',
    ).problem;
  }
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
