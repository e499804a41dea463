import fc from 'fast-check';
import {
  asFound,
  byDueDate,
  checkPlan,
  comparePlans,
  differences,
  exactPlan,
  freeze,
  improve,
  modelOf,
  moveLittle,
  movePlan,
  nearestChangeover,
  partsChanged,
  planBounds,
  planFrom,
  toolByTool,
  whatIf,
  whyHere,
  type FoundPlan,
  type Model,
  type Plan,
  type PlanWork,
  type WhatIf,
} from '../../plan';
import { anyWork } from '../planWork';
import { whole } from './tell';
import { holdTold, type Told } from './hold';
import approved from './plans.json';

/** Beginnings and blocks the search is given, so that it ends alike on every machine. */
const ROUNDS = 24;
/** Jobs of a day that is planned exactly as well. */
const FEW = 4;

const clock = (minute: number) => `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`;

function search(model: Model, start: FoundPlan | null = null): FoundPlan {
  let step = 0;
  let best = start ?? asFound(byDueDate(model));
  for (const one of improve(model, 5, () => step++ / ROUNDS, start)) best = one;
  return best;
}

const tellScore = (name: string, { score, placed, left }: Plan) =>
  `${name} | ${placed.length} placed, ${left.length} left, late ${score.lateness} (${score.lateLists.length} lists), changes ${score.changeover}, end ${score.end}`;

/** One day: the plan, what each job waits for, what else it might be, and what is found wrong with a plan that was bent. */
function tellPlan(work: PlanWork): string[] {
  const model = modelOf(work);
  const found = search(model);
  const plan = planFrom(model, found);
  const [first, second] = plan.placed;
  const asked: WhatIf[] = [
    { what: 'tool-fails', tool: work.tools[0]?.id ?? '' },
    { what: 'person-away', person: work.people[0]?.id ?? '', from: 420, to: 600 },
    { what: 'list-first', list: work.lists[0]?.id ?? '', due: 480 },
    { what: 'list-waits', list: work.lists[1]?.id ?? '' },
    { what: 'part-late', jobs: work.jobs.slice(0, 2).map(({ id }) => id), until: 700 },
    { what: 'longer', person: work.people[0]?.id ?? '', minutes: 60 },
    ...(first ? [{ what: 'job-out' as const, job: first.job }] : []),
  ];
  const moves = plan.placed.slice(0, 4).flatMap((one, i) => [
    { job: one.job, bench: one.bench, before: plan.placed[(i + 2) % plan.placed.length]?.job ?? null },
    { job: one.job, bench: one.bench === 'B1' ? 'B2' : 'B1', before: null },
  ]);
  const bent: Plan = {
    ...plan,
    placed: plan.placed.map((one, i) =>
      i % 3 === 0
        ? { ...one, start: one.start - 7, end: one.end - 7 }
        : i % 3 === 1
          ? { ...one, person: work.people.at(-1)?.id ?? '', bench: second?.bench ?? one.bench }
          : one,
    ),
  };
  return [
    tellScore('found', plan),
    ...plan.placed.map((one) => `placed | ${whole(one)}`),
    ...plan.left.map((one) => `left | ${whole(one)}`),
    `changes | ${whole(partsChanged(plan))}`,
    `bounds | ${whole(planBounds(model, 12))}`,
    ...[byDueDate, toolByTool, nearestChangeover].map((how) =>
      tellScore(how.name || 'base', planFrom(model, asFound(how(model)))),
    ),
    ...(model.jobs.length > 0 && model.jobs.length <= FEW
      ? [tellScore('exact', planFrom(model, [...exactPlan(model, found)].at(-1)?.found ?? found))]
      : []),
    ...plan.placed.map(({ job }) => `why ${job} | ${whole(whyHere(model, plan, job, clock) ?? {})}`),
    ...moves.map((move) => {
      const moved = movePlan(model, plan, move);
      return `move ${whole(move)} | ${moved.ok ? comparePlans(plan, moved.plan, work, clock) : moved.text}`;
    }),
    ...asked.flatMap((change) => {
      const other = modelOf(freeze(whatIf(work, change), plan.placed, 60));
      const own = moveLittle(other, plan.placed, search(other), 5);
      return [
        tellScore(`if ${change.what}`, own),
        ...differences(plan, own, work, clock).map((each) => `if ${change.what} | ${whole(each)}`),
      ];
    }),
    ...checkPlan(work, plan).map((fault) => `fault | ${whole(fault)}`),
    ...checkPlan(work, bent).map((fault) => `bent | ${whole(fault)}`),
  ];
}

/** Days of any shop, the same ones from the same seed. */
const told: Told = new Map(
  fc.sample(anyWork(9), { seed: 77, numRuns: 12 }).map((work, i) => [`day ${i + 1}`, () => tellPlan(work)]),
);

holdTold({ in: 'plans', of: 'a plan' }, told, approved);
