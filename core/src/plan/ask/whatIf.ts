import type { PlacedJob, PlanWork } from '../PlanWork';

/** Something that may happen. Minutes of the plan. */
export type WhatIf =
  | { readonly what: 'tool-fails'; readonly tool: string }
  | { readonly what: 'person-away'; readonly person: string; readonly from: number; readonly to: number }
  | { readonly what: 'list-first'; readonly list: string; readonly due: number }
  | { readonly what: 'list-waits'; readonly list: string }
  | { readonly what: 'list-again'; readonly list: string; readonly due: number }
  | { readonly what: 'part-late'; readonly jobs: readonly string[]; readonly until: number | null }
  | { readonly what: 'longer'; readonly person: string; readonly minutes: number }
  | { readonly what: 'shift'; readonly person: string; readonly from: number; readonly to: number }
  | { readonly what: 'job-out'; readonly job: string }
  | { readonly what: 'job-fixed'; readonly place: PlacedJob };

/** The same work, had it happened. What cannot be made then is left out by the plan, each with its reason. */
export function whatIf(work: PlanWork, change: WhatIf): PlanWork {
  switch (change.what) {
    case 'tool-fails':
      return { ...work, tools: work.tools.filter(({ id }) => id !== change.tool) };
    case 'person-away': {
      const { person, from, to } = change;
      const without = <P extends PlanWork['people'][number]>(one: P): P =>
        one.id !== person ? one : { ...one, shifts: one.shifts.flatMap((shift) => cut(shift, from, to)) };
      return { ...work, people: work.people.map(without), quality: work.quality.map(without) };
    }
    case 'list-first':
      return {
        ...work,
        lists: work.lists.map((list) =>
          list.id === change.list ? { ...list, due: change.due, weight: Math.max(5, list.weight * 3) } : list,
        ),
      };
    case 'list-waits':
      return { ...work, jobs: work.jobs.filter(({ list }) => list !== change.list) };
    case 'list-again':
      return again(work, change.list, change.due);
    case 'part-late': {
      const late = new Set(change.jobs);
      const { until } = change;
      return {
        ...work,
        jobs:
          until === null
            ? work.jobs.filter(({ id }) => !late.has(id))
            : work.jobs.map((job) => (late.has(job.id) ? { ...job, from: Math.max(job.from, until) } : job)),
      };
    }
    case 'longer':
      return {
        ...work,
        people: work.people.map((one) => {
          const [first, ...rest] = one.shifts;
          if (one.id !== change.person || !first) return one;
          const to = first.to + change.minutes;
          return { ...one, shifts: [{ ...first, to: Math.min(to, rest[0]?.from ?? to) }, ...rest] };
        }),
      };
    case 'shift': {
      const { person, from, to } = change;
      return {
        ...work,
        people: work.people.map((one) =>
          one.id !== person
            ? one
            : {
                ...one,
                shifts: [...one.shifts.flatMap((shift) => cut(shift, from, to)), { from, to, breaks: [] }].sort(
                  (a, b) => a.from - b.from,
                ),
              },
        ),
      };
    }
    case 'job-out':
      return { ...work, jobs: work.jobs.filter(({ id }) => id !== change.job) };
    case 'job-fixed': {
      const { job, bench, tool, person, start } = change.place;
      return {
        ...work,
        jobs: work.jobs.map((one) => (one.id === job ? { ...one, fixed: { bench, tool, person, start } } : one)),
      };
    }
  }
}

/** A list as one of those on the bench comes in as well: the same jobs once more, under names of their own, and in a hurry. */
function again(work: PlanWork, name: string, due: number): PlanWork {
  const list = work.lists.find(({ id }) => id === name);
  if (!list) return work;
  const own = work.jobs.filter((job) => job.list === name);
  const ids = new Set(own.map(({ id }) => id));
  const once = (id: string) => `again/${id}`;
  return {
    ...work,
    lists: [
      ...work.lists,
      { id: once(name), label: `${list.label} once more`, due, weight: Math.max(5, list.weight * 3) },
    ],
    jobs: [
      ...work.jobs,
      ...own.map((job) => ({
        ...job,
        ...{ id: once(job.id), label: `${job.label} once more`, list: once(name), fixed: null },
        after: job.after.filter((id) => ids.has(id)).map(once),
      })),
    ],
  };
}

function cut(shift: PlanWork['people'][number]['shifts'][number], from: number, to: number): (typeof shift)[] {
  return [
    { ...shift, to: Math.min(shift.to, from) },
    { ...shift, from: Math.max(shift.from, to) },
  ]
    .filter((part) => part.from < part.to)
    .map((part) => ({ ...part, breaks: part.breaks.filter((pause) => pause.from < part.to && pause.to > part.from) }));
}
