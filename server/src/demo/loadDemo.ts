import { gaugeSchema, shopFileSchema } from '@tug-mark/contract';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { z } from 'zod';
import { keepShopFile } from '../cabinet/keepShopFile';
import { addCheck } from '../cabinet/store';
import { bumpVersion } from '../db/bumpVersion';
import { hashPassword } from '../people/passwords';
import { importWireList } from '../records/wireLists';
import { keepGauge } from '../tug/gauges/store';
import { DEMO_SIGN_INS } from './people';
import { lookPastSchema, replayLook } from './lookPast';
import { replay, workSchema } from './replay';

/** What happened in the demo shop before today, told in hours before the demo is loaded. */
const historySchema = z.strictObject({
  checks: z.array(
    z.strictObject({
      tool: z.string(),
      hoursAgo: z.number(),
      goPassed: z.boolean(),
      noGoStopped: z.boolean(),
      by: z.string(),
    }),
  ),
  work: z.array(workSchema),
});

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

  await keepShopFile(db, shop, 'Marek');
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
    }
    await bumpVersion(trx);
  });
  const tools = new Map(shop.tools.map((tool) => [tool.part, tool]));
  for (const check of history.checks) {
    const { tool, goPassed, noGoStopped, by } = check;
    await addCheck(db, {
      id: randomUUID(),
      tool,
      goPassed,
      noGoStopped,
      by,
      at: hoursAgo(check.hoursAgo).toISOString(),
      setting: tools.get(tool)?.gauge?.setting ?? null,
      cycles: tools.get(tool)?.cycles ?? null,
    });
  }
  for (const [name, file] of [
    ['Chassis loom', 'chassis-loom.csv'],
    ['Mast loom', 'mast-loom.csv'],
    ['Sensor bar', 'sensor-bar.csv'],
  ] as const) {
    await importWireList(db, { id: randomUUID(), name, class: '2', customer: null, bytes: await read(file) }, 'Odile');
  }
  await replay(db, history.work, hoursAgo);
  await replayLook(db, lookPastSchema.parse(JSON.parse((await read('look.json')).toString('utf8'))), hoursAgo);
  for (const gauge of z.array(gaugeSchema).parse(JSON.parse((await read('gauges.json')).toString('utf8')))) {
    await keepGauge(db, gauge, 'Marek');
  }

  const hashes = await Promise.all(DEMO_SIGN_INS.map((person) => hashPassword(person.password)));
  await db.transaction(async (trx) => {
    await trx('shop').update({ name: 'Fennick Lane Harness Works', is_demo: true });
    await trx('people').insert(
      DEMO_SIGN_INS.map((person, index) => ({
        id: randomUUID(),
        name: person.name,
        role: person.role,
        password_hash: hashes[index],
        qualified_until: person.role === 'technician' ? (person.name === 'Tove' ? '2026-08-31' : '2031-12-31') : null,
      })),
    );
  });
}
