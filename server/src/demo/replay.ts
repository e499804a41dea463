import {
  AS_DRAWN,
  isCaliperOnly,
  ownSheet,
  CHANGES,
  computeSetUp,
  normalFrom,
  ofCurrentRun,
  packTrace,
  random,
  readTrace,
  simulatePull,
  SOUND_PULL,
  standingOf,
  type EntryBody,
  type Finding,
  type Measure,
  type SetUp,
  type SetUpContext,
  gateAbout,
} from '@tug-mark/core';
import type { Knex } from 'knex';
import { createHash, randomUUID } from 'node:crypto';
import { z } from 'zod';
import { contextOf, pageCombinations, readShared } from '../combination/store';
import { readJournal } from '../entry/rows';
import { Journal } from '../journal/Journal';

/** A lot of the demo's past: its pulls are simulated, from these numbers and the seed alone. */
const lotSchema = z.strictObject({
  name: z.string(),
  /** Who released the set-up for it. */
  released: z.string(),
  hoursAgo: z.number(),
  pieces: z.number().int(),
  everyPieces: z.number().int(),
  made: z.number().int(),
  secondsAPiece: z.number(),
  /** Mean force of the first pieces and its standard deviation, N; N lost with every piece. */
  force: z.number(),
  spread: z.number(),
  wear: z.number(),
  seed: z.number().int(),
  ending: z.literal('slide'),
  fails: z.array(z.strictObject({ piece: z.number().int(), force: z.number() })),
  changes: z.array(z.strictObject({ at: z.number().int(), change: z.enum(CHANGES), to: z.string() })),
  finished: z.boolean(),
  /** Crimp heights measured on each checked piece: how far off the middle and spread, mm; N lost for each mm2 off it. */
  heights: z.strictObject({ off: z.number(), spread: z.number(), curve: z.number() }).optional(),
});

export const workSchema = z.strictObject({
  about: z.string(),
  list: z.string().optional(),
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
  lot: lotSchema.optional(),
});
type Work = z.infer<typeof workSchema>;

/** Puts the demo shop's past on record through the same door its people use. */
export async function replay(db: Knex, work: readonly Work[], hoursAgo: (hours: number) => Date): Promise<void> {
  const journal = new Journal(db);
  const { rows } = await pageCombinations(db, 0, 1000);
  for (const job of work) {
    const row = rows.find(
      (r) => r.terminal === job.terminal && r.wire === job.wire && (!job.list || r.list === job.list),
    );
    if (!row) throw new Error(`demo/history.json: no combination ${job.terminal} on ${job.wire}`);
    const context = await contextOf(db, row, await readShared(db));
    const bench = new Replay(db, journal, row.id, context, job.by);
    await setUp(bench, job, hoursAgo(job.hoursAgo));
    if (job.lot) await makeLot(bench, job.lot, hoursAgo(job.lot.hoursAgo));
  }
}

/** Entries of one combination, put on record at instants of the past. */
export class Replay {
  constructor(
    readonly db: Knex,
    private readonly journal: Journal,
    readonly id: string,
    readonly context: SetUpContext,
    private readonly by: string,
  ) {}

  async put(body: EntryBody, at: Date, quality: string | null = null): Promise<void> {
    const person = quality
      ? { name: quality, role: 'quality' as const }
      : { name: this.by, role: 'technician' as const };
    const entry = { id: randomUUID(), body, corrects: null, why: null };
    await this.journal.append(this.id, entry, person, { version: 'demo', session: null, zone: this.context.zone }, at);
  }

  async now(at: Date): Promise<{ setUp: SetUp; entries: Awaited<ReturnType<typeof readJournal>> }> {
    const entries = await readJournal(this.db, this.id);
    return { setUp: computeSetUp(this.context, entries, at.toISOString()), entries };
  }
}

async function setUp(bench: Replay, job: Work, start: Date): Promise<void> {
  let minutes = 0;
  const put = async (body: EntryBody) => {
    minutes += 0.5;
    await bench.put(body, new Date(start.getTime() + minutes * 60_000));
  };
  const { toolChoice, lookInEffect } = (await bench.now(start)).setUp;
  const { chosen } = toolChoice;
  const look = ownSheet(lookInEffect);
  if (!chosen) throw new Error(`demo/history.json: no tool for ${job.terminal}`);
  await put({
    kind: 'tool',
    tool: chosen.tool.part,
    die: chosen.die.id,
    nest: chosen.nest.id,
    ...(chosen.setting === null ? {} : { setting: chosen.setting }),
    ...(chosen.positioner === null ? {} : { positioner: chosen.positioner.id }),
    ...(look && { look }),
  });
  const { gates, criteria, preparation, breaks } = (await bench.now(start)).setUp;
  const measured = job.gates === 'all' ? bench.context.practice.measuredPieces : 0;
  for (let piece = 1; piece <= measured; piece++) {
    const strip = preparation?.strip.setPoint;
    if (strip) await put(measure(piece, 'strip', strip));
    for (const { code, number } of criteria.filter(isCaliperOnly)) {
      if (number?.measured !== 'first') continue;
      const { min, max } = number.range;
      // A little above and below the middle, as calipers read.
      const off = ([0.06, -0.12, 0.04][piece % 3] ?? 0) * (max - min);
      await put(measure(piece, code, Number(((min + max) / 2 + off).toFixed(3))));
    }
  }
  for (const step of job.gates === 'all' ? gates : [])
    await put({ kind: 'gate', ...gateAbout(step), answer: 'yes', note: '' });
  for (let piece = 1; piece <= job.looked; piece++) {
    for (const { code } of criteria.filter((c) => !isCaliperOnly(c))) {
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
      mode: force > 0.9 * breaks ? 'broke-in-wire' : 'slid-out',
      note: '',
      confirmed: [],
    });
  }
}

async function makeLot(bench: Replay, lot: z.infer<typeof lotSchema>, start: Date): Promise<void> {
  const { setUp: made, entries } = await bench.now(start);
  const stands = standingOf(made, ofCurrentRun(entries), bench.context.revisions);
  if (!stands) throw new Error(`demo/history.json: lot ${lot.name} has no set-up to stand on`);
  await bench.put({ kind: 'release', stands, note: '' }, new Date(start.getTime() - 60_000), lot.released);
  const plan = {
    everyPieces: lot.everyPieces,
    everyHours: null,
    afterChange: ['wire-reel' as const, 'terminal-reel' as const],
    bothSides: false,
  };
  await bench.put({ kind: 'lot', lot: 1, name: lot.name, pieces: lot.pieces, plan, stands, note: '' }, start);
  const next = random(lot.seed);
  const normal = normalFrom(next);
  const at = (piece: number, seconds = 0) => new Date(start.getTime() + (piece * lot.secondsAPiece + seconds) * 1000);
  const due = new Set([1, ...lot.changes.map((c) => c.at + 1), ...(lot.made === lot.pieces ? [lot.pieces] : [])]);
  for (let piece = 1; piece <= lot.made; piece += lot.everyPieces) due.add(piece);
  let step = 0;
  for (const piece of [...new Set([...due, ...lot.changes.map((c) => c.at), lot.made])].sort((a, b) => a - b)) {
    await bench.put({ kind: 'progress', lot: 1, step: ++step, what: 'made', made: piece, note: '' }, at(piece));
    if (due.has(piece)) {
      await bench.put(
        { kind: 'finding', lot: 1, piece, criterion: AS_DRAWN, finding: 'accept', note: '' },
        at(piece, 5),
      );
      const meant =
        lot.fails.find((f) => f.piece === piece)?.force ?? lot.force - lot.wear * piece + lot.spread * normal();
      const lost = lot.heights ? await measured(bench, made, lot, piece, normal, at(piece, 8)) : 0;
      await pull(bench, made.breaks, piece, meant - lost, lot.seed * 10_000 + piece, at(piece, 12));
    }
    for (const { change, to } of lot.changes.filter((c) => c.at === piece)) {
      const changed = {
        kind: 'progress',
        lot: 1,
        step: ++step,
        what: 'change',
        made: piece,
        change,
        to,
        note: '',
      } as const;
      await bench.put(changed, at(piece, 15));
    }
  }
  if (lot.finished) await bench.put({ kind: 'finish', lot: 1, note: '' }, at(lot.made, 60));
}

/** Measures the height of a piece of a lot; how much force its distance from the middle costs, N. */
async function measured(
  bench: Replay,
  { criteria }: SetUp,
  { heights }: z.infer<typeof lotSchema>,
  piece: number,
  normal: () => number,
  at: Date,
): Promise<number> {
  const range = criteria.find((c) => c.code === 'height')?.number?.range;
  if (!range || !heights) return 0;
  const off = Number((heights.off + heights.spread * normal()).toFixed(3));
  const value = Number(((range.min + range.max) / 2 + off).toFixed(3));
  await bench.put({ ...measure(piece, 'height', value), lot: 1 } as EntryBody, at);
  return heights.curve * off * off;
}

/** A simulated pull that slides out near a force, with its curve. */
async function pull(
  bench: Replay,
  breaks: number,
  piece: number,
  force: number,
  seed: number,
  at: Date,
): Promise<void> {
  const model = {
    ...SOUND_PULL,
    seed,
    speed: 50,
    stiffness: force / 2.2,
    breaks: Math.max(breaks, 1.1 * force),
    holds: force,
  };
  const trace = simulatePull(model);
  const read = readTrace(trace, { breaks, strands: bench.context.wire.conductor.strands, loadingRate: null });
  if (!read.ok) throw new Error(read.reason.text);
  const bytes = Buffer.from(packTrace(trace));
  const digest = createHash('sha256').update(bytes).digest('hex');
  const id = randomUUID();
  await bench.db('traces').insert({
    id,
    combination: bench.id,
    digest,
    rate: trace.rate,
    samples: trace.forces.length,
    bytes,
    by_name: 'Odile',
    at,
  });
  const peak = Number(read.read.peak.force.toFixed(2));
  const body: EntryBody = {
    kind: 'reading',
    lot: 1,
    piece,
    force: peak,
    typed: String(peak),
    unit: 'N',
    mode: read.read.suggestion.mode ?? 'slid-out',
    note: '',
    confirmed: [],
    gauge: 'G-1',
    trace: { id, digest },
  };
  await bench.put(body, at);
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
