import {
  asFound,
  asPlan,
  byDueDate,
  checkPlan,
  dispatch,
  exactPlan,
  improve,
  modelOf,
  nearestChangeover,
  planBounds,
  planFrom,
  toolByTool,
  type FoundPlan,
  type PlanWork,
} from '@tug-mark/core';
import { Worker } from 'node:worker_threads';
import { everyPlan } from '../../core/src/testing/everyPlan';
import { median } from './median';
import { makeWork, withDues } from './planInstances';
import { say } from './stations';

/** A worker does not take over how its parent reads TypeScript. */
const START = `import('tsx/esm/api').then(({ register }) => {
  register();
  return import(${JSON.stringify(new URL('planWorker.ts', import.meta.url).href)});
});`;
/** The first seed of the days reported: the planner was made while looking at those below ten and from 101 on, not at these. */
const FRESH = 201;
/** Seconds a plan is searched for, on two cores. */
const SECONDS = 10;

interface Result {
  readonly cost: number;
  readonly lateness: number;
  readonly changeover: number;
  readonly end: number;
  readonly lost: number;
  /** Milliseconds to the first valid plan. */
  readonly first: number;
  /** MB */
  readonly heap: number;
}

/** Two searches at once, each on a core; the better one counts. */
async function search(work: PlanWork, seconds = SECONDS): Promise<Result> {
  const results = await Promise.all(
    [1, 2].map(
      (seed) =>
        new Promise<Result>((resolve, reject) => {
          const workerData = { work, seed, milliseconds: seconds * 1000 };
          const worker = new Worker(START, { eval: true, workerData });
          worker.once('message', resolve);
          worker.once('error', reject);
        }),
    ),
  );
  return results.reduce((a, b) => (b.cost < a.cost ? b : a));
}

/** What a shop does without a planner. */
const BASELINES = { 'by due date': byDueDate, 'tool by tool': toolByTool, 'nearest changeover': nearestChangeover };

const percent = (of: number, bound: number) => 100 * (of / Math.max(1, bound) - 1);

/** Changeover above its bound, median over instances, and how many have nothing late. */
async function quality(
  jobs: number,
  seeds: number,
  hasPrecedence: boolean,
  dues: 'comfortable' | 'tight' | null,
  goal: string,
) {
  const over: number[] = [];
  let onTime = 0;
  const beside = Object.keys(BASELINES).map(() => ({ changeover: [] as number[], onTime: 0 }));
  for (let seed = FRESH; seed < FRESH + seeds; seed++) {
    const made = makeWork({ jobs, seed, hasPrecedence });
    const work = dues ? withDues({ ...made, endWorth: 0.05 }, seed, dues) : { ...made, endWorth: 0 };
    const model = modelOf(work);
    const { changeover } = planBounds(model);
    const found = await search(work);
    over.push(percent(found.changeover, changeover.least));
    if (!found.lateness && !found.lost) onTime++;
    Object.values(BASELINES).forEach((plan, i) => {
      const own = plan(model);
      beside[i]?.changeover.push(own.total / found.changeover);
      if (beside[i] && !own.lateness && !own.lost) beside[i].onTime++;
    });
  }
  // Without due times nothing can be late, and nobody is told so.
  const late = (count: number) => (dues ? `nothing late in ${count} of ${seeds}, ` : '');
  const baselines = Object.keys(BASELINES).map(
    (name, i) =>
      `${name}: ${late(beside[i]?.onTime ?? 0)}${median(beside[i]?.changeover ?? []).toFixed(1)} times the changeover`,
  );
  say(
    `plan of ${jobs} jobs, ${hasPrecedence ? 'some after others' : 'none after another'}, ${dues ? `due ${dues}` : 'no due times'}   ${late(onTime)}changeover above its bound ${median(over).toFixed(0)} % (${goal})   [${over.map((o) => o.toFixed(0)).join(' ')}; ${baselines.join('; ')}]`,
  );
}

/** Small days: proven best, and how long that takes. */
function exactDays() {
  const times: number[] = [];
  let proven = 0;
  const seeds = 20;
  for (let seed = 1; seed <= seeds; seed++) {
    const work = withDues(makeWork({ jobs: 7, seed, hasPrecedence: seed % 2 === 0 }), seed, 'tight');
    const model = modelOf(work);
    const begun = performance.now();
    let start: FoundPlan | null = null;
    for (const found of improve(model, seed, () => (performance.now() - begun) / 200)) start = found;
    if (!start) continue;
    for (const { isProven } of exactPlan(model, start)) {
      if (isProven) proven++;
      if (performance.now() - begun > SECONDS * 1000) break;
    }
    times.push((performance.now() - begun) / 1000);
  }
  say(
    `plan of 7 jobs, proven the best                        ${proven} of ${seeds} within ${SECONDS} s (goal: the median)   [median ${median(times).toFixed(2)} s, slowest ${Math.max(...times).toFixed(1)} s, one core]`,
  );
}

/** Plans of small instances against every plan there is, nothing left aside. */
function exactAgainstAll() {
  let same = 0;
  let plans = 0;
  const count = 200;
  for (let seed = 1; seed <= count; seed++) {
    const jobs = 2 + (seed % 6);
    // The more jobs, the fewer people: every plan of seven jobs has to be looked at.
    const made = withDues(makeWork({ jobs, seed: seed + 500, hasPrecedence: seed % 2 === 0 }), seed, 'tight');
    const work =
      jobs >= 6
        ? {
            ...made,
            people: made.people.slice(0, 1),
            jobs: made.jobs.map((job) => ({ ...job, people: ['p0'], means: job.means.slice(0, 1) })),
          }
        : made;
    const model = modelOf(work);
    const all = everyPlan(model);
    plans += all.plans;
    const start = asFound(dispatch(model, { change: 3, urgency: 240, reach: 240 }));
    const last = [...exactPlan(model, start)].at(-1);
    if (last?.isProven && Math.abs(last.found.cost - all.least) < 1e-6) same++;
  }
  say(
    `exact plan / every plan enumerated, nothing left aside   the same in ${same} of ${count}   [${plans.toLocaleString('en')} plans]`,
  );
}

/** The largest: a valid plan soon, and lateness beside that of due dates alone. */
async function largest() {
  const work = withDues(
    { ...makeWork({ jobs: 5000, seed: 1, hasPrecedence: true }), endWorth: 0.05 },
    1,
    'comfortable',
  );
  const found = await search(work);
  const layout = BASELINES['by due date'](modelOf(work));
  const byDue = asPlan(layout);
  say(
    `plan of 5,000 jobs                                     first valid one after ${(found.first / 1000).toFixed(1)} s (goal 5); lateness ${found.lateness}, ${found.lost} without a place, against ${byDue.score.lateness} and ${byDue.left.length} by due date (goal a hundredth)   [changeover ${found.changeover} against ${byDue.score.changeover} min; ${found.heap.toFixed(0)} MB]`,
  );
}

/** Every plan of many shops and sizes through the checker. */
function checked() {
  let faults = 0;
  let plans = 0;
  for (let seed = 1; seed <= 40; seed++) {
    const made = makeWork({ jobs: 1 + ((seed * 7) % 80), seed, hasPrecedence: seed % 2 === 0 });
    const work = seed % 3 ? withDues(made, seed, 'tight') : made;
    const model = modelOf(work);
    let count = 0;
    for (const found of improve(model, seed, () => count++ / 60)) {
      if (count % 20) continue;
      plans++;
      faults += checkPlan(work, planFrom(model, found)).length;
    }
  }
  say(`plans gone through by the checker                      ${faults} faults in ${plans} plans (goal 0)`);
}

export async function benchPlan(): Promise<void> {
  checked();
  exactAgainstAll();
  exactDays();
  await quality(60, 8, false, null, 'goal 8');
  await quality(60, 8, true, 'comfortable', 'no goal');
  await quality(60, 8, true, 'tight', 'no goal');
  await quality(300, 5, false, null, 'goal 10');
  await quality(300, 5, true, null, 'goal 35');
  await quality(300, 5, true, 'comfortable', 'no goal');
  await quality(1000, 3, false, null, 'goal 20');
  await quality(1000, 5, true, 'comfortable', 'no goal');
  await largest();
}
