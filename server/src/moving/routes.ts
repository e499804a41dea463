import { API, MOST_WHOLE_SHOP } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { Readable } from 'node:stream';
import { createGzip } from 'node:zlib';
import { serve, takeFiles } from '../api/serve';
import { sha256 } from '../chain/hashes';
import { refusals } from '../http/problems';
import { moveIn } from './moveIn';
import { unpack } from './unpack';
import { writeShop } from './writeShop';

/** One file carries a whole shop out, and into one that is still empty. */
export function movingRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  takeFiles(app, API.moveShopIn.body.file, MOST_WHOLE_SHOP);
  app.setErrorHandler((error: Error & { code?: string }) => {
    if (error.code === 'FST_ERR_CTP_BODY_TOO_LARGE') {
      throw refusals.wholeShopUnreadable(
        `It is larger than ${MOST_WHOLE_SHOP / 1024 / 1024} MB: move it in with 'npm run move -- in <file>' on the server.`,
      );
    }
    throw error;
  });

  serve(app, API.moveShopOut, ({ reply }) => {
    const now = new Date();
    return reply
      .type('application/gzip')
      .header('content-disposition', `attachment; filename="whole-shop-${now.toISOString().slice(0, 10)}.gz"`)
      .send(Readable.from(writeShop(db, now)).pipe(createGzip()));
  });

  serve(app, API.moveShopIn, async ({ query, body, person, doer }) => {
    const bytes = Buffer.from(body.buffer, body.byteOffset, body.byteLength);
    const unpacked = unpack(() => Readable.from([bytes]));
    const about = { mover: person, doer, digest: sha256(bytes), now: new Date() };
    return moveIn(db, unpacked, about, query.only === 'check');
  });
  return Promise.resolve();
}
