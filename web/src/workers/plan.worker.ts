/// <reference lib="webworker" />
import {
  asPlan,
  byDueDate,
  exactPlan,
  improve,
  Layout,
  modelOf,
  moveLittle,
  planBounds,
  planFrom,
  repeat,
  type FoundPlan,
  type Model,
  type Plan,
  type PlanWork,
} from '@tug-mark/core';
import { expose } from 'comlink';
import type { PlanAsked, PlanBeside, PlanFound, Remedy } from './plan.messages';

/* Searches away from the page. A search gives way between its slices, so that it can be stopped, and a newer one ends it. */

/** Milliseconds of one slice, and between two plans that are told. */
const SLICE = 40;
const TELL = 250;
/** Most jobs for which every order is looked at. */
const EXACT = 7;
/** Minutes of changeover that a job which stays where people expect it is worth. */
const STAYS = 2;

let asked = 0;

const giveWay = () => new Promise<void>((resolve) => setTimeout(resolve));

/** One search: told as it gets better, and once more when it is over. The last is waited for: whoever stopped it goes on from there. */
async function search(
  { work, seed, milliseconds, before }: PlanAsked,
  own: number,
  tell: (found: PlanFound) => void | Promise<void>,
): Promise<void> {
  const model = modelOf(work);
  const begun = performance.now();
  const share = () => Math.min(1, (performance.now() - begun) / Math.max(1, milliseconds));
  if (!model.jobs.length) {
    await tell({ plan: asPlan(new Layout(model)), share: 1, isProven: true, isLast: true });
    return;
  }
  const start = before?.length ? repeat(model, before) : null;
  let best: FoundPlan | null = start;
  let isProven = false;
  let [sliced, said] = [performance.now(), 0];
  const isOver = () => own !== asked;
  const step = async (found: FoundPlan) => {
    best = found;
    const now = performance.now();
    if (now - said > TELL) {
      void tell({ plan: planFrom(model, best), share: share(), isProven: false, isLast: false });
      said = now;
    }
    if (now - sliced > SLICE) {
      await giveWay();
      sliced = performance.now();
    }
  };
  const isSmall = model.jobs.length <= EXACT;
  // A small day is searched for a moment first: what is found cuts off most of the orders.
  const until = isSmall ? () => Math.min(1, share() * 10) : share;
  for (const found of improve(model, seed, () => (isOver() ? 1 : until()), start)) await step(found);
  if (isSmall && best)
    for (const { found, isProven: proven } of exactPlan(model, best)) {
      await step(found);
      isProven = proven;
      if (isOver() || share() >= 1) break;
    }
  if (!best) return;
  const found = planFrom(model, best);
  const plan = before?.length ? moveLittle(model, before, best, STAYS) : found;
  // A plan that moves less may be a little worse than the one that was proven.
  const isSame = JSON.stringify(plan.score) === JSON.stringify(found.score);
  await tell({ plan, share: 1, isProven: isProven && isSame, isLast: true });
}

/** When a place on the axis of working minutes is by the clock. */
function clockOf(model: Model, place: number): number {
  const { axis } = model;
  return place <= 0 ? 0 : (axis.clock[Math.min(place, axis.length) - 1] ?? 0) + 1;
}

const work = {
  /** Begins a search; one that is under way ends. Plans are told as they get better, the last one as such. */
  async search(wanted: PlanAsked, tell: (found: PlanFound) => void): Promise<void> {
    const own = ++asked;
    await search(wanted, own, tell);
  },
  /** Ends the search under way: what it has is told as its last. */
  stop(): void {
    asked++;
  },
  /** What stands beside a plan of this work. */
  beside(of: PlanWork): PlanBeside {
    const model = modelOf(of);
    const bounds = planBounds(model);
    return { byDue: asPlan(byDueDate(model)), bounds, leastEnd: clockOf(model, bounds.end.least) };
  },
  /** What could be done about what is late: an hour more of somebody, or one list that waits. What helps most comes first. */
  remedies(of: PlanWork, plan: Plan): Remedy[] {
    const tries = [
      ...of.people
        .filter(({ shifts }) => shifts.length)
        .map(({ id, label }) => ({
          text: `${label} stays an hour longer`,
          work: {
            ...of,
            people: of.people.map((one) =>
              one.id === id
                ? { ...one, shifts: one.shifts.map((shift, i) => (i ? shift : { ...shift, to: shift.to + 60 })) }
                : one,
            ),
          },
        })),
      ...of.lists
        .filter(({ id }) => !plan.score.lateLists.includes(id) && of.jobs.some(({ list }) => list === id))
        .map(({ id, label }) => ({
          text: `${label} waits until the others are done`,
          work: { ...of, jobs: of.jobs.filter(({ list }) => list !== id) },
        })),
    ];
    return tries
      .map(({ text, work: changed }): Remedy => {
        const model = modelOf(changed);
        const begun = performance.now();
        let best = repeat(model, plan.placed);
        for (const found of improve(model, 7, () => (performance.now() - begun) / 300, best)) best = found;
        return { text, plan: planFrom(model, best) };
      })
      .filter((remedy) => remedy.plan.score.lateness < plan.score.lateness)
      .sort((a, b) => a.plan.score.lateness - b.plan.score.lateness)
      .slice(0, 3);
  },
};
export type PlanSearch = typeof work;
expose(work);
