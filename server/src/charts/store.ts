import {
  POINT_NUMBERS,
  type ChartAbout,
  type ChartChoice,
  type ChartGlance,
  type ChartKind,
  type NewBaseline,
} from '@tug-mark/contract';
import { capital, changeName, findLimit, inForce } from '@tug-mark/core';
import type { Knex } from 'knex';
import { noteDeeds } from '../chain/deeds';
import type { Doer } from '../chain/ledger';
import { contextOf, readRow, readShared } from '../combination/store';
import { runPrepared } from '../db/prepared';
import { findBlocksBehind, refreshBlocks } from './blocks';
import { BLOCK, drawBlock, facetOf } from './packPoints';

/** Readings in one chart, at most. */
const MOST_READINGS = 2_000_000;
/** Combinations taken up before a chart is drawn; the projector has done most of them. */
const MOST_BEHIND = 200;

/** Everything readings can be charted by. */
export async function listChoices(db: Knex): Promise<ChartChoice[]> {
  await catchUpBlocks(db, 'tool', '');
  const [combinations, facets, people] = await Promise.all([
    chartedCombinations(db),
    db('reading_glances as g')
      .join('combinations as c', 'c.id', 'g.combination')
      .where({ 'c.read_in': false })
      .whereRaw("g.facet NOT LIKE 'combination:%' AND g.facet NOT LIKE 'person:%'")
      .distinct('g.facet')
      .orderBy('g.facet')
      .pluck('g.facet') as unknown as Promise<string[]>,
    db('people').orderBy('name').pluck('name') as unknown as Promise<string[]>,
  ]);
  const of = (kind: ChartKind) =>
    facets.flatMap((facet) => (facet.startsWith(`${kind}:`) ? [choiceOf(kind, facet.slice(kind.length + 1))] : []));
  return [
    ...combinations,
    ...of('tool'),
    ...of('nest'),
    ...people.map((name) => choiceOf('person', name)),
    ...of('reel'),
  ];
}

/** A chart by its name; undefined when there is none. */
export async function findChoice(db: Knex, kind: ChartKind, value: string): Promise<ChartChoice | undefined> {
  await catchUpBlocks(db, kind, value);
  if (kind === 'combination') return UUID.test(value) ? (await chartedCombinations(db, value))[0] : undefined;
  const known: unknown =
    kind === 'person'
      ? await db('people').where({ name: value }).first('id')
      : await db('reading_glances')
          .where({ facet: facetOf(kind, value) })
          .first('facet');
  return known === undefined ? undefined : choiceOf(kind, value);
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/** Combinations that have valid readings, made here; all or the one asked for. */
async function chartedCombinations(db: Knex, id?: string): Promise<ChartChoice[]> {
  const rows = (await db('combinations as c')
    .where({ 'c.read_in': false, ...(id !== undefined && { 'c.id': id }) })
    .whereExists(db('reading_glances as g').whereRaw("g.facet = 'combination:' || c.id"))
    .orderBy('c.number')
    .select('c.id', 'c.terminal', 'c.wire', 'c.list')) as {
    id: string;
    terminal: string;
    wire: string;
    list: string;
  }[];
  return rows.map((row) => ({
    kind: 'combination',
    value: row.id,
    label: `${row.terminal} on ${row.wire}, ${row.list}`,
  }));
}

function choiceOf(kind: ChartKind, value: string): ChartChoice {
  if (kind !== 'nest') return { kind, value, label: value };
  const [tool, die, nest] = JSON.parse(value) as [string, string, string];
  return { kind, value, label: `${tool}, die ${die}, nest ${nest}` };
}

/** Combinations that hold readings of a chart. */
async function combinationsOf(db: Knex, kind: ChartKind, value: string): Promise<string[]> {
  if (kind === 'combination') return [value];
  // What came with a record file was not made here.
  return (await db('reading_glances')
    .distinct('combination')
    .where({ facet: facetOf(kind, value) })
    .whereNotIn('combination', db('combinations').where({ read_in: true }).select('id'))
    .pluck('combination')) as string[];
}

/** Blocks sent at a time: a portion of a megabyte and a half. */
const AT_ONCE = 48;

interface BlockKey {
  readonly combination: string;
  readonly block: number;
}

/** Blocks that hold readings of a chart, in the order of their combinations. */
async function blocksOf(db: Knex, facet: string): Promise<BlockKey[]> {
  const { rows } = await db.raw<{ rows: BlockKey[] }>(
    `SELECT g.combination, g.block FROM reading_glances g JOIN combinations c ON c.id = g.combination
      WHERE g.facet = ? AND NOT c.read_in ORDER BY c.number, g.block`,
    [facet],
  );
  return rows;
}

/** What blocks hold, in the order they are asked for. */
async function readBlocks(db: Knex, keys: readonly BlockKey[]) {
  if (!keys.length) return [];
  return runPrepared<{ combination: string; points: Buffer; facets: string[] }>(
    db,
    'read-blocks',
    `SELECT k.combination, b.points, b.facets
       FROM unnest($1::uuid[], $2::int[]) WITH ORDINALITY AS k (combination, block, place)
       JOIN reading_blocks b ON b.combination = k.combination AND b.block = k.block ORDER BY k.place`,
    [keys.map(({ combination }) => combination), keys.map(({ block }) => block)],
  );
}

/** Takes up what is not in blocks yet, so that a chart has the newest reading too. */
export async function catchUpBlocks(db: Knex, kind: ChartKind, value: string): Promise<void> {
  if (kind === 'combination') {
    if (UUID.test(value)) await refreshBlocks(db, value);
  } else for (const id of await findBlocksBehind(db, MOST_BEHIND)) await refreshBlocks(db, id);
}

/**
 * The valid readings of a chart as float64s, a portion at a time: combination by combination, each in the order of its
 * journal. A correction stands in the place of what it corrects.
 */
export async function* streamPoints(db: Knex, kind: ChartKind, value: string): AsyncGenerator<Buffer> {
  await catchUpBlocks(db, kind, value);
  const facet = facetOf(kind, value);
  const keys = await blocksOf(db, facet);
  const groups = new Map<string, Map<number, number>>();
  let count = 0;
  const groupsOf = (combination: string) => {
    const known = groups.get(combination) ?? new Map<number, number>();
    groups.set(combination, known);
    return (lot: number) => {
      const group = known.get(lot) ?? count++;
      known.set(lot, group);
      return group;
    };
  };
  const portion = (from: number, most: number) => {
    const read = readBlocks(db, keys.slice(from, from + most));
    // Whoever waits for it hears of a fault; it may be that nobody does any more.
    read.catch(() => undefined);
    return read;
  };
  // The first block alone, so that the chart begins to come; the next portion is read while this one is drawn and sent.
  let next = portion(0, 1);
  let given = 0;
  for (let from = 1; given < MOST_READINGS; from += AT_ONCE) {
    const blocks = await next;
    if (!blocks.length) return;
    next = portion(from, AT_ONCE);
    const numbers = new Float64Array(blocks.length * BLOCK * POINT_NUMBERS);
    let place = 0;
    for (const { combination, points, facets } of blocks) {
      place = drawBlock(points, facets, kind === 'combination' ? null : facet, groupsOf(combination), numbers, place);
    }
    given += place / POINT_NUMBERS;
    if (place) yield Buffer.from(numbers.buffer, 0, place * Float64Array.BYTES_PER_ELEMENT);
  }
}

/** The blocks of a chart at a glance, in the order of its points. */
export async function readGlances(db: Knex, kind: ChartKind, value: string): Promise<ChartGlance[]> {
  await catchUpBlocks(db, kind, value);
  const { rows } = await db.raw<{ rows: ChartGlance[] }>(
    `SELECT g.n, g.least, g.greatest, g.mean, (extract(epoch FROM g.from_at) * 1000)::float8 AS "from",
        (extract(epoch FROM g.to_at) * 1000)::float8 AS "to"
       FROM reading_glances g JOIN combinations c ON c.id = g.combination
      WHERE g.facet = ? AND NOT c.read_in ORDER BY c.number, g.block`,
    [facetOf(kind, value)],
  );
  return rows;
}

const chartKey = (kind: ChartKind, value: string) => `${kind}:${value}`;

/** What goes with the points: limit, changes on the way, baseline. */
export async function readAbout(
  db: Knex,
  kind: ChartKind,
  value: string,
  label: string,
  day: string,
): Promise<ChartAbout> {
  const combinations = await combinationsOf(db, kind, value);
  const rows = (await db('journal')
    .whereIn('combination', combinations)
    .whereRaw("kind IN ('progress', 'lot', 'run')")
    .orderBy('at')
    .select('id', 'corrects', 'at', 'body', 'by_name')) as {
    id: string;
    corrects: string | null;
    at: Date;
    body: {
      kind: string;
      what?: string;
      change?: string;
      to?: string;
      name?: string;
      made?: number;
      tool?: string;
      run?: number;
    };
    by_name: string;
  }[];
  const events = inForce(rows).flatMap(({ at, body }) => {
    const say = (what: string, text: string) => [{ at: at.toISOString(), kind: what, text }];
    if (body.kind === 'lot') return say('lot', `Lot ${body.name ?? ''} opened`);
    if (body.kind === 'run') return say('run', `Set-up begun again, run ${body.run ?? ''}`);
    if (body.kind === 'progress' && body.what === 'change') {
      return say(
        body.change ?? 'change',
        `${capital(changeName(body.change ?? ''))}${body.to ? ` to ${body.to}` : ''}, piece ${body.made ?? ''}`,
      );
    }
    return [];
  });
  const limit = kind === 'combination' ? await limitOf(db, value, day) : 100;
  const baseline = (await db('baselines')
    .where({ chart: chartKey(kind, value) })
    .orderBy('at', 'desc')
    .first('body', 'by_name', 'at', 'note')) as
    { body: NonNullable<ChartAbout['baseline']>['body']; by_name: string; at: Date; note: string } | undefined;
  return {
    label,
    limit,
    events,
    baseline: baseline
      ? { body: baseline.body, by: baseline.by_name, at: baseline.at.toISOString(), note: baseline.note }
      : null,
  };
}

async function limitOf(db: Knex, id: string, day: string): Promise<number | null> {
  const shared = await readShared(db);
  const { wire, terminal, practice, class: className } = await contextOf(db, await readRow(db, id), shared);
  return findLimit(shared.limits, wire, terminal, className, day, practice).limit?.force ?? null;
}

/** Keeps a baseline; the newest one of a chart stands. Sent twice it is kept once. */
export async function keepBaseline(db: Knex, baseline: NewBaseline, doer: Doer): Promise<void> {
  const { id, kind, value, note, body } = baseline;
  await db.transaction(async (trx) => {
    const kept = await trx('baselines')
      .insert({ id, chart: chartKey(kind, value), body: JSON.stringify(body), note, by_name: doer.by })
      .onConflict('id')
      .ignore()
      .returning('id');
    if (kept.length) await noteDeeds(trx, 'baselines', 'frozen', [id], doer);
  });
}
