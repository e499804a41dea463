import { asPlan } from '../asPlan';
import { at } from '../at';
import { Layout } from '../Layout';
import type { Model } from '../model';
import type { PlacedJob, Plan, PlanJob, PlanWork } from '../PlanWork';
import { planFrom, type FoundPlan } from '../search';
import { recall, repeatPlan, stillStands } from './recall';
import { differences } from './tell';

/** A plan given out, later on: its minutes count from a later moment. */
export function later(placed: readonly PlacedJob[], minutes: number): PlacedJob[] {
  return placed.map((one) => ({
    ...one,
    ...{
      start: one.start - minutes,
      setUpEnd: one.setUpEnd - minutes,
      runStart: one.runStart - minutes,
      end: one.end - minutes,
    },
    release: one.release && { ...one.release, from: one.release.from - minutes, to: one.release.to - minutes },
  }));
}

/**
 * Jobs of a plan given out that begin before a minute stay where they are, as long as what they need is still there.
 * @param until minute up to which nothing is moved
 */
export function freeze(work: PlanWork, placed: readonly PlacedJob[], until: number): PlanWork {
  const known = new Map(placed.map((one) => [one.job, one]));
  const [tools, people] = [work.tools, work.people].map((all) => new Set(all.map(({ id }) => id))) as [
    Set<string>,
    Set<string>,
  ];
  const isIn = ({ person, start, end }: PlacedJob) =>
    work.people.find(({ id }) => id === person)?.shifts.some(({ from, to }) => from <= Math.max(0, start) && end <= to);
  return {
    ...work,
    jobs: work.jobs.map((job): PlanJob => {
      const own = known.get(job.id);
      if (!own || job.fixed || own.start >= until || own.end <= 0) return job;
      const stands = own.tool === null || tools.has(own.tool);
      if (!stands || !people.has(own.person) || !job.people.includes(own.person) || !isIn(own)) return job;
      const { bench, tool, person, start } = own;
      return { ...job, fixed: { bench, tool, person, start: Math.max(0, start) } };
    }),
  };
}

/**
 * The plan that is best when each job that is moved costs `worth` minutes: the one that was found, the same with every move taken back
 * that brought too little, or the plan before as it is, where nothing comes late by it.
 * @param worth minutes of changeover that one job not moved is worth
 */
export function moveLittle(model: Model, before: readonly PlacedJob[], found: FoundPlan, worth: number): Plan {
  const old: Plan = { placed: before, left: [], score: { lateness: 0, lateLists: [], changeover: 0, end: 0 } };
  const asItIs = stillStands(model, before);
  const plans = [...(asItIs ? [asItIs] : []), repeatPlan(model, before), takenBack(model, before, found, worth)];
  const costs = plans.map((plan) => {
    const moved = differences(old, plan, model.work, String).filter(({ what }) => what === 'moved' || what === 'order');
    const { lateness, changeover, end } = plan.score;
    return 1e9 * plan.left.length + 1e6 * lateness + changeover + model.work.endWorth * end + worth * moved.length;
  });
  return plans[costs.indexOf(Math.min(...costs))] as Plan;
}

/**
 * Takes back what a search moved for too little: job by job a moved one goes back to its bench, tool, person and place in the order
 * of the plan before, as long as the plan gets no worse than `worth` minutes for each that stays where people expect it, and nothing
 * gets later that was not.
 */
function takenBack(model: Model, before: readonly PlacedJob[], found: FoundPlan, worth: number): Plan {
  const old = recall(model, before);
  const layout = new Layout(model).layOut(found.order, found.ways, found.people, found.isFirm);
  const n = model.jobs.length;
  const ways = layout.way.slice();
  const people = layout.person.slice();
  // One order for both: by the minute a job ends in the plan it is taken from. By their beginnings one that waits for its release would
  // push away what its person does meanwhile.
  const endBefore = new Float64Array(n).fill(Infinity);
  const place = new Map(before.map((one) => [one.job, one]));
  model.jobs.forEach(({ id }, j) => {
    const known = place.get(id);
    if (known) endBefore[j] = model.axis.before(Math.max(0, known.end));
  });
  const key = Float64Array.from(layout.end);
  const rank = new Int32Array(n);
  layout.order.forEach((job, i) => (rank[job] = i));
  const orderBy = () =>
    Array.from({ length: n }, (_, j) => j).sort((a, b) => at2(key, a) - at2(key, b) || at(rank, a) - at(rank, b));
  // Put in the order of their beginnings a plan may come out a little otherwise: then it is left as it was found.
  layout.layOut(orderBy(), ways, people, true);
  if (layout.cost > found.cost + worth) return planFrom(model, found);
  let cost = layout.cost;
  const isMoved = (j: number) =>
    !old.isNew[j] &&
    (at(ways, j) !== at(old.ways, j) || at(people, j) !== at(old.people, j) || at2(key, j) !== at2(endBefore, j));
  for (let round = 0; round < 2; round++) {
    let changed = false;
    for (const j of orderBy()) {
      if (!isMoved(j)) continue;
      const [way, person, start] = [at(ways, j), at(people, j), at2(key, j)];
      ways[j] = at(old.ways, j);
      people[j] = at(old.people, j);
      key[j] = at2(endBefore, j);
      layout.layOut(orderBy(), ways, people, true);
      if (layout.cost <= cost + worth) {
        cost = Math.max(cost, layout.cost);
        changed = true;
      } else {
        ways[j] = way;
        people[j] = person;
        key[j] = start;
      }
    }
    if (!changed) break;
  }
  layout.layOut(orderBy(), ways, people, true);
  return asPlan(layout);
}

const at2 = (table: Float64Array, i: number) => table[i] as number;
