import type { GivenHead, GivenPlan } from '@tug-mark/contract';
import type { Knex } from 'knex';
import { refusals } from '../http/problems';

interface GivenRow {
  readonly revision: number;
  readonly base: number | null;
  readonly start: Date;
  readonly note: string;
  readonly body: Pick<GivenPlan, 'placed' | 'jobs' | 'made' | 'names' | 'moved' | 'score'>;
  readonly at: Date;
  readonly by_name: string;
}

const toGiven = ({ revision, base, start, note, body, at, by_name }: GivenRow): GivenPlan => ({
  ...{ revision, base, note, by: by_name, start: start.toISOString(), at: at.toISOString() },
  ...body,
});

/** The newest of each database as it was read last. A plan given out never changes: it is read from its row once. */
const newest = new WeakMap<Knex, GivenPlan>();

export async function readNewestGiven(db: Knex): Promise<GivenPlan | null> {
  const head = (await db('given_plans').orderBy('revision', 'desc').first('revision')) as
    Pick<GivenRow, 'revision'> | undefined;
  if (!head) return null;
  const known = newest.get(db);
  if (known?.revision === head.revision) return known;
  const plan = await readGiven(db, head.revision);
  newest.set(db, plan);
  return plan;
}

/** Combinations a plan has jobs of. */
export const combinationsOf = ({ jobs }: Pick<GivenPlan, 'jobs'>): string[] => [
  ...new Set(Object.values(jobs).flatMap(({ combination }) => combination ?? [])),
];

/** @throws Refusal when there is no such plan */
export async function readGiven(db: Knex, revision: number): Promise<GivenPlan> {
  const row = (await db('given_plans').where({ revision }).first()) as GivenRow | undefined;
  if (!row) throw refusals.notFound('That plan');
  return toGiven(row);
}

/** Plans that are listed. */
const LISTED = 100;

export async function listGiven(db: Knex): Promise<GivenHead[]> {
  const rows = (await db('given_plans')
    .orderBy('revision', 'desc')
    .limit(LISTED)
    .select('revision', 'base', 'start', 'note', 'at', 'by_name')
    .select(db.raw(`json_array_length(body -> 'placed') AS planned, json_array_length(body -> 'moved') AS moved`))
    .select(db.raw(`body -> 'score' AS score`))) as (Omit<GivenRow, 'body'> &
    Pick<GivenHead, 'planned' | 'moved' | 'score'>)[];
  return rows.map(({ by_name, start, at, ...row }) => ({
    ...row,
    ...{ by: by_name, start: start.toISOString(), at: at.toISOString() },
  }));
}
