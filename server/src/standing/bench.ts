import type { BenchSort, BenchTotals } from '@tug-mark/contract';
import { BENCH_STATES, today, type BenchState, type ShopTime } from '@tug-mark/core';
import type { Knex } from 'knex';
import { likeWords } from '../db/likeWords';
import { FROM, IS_BEHIND, type Page } from './store';

/** What a page of the bench is asked for. */
export interface BenchQuery {
  readonly list?: string | undefined;
  readonly state?: BenchState | undefined;
  readonly find: string;
  readonly sort: BenchSort;
  /** [value sorted by, number] of the last line before; null: from the first. */
  readonly after: readonly [string | number, number] | null;
}

/** Wire lists of a shop have names of their own; what came with a record of before has a name and no list. */
const OF_LIST = `${FROM} LEFT JOIN wire_lists w ON w.name = c.list`;
/** A list without a day comes after those with one, the newest first. */
const DUE = `coalesce(w.due::text, 'open') || to_char(9999999999 - extract(epoch FROM coalesce(w.at, 'epoch')), 'FM0000000000')`;
const STATE = `array_position(ARRAY[${BENCH_STATES.map((state) => `'${state}'`).join(', ')}], coalesce(t.state, 'to-set-up'))`;
const KEYS: Readonly<
  Record<Exclude<BenchSort, `-${string}`>, { readonly key: string; readonly type: 'text' | 'int' }>
> = {
  due: { key: DUE, type: 'text' },
  terminal: { key: 'c.terminal', type: 'text' },
  wire: { key: 'c.wire', type: 'text' },
  list: { key: 'c.list', type: 'text' },
  pieces: { key: 'c.pieces', type: 'int' },
  state: { key: STATE, type: 'int' },
};

/** Totals by state over all lists that are not archived, and the lists themselves: those that are due first on top. */
export async function readBenchTotals(db: Knex): Promise<BenchTotals> {
  const { rows } = await db.raw<{
    rows: {
      id: string | null;
      name: string;
      customer: string | null;
      due: string | null;
      priority: number;
      cut: boolean;
      archived: boolean;
      states: Partial<Record<BenchState, number>>;
    }[];
  }>(
    `SELECT w.id, coalesce(c.list, w.name) AS name, w.customer, w.due::text, coalesce(w.priority, 1) AS priority,
        w.cut_at IS NOT NULL AS cut, w.archived_at IS NOT NULL AS archived,
        coalesce(c.states, '{}') AS states
       FROM wire_lists w
       FULL JOIN (
         SELECT list, json_object_agg(state, count) AS states FROM (
           SELECT c.list, coalesce(t.state, 'to-set-up') AS state, count(*)::int
             FROM combinations c LEFT JOIN standings t ON t.combination = c.id GROUP BY 1, 2
         ) counted GROUP BY list
       ) c ON c.list = w.name
      ORDER BY ${DUE}, name`,
  );
  const states = Object.fromEntries(BENCH_STATES.map((state) => [state, 0])) as Record<BenchState, number>;
  const lists = rows.map(({ states: own, ...list }) => {
    const of = (state: BenchState) => own[state] ?? 0;
    if (!list.archived) for (const state of BENCH_STATES) states[state] += of(state);
    return {
      ...list,
      combinations: BENCH_STATES.reduce((sum, state) => sum + of(state), 0),
      held: of('held'),
      rejected: of('rejected'),
      through: of('through'),
    };
  });
  return { states, lists };
}

/** A page of the bench in one look, and the place to go on from. */
export async function readBenchPage(
  db: Knex,
  { list, state, find, sort, after }: BenchQuery,
  most: number,
  shop: ShopTime,
): Promise<Page & { readonly end: readonly [string | number, number] | null }> {
  const isDown = sort.startsWith('-');
  const { key, type } = KEYS[sort.replace('-', '') as keyof typeof KEYS];
  const words = likeWords(find);
  const where = [
    list === undefined ? 'w.archived_at IS NULL' : 'c.list = :list',
    // One that is behind may be anything by now: it is worked out first, and asked for again.
    ...(state === undefined ? [] : ['(b.is_behind OR t.state = :state)']),
    ...(words.length ? ['(t.combination IS NULL OR t.words LIKE ALL (:words))'] : []),
    ...(after === null ? [] : [`((${key})::${type}, c.number) ${isDown ? '<' : '>'} (:at::${type}, :number::bigint)`]),
  ];
  const order = isDown ? 'DESC' : 'ASC';
  const { rows } = await db.raw<{ rows: (Page & { key: string | number | null })[] }>(
    `SELECT coalesce(string_agg(line, ',' ORDER BY place), '') AS lines, count(*)::int AS count,
        (array_agg(number ORDER BY place DESC))[1] AS last, (array_agg(key ORDER BY place DESC))[1] AS key,
        coalesce(array_agg(id ORDER BY place) FILTER (WHERE line IS NULL), '{}') AS fresh,
        coalesce(array_agg(id ORDER BY place) FILTER (WHERE line IS NOT NULL AND is_behind), '{}') AS behind
       FROM (
         SELECT c.id, c.number, (${key})::${type} AS key, b.is_behind,
             row_number() OVER (ORDER BY (${key})::${type} ${order}, c.number ${order}) AS place,
             left(t.line::text, -1) || ',"behind":' || (h.count - t.seq + (t.seq = h.count AND b.is_behind)::int) || '}' AS line
           FROM ${OF_LIST} CROSS JOIN LATERAL (SELECT ${IS_BEHIND} AS is_behind) b
          WHERE ${where.join(' AND ')} ORDER BY place LIMIT :most
       ) page`,
    {
      day: today(shop, new Date().toISOString()),
      most,
      ...(list !== undefined && { list }),
      ...(state !== undefined && { state }),
      ...(words.length && { words }),
      ...(after !== null && { at: after[0], number: after[1] }),
    },
  );
  const page = rows[0] ?? { lines: '', count: 0, last: null, fresh: [], behind: [], key: null };
  const end = page.key === null || page.last === null ? null : ([page.key, Number(page.last)] as const);
  return { ...page, end };
}
