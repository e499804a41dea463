import type { PlanWent } from '@tug-mark/contract';
import type { Knex } from 'knex';
import { combinationsOf, readGiven } from './given';
import { madeSoFar } from './made';

interface GoneRow {
  readonly combination: string;
  readonly begun: Date;
  readonly last: Date;
  readonly set_ups: number;
}

/**
 * A plan as it was given out, with what was put on record of its combinations until the next one was.
 * @throws Refusal when there is no such plan
 */
export async function readWent(db: Knex, revision: number, now = new Date()): Promise<PlanWent> {
  const plan = await readGiven(db, revision);
  const next = (await db('given_plans').where('revision', '>', revision).orderBy('revision').first('at')) as
    { at: Date } | undefined;
  const until = next?.at ?? now;
  const combinations = combinationsOf(plan);
  const [made, rows] = await Promise.all([
    madeSoFar(db, combinations, until),
    db('journal')
      .whereIn('combination', combinations)
      .where('at', '>=', plan.at)
      .where('at', '<=', until)
      .groupBy('combination')
      .select('combination', db.raw("count(*) FILTER (WHERE kind = 'tool')::int AS set_ups"))
      .min('at as begun')
      .max('at as last') as unknown as Promise<GoneRow[]>,
  ]);
  const minute = (at: Date) => (at.getTime() - Date.parse(plan.start)) / 60_000;
  const goneOf = new Map(rows.map((row) => [row.combination, row]));
  return {
    ...{ plan, until: until.toISOString(), isOver: next !== undefined },
    gone: combinations.flatMap((combination) => {
      const row = goneOf.get(combination);
      if (!row) return [];
      const since = Math.max(0, (made.get(combination) ?? 0) - (plan.made[combination] ?? 0));
      return [{ combination, begun: minute(row.begun), last: minute(row.last), made: since, setUps: row.set_ups }];
    }),
  };
}
