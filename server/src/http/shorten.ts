import compress from '@fastify/compress';
import etag from '@fastify/etag';
import type { FastifyInstance } from 'fastify';

/** Shorter than this, packing costs more than it saves, bytes. */
const LEAST = 4096;

/** How the answer of a route is packed. */
export const PACKED = { encodings: ['gzip'], threshold: LEAST, zlibOptions: { level: 1 } } as const;

/**
 * Sends less over a shop's wireless: an answer that is known already is not sent again, a long one is packed, where its
 * route says so. What is read as it comes in (events, points, files to keep) goes as it is.
 */
export async function shorten(api: FastifyInstance): Promise<void> {
  // The tag is of the answer itself; it is made before that is packed.
  await api.register(etag, { weak: true });
  await api.register(compress, { global: false });
}
