import { API, MOST_LOGO, type Here, type Person } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { serve, takeFiles } from '../api/serve';
import { refusals } from '../http/problems';
import { readHere } from './here';
import { changeShop, keepLogo, readLogo } from './store';

/** How the shop is named and wants its numbers, days and paper. */
export function shopRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  takeFiles(app, API.putLogo.body.file, MOST_LOGO);
  app.setErrorHandler((error: Error & { code?: string }) => {
    if (error.code === 'FST_ERR_CTP_BODY_TOO_LARGE' || error.code === 'FST_ERR_CTP_INVALID_MEDIA_TYPE') {
      throw refusals.logoRefused();
    }
    throw error;
  });
  const here = (person: Person): Promise<Here> => readHere(db, person);

  serve(app, API.changeShop, async ({ body, doer, person }) => {
    await changeShop(db, body, doer);
    return here(person);
  });
  serve(
    app,
    API.putLogo,
    async ({ body, doer, person }) => {
      // What decodes pictures is read with the first one, so that a start does not wait for it.
      const { takeLogo } = await import('./logo');
      await keepLogo(db, await takeLogo(Buffer.from(body)), doer);
      return here(person);
    },
    { config: { rateLimit: { max: 20, timeWindow: '1 minute' } } },
  );
  serve(app, API.removeLogo, async ({ doer, person }) => {
    await keepLogo(db, null, doer);
    return here(person);
  });
  serve(app, API.readLogo, async ({ reply }) =>
    reply
      .type('image/png')
      .header('content-security-policy', "default-src 'none'")
      .header('cache-control', 'private, no-cache')
      .send(await readLogo(db)),
  );
  return Promise.resolve();
}
