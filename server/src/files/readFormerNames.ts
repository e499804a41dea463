import { fromFormerNames } from '@tug-mark/contract';
import type { FastifyRequest } from 'fastify';

/** Before a file is validated: what the first version called otherwise is read by its name of today. */
export function readFormerNames(request: FastifyRequest, _reply: unknown, done: () => void): void {
  request.body = fromFormerNames(request.body);
  done();
}
