import { shopFileSchema } from '@tug-mark/contract';
import { computeSetUp, type EntryBody, type Finding, type Measure } from '@tug-mark/core';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { z } from 'zod';
import { addCheck, keepShopFile } from '../cabinet/store';
import { bumpVersion } from '../db/bumpVersion';
import { contextOf, Journal, pageCombinations, readJournal, readShared } from '../lot/store';
import { hashPassword } from '../people/passwords';
import { importWireList } from '../records/wireLists';
import { DEMO_SIGN_INS } from './people';

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
  work: z.array(
    z.strictObject({
      about: z.string(),
      terminal: z.string(),
      wire: z.string(),
      hoursAgo: z.number(),
      by: z.string(),
      gates: z.enum(['all', 'none']),
      /** Pieces looked at; findings not named are 'accept'. */
      looked: z.number().int(),
      findings: z.array(
        z.strictObject({
          piece: z.number(),
          criterion: z.string(),
          finding: z.enum(['rework', 'reject']),
          note: z.string(),
        }),
      ),
      forces: z.array(z.number()),
    }),
  ),
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
    for (const table of shop.limits) {
      const { document, revision, class: className, status } = table;
      await trx('limit_tables')
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
  ] as const) {
    await importWireList(db, { id: randomUUID(), name, class: '2', customer: null, bytes: await read(file) }, 'Odile');
  }
  await replay(db, history.work, hoursAgo);

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

async function replay(
  db: Knex,
  work: z.infer<typeof historySchema>['work'],
  hoursAgo: (hours: number) => Date,
): Promise<void> {
  const journal = new Journal(db);
  const { rows } = await pageCombinations(db, 0, 1000);
  for (const job of work) {
    const row = rows.find((r) => r.terminal === job.terminal && r.wire === job.wire);
    if (!row) throw new Error(`demo/history.json: no combination ${job.terminal} on ${job.wire}`);
    const context = await contextOf(db, row, await readShared(db));
    let minutes = 0;
    const put = async (body: EntryBody) => {
      minutes += 0.5;
      const entry = { id: randomUUID(), body, corrects: null, why: null };
      await journal.append(
        row.id,
        entry,
        { name: job.by, role: 'technician' },
        { version: 'demo', session: null },
        hoursAgo(job.hoursAgo - minutes / 60),
      );
    };
    const setUp = async () =>
      computeSetUp(context, await readJournal(db, row.id), hoursAgo(job.hoursAgo).toISOString());
    const { chosen } = (await setUp()).toolChoice;
    if (!chosen) throw new Error(`demo/history.json: no tool for ${job.terminal}`);
    await put({
      kind: 'tool',
      tool: chosen.tool.part,
      die: chosen.die.id,
      nest: chosen.nest.id,
      ...(chosen.setting === null ? {} : { setting: chosen.setting }),
      ...(chosen.positioner === null ? {} : { positioner: chosen.positioner.id }),
    });
    const { gates, criteria, measures, preparation } = await setUp();
    const measured = job.gates === 'all' ? context.practice.measuredPieces : 0;
    for (let piece = 1; piece <= measured; piece++) {
      const strip = preparation?.strip.setPoint;
      if (strip) await put(measure(piece, 'strip', strip));
      const { height } = measures;
      if (height) await put(measure(piece, 'height', Number(((height.min + height.max) / 2).toFixed(3))));
    }
    for (const { gate } of job.gates === 'all' ? gates : []) await put({ kind: 'gate', gate, answer: 'yes', note: '' });
    for (let piece = 1; piece <= job.looked; piece++) {
      for (const { code } of criteria) {
        const given = job.findings.find((f) => f.piece === piece && f.criterion === code);
        const finding: Finding = given?.finding ?? 'accept';
        await put({ kind: 'finding', piece, criterion: code, finding, note: given?.note ?? '' });
      }
    }
    for (const [index, force] of job.forces.entries()) {
      await put({
        kind: 'reading',
        piece: index + 1,
        force,
        typed: String(force),
        unit: 'N',
        mode: force > 0.9 * (await setUp()).breaks ? 'broke-in-wire' : 'slid-out',
        note: '',
        confirmed: [],
      });
    }
  }
}

const measure = (piece: number, what: Measure, value: number): EntryBody => ({
  kind: 'measure',
  piece,
  what,
  value,
  typed: String(value),
  unit: 'mm',
  note: '',
});
