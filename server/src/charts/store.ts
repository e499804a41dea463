import {
  POINT_NUMBERS,
  type ChartAbout,
  type ChartChoice,
  type ChartGlance,
  type ChartKind,
  type NewBaseline,
} from '@tug-mark/contract';
import { changeName, findLimit, inForce } from '@tug-mark/core';
import type { Knex } from 'knex';
import { noteDeeds } from '../chain/deeds';
import type { Doer } from '../chain/ledger';
import { contextOf, readRow, readShared } from '../combination/store';
import { findBlocksBehind, refreshBlocks } from './blocks';
import { facetOf, unpackBlock } from './packPoints';

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

/** Blocks that hold readings of a chart, in the order of their combinations. */
async function pageBlocks(db: Knex, facet: string, after: { number: string; block: number }, most: number) {
  const { rows } = await db.raw<{
    rows: { combination: string; number: string; block: number; points: Buffer; facets: string[] }[];
  }>(
    `SELECT b.combination, c.number, b.block, b.points, b.facets
       FROM reading_glances g JOIN combinations c ON c.id = g.combination
       JOIN reading_blocks b ON b.combination = g.combination AND b.block = g.block
      WHERE g.facet = :facet AND NOT c.read_in AND (c.number, g.block) > (:number, :block)
      ORDER BY c.number, g.block LIMIT :most`,
    { facet, ...after, most },
  );
  return rows;
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
  const groups = new Map<string, number>();
  let given = 0;
  let after = { number: '0', block: -1 };
  for (let most = 1; given < MOST_READINGS; most = AT_ONCE) {
    const blocks = await pageBlocks(db, facet, after, most);
    const numbers: number[] = [];
    for (const { combination, points, facets } of blocks) {
      for (const { at, force, share, lot, piece } of unpackBlock(
        points,
        facets,
        kind === 'combination' ? null : facet,
      )) {
        if (kind !== 'combination' && share === null) continue;
        const group = `${combination}/${lot}`;
        const number = groups.get(group) ?? groups.size;
        groups.set(group, number);
        numbers.push(at, kind === 'combination' || share === null ? force : share, number, piece);
      }
    }
    given += numbers.length / POINT_NUMBERS;
    if (numbers.length) yield Buffer.from(Float64Array.from(numbers).buffer);
    const last = blocks.at(-1);
    if (!last || blocks.length < most) return;
    after = { number: last.number, block: last.block };
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
  const { wire, terminal, class: className } = await contextOf(db, await readRow(db, id), shared);
  return findLimit(shared.limits, wire, terminal, className, day).limit?.force ?? null;
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

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
