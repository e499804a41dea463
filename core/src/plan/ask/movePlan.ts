import { at } from '../at';
import { asPlan } from '../asPlan';
import { Layout } from '../Layout';
import type { Model } from '../model';
import type { Plan } from '../PlanWork';
import { recall } from './recall';

/** Where a job is put instead. */
export interface Move {
  readonly job: string;
  readonly bench: string;
  /** The job it comes before at that bench; null: behind all of them. */
  readonly before: string | null;
}

/** Why a move cannot be made; else the plan that comes of it: all other jobs in their order, each as early as it can be. */
export type Moved = { readonly ok: true; readonly plan: Plan } | { readonly ok: false; readonly text: string };

/**
 * The plan with one job somewhere else. With the tool it has where that can be, else with another that makes it there; by the same
 * person where that person may, and by whoever is soonest where it goes to another bench.
 */
export function movePlan(model: Model, plan: Plan, move: Move): Moved {
  const { order, ways, people } = recall(model, plan.placed);
  const j = model.jobs.findIndex(({ id }) => id === move.job);
  const job = model.jobs[j];
  if (!job) return { ok: false, text: 'This job is not in the plan any more.' };
  const bench = model.work.benches.findIndex(({ id }) => id === move.bench);
  const own = Array.from({ length: at(model.ways, j + 1) - at(model.ways, j) }, (_, i) => at(model.ways, j) + i);
  const there = own.filter((way) => at(model.wayBench, way) === bench);
  const before = at(ways, j);
  const way = there.find((one) => at(model.wayTool, one) === at(model.wayTool, before)) ?? there[0];
  if (way === undefined) {
    const label = model.work.benches[bench]?.label ?? 'That bench';
    const may = [...new Set(own.map((one) => model.work.benches[at(model.wayBench, one)]?.label ?? ''))];
    return { ok: false, text: `${label} has not what ${job.label} needs. It can be made at ${may.join(' or ')}.` };
  }
  const rest = order.filter((one) => one !== j);
  const next = move.before === null ? -1 : model.jobs.findIndex(({ id }) => id === move.before);
  const at0 = next < 0 ? rest.length : rest.indexOf(next);
  // In front of what waits for it, and behind what it waits for: an order that breaks that is mended, and would not be the one asked for.
  const waiting = new Set(rest.slice(0, at0 < 0 ? rest.length : at0));
  const follower = (model.before[j] as Int32Array).find((one) => waiting.has(one));
  if (follower !== undefined)
    return { ok: false, text: `${model.jobs[follower]?.label} waits for ${job.label}: it cannot come before.` };
  const forerunner = (model.after[j] as Int32Array).find((one) => !waiting.has(one));
  if (forerunner !== undefined && next >= 0)
    return { ok: false, text: `${job.label} waits for ${model.jobs[forerunner]?.label}: it cannot come before.` };
  rest.splice(at0 < 0 ? rest.length : at0, 0, j);
  ways[j] = way;
  if (at(model.wayBench, before) !== bench) people[j] = -1;
  const layout = new Layout(model).layOut(rest, ways, people, true);
  return { ok: true, plan: asPlan(layout) };
}
