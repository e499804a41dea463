import helmet from '@fastify/helmet';
import fastifyStatic from '@fastify/static';
import type { FastifyInstance, FastifyReply } from 'fastify';
import { randomBytes } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { refusals } from './problems';

const policy = (nonce: string) =>
  [
    "default-src 'none'",
    "script-src 'self'",
    `style-src 'self' 'nonce-${nonce}'`,
    // Angular binds sizes of drawings and tables as style attributes.
    "style-src-attr 'unsafe-inline'",
    "font-src 'self'",
    "img-src 'self' data: blob:",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "base-uri 'self'",
    "form-action 'none'",
    "frame-ancestors 'none'",
    "object-src 'none'",
  ].join('; ');

/** Serves the built pages: hashed assets for good and precompressed, the page itself fresh with its own nonce. */
export async function servePages(app: FastifyInstance, folder: string): Promise<void> {
  // The pages' own policy is set per request, below.
  await app.register(helmet, {
    contentSecurityPolicy: false,
    strictTransportSecurity: false,
    crossOriginEmbedderPolicy: false,
  });
  const page = await readFile(join(folder, 'index.html'), 'utf8');
  const sendPage = (reply: FastifyReply) => {
    const nonce = randomBytes(16).toString('base64');
    return reply
      .header('content-security-policy', policy(nonce))
      .header('cache-control', 'no-store')
      .type('text/html; charset=utf-8')
      .send(page.replaceAll('__NONCE__', nonce));
  };
  app.get('/', { schema: { hide: true } }, (_request, reply) => sendPage(reply));
  await app.register(fastifyStatic, {
    root: folder,
    index: false,
    preCompressed: true,
    immutable: true,
    maxAge: '1y',
    wildcard: false,
    globIgnore: ['index.html', '**/*.br', '**/*.gz'],
    setHeaders: (reply, path) => {
      // It names what a device keeps: an old one would keep an old build.
      if (basename(path).startsWith('offline.js')) void reply.header('cache-control', 'no-cache');
    },
  });
  app.setNotFoundHandler((request, reply) => {
    const wantsPage = request.method === 'GET' && !/\.[a-z0-9]+$/i.test(request.url.split('?')[0] ?? '');
    if (!wantsPage) throw refusals.notFound('This address');
    return sendPage(reply);
  });
}
