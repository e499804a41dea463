import { at, real } from '../at';
import { Layout } from '../Layout';
import type { Model } from '../model';

/** What the next job is chosen by. */
export interface Taste {
  /** Minutes of waiting a minute of changeover is worth. */
  readonly change: number;
  /** Minutes of waiting that a list in need is worth. */
  readonly urgency: number;
  /** Minutes of slack within which a list is in need. */
  readonly reach: number;
}

/**
 * A first plan: again and again the job is put next that can begin soonest, changes least and is needed first, weighed by a taste.
 * @param jitter multiplies each choice by up to 1 + jitter, so that several starts differ
 */
export function dispatch(model: Model, taste: Taste, layout = new Layout(model), next = () => 0, jitter = 0): Layout {
  layout.clear();
  const { jobs, ways } = model;
  // Who can do it decides when it can begin: few groups, many jobs.
  const groups: Int32Array[] = [];
  const groupOf = Int32Array.from(model.able, (able) => {
    const known = groups.findIndex((group) => group.length === able.length && group.every((p, i) => p === able[i]));
    return known >= 0 ? known : groups.push(able) - 1;
  });
  const waits = Int32Array.from(model.after, (after) => after.length);
  const open = Array.from(jobs.keys()).filter((job) => waits[job] === 0);
  /** Minutes of work of each list that are not put yet. */
  const rest = new Float64Array(model.work.lists.length);
  jobs.forEach((_, job) => {
    const list = at(model.list, job);
    rest[list] = real(rest, list) + at(model.leastRun, job);
  });
  const free = new Int32Array(groups.length);
  while (open.length) {
    groups.forEach((group, g) => {
      let soonest = 2 ** 30;
      for (const person of group) soonest = Math.min(soonest, layout.freeAt(person));
      free[g] = soonest;
    });
    let best = Infinity;
    let chosen = 0;
    let chosenWay = -1;
    for (let i = 0; i < open.length; i++) {
      const job = open[i] as number;
      const soonest = Math.max(at(free, at(groupOf, job)), layout.readyAt(job));
      const list = at(model.list, job);
      for (let way = at(ways, job); way < at(ways, job + 1); way++) {
        const tool = at(model.wayTool, way);
        let start = Math.max(soonest, at(layout.benchFree, at(model.wayBench, way)));
        if (tool >= 0) start = Math.max(start, at(layout.toolFree, tool));
        const slack = at(model.needed, job) - start - real(rest, list) / 2;
        const need = Math.exp(-Math.max(0, slack) / taste.reach);
        let score =
          start + taste.change * layout.changeBefore(job, way) - taste.urgency * need * real(model.weight, list);
        if (jitter) score += jitter * next() * 30;
        if (score < best) {
          best = score;
          chosen = i;
          chosenWay = way;
        }
      }
    }
    const job = open[chosen] as number;
    open[chosen] = open.at(-1) as number;
    open.pop();
    if (!layout.has(job)) layout.put(job, chosenWay);
    const list = at(model.list, job);
    rest[list] = real(rest, list) - at(model.leastRun, job);
    for (const follower of model.before[job] as Int32Array) {
      waits[follower] = at(waits, follower) - 1;
      if (waits[follower] === 0) open.push(follower);
    }
  }
  return layout;
}
