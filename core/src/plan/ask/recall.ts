import { asPlan } from '../asPlan';
import { at } from '../at';
import { Layout } from '../Layout';
import { checkPlan } from '../checkPlan';
import type { Model } from '../model';
import type { PlacedJob, Plan } from '../PlanWork';
import { asFound, type FoundPlan } from '../search';

/** What was decided in a plan, as tables: an order, a way and a person for every job; null of a person: whoever. */
export interface Decided {
  readonly order: number[];
  readonly ways: Int32Array;
  readonly people: Int32Array;
  /** Jobs the plan says nothing of: they come last. */
  readonly isNew: Uint8Array;
}

/**
 * A plan as it is on record, for work that may have changed since. Jobs it says nothing of, or says of a bench, a tool or a person
 * that is not there any more, keep their place in the order where they have one and go by whatever way is first.
 */
export function recall(model: Model, placed: readonly PlacedJob[]): Decided {
  const { work, jobs } = model;
  const place = new Map(placed.map((one) => [one.job, one]));
  const benchAt = new Map(work.benches.map(({ id }, i) => [id, i]));
  const toolAt = new Map(work.tools.map(({ id }, i) => [id, i]));
  const personAt = new Map(work.people.map(({ id }, i) => [id, i]));
  const ways = model.ways.slice(0, -1);
  const people = new Int32Array(jobs.length).fill(-1);
  const isNew = new Uint8Array(jobs.length);
  jobs.forEach((job, j) => {
    const known = place.get(job.id);
    if (!known) {
      isNew[j] = 1;
      return;
    }
    const bench = benchAt.get(known.bench) ?? -1;
    const tool = known.tool === null ? -1 : (toolAt.get(known.tool) ?? -2);
    for (let way = at(model.ways, j); way < at(model.ways, j + 1); way++)
      if (at(model.wayBench, way) === bench && at(model.wayTool, way) === tool) ways[j] = way;
    const person = personAt.get(known.person) ?? -1;
    if ((model.able[j] as Int32Array).includes(person)) people[j] = person;
  });
  // In the order in which they were put, which is the order they stand in: laid out by their beginnings a job that waits for its
  // release would push away what its person does meanwhile.
  const put = new Map(placed.map(({ job }, i) => [job, i]));
  const order = Array.from(jobs.keys()).sort((a, b) => {
    const [one, other] = [a, b].map((j) => put.get(jobs[j]?.id ?? '') ?? Infinity) as [number, number];
    return one === other ? at(model.needed, a) - at(model.needed, b) || a - b : one - other;
  });
  return { order, ways, people, isNew };
}

/** The better of two: each job by the one it was given to, or by whoever can end it first now. */
function laidOut(model: Model, placed: readonly PlacedJob[]): { readonly layout: Layout; readonly isFirm: boolean } {
  const { order, ways, people } = recall(model, placed);
  const firm = new Layout(model).layOut(order, ways, people, true);
  const free = new Layout(model).layOut(order, ways, people);
  const isFirm = firm.cost <= free.cost;
  return { layout: isFirm ? firm : free, isFirm };
}

/** The plan before on the work as it is now, in the words of the shop; new jobs come behind it. */
export function repeatPlan(model: Model, placed: readonly PlacedJob[]): Plan {
  return asPlan(laidOut(model, placed).layout);
}

/** The plan before, laid out on the work as it is now; on the same work it is the same plan. */
export function repeat(model: Model, placed: readonly PlacedJob[]): FoundPlan {
  const { layout, isFirm } = laidOut(model, placed);
  return isFirm ? { ...asFound(layout), isFirm: true } : asFound(layout);
}

/**
 * The plan before as it stands, minute by minute, where it is still a plan of all of this work; else null. A person or a tool more can
 * make the same order come out worse, each job as early as it can be; what was planned without them can be done all the same.
 */
export function stillStands(model: Model, placed: readonly PlacedJob[]): Plan | null {
  const { work, jobs, axis } = model;
  if (placed.length !== jobs.length || model.left.length) return null;
  const listOf = new Map(jobs.map(({ id }, j) => [id, at(model.list, j)]));
  const ends = new Int32Array(work.lists.length);
  let [changeover, end] = [0, 0];
  for (const one of placed) {
    const list = listOf.get(one.job);
    if (list === undefined || one.start < 0) return null;
    const place = axis.before(one.end);
    ends[list] = Math.max(at(ends, list), place);
    end = Math.max(end, place);
    changeover += one.changeover;
  }
  const late = work.lists.map((_, l) => Math.max(0, at(ends, l) - at(model.due, l)));
  const lateness = late.reduce((sum, minutes, l) => sum + (work.lists[l]?.weight ?? 0) * Math.ceil(minutes / 15), 0);
  const lateLists = work.lists.filter((_, l) => (late[l] ?? 0) > 0).map(({ id }) => id);
  const plan = { placed, left: [], score: { lateness, lateLists, changeover, end } };
  return checkPlan(work, plan).length ? null : plan;
}
