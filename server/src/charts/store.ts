import { POINT_NUMBERS, type ChartAbout, type ChartChoice, type ChartKind, type NewBaseline } from '@tug-mark/contract';
import { changeName, findLimit, inForce, runOf } from '@tug-mark/core';
import type { Knex } from 'knex';
import { noteDeeds } from '../chain/deeds';
import type { Doer } from '../chain/ledger';
import { contextOf, readRow, readShared } from '../combination/store';
import { readEntriesAfter } from '../entry/rows';

/** Entries read at a time. */
const PORTION = 5000;
/** A person's readings in a chart, at most: the newest. */
const MOST_OF_PERSON = 2_000_000;

/** Everything readings can be charted by. */
export async function listChoices(db: Knex): Promise<ChartChoice[]> {
  const [combinations, tools, people, reels] = await Promise.all([
    db('combinations as c')
      .where({ 'c.read_in': false })
      .whereExists((sub) => {
        void sub.from('journal as j').whereRaw('j.combination = c.id').whereRaw("j.slot LIKE '%reading/%'");
      })
      .orderBy('c.number')
      .select('c.id', 'c.terminal', 'c.wire', 'c.list') as Promise<
      { id: string; terminal: string; wire: string; list: string }[]
    >,
    db('journal')
      .whereRaw("kind = 'tool'")
      .whereNotIn('combination', db('combinations').where({ read_in: true }).select('id'))
      .distinct(db.raw("body ->> 'tool' AS tool, body ->> 'die' AS die, body ->> 'nest' AS nest"))
      .orderByRaw('1, 2, 3') as unknown as Promise<{ tool: string; die: string; nest: string }[]>,
    db('people').orderBy('name').select('name') as Promise<{ name: string }[]>,
    db('journal')
      .whereNotIn('combination', db('combinations').where({ read_in: true }).select('id'))
      .whereRaw(
        "kind = 'progress' AND body ->> 'change' IN ('wire-reel', 'terminal-reel') AND body ->> 'to' IS NOT NULL",
      )
      .distinct(db.raw("body ->> 'to' AS reel"))
      .orderByRaw('1') as unknown as Promise<{ reel: string }[]>,
  ]);
  return [
    ...combinations.map(({ id, terminal, wire, list }): ChartChoice => ({
      kind: 'combination',
      value: id,
      label: `${terminal} on ${wire}, ${list}`,
    })),
    ...[...new Set(tools.map((t) => t.tool))].map((tool): ChartChoice => ({ kind: 'tool', value: tool, label: tool })),
    ...tools.map(({ tool, die, nest }): ChartChoice => ({
      kind: 'nest',
      value: JSON.stringify([tool, die, nest]),
      label: `${tool}, die ${die}, nest ${nest}`,
    })),
    ...people.map(({ name }): ChartChoice => ({ kind: 'person', value: name, label: name })),
    ...reels.map(({ reel }): ChartChoice => ({ kind: 'reel', value: reel, label: reel })),
  ];
}

interface Point {
  readonly at: number;
  /** N; percent of its own limit where readings of different wires stand side by side. */
  readonly force: number;
  /** Set-up or lot it belongs to: combination and lot. */
  readonly group: string;
  readonly piece: number;
}

/** Combinations that can hold readings of a chart. */
async function combinationsOf(db: Knex, kind: ChartKind, value: string): Promise<string[]> {
  if (kind === 'combination') return [value];
  // What came with a record file was not made here.
  const query = db('journal')
    .distinct('combination')
    .whereNotIn('combination', db('combinations').where({ read_in: true }).select('id'));
  if (kind === 'tool') void query.whereRaw("kind = 'tool' AND body ->> 'tool' = ?", [value]);
  else if (kind === 'nest') {
    const [tool, die, nest] = nestOf(value);
    void query.whereRaw("kind = 'tool' AND body ->> 'tool' = ? AND body ->> 'die' = ? AND body ->> 'nest' = ?", [
      tool,
      die,
      nest,
    ]);
  } else if (kind === 'reel') void query.whereRaw("kind = 'progress' AND body ->> 'to' = ?", [value]);
  else void query.whereRaw("kind = 'reading' AND by_name = ?", [value]);
  return ((await query) as { combination: string }[]).map((row) => row.combination);
}

const nestOf = (value: string): [string, string, string] => {
  const read = JSON.parse(value) as unknown;
  return Array.isArray(read) && read.length === 3 ? (read.map(String) as [string, string, string]) : ['', '', ''];
};

/**
 * The valid readings of a chart, combination by combination, in portions; each combination in the order of its journal.
 * Corrected readings are left out: the correction stands for them.
 */
async function* readPoints(db: Knex, kind: ChartKind, value: string): AsyncGenerator<Point[]> {
  let given = 0;
  for (const combination of await combinationsOf(db, kind, value)) {
    const corrected = new Set(
      (
        (await db('journal').where({ combination }).whereNotNull('corrects').select('corrects')) as {
          corrects: string;
        }[]
      ).map((row) => row.corrects),
    );
    const tools = new Map<number, string>();
    const reels = new Map<string, boolean>();
    for (let after = 0; given < MOST_OF_PERSON;) {
      const entries = await readEntriesAfter(db, combination, after, PORTION);
      const points: Point[] = [];
      for (const { id, at, by, body, verdict } of entries) {
        if (corrected.has(id)) continue;
        const run = runOf(body);
        if (body.kind === 'tool') {
          tools.set(run, kind === 'nest' ? JSON.stringify([body.tool, body.die, body.nest]) : body.tool);
        }
        if (body.kind === 'progress' && (body.change === 'wire-reel' || body.change === 'terminal-reel')) {
          const key = `${body.lot}/${body.change}`;
          reels.set(key, body.to === value);
        }
        if (body.kind !== 'reading' || body.mode === 'grip-slipped' || body.mode === 'insulation-only') continue;
        const { lot } = body;
        const isOnReel = [...reels].some(([key, isIt]) => isIt && key.startsWith(`${lot}/`));
        const belongs =
          kind === 'combination' ||
          (kind === 'person' && by === value) ||
          (kind === 'reel' && lot !== undefined && isOnReel) ||
          ((kind === 'tool' || kind === 'nest') && tools.get(run) === value);
        if (!belongs) continue;
        const limit = verdict?.force ?? null;
        if (kind !== 'combination' && limit === null) continue;
        points.push({
          at: Date.parse(at),
          force: kind === 'combination' || limit === null ? body.force : (100 * body.force) / limit,
          group: `${combination}/${lot ?? 'set-up'}`,
          piece: body.piece,
        });
      }
      given += points.length;
      if (points.length) yield points;
      const last = entries.at(-1);
      if (!last || entries.length < PORTION) break;
      after = last.seq;
    }
  }
}

/** Points as float64s, a portion at a time. */
export async function* streamPoints(db: Knex, kind: ChartKind, value: string): AsyncGenerator<Buffer> {
  const groups = new Map<string, number>();
  for await (const points of readPoints(db, kind, value)) {
    const numbers = new Float64Array(points.length * POINT_NUMBERS);
    points.forEach(({ at, force, group, piece }, i) => {
      const number = groups.get(group) ?? groups.size;
      groups.set(group, number);
      numbers.set([at, force, number, piece], i * POINT_NUMBERS);
    });
    yield Buffer.from(numbers.buffer);
  }
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
    .whereRaw("kind IN ('progress', 'lot', 'run', 'tool')")
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
