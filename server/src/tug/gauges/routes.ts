import { API } from '@tug-mark/contract';
import { packTrace } from '@tug-mark/core';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { refusals } from '../../http/problems';
import { serve } from '../../api/serve';
import type { GaugeBridge } from './bridge';
import { keepGauge, listGauges } from './store';

/** The shop's force gauges: their settings, zeroing, and the curve of the last pull. */
export function gaugeRoutes(app: FastifyInstance, { db, bridge }: { db: Knex; bridge: GaugeBridge }): Promise<void> {
  serve(app, API.listGauges, () => listGauges(db));
  serve(app, API.keepGauge, async ({ body, doer }) => {
    await keepGauge(db, body, doer);
    bridge.changed(body.id);
    return listGauges(db);
  });
  serve(app, API.zeroGauge, ({ params }) => ({ sent: bridge.command(params.id, 'zeroCommand') }));
  serve(app, API.readGaugeCurve, async ({ params, reply }) => {
    const trace = await bridge.trace(params.id);
    if (typeof trace === 'string') throw refusals.gaugeSilent(trace);
    return reply.type('application/octet-stream').send(Buffer.from(packTrace(trace)));
  });
  return Promise.resolve();
}
