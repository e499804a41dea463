import cookie from '@fastify/cookie';
import rateLimit from '@fastify/rate-limit';
import { API } from '@tug-mark/contract';
import Fastify, { type FastifyInstance, type FastifyServerOptions } from 'fastify';
import { serializerCompiler, validatorCompiler } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { cabinetRoutes } from './cabinet/routes';
import { Sealer } from './chain/seal';
import { chartRoutes } from './charts/routes';
import { combinationRoutes } from './combination/routes';
import { demoRoutes } from './demo/routes';
import { causeRoutes } from './diagnosis/routes';
import { photoRoutes } from './evidence/photoRoutes';
import { traceRoutes } from './evidence/traceRoutes';
import { handleErrors } from './http/handleErrors';
import { forwardHeavy } from './api/forward';
import { describeApi } from './api/openapi';
import { refusals } from './http/problems';
import { readJson } from './http/readJson';
import { onlyFromContract, takeFiles } from './api/serve';
import { servePages } from './http/servePages';
import { shorten } from './http/shorten';
import { journalRoutes } from './journal/routes';
import { Hub } from './live/hub';
import { ReadingsFirst } from './live/ReadingsFirst';
import { liveRoutes } from './live/routes';
import { Teller } from './live/teller';
import { lookRoutes } from './look/routes';
import { lotRoutes } from './lot/routes';
import { movingRoutes } from './moving/routes';
import { peopleRoutes } from './people/routes';
import { planRoutes } from './plan/routes';
import { readSessions } from './session/session';
import { Projector } from './standing/Projector';
import { standingRoutes } from './standing/routes';
import { recordRoutes } from './records/routes';
import { shopRoutes } from './shop/routes';
import { sheetRoutes } from './sheets/routes';
import { studyRoutes } from './study/routes';
import { GaugeBridge } from './tug/gauges/bridge';
import { gaugeRoutes } from './tug/gauges/routes';
import { readGauge } from './tug/gauges/store';
import { tugRoutes } from './tug/routes';
import { unsentRoutes } from './unsent/routes';
import { verifyRoutes } from './verify/routes';

export interface AppOptions {
  readonly db: Knex;
  /** Folder of the built pages; null serves the API alone. */
  readonly pages: string | null;
  /** Sign-ins one address may try in a minute. */
  readonly signInsPerMinute?: number;
  readonly logger?: FastifyServerOptions['logger'];
  /** Address of the process for reports; null answers everything here. */
  readonly reports?: string | null;
  /** How long a stop waits for requests that are still coming in, ms. */
  readonly grace?: number;
}

/**
 * Answers of the API are data: nothing in them is run, shown in a frame or read by another site. A browser may keep one, and
 * has to ask each time whether it still stands; nobody between may.
 */
const DATA_ONLY = {
  'cache-control': 'private, no-cache',
  'content-security-policy': "default-src 'none'; frame-ancestors 'none'",
  'cross-origin-resource-policy': 'same-origin',
  'referrer-policy': 'no-referrer',
  'x-content-type-options': 'nosniff',
};

/** The whole server, not yet listening. It keeps no state of its own: any number of processes serve one database. */
export async function buildApp({
  db,
  pages,
  signInsPerMinute = 20,
  logger = false,
  reports = null,
  grace = 5000,
}: AppOptions): Promise<FastifyInstance> {
  const app = Fastify({
    logger,
    bodyLimit: 1024 * 1024,
    trustProxy: 'loopback',
    childLoggerFactory: (own) => own,
    // A request that never ends is ended: its head within 20 s, all of it within two minutes.
    requestTimeout: 120_000,
    http: { headersTimeout: 20_000 },
  });
  app.setValidatorCompiler(validatorCompiler);
  app.setSerializerCompiler(serializerCompiler);
  handleErrors(app);
  app.decorate('forwardsHeavy', reports !== null);

  const hub = new Hub(db);
  const first = new ReadingsFirst(hub);
  const teller = new Teller(db);
  const bridge = new GaugeBridge((id) => readGauge(db, id));
  const sealer = new Sealer(db);
  const projector = reports === null ? new Projector(db, hub) : null;
  app.addHook('preClose', (done) => {
    // Whoever is still sending after this long will not finish.
    setTimeout(() => {
      app.server.closeAllConnections();
    }, grace).unref();
    done();
  });
  app.addHook('onClose', async () => {
    bridge.close();
    first.close();
    await sealer.close();
    await projector?.close();
    await teller.close();
    await hub.close();
  });
  await app.register(
    async (api) => {
      await api.register(cookie);
      await api.register(rateLimit, { global: false });
      await shorten(api);
      onlyFromContract(api);
      readJson(api);
      takeFiles(api, ['text/csv'], API.importReadings.body.most);
      api.setNotFoundHandler(() => {
        throw refusals.notFound('This address');
      });
      api.addHook('onRequest', (_request, reply, done) => {
        void reply.headers(DATA_ONLY);
        done();
      });
      // Before sessions are read: who calls is asked once, by the process that answers.
      if (reports !== null) await forwardHeavy(api, reports);
      readSessions(api, db);
      await api.register(peopleRoutes, { db, hub, signInsPerMinute });
      await api.register(shopRoutes, { db });
      await api.register(movingRoutes, { db });
      await api.register(cabinetRoutes, { db });
      await api.register(tugRoutes, { db });
      await api.register(lookRoutes, { db });
      await api.register(gaugeRoutes, { db, bridge });
      await api.register(liveRoutes, { db, hub, bridge });
      await api.register(combinationRoutes, { db, first });
      await api.register(standingRoutes, { db, projector, first });
      await api.register(journalRoutes, { db, teller });
      await api.register(unsentRoutes, { db });
      await api.register(traceRoutes, { db });
      await api.register(photoRoutes, { db });
      await api.register(lotRoutes, { db });
      await api.register(planRoutes, { db });
      await api.register(recordRoutes, { db, first });
      await api.register(verifyRoutes, { db });
      await api.register(sheetRoutes, { db });
      await api.register(chartRoutes, { db, first });
      await api.register(causeRoutes, { db });
      await api.register(studyRoutes, { db });
      await api.register(demoRoutes, { db });
      let description: string | undefined;
      api.get('/openapi.json', { schema: { hide: true } }, (_request, reply) =>
        reply.type('application/json; charset=utf-8').send((description ??= JSON.stringify(describeApi()))),
      );
      api.get('/health', { schema: { hide: true } }, async () => {
        await db.raw('SELECT 1');
        return { state: 'up' };
      });
    },
    { prefix: '/api' },
  );
  // In a room of its own: what guards pages costs a reading nothing.
  if (pages) await app.register((room) => servePages(room, pages));
  return app;
}
