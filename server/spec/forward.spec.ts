import { API, type CombinationView } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { AddressInfo } from 'node:net';
import { spawnSync } from 'node:child_process';
import { buildApp } from '../src/app';
import { HEAVY } from '../src/api/heavy';
import { connect } from '../src/db/connect';
import type { News } from '../src/live/hub';
import { ReadingsFirst } from '../src/live/ReadingsFirst';
import { FRESH, problemOf, reading, Shop, TAKE_TOOL, Visitor } from './harness';

describe('With a process for reports', () => {
  let shop: Shop;
  let stations: FastifyInstance;
  let odile: Visitor;
  beforeEach(async () => {
    shop = await Shop.open();
    await shop.app.listen({ host: '127.0.0.1', port: 0 });
    const { port } = shop.app.server.address() as AddressInfo;
    stations = await buildApp({ db: shop.db, pages: null, reports: `http://127.0.0.1:${port}` });
    odile = new Visitor(stations);
    await odile.call('POST', '/api/session', { name: 'Odile', password: 'demo-odile-bench' });
  });
  afterEach(async () => {
    await stations.close();
    await shop.close();
  });

  it('a station reads, and finds what it put on record in the lists, through one address', async () => {
    const { id } = await odile.combination(...FRESH);
    await odile.kept(id, TAKE_TOOL);
    await odile.kept(id, reading(1, 118.4));
    expect((await odile.view(id)).entries.length).toBe(2);
    expect((await odile.combination(...FRESH)).id).toBe(id);
    const record = await odile.call('GET', `/api/combinations/${id}/record.json`);
    expect(record.headers['content-disposition']).toContain('attachment');
    expect(record.json<CombinationView>().entries.length).toBe(2);
    // A sheet leads back to the address it was asked at, not to the process that drew it.
    const direct = new Visitor(shop.app);
    direct.cookie = odile.cookie;
    const drawn = async (who: Visitor, host: string) => {
      const sheet = await who.call('GET', `/api/combinations/${id}/sheet.svg`, undefined, { host });
      return sheet.body.replace(/\d{4}-\d\d-\d\d \d\d:\d\d UTC/g, '');
    };
    const asked = await drawn(odile, 'shop.test:4870');
    expect(asked).toBe(await drawn(direct, 'shop.test:4870'));
    expect(asked).not.toBe(await drawn(direct, 'elsewhere.test:4870'));
  });

  it('files arrive as they were sent', async () => {
    const csv = 'wire id,wire part,length mm,terminal a,terminal b,quantity\nÄ1,FL-W-0075,100,FL-RT-0406,-,4';
    expect((await odile.importCsv('Umlaute ä', csv)).statusCode).toBe(201);
    const wrong = await odile.importCsv('Wrong', Buffer.from([0xff, 0xfe, 0x00]));
    expect(problemOf(wrong).code).toBe('list-problems');
  });

  it('reports give way to readings with every thread, and keep a query to one core', async () => {
    const told = `
      const { giveWay } = await import('./server/src/giveWay.ts');
      const { readdirSync, readFileSync } = await import('node:fs');
      giveWay(7);
      const nice = (id) => readFileSync('/proc/self/task/' + id + '/stat', 'utf8').split(') ').at(-1).split(' ')[16];
      console.log(readdirSync('/proc/self/task').map(nice).join(' '));`;
    const { stdout } = spawnSync(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', told]);
    const nices = String(stdout).trim().split(' ');
    expect(nices.length).toBeGreaterThan(4);
    expect(new Set(nices)).toEqual(new Set(['7']));

    const { connectionString } = shop.db.client.config.connection as { connectionString: string };
    const workers = async (isForReports: boolean) => {
      const db = connect(connectionString, 1, isForReports);
      const { rows } = await db.raw<{ rows: { n: string }[] }>(
        "SELECT current_setting('max_parallel_workers_per_gather') n",
      );
      await db.destroy();
      return rows[0]?.n;
    };
    expect([await workers(false), await workers(true)]).toEqual(['2', '0']);
  });

  it('every heavy operation asks who is calling, exactly as if there were one process', async () => {
    const nobody = new Visitor(stations);
    for (const { id, method, path } of Object.values(API)) {
      if (!HEAVY.has(id)) continue;
      const answer = await nobody.call(method, `/api${path}`.replaceAll(/:\w+/g, crypto.randomUUID()));
      expect([id, answer.statusCode, problemOf(answer).code]).toEqual([id, 401, 'sign-in-first']);
    }
  });

  it('that is down, readings go on, a list shows what is known, and whoever asks for more is told', async () => {
    const { id } = await odile.combination(...FRESH);
    await odile.kept(id, TAKE_TOOL);
    const behind = async () => (await odile.combination(...FRESH)).behind;
    expect(await behind()).toBe(0);
    await shop.app.close();
    expect(await behind()).toBe(0);
    expect((await odile.put(id, reading(1, 118.4))).statusCode).toBe(201);
    expect(await behind()).toBe(1);
    const away = async (path: string) => {
      const answer = await odile.call('GET', `/api/combinations${path}`);
      expect([answer.statusCode, problemOf(answer).title]).toEqual([
        503,
        'Lists, records and reports are being started again.',
      ]);
    };
    await away(`/${id}/record.json`);
    // One that nobody has worked out yet would be missing from a list without a word.
    await shop.db('standings').where({ combination: id }).delete();
    await away('');
  });
});

describe('Whoever takes something large', () => {
  /** Three portions of 40 ms each. @param news what is heard in the middle of each */
  const taken = async (news: News['kind'] | null) => {
    let time = 1000;
    let tell: (news: News) => void = () => undefined;
    const rests: number[] = [];
    const hub = {
      listen: (listener: (news: News) => void) => {
        tell = listener;
        return () => undefined;
      },
    };
    const clock = {
      now: () => time,
      rest: (ms: number) => {
        rests.push(ms);
        time += ms;
        return Promise.resolve();
      },
    };
    async function* portions() {
      for (const portion of [1, 2, 3]) {
        time += 20;
        if (news) tell({ kind: news, combination: '', seq: portion, session: '' } as News);
        time += 20;
        yield await Promise.resolve(portion);
      }
    }
    const given: number[] = [];
    for await (const portion of new ReadingsFirst(hub, clock).inPortions(portions())) given.push(portion);
    expect(given).toEqual([1, 2, 3]);
    return rests;
  };

  it('waits after each portion twice as long as it took while readings come in, and not at all otherwise', async () => {
    expect(await taken('entry')).toEqual([80, 80, 80]);
    expect(await taken(null)).toEqual([]);
    expect(await taken('shop')).toEqual([]);
  });
});
