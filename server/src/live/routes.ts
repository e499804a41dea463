import type { GaugeEvent } from '@tug-mark/contract';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { PassThrough } from 'node:stream';
import { z } from 'zod';
import { signedIn } from '../people/session';
import type { GaugeBridge } from '../tug/gauges/bridge';
import type { Hub } from './hub';

/** A line of comment this often keeps proxies from closing a quiet stream, and finds stations that are gone. */
const BEAT_MS = 15_000;
/** Bytes a station may be behind before its readings are left out. */
const MOST_BEHIND = 256 * 1024;

/** One stream a station: what others put on record, and its gauge's force, as server-sent events. */
export const liveRoutes: FastifyPluginAsyncZod<{ hub: Hub; bridge: GaugeBridge }> = (app, { hub, bridge }) => {
  const open = new Set<PassThrough>();
  // A stream without end would keep the server from closing.
  app.addHook('preClose', (done) => {
    for (const stream of open) stream.end();
    done();
  });

  app.get(
    '/live',
    {
      schema: {
        querystring: z.object({ gauge: z.string().max(40).optional(), caliper: z.string().max(40).optional() }),
      },
    },
    (request, reply) => {
      signedIn(request);
      const stream = new PassThrough({ highWaterMark: 2 * MOST_BEHIND });
      // Between its end and its close a stream takes nothing more.
      const write = (text: string) => {
        if (!stream.writableEnded) stream.write(text);
      };
      const send = (event: string, data: unknown) => {
        write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);
      };
      write('retry: 1000\n\n');
      let skipped = false;
      const ends = [
        hub.listen((news) => {
          send(news.kind, news);
        }),
      ];
      const { gauge, caliper } = request.query;
      if (caliper) {
        ends.push(
          bridge.follow(caliper, (event: GaugeEvent) => {
            if (event.kind !== 'forces') send('caliper', event);
          }),
        );
      }
      if (gauge) {
        ends.push(
          bridge.follow(gauge, (event: GaugeEvent) => {
            if (event.kind !== 'forces') {
              send('gauge', event);
              return;
            }
            if (stream.writableLength > MOST_BEHIND) {
              skipped = true;
              return;
            }
            send('gauge', { ...event, skipped });
            skipped = false;
          }),
        );
      }
      const beat = setInterval(() => {
        write(':\n\n');
      }, BEAT_MS);
      open.add(stream);
      stream.once('close', () => {
        clearInterval(beat);
        for (const end of ends) end();
        open.delete(stream);
      });
      request.raw.once('close', () => {
        stream.destroy();
      });
      return reply
        .headers({ 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' })
        .send(stream);
    },
  );
  return Promise.resolve();
};
