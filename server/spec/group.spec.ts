import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
// @ts-expect-error a script of this repository, without types
import * as postgres from '../../scripts/lib/postgres.mjs';
import { buildApp } from '../src/app';
import { seal } from '../src/chain/seal';
import { connect } from '../src/db/connect';
import { migrate } from '../src/db/migrate';
import { loadDemo } from '../src/demo/loadDemo';
import { follow, prepareGroup, publish } from '../src/group/gather';
import { verifyJournal } from '../src/verify/verifyJournal';
import { DEMO_FOLDER, FRESH, reading, TAKE_TOOL, Visitor } from './harness';

interface Cluster {
  url(database: string): string;
  stop(): void;
}
const { startPostgres } = postgres as {
  startPostgres(name: string, options: { firstPort: number; settings: object }): Promise<Cluster>;
};

describe('Two sites gathered in one database', () => {
  const settings = { fsync: 'off', wal_level: 'logical', max_connections: 60 };
  const name = `group_${Date.now()}`;
  let clusters: Cluster[] = [];
  let sites: { db: Knex; url: string; site: number }[] = [];
  let group: Knex;

  const make = async (cluster: Cluster, database: string) => {
    const admin = connect(cluster.url('postgres'), 1);
    await admin.raw(`CREATE DATABASE ${database}`);
    await admin.destroy();
    return connect(cluster.url(database), 6);
  };
  const drop = async (cluster: Cluster, database: string) => {
    const admin = connect(cluster.url('postgres'), 1);
    await admin.raw(`DROP DATABASE ${database} WITH (FORCE)`);
    await admin.destroy();
  };
  const eventually = async (holds: () => Promise<boolean>) => {
    for (let tries = 0; tries < 200 && !(await holds()); tries++) await new Promise((later) => setTimeout(later, 100));
    expect(await holds()).toBeTrue();
  };
  /** Stops following a site, once every table has come: a copy broken off leaves its slot at the site. */
  const unfollow = async (from: Knex, site: number) => {
    await eventually(async () => !(await from('pg_subscription_rel').whereNot({ srsubstate: 'r' }).first('srrelid')));
    await from.raw(`DROP SUBSCRIPTION ${name}_${site}`);
  };
  const count = async (db: Knex, table: string, site: number) => {
    const row = (await db(table).where({ site }).count('* as n').first()) as { n: string };
    return Number(row.n);
  };

  beforeAll(async () => {
    clusters = [
      await startPostgres('sites-postgres', { firstPort: 55270, settings }),
      await startPostgres('group-postgres', { firstPort: 55290, settings }),
    ];
    const [own, other] = clusters as [Cluster, Cluster];
    // One site on a server of its own, the other on the group's.
    for (const [cluster, database] of [
      [own, `${name}_a`],
      [other, `${name}_b`],
    ] as const) {
      const db = await make(cluster, database);
      await migrate(db);
      // The same parts, people, lists and numbers at both: what can collide does.
      await loadDemo(db, DEMO_FOLDER, new Date());
      await seal(db);
      const { site } = (await db('shop').first('site')) as { site: number };
      sites.push({ db, url: cluster.url(database), site });
    }
    group = await make(other, name);
    await prepareGroup(group);
    for (const { db, url, site } of sites) {
      await publish(db);
      await follow(group, db, `${name}_${site}`, url);
    }
  }, 180_000);

  afterAll(async () => {
    for (const { site } of sites) await unfollow(group, site);
    await group.destroy();
    for (const { db } of sites) await db.destroy();
    const [own, other] = clusters as [Cluster, Cluster];
    for (const [cluster, database] of [
      [own, `${name}_a`],
      [other, `${name}_b`],
      [other, name],
    ] as const) {
      await drop(cluster, database);
    }
    for (const cluster of clusters) cluster.stop();
    sites = [];
  }, 60_000);

  it('are there row by row, each journal, ledger and seal with the hashes of its site', async () => {
    expect(sites[0]?.site).not.toBe(sites[1]?.site);
    for (const { db, site } of sites) {
      const told = {
        journal: ['combination', 'seq', 'hash'],
        ledger: ['chain', 'seq', 'hash'],
        seals: ['number', 'hash'],
        seal_heads: ['seal', 'chain', 'head'],
        chains: ['name', 'count', 'head'],
        parts: ['kind', 'part', 'revision'],
        limit_tables: ['document', 'revision', 'class', 'status'],
        people: ['id', 'name', 'role'],
        combinations: ['id', 'number', 'list'],
      };
      for (const [table, columns] of Object.entries(told)) {
        const own = await count(db, table, site);
        expect(own).toBeGreaterThan(0);
        await eventually(async () => (await count(group, table, site)) === own);
        const rows = (from: Knex) => from(table).where({ site }).orderBy(columns).select(columns);
        expect(await rows(group)).toEqual(await rows(db));
      }
    }
    expect(new Set(await group('people').pluck('password_hash'))).toEqual(new Set(['']));
  });

  it('give a table that came with a later release too, when they are published again', async () => {
    const [{ db } = { db: group }] = sites;
    const given = () =>
      db('pg_publication_tables').where({ pubname: 'tug_mark' }).orderBy('tablename').pluck('tablename');
    const before = (await given()) as string[];
    expect(before).toContain('tool_returns');
    await db.raw('ALTER PUBLICATION tug_mark DROP TABLE tool_returns');
    await publish(db);
    expect(await given()).toEqual(before);
  });

  it('hear of each other’s entries at no place but their own, and a chain can be checked there', async () => {
    const [{ db, site } = { db: group, site: 0 }, other] = sites;
    const app = await buildApp({ db, pages: null, signInsPerMinute: 100 });
    const odile = new Visitor(app);
    await odile.call('POST', '/api/session', { name: 'Odile', password: 'demo-odile-bench' });
    const { id } = await odile.combination(...FRESH);
    await odile.kept(id, TAKE_TOOL);
    const kept = await odile.kept(id, reading(1, 118.4), { id: randomUUID() });
    await app.close();
    await eventually(
      async () => (await group('journal').where({ id: kept.id, site, hash: kept.hash }).first()) !== undefined,
    );
    await eventually(async () => {
      const end = (await group('chains')
        .where({ name: `journal/${id}`, site })
        .first('head')) as { head: string };
      return end.head === kept.hash;
    });
    const report = await verifyJournal(group, id);
    expect([report.entries, report.hash, report.faults]).toEqual([2, kept.hash, []]);
    // What the other site has is neither more nor less by it.
    if (!other) throw new Error('no other site');
    const own = await count(other.db, 'journal', other.site);
    await eventually(async () => (await count(group, 'journal', other.site)) === own);
  });

  it('are followed by a second group too, by slots of its own', async () => {
    const [{ db, url, site } = { db: group, url: '', site: 0 }] = sites;
    const [own] = clusters as [Cluster, Cluster];
    const second = await make(own, `${name}_second`);
    await prepareGroup(second);
    await follow(second, db, `${name}_${site}`, url);
    const entries = await count(db, 'journal', site);
    await eventually(async () => (await count(second, 'journal', site)) === entries);
    expect(await count(group, 'journal', site)).toBe(entries);
    await unfollow(second, site);
    await second.destroy();
    await drop(own, `${name}_second`);
    // Its slot went with it, and the first group's stands.
    const slots = (await db('pg_replication_slots')
      .where({ database: `${name}_a` })
      .whereLike('slot_name', `${name}_${site}_%`)
      .pluck('slot_name')) as string[];
    expect(slots.length).toBe(1);
  });
});
