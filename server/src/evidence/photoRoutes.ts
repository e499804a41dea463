import { API, MOST_PHOTO } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { Readable } from 'node:stream';
import { sha256 } from '../chain/hashes';
import { refusals } from '../http/problems';
import { serve, takeFiles } from '../api/serve';
import { findPhoto, keepPhoto, readPhoto, type PhotoRow } from './photos';

/** Photographs of pieces: decoded and written again, kept in pieces beside the journal, never changed. */
export function photoRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  takeFiles(app, API.putPhoto.body.file, MOST_PHOTO);
  app.setErrorHandler((error: Error & { code?: string }, request) => {
    if (error.code === 'FST_ERR_CTP_BODY_TOO_LARGE') {
      throw refusals.photoRefused(
        'photo-too-heavy',
        `The file is larger than ${MOST_PHOTO / 1024 / 1024} MB.`,
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
    throw error;
  });

  serve(
    app,
    API.putPhoto,
    async ({ params: { id: combination, photo: id }, body, request, doer }) => {
      const bytes = Buffer.from(body.buffer, body.byteOffset, body.byteLength);
      const sent = sha256(bytes);
      const standing = await findPhoto(db, id);
      if (standing) {
        if (standing.sent !== sent || standing.combination !== combination) throw refusals.photoTaken();
        return standing;
      }
      if (!(await db('combinations').where({ id: combination }).first('id'))) {
        throw refusals.notFound('This combination');
      }
      // What decodes pictures is read with the first one, so that a start does not wait for it.
      const { takePhoto } = await import('./takePhoto');
      const taken = await takePhoto(bytes, (request.headers['content-type'] ?? '').split(';')[0] ?? '');
      await keepPhoto(db, { id, combination, sent, ...doer }, taken);
      const kept = await findPhoto(db, id);
      if (kept?.sent !== sent || kept.combination !== combination) throw refusals.photoTaken();
      return kept;
    },
    // Whoever sends pictures without end is slowed down before they are decoded.
    { config: { rateLimit: { max: 120, timeWindow: '1 minute' } } },
  );

  const find = async (combination: string, id: string): Promise<PhotoRow> => {
    const row = await findPhoto(db, id);
    if (row?.combination !== combination) throw refusals.notFound('This photograph');
    return row;
  };

  serve(app, API.readPhoto, async ({ params, reply }) => {
    const { id, size } = await find(params.id, params.photo);
    return reply
      .type('image/jpeg')
      .header('content-length', size)
      .header('content-security-policy', "default-src 'none'")
      .header('cache-control', 'private, max-age=3600')
      .send(Readable.from(readPhoto(db, id, size)));
  });
  serve(app, API.readSmallPhoto, async ({ params, reply }) => {
    const { id } = await find(params.id, params.photo);
    const row = (await db('photos').where({ id }).first('small')) as { small: Buffer };
    return reply
      .type('image/jpeg')
      .header('content-security-policy', "default-src 'none'")
      .header('cache-control', 'private, max-age=3600')
      .send(row.small);
  });
  return Promise.resolve();
}
