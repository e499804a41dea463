import cookie from '@fastify/cookie';
import rateLimit from '@fastify/rate-limit';
import swagger from '@fastify/swagger';
import Fastify, { type FastifyInstance, type FastifyServerOptions } from 'fastify';
import { jsonSchemaTransform, serializerCompiler, validatorCompiler } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { cabinetRoutes } from './cabinet/routes';
import { chartRoutes } from './charts/routes';
import { demoRoutes } from './demo/routes';
import { handleErrors } from './http/handleErrors';
import { refusals } from './http/problems';
import { servePages } from './http/servePages';
import { Hub } from './live/hub';
import { liveRoutes } from './live/routes';
import { Teller } from './live/teller';
import { certificateRoutes } from './lot/certificate/routes';
import { photoRoutes } from './look/photos/routes';
import { lookRoutes } from './look/routes';
import { lotRoutes } from './lot/routes';
import { peopleRoutes } from './people/routes';
import { readSessions } from './people/session';
import { recordRoutes } from './records/routes';
import { studyRoutes } from './study/routes';
import { causeRoutes } from './diagnosis/routes';
import { sheetRoutes } from './sheets/routes';
import { GaugeBridge } from './tug/gauges/bridge';
import { gaugeRoutes } from './tug/gauges/routes';
import { readGauge } from './tug/gauges/store';
import { tugRoutes } from './tug/routes';
import { traceRoutes } from './tug/traces/routes';

export interface AppOptions {
  readonly db: Knex;
  /** Folder of the built pages; null serves the API alone. */
  readonly pages: string | null;
  /** Sign-ins one address may try in a minute. */
  readonly signInsPerMinute?: number;
  readonly logger?: FastifyServerOptions['logger'];
}

/** The whole server, not yet listening. It keeps no state of its own: any number of processes serve one database. */
export async function buildApp({
  db,
  pages,
  signInsPerMinute = 20,
  logger = false,
}: AppOptions): Promise<FastifyInstance> {
  const app = Fastify({ logger, bodyLimit: 1024 * 1024, trustProxy: 'loopback', childLoggerFactory: (own) => own });
  app.setValidatorCompiler(validatorCompiler);
  app.setSerializerCompiler(serializerCompiler);
  handleErrors(app);

  const hub = new Hub(db);
  const teller = new Teller(db);
  const bridge = new GaugeBridge((id) => readGauge(db, id));
  app.addHook('onClose', async () => {
    bridge.close();
    await teller.close();
    await hub.close();
  });
  await app.register(
    async (api) => {
      await api.register(cookie);
      await api.register(rateLimit, { global: false });
      await api.register(swagger, {
        openapi: {
          info: {
            title: 'Tug Mark',
            version: '1',
            description: 'Set-up, record and judgement of crimped terminations.',
          },
        },
        transform: jsonSchemaTransform,
      });
      readSessions(api, db);
      api.setNotFoundHandler(() => {
        throw refusals.notFound('This address');
      });
      api.addHook('onRequest', (_request, reply, done) => {
        void reply.headers({ 'cache-control': 'no-store', 'x-content-type-options': 'nosniff' });
        done();
      });
      await api.register(peopleRoutes, { db, signInsPerMinute });
      await api.register(cabinetRoutes, { db });
      await api.register(tugRoutes, { db });
      await api.register(gaugeRoutes, { db, bridge });
      await api.register(traceRoutes, { db });
      await api.register(lookRoutes, { db });
      await api.register(photoRoutes, { db });
      await api.register(liveRoutes, { hub, bridge });
      await api.register(lotRoutes, { db, teller });
      await api.register(certificateRoutes, { db });
      await api.register(chartRoutes, { db });
      await api.register(recordRoutes, { db, teller });
      await api.register(sheetRoutes, { db });
      await api.register(causeRoutes, { db });
      await api.register(studyRoutes, { db });
      await api.register(demoRoutes, { db });
      api.get('/openapi.json', { schema: { hide: true } }, () => api.swagger());
      api.get('/health', { schema: { hide: true } }, async () => {
        await db.raw('SELECT 1');
        return { state: 'up' };
      });
    },
    { prefix: '/api' },
  );
  if (pages) await servePages(app, pages);
  return app;
}
