import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { Readable } from 'node:stream';
import { z } from 'zod';
import { refusals } from '../../http/problems';
import { only, signedIn } from '../../people/session';
import { findPhoto, keepPhoto, readPhoto, sha256, type PhotoRow } from './store';
import { MOST_BYTES, takePhoto } from './takePhoto';

const TYPES = ['image/jpeg', 'image/png', 'image/webp'];

/** Photographs of pieces: decoded and written anew, kept in pieces beside the journal, never changed. */
export const photoRoutes: FastifyPluginAsyncZod<{ db: Knex }> = (app, { db }) => {
  app.addContentTypeParser(TYPES, { parseAs: 'buffer', bodyLimit: MOST_BYTES }, (_request, body, done) => {
    done(null, body);
  });
  const params = z.object({ id: z.uuid(), photo: z.uuid() });
  const kept = z.object({ id: z.uuid(), digest: z.string(), width: z.number(), height: z.number() });

  app.put(
    '/combinations/:id/photos/:photo',
    {
      onRequest: only('record'),
      bodyLimit: MOST_BYTES,
      schema: { params, consumes: TYPES, response: { 200: kept } },
      errorHandler: (error, request, reply) => {
        if (error.code === 'FST_ERR_CTP_BODY_TOO_LARGE') {
          throw refusals.photoRefused(
            'photo-too-heavy',
            `The file is larger than ${MOST_BYTES / 1024 / 1024} MB.`,
            'Save it with a little less quality, or take only the part that shows the piece.',
          );
        }
        if (error.code === 'FST_ERR_CTP_INVALID_MEDIA_TYPE') {
          throw refusals.photoRefused(
            'photo-kind',
            `The file is sent as ${request.headers['content-type'] ?? 'nothing'}.`,
            'Photographs are JPEG, PNG or WebP. Save it as one of these and choose it again.',
          );
        }
        void reply;
        throw error;
      },
      // Whoever sends pictures without end is slowed down before they are decoded.
      config: { rateLimit: { max: 120, timeWindow: '1 minute' } },
    },
    async (request) => {
      const { id: combination, photo: id } = request.params;
      const { body } = request;
      if (!Buffer.isBuffer(body)) {
        throw refusals.photoRefused('photo-kind', 'No picture was sent.', 'Send the file itself as JPEG, PNG or WebP.');
      }
      const sent = sha256(body);
      const standing = await findPhoto(db, id);
      if (standing) {
        if (standing.sent !== sent || standing.combination !== combination) throw refusals.photoTaken();
        return standing;
      }
      if (!(await db('combinations').where({ id: combination }).first('id'))) {
        throw refusals.notFound('This combination');
      }
      const taken = await takePhoto(body, (request.headers['content-type'] ?? '').split(';')[0] ?? '');
      await keepPhoto(db, { id, combination, sent, by: signedIn(request).name }, taken);
      const kept = await findPhoto(db, id);
      if (kept?.sent !== sent || kept.combination !== combination) throw refusals.photoTaken();
      return kept;
    },
  );

  const find = async (combination: string, id: string): Promise<PhotoRow> => {
    const row = await findPhoto(db, id);
    if (row?.combination !== combination) throw refusals.notFound('This photograph');
    return row;
  };

  app.get('/combinations/:id/photos/:photo', { schema: { params } }, async (request, reply) => {
    signedIn(request);
    const { id, size } = await find(request.params.id, request.params.photo);
    return reply
      .type('image/jpeg')
      .header('content-length', size)
      .header('content-security-policy', "default-src 'none'")
      .header('cache-control', 'private, max-age=3600')
      .send(Readable.from(readPhoto(db, id, size)));
  });

  app.get('/combinations/:id/photos/:photo/small', { schema: { params } }, async (request, reply) => {
    signedIn(request);
    const { id } = await find(request.params.id, request.params.photo);
    const row = (await db('photos').where({ id }).first('small')) as { small: Buffer };
    return reply
      .type('image/jpeg')
      .header('content-security-policy', "default-src 'none'")
      .header('cache-control', 'private, max-age=3600')
      .send(row.small);
  });
  return Promise.resolve();
};
