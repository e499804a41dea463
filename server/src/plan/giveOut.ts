import type { GivenJob, GivenPlan, newGivenPlanSchema } from '@tug-mark/contract';
import { checkPlan } from '@tug-mark/core';
import type { Knex } from 'knex';
import type { z } from 'zod';
import { noteDeeds } from '../chain/deeds';
import type { Doer } from '../chain/ledger';
import { bumpVersion } from '../db/bumpVersion';
import { refusals } from '../http/problems';
import { combinationsOf, readGiven, readNewestGiven } from './given';
import { madeSoFar } from './made';
import { readPlanDay } from './planDay';

/** Days a plan that is given out is checked for. */
const DAYS = 30;
/** Faults that are told one by one. */
const TOLD = 50;

/**
 * Gives a plan out: it is gone through by the checker against the shop as it stands, and becomes the next revision.
 * @throws Refusal when another was given out meanwhile, or something in it cannot be done
 */
export async function givePlanOut(
  db: Knex,
  wanted: z.output<typeof newGivenPlanSchema>,
  doer: Doer,
): Promise<GivenPlan> {
  const stands = await readNewestGiven(db);
  if ((stands?.revision ?? null) !== wanted.base)
    throw refusals.planGivenOut(stands?.by ?? 'Nobody', stands?.revision ?? 0);
  const day = await readPlanDay(db, DAYS, new Date(wanted.start));
  // What is being made gets fewer by the minute: it is planned as it was, and nobody has to plan again for that.
  const running = new Set(
    day.happened
      .filter(({ what, endedAt }) => what === 'lot' && endedAt === null)
      .map(({ combination }) => combination),
  );
  const isRunning = (job: string | null) => running.has(job?.split('/')[0] ?? '');
  const known = new Set(day.work.jobs.map(({ id }) => id));
  const missing = wanted.placed.filter(({ job }) => !known.has(job) && !isRunning(job));
  if (missing.length)
    throw refusals.planProblems(
      missing.slice(0, TOLD).map(({ job }) => ({ where: job, text: 'is not to be made any more, or in other pieces' })),
      missing.length,
    );
  const placed = wanted.placed.filter(({ job }) => known.has(job));
  const jobs = new Set(placed.map(({ job }) => job));
  // Jobs that were taken out of the plan wait; what waits for them is judged as if they were made.
  const work = {
    ...day.work,
    jobs: day.work.jobs
      .filter(({ id }) => jobs.has(id))
      .map((job) => ({ ...job, after: job.after.filter((id) => jobs.has(id)) })),
  };
  const { score } = wanted;
  const faults = checkPlan(work, { placed, left: [], score }).filter(
    ({ code, job }) => !isRunning(job) && !(code === 'score' && running.size > 0),
  );
  if (faults.length)
    throw refusals.planProblems(
      faults.slice(0, TOLD).map(({ job, text }) => ({ where: job ?? 'plan', text })),
      faults.length,
    );
  const aboutOf = new Map(day.about.map((one) => [one.job, one]));
  const toolOf = new Map(placed.map(({ job, tool }) => [job, tool]));
  const told = Object.fromEntries(
    work.jobs.map(({ id, label, list, means, strip }): [string, GivenJob] => {
      const { combination = null, wireLabel = '', pieces = 0, samples = 0 } = aboutOf.get(id) ?? {};
      const set = means.find(({ tool }) => tool === toolOf.get(id))?.set ?? null;
      return [id, { label, list, combination, wire: wireLabel, pieces, samples, set, strip }];
    }),
  );
  const names = Object.fromEntries(
    [...work.benches, ...work.people, ...work.quality].map(({ id, label }) => [id, label]),
  );
  return db.transaction(async (trx) => {
    await trx.raw('LOCK TABLE given_plans IN EXCLUSIVE MODE');
    const newest = await readNewestGiven(trx);
    if ((newest?.revision ?? null) !== wanted.base)
      throw refusals.planGivenOut(newest?.by ?? 'Nobody', newest?.revision ?? 0);
    const revision = (wanted.base ?? 0) + 1;
    const made = Object.fromEntries(await madeSoFar(trx, combinationsOf({ jobs: told })));
    const body = { placed, jobs: told, made, names, moved: wanted.moved, score };
    await trx('given_plans').insert({
      ...{ revision, base: wanted.base, start: wanted.start, note: wanted.note, by_name: doer.by },
      body: JSON.stringify(body),
    });
    await noteDeeds(trx, 'plan', 'gave out', [`given/${revision}`], doer);
    await bumpVersion(trx);
    return readGiven(trx, revision);
  });
}
