import type { FastifyInstance } from 'fastify';
import { refusals } from './problems';

/** Objects in objects a request may have; the deepest of our files has nine. */
const DEEPEST = 40;

/** U+0000, and halves of surrogate pairs. */
// eslint-disable-next-line no-control-regex -- it is looked for because it cannot be kept
const UNKEEPABLE = /[\u0000\p{Cs}]/u;

/**
 * Whether every text of a value can be kept, and it is not nested without end. PostgreSQL keeps no U+0000 and no half of a
 * surrogate pair; asked for here, once, no field of the contract has to.
 * @returns where it is not, as a path; null when all is well
 */
export function findUnkeepable(value: unknown): { readonly where: string; readonly why: 'text' | 'deep' } | null {
  const open: { value: unknown; where: string; depth: number }[] = [{ value, where: '', depth: 0 }];
  for (let next = open.pop(); next; next = open.pop()) {
    const { value: found, where, depth } = next;
    if (typeof found === 'string') {
      if (UNKEEPABLE.test(found)) return { where, why: 'text' };
    } else if (typeof found === 'object' && found !== null) {
      if (depth >= DEEPEST) return { where, why: 'deep' };
      for (const [key, inner] of Object.entries(found)) {
        const place = where ? `${where}.${key}` : key;
        if (UNKEEPABLE.test(key)) return { where, why: 'text' };
        if (typeof inner === 'string' || typeof inner === 'object')
          open.push({ value: inner, where: place, depth: depth + 1 });
      }
    }
  }
  return null;
}

/** Reads JSON bodies; what the database could not keep is refused before a route sees it. */
export function readJson(app: FastifyInstance): void {
  const parse = app.getDefaultJsonParser('error', 'error');
  app.removeContentTypeParser('application/json');
  app.addContentTypeParser('application/json', { parseAs: 'string' }, (request, text: string, done) => {
    void parse(request, text, (error, body) => {
      const wrong = error ? null : findUnkeepable(body);
      if (error || !wrong) done(error, body);
      else done(wrong.why === 'deep' ? refusals.tooDeep() : refusals.textUnreadable(wrong.where));
    });
  });
}
