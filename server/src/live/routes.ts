import { API, type GaugeEvent } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { PassThrough } from 'node:stream';
import { serve } from '../api/serve';
import { isOpen } from '../session/store';
import type { GaugeBridge } from '../tug/gauges/bridge';
import type { Hub } from './hub';

/** A line of comment this often keeps proxies from closing a quiet stream, and finds stations that are gone. */
const BEAT_MS = 15_000;
/** Bytes a station may be behind before its readings are left out. */
const MOST_BEHIND = 256 * 1024;

/** One stream a station: what others put on record, and its gauge's force, as server-sent events. */
export function liveRoutes(
  app: FastifyInstance,
  { db, hub, bridge }: { db: Knex; hub: Hub; bridge: GaugeBridge },
): Promise<void> {
  const open = new Set<PassThrough>();
  // A stream without end would keep the server from closing.
  app.addHook('preClose', (done) => {
    for (const stream of open) stream.end();
    done();
  });

  serve(app, API.listen, ({ query, request, reply }) => {
    const session = request.sessionToken ?? '';
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
    // A stream ends with the session it was opened in, however that ended.
    const endWithSession = () => {
      isOpen(db, session).then(
        (isStill) => {
          if (!isStill) stream.end();
        },
        // Asked again at the next beat: while the database is away nobody is signed out.
        () => undefined,
      );
    };
    const ends = [
      hub.listen((news) => {
        if (news.kind === 'signed-out') {
          if (news.session === session) stream.end();
          return;
        }
        send(news.kind, news);
        // An account may have been shut.
        if (news.kind !== 'entry') endWithSession();
      }),
    ];
    const { gauge, caliper } = query;
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
      endWithSession();
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
  });
  return Promise.resolve();
}
