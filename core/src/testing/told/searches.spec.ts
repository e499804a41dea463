import fc from 'fast-check';
import {
  asPlan,
  byDueDate,
  dispatch,
  improve,
  modelOf,
  planFrom,
  type FoundPlan,
  type Model,
  type PlanWork,
} from '../../plan';
import { anyWork } from '../planWork';
import { holdTold, type Told } from './hold';
import approved from './searches.json';

/*
 * What the search comes to from a seed, before it has come to its best: the same on every machine, and whoever changes a number of it
 * sees whether days are planned better or worse.
 */

/** Questions of how much time is left, of a short search and of a longer one. */
const SHORT = 12;
const LONG = 60;
/** Jobs of a day that is not found out at once. */
const FEW = 14;
const MANY = 26;

const figures = ({ lost, lateness, total, last }: Readonly<Record<'lost' | 'lateness' | 'total' | 'last', number>>) =>
  `${lost} without a place, late ${Number((lateness % 1e9).toFixed(4))}, changes ${total}, end ${last}`;

/** Every better plan a search comes by, and the last of them job by job. */
function tellSearch(name: string, model: Model, seed: number, rounds: number, start: FoundPlan | null = null) {
  let asked = 0;
  const costs: number[] = [];
  let best = start;
  for (const one of improve(model, seed, () => asked++ / rounds, start)) {
    best = one;
    if (one.cost !== costs.at(-1)) costs.push(one.cost);
  }
  if (!best) return [];
  return [
    `${name} | ${costs.map((cost) => Number((cost % 1e15).toFixed(4))).join(', ')}`,
    `${name} | ${[...best.order].map((job) => `${job} ${best.ways[job]} ${best.people[job]}`).join(', ')}`,
    `${name} | changes ${best.changes}${best.isLate ? ', late' : ''}`,
  ];
}

/** The same day where three jobs are fixed: where the due dates would have them, and a little later. */
const withFixed = (work: PlanWork): PlanWork => {
  const places = new Map(asPlan(byDueDate(modelOf(work))).placed.map((one) => [one.job, one]));
  return {
    ...work,
    jobs: work.jobs.map((one, i) => {
      const place = i % 5 === 2 ? places.get(one.id) : undefined;
      if (!place) return one;
      const { bench, tool, person, start } = place;
      return { ...one, fixed: { bench, tool, person, start: start + 20 } };
    }),
  };
};

function tellDay(work: PlanWork): string[] {
  const model = modelOf(work);
  const first = byDueDate(model);
  const fixed = modelOf(withFixed(work));
  const again: FoundPlan[] = [];
  for (const one of improve(model, 8, () => (again.length < 3 ? 0 : 1))) again.push(one);
  return [
    ...[
      { change: 8, urgency: 60, reach: 120 },
      { change: 0.5, urgency: 20_000, reach: 3000 },
    ].map((taste) => `by a taste for ${taste.change} | ${figures(dispatch(model, taste))}`),
    `by due date | ${figures(first)}`,
    ...tellSearch('short', model, 2, SHORT),
    ...tellSearch('longer', model, 3, LONG),
    ...tellSearch('fixed', fixed, 4, SHORT),
    ...again.slice(-1).flatMap((start) => tellSearch('from a plan', model, 5, SHORT, start)),
    ...again.slice(-1).map((one) => `begun with | ${planFrom(model, one).score.changeover} min of changes`),
  ];
}

/** So short that most of them find a place, and some come late. */
const shorter = (work: PlanWork): PlanWork => ({
  ...work,
  jobs: work.jobs.map((one) => ({
    ...one,
    means: one.means.map((way) => ({ ...way, run: Math.ceil(way.run / 3) })),
  })),
});
const days = fc.sample(anyWork(MANY, FEW).map(shorter), { seed: 31, numRuns: 5 });
const told: Told = new Map(days.map((work, i) => [`day ${i + 1}`, () => tellDay(work)]));

holdTold({ in: 'searches', of: 'a search' }, told, approved);
