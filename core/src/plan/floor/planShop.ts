import { today } from '../../time';
import type { PlanJob } from '../PlanWork';
import { cutAndInsert } from './cutAndInsert';
import { endsOf } from './endsOf';
import { FloorNow } from './FloorNow';
import { jobsOfCombination } from './jobsOfCombination';
import { planTool } from './meansOfJob';
import { afterOf } from './orderOfJobs';
import { minuteOf } from './shifts';
import type { JobAbout, ListToMake, PlanNote, ShopPlan, ShopSource } from './ShopSource';
import { Supply } from './Supply';

/**
 * From what a shop has on record to the work that is planned: the one place where terminals and wires become minutes. What cannot be
 * made is left out with its reason, and the rest is planned.
 */
export function planShop(source: ShopSource): ShopPlan {
  const { start, zone, floor } = source;
  const now = new FloorNow(source);
  const supply = new Supply(source.supplyOf, today({ zone }, start));
  const notes: PlanNote[] = [];
  const cannot: ShopPlan['cannot'][number][] = [];
  const about: JobAbout[] = [];
  const jobs: PlanJob[] = [];
  const jobsOf = new Map<string, readonly string[]>();
  // Stock goes to what is due first.
  const dues = new Map(source.lists.map(({ name, due }) => [name, due ?? '9999']));
  const dueOf = (list: string) => dues.get(list) ?? '9999';
  for (const each of source.toMake.toSorted((a, b) => dueOf(a.list).localeCompare(dueOf(b.list)))) {
    const made = jobsOfCombination(source, now, supply, each);
    jobs.push(...made.jobs);
    about.push(...made.about);
    cannot.push(...made.cannot);
    notes.push(...made.notes.map((text) => ({ combination: each.combination, text })));
    jobsOf.set(
      each.combination,
      made.jobs.map(({ id }) => id),
    );
  }
  const after = afterOf(source.lists, jobsOf, notes);
  for (const list of source.lists) {
    const own = jobs.filter((job) => job.list === list.name).map(({ id }) => id);
    if (!own.length) continue;
    const made = cutAndInsert(source, now, list, jobsOf);
    for (const job of own) after.set(job, [...made.cuts, ...(after.get(job) ?? [])]);
    jobs.push(...made.jobs);
    about.push(...made.about);
  }
  const due = ({ due: day }: ListToMake) => (day === null ? null : minuteOf(`${day}T${floor.dueBy}`, zone, start));
  return {
    work: {
      ...{ benches: now.benches, people: now.people, quality: now.quality },
      tools: source.tools.map((tool) => planTool(tool, now.benchOf(tool), floor, now.standingOf(tool))),
      lists: source.lists.map((list) => ({ id: list.name, label: list.name, due: due(list), weight: list.weight })),
      jobs: jobs.map((job) => ({ ...job, after: [...job.after, ...(after.get(job.id) ?? [])] })),
      endWorth: floor.endWorth,
    },
    ...{ about, cannot, notes, ends: endsOf(source) },
  };
}
