import {
  isFile,
  roleFor,
  type Answer,
  type Call,
  type FileKind,
  type Person,
  type Route,
  type Who,
} from '@tug-mark/contract';
import type { FastifyContextConfig, FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { z } from 'zod';
import { only, signedIn } from '../session/session';
import { refusals } from '../http/problems';
import { PACKED } from '../http/shorten';
import { HEAVY } from './heavy';

declare module 'fastify' {
  interface FastifyInstance {
    /** Heavy operations are sent on to the process for reports. */
    forwardsHeavy: boolean;
  }
  interface FastifyContextConfig {
    /** Id of the operation in the contract. A route of the API without one is not registered. */
    operation?: string;
  }
}

/** A call as its operation's definition says, with the person who makes it: null only where anyone may. */
interface Served<R extends Route> extends Call<R> {
  readonly person: R['who'] extends 'anyone' ? Person | null : Person;
  readonly request: FastifyRequest;
  readonly reply: FastifyReply;
  /** What a deed is written down with. */
  readonly doer: { readonly by: string; readonly role: string };
}

interface Serving {
  readonly config?: FastifyContextConfig;
  /** Before the body is checked. */
  readonly preValidation?: (request: FastifyRequest, reply: FastifyReply, done: () => void) => void;
  /** The answer is made from checked parts: writing it down needs no second look through its schema. */
  readonly plain?: boolean;
}

type Handler<R extends Route> = (served: Served<R>) => FastifyReply | Answer<R> | Promise<FastifyReply | Answer<R>>;

/** The role a deed is written down with: the one that may do it, else the first. */
const actsAs = ({ roles }: Person, who: Who): string =>
  who === 'anyone' || who === 'signed-in' ? (roles[0] ?? '') : roleFor(roles, who);

const isPlain = (kind: z.ZodType | FileKind | null): kind is z.ZodType => kind !== null && !isFile(kind);

/**
 * Serves one operation of the contract: its method and path, who may call it, what it takes and answers stand there and
 * nowhere else.
 */
export function serve<const R extends Route>(
  app: FastifyInstance,
  route: R,
  handler: Handler<R>,
  serving: Serving = {},
): void {
  // Answered by the process for reports.
  if (app.forwardsHeavy && HEAVY.has(route.id)) return;
  const { body, who } = route;
  const file = isFile(body) ? body : null;
  const answers = Object.entries(route.answers).filter((entry): entry is [string, z.ZodType] => isPlain(entry[1]));
  const most = file?.most ?? route.most;
  // Answers of plain data are packed; files and streams go as they are.
  const isData = answers.length > 0 && answers.length === Object.keys(route.answers).length;
  app.route({
    method: route.method,
    url: route.path,
    config: { ...serving.config, operation: route.id },
    compress: isData && route.method === 'GET' ? { ...PACKED, encodings: [...PACKED.encodings] } : false,
    ...(most !== undefined && { bodyLimit: most }),
    ...(serving.preValidation && { preValidation: serving.preValidation }),
    ...(serving.plain && { serializerCompiler: () => JSON.stringify }),
    onRequest:
      who === 'anyone'
        ? []
        : who === 'signed-in'
          ? (request, _reply, done) => {
              signedIn(request);
              done();
            }
          : only(who),
    schema: {
      ...(route.params && { params: route.params }),
      ...(route.query && { querystring: route.query }),
      ...(body && !file && { body }),
      ...(answers.length && { response: Object.fromEntries(answers) }),
    },
    handler: async (request, reply) => {
      if (file && !(request.body instanceof Uint8Array)) throw refusals.mediaType(file.file);
      const [status] = Object.keys(route.answers);
      if (status) reply.code(Number(status));
      const { person } = request;
      return handler({
        params: request.params,
        query: request.query,
        body: request.body,
        person,
        doer: { by: person?.name ?? '', role: person ? actsAs(person, who) : '' },
        request,
        reply,
      } as Served<R>);
    },
  });
}

/** Takes bodies of these kinds as the bytes they are. Where a route wants another kind, it says so. */
export function takeFiles(app: FastifyInstance, kinds: readonly string[], most: number): void {
  app.addContentTypeParser([...kinds], { parseAs: 'buffer', bodyLimit: most }, (_request, body, done) => {
    done(null, body);
  });
}

/** Every route of the API comes from the contract; one that does not stops the server before it listens. */
export function onlyFromContract(app: FastifyInstance): void {
  app.addHook('onRoute', ({ url, method, config, schema }) => {
    if (!(config as FastifyContextConfig | undefined)?.operation && !schema?.hide && method !== 'HEAD') {
      throw new Error(`${String(method)} ${url} is in no definition of the contract: say there who may call it.`);
    }
  });
}
