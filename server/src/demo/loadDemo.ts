import { gaugeSchema, shopFileSchema } from '@tug-mark/contract';
import { findCheckPlace, type Tool } from '@tug-mark/core';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { z } from 'zod';
import { keepShopFile } from '../records/keepShopFile';
import { addCheck } from '../cabinet/toolRecords';
import { noteDeeds } from '../chain/deeds';
import { seal } from '../chain/seal';
import { bumpVersion } from '../db/bumpVersion';
import { readCsv } from '../files/readCsv';
import { hashPassword } from '../session/passwords';
import { importWireList } from '../records/wireLists';
import { keepGauge } from '../tug/gauges/store';
import { DEMO_SIGN_INS } from '../shop/demoSignIns';
import { loadFloor } from './loadFloor';
import { lookPastSchema, replayLook } from './lookPast';
import { replay, workSchema } from './replay';

const MAREK = { by: 'Marek', role: 'engineer' };
const INES = { by: 'Ines', role: 'quality' };

/** What happened in the demo shop before today, told in hours before the demo is loaded. */
const historySchema = z.strictObject({
  checks: z.array(
    z.strictObject({
      tool: z.string(),
      /** The one that was mounted; the register's where it is not named. */
      die: z.string().optional(),
      nest: z.string().nullable().default(null),
      hoursAgo: z.number(),
      goPassed: z.boolean(),
      noGoStopped: z.boolean(),
      by: z.string(),
    }),
  ),
  work: z.array(workSchema),
});

type PastCheck = z.infer<typeof historySchema>['checks'][number];

async function check(db: Knex, past: PastCheck, tool: Tool | undefined, at: Date): Promise<void> {
  const place = tool && findCheckPlace(tool, past.die ?? tool.dies.find(({ mounted }) => mounted)?.id, past.nest);
  if (!place) throw new Error(`demo/history.json: no die of ${past.tool}`);
  await addCheck(
    db,
    {
      id: randomUUID(),
      tool: tool.part,
      die: place.die.id,
      nest: past.nest,
      goPassed: past.goPassed,
      noGoStopped: past.noGoStopped,
      by: past.by,
      at: at.toISOString(),
      setting: place.gauge?.setting ?? null,
      cycles: tool.cycles,
    },
    'technician',
  );
}

/**
 * Loads the made-up shop once, through the same doors its people use: shop file, wire list, tool checks, journal.
 * @param folder the repository's demo folder
 * @param now the moment all 'hours ago' count back from
 */
export async function loadDemo(db: Knex, folder: string, now: Date): Promise<void> {
  const read = async (name: string) => readFile(`${folder}/${name}`);
  const shop = shopFileSchema.parse(JSON.parse((await read('shop.json')).toString('utf8')));
  const history = historySchema.parse(JSON.parse((await read('history.json')).toString('utf8')));
  const hoursAgo = (hours: number) => new Date(now.getTime() - hours * 3_600_000);

  await keepShopFile(db, shop, MAREK);
  await db.transaction(async (trx) => {
    // A shop file only ever brings drafts; the demo's tables come with the state their story gives them.
    for (const [kind, table] of [
      ...shop.limits.map((each) => ['limit_tables', each] as const),
      ...shop.looks.map((each) => ['look_sheets', each] as const),
    ]) {
      const { document, revision, class: className, status } = table;
      await trx(kind)
        .where({ document, revision, class: className })
        .update({
          status,
          by_name: 'Ines',
          drafted_by: 'Marek',
          released_by: status === 'draft' ? null : 'Ines',
          released_at: status === 'draft' ? null : table.effectiveFrom,
          withdrawn_by: status === 'withdrawn' ? 'Ines' : null,
          withdrawn_at: status === 'withdrawn' ? table.effectiveUntil : null,
        });
      const ledger = kind === 'limit_tables' ? 'limits' : 'looks';
      await noteDeeds(trx, ledger, status, [`${document}/${revision}/${className}`], INES);
    }
    await bumpVersion(trx);
  });
  for (const [name, file, days] of [
    ['Chassis loom', 'chassis-loom.csv', 0],
    ['Mast loom', 'mast-loom.csv', 1],
    ['Sensor bar', 'sensor-bar.csv', 4],
  ] as const) {
    const bytes = await read(file);
    const due = hoursAgo(-24 * days)
      .toISOString()
      .slice(0, 10);
    const list = { id: randomUUID(), name, class: 'standard', customer: null, due, bytes, table: readCsv(bytes) };
    await importWireList(db, list, { by: 'Odile', role: 'technician' });
  }
  // In the order it happened: a tool is taken by what was checked until then.
  const dies = new Map(shop.tools.map((tool) => [tool.part, tool]));
  const later = history.checks.toSorted((a, b) => b.hoursAgo - a.hoursAgo);
  const checkUntil = async (hours: number) => {
    for (let next = later[0]; next && next.hoursAgo >= hours; next = later[0]) {
      later.shift();
      await check(db, next, dies.get(next.tool), hoursAgo(next.hoursAgo));
    }
  };
  for (const job of history.work.toSorted((a, b) => b.hoursAgo - a.hoursAgo)) {
    await checkUntil(job.hoursAgo);
    await replay(db, [job], hoursAgo);
  }
  await checkUntil(0);
  await replayLook(db, lookPastSchema.parse(JSON.parse((await read('look.json')).toString('utf8'))), hoursAgo);
  for (const gauge of z.array(gaugeSchema).parse(JSON.parse((await read('gauges.json')).toString('utf8')))) {
    await keepGauge(db, gauge, MAREK);
  }

  const hashes = await Promise.all(DEMO_SIGN_INS.map((person) => hashPassword(person.password)));
  await db.transaction(async (trx) => {
    await trx('shop').update({ name: 'Fennick Lane Harness Works', is_demo: true });
    await noteDeeds(trx, 'shop', 'opened', ['shop'], MAREK);
    const ids = DEMO_SIGN_INS.map(() => randomUUID());
    await trx('people').insert(
      DEMO_SIGN_INS.map((person, index) => ({
        id: ids[index],
        name: person.name,
        role: person.role,
        password_hash: hashes[index],
        qualified_until: person.role === 'technician' ? (person.name === 'Tove' ? '2026-08-31' : '2031-12-31') : null,
      })),
    );
    await noteDeeds(trx, 'people', 'added', ids, MAREK);
  });
  await loadFloor(db, JSON.parse((await read('floor.json')).toString('utf8')), now, MAREK);
  await seal(db, now);
}
