import { at, real } from '../at';
import { leastWork, sharedSamples } from '../leastWork';
import type { Model } from '../model';
import { changeBound } from './changeBound';

/** What no plan of this work can be better than, each figure by itself, with what it leaves out. */
export interface PlanBounds {
  readonly lateness: Bound;
  /** Minutes of changeover. */
  readonly changeover: Bound;
  /** Working minutes until all is done. */
  readonly end: Bound;
}

export interface Bound {
  readonly least: number;
  /** What it does not look at. */
  readonly blindTo: string;
}

/**
 * Bounds of a plan. None of them needs a plan.
 * @param rounds how long the changeover bound is sharpened
 */
export function planBounds(model: Model, rounds = 80): PlanBounds {
  const changeover = changeBound(model, rounds);
  const least = leastWork(model);
  const end = endBound(model, least, changeover);
  return {
    lateness: {
      least: latenessBound(model, least),
      blindTo: 'other lists, tools and changes',
    },
    changeover: { least: changeover, blindTo: 'due times, and what waits for what' },
    end: { least: end, blindTo: 'which job waits for which tool or bench while others work' },
  };
}

/** Place on the axis by which some people have so many minutes behind them; beyond the axis where they never have. */
function whenWorked(model: Model, people: Iterable<number>, minutes: number): number {
  const crew = [...people];
  const worked = (place: number) => {
    let sum = 0;
    for (const person of crew) sum += at((model.people[person] as { before: Int32Array }).before, place);
    return sum;
  };
  let [low, high] = [0, model.axis.length + 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (middle > model.axis.length || worked(middle) >= minutes) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Earliest end of each job with everything free: behind its forerunners, by whoever is soonest. */
function earliestEnds(model: Model, least: Int32Array): Int32Array {
  const ends = new Int32Array(model.jobs.length).fill(-1);
  const end = (job: number): number => {
    const known = at(ends, job);
    if (known >= 0) return known;
    let from = at(model.from, job);
    for (const before of model.after[job] as Int32Array) from = Math.max(from, end(before));
    let soonest = model.axis.length + 1;
    for (const person of model.able[job] as Int32Array) {
      const { before, places } = model.people[person] as { before: Int32Array; places: Int32Array };
      const own = from < before.length ? at(before, from) + at(least, job) - 1 : Infinity;
      if (own < places.length) soonest = Math.min(soonest, at(places, own) + 1);
    }
    ends[job] = soonest;
    return soonest;
  };
  model.jobs.forEach((_, job) => end(job));
  return ends;
}

function endBound(model: Model, least: Int32Array, changeover: number): number {
  const n = model.jobs.length;
  if (!n) return 0;
  let bound = Math.max(...earliestEnds(model, least));
  // Work of those families that certain people alone can do, for every set of people that is named, and for all.
  const sets = new Map<string, Int32Array>();
  for (const able of model.able) sets.set(able.join(), able);
  const everybody = Int32Array.from(model.people.keys());
  for (const crew of [...sets.values(), everybody]) {
    const own = new Set(crew);
    let minutes = crew === everybody ? changeover + sharedSamples(model) : 0;
    for (let job = 0; job < n; job++)
      if ((model.able[job] as Int32Array).every((person) => own.has(person))) minutes += at(least, job);
    bound = Math.max(bound, whenWorked(model, own, minutes));
  }
  // Work that one bench or one tool alone can do, in all minutes anybody works.
  for (const table of [model.wayBench, model.wayTool]) {
    const minutes = new Map<number, number>();
    for (let job = 0; job < n; job++) {
      const first = at(table, at(model.ways, job));
      let isOnly = first >= 0;
      for (let way = at(model.ways, job); way < at(model.ways, job + 1); way++)
        if (at(table, way) !== first) isOnly = false;
      if (isOnly) minutes.set(first, (minutes.get(first) ?? 0) + at(least, job));
    }
    bound = Math.max(bound, ...minutes.values());
  }
  return bound;
}

/** Each list by itself: it cannot be ready before its last job's earliest end, nor before its people have worked so long. */
function latenessBound(model: Model, least: Int32Array): number {
  const ends = earliestEnds(model, least);
  const lists = model.work.lists.map(() => ({ end: 0, minutes: 0, people: new Set<number>() }));
  model.jobs.forEach((_, job) => {
    const list = lists[at(model.list, job)];
    if (!list) return;
    list.end = Math.max(list.end, at(ends, job));
    list.minutes += at(least, job);
    for (const person of model.able[job] as Int32Array) list.people.add(person);
  });
  return lists.reduce((sum, { end, minutes, people }, list) => {
    const soonest = Math.max(end, minutes ? whenWorked(model, people, minutes) : 0);
    return sum + Math.ceil(Math.max(0, soonest - at(model.due, list)) / 15) * real(model.weight, list);
  }, 0);
}
