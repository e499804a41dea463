import { counted } from '../../text';
import type { PlacedJob, Plan, PlanChange, PlanWork } from '../PlanWork';

/** Writes a minute of the plan as the shop's clock shows it. */
export type Clock = (minute: number) => string;

/** When the last job ends, in minutes of the clock; 0 for a plan without jobs. */
export const endOfPlan = (plan: Plan): number => Math.max(0, ...plan.placed.map(({ end }) => end));

/** How often each part is changed, and the minutes of it. */
export function partsChanged(
  plan: Plan,
): Record<PlanChange['part'], { readonly count: number; readonly minutes: number }> {
  const counts = {
    die: 0,
    nest: 0,
    selector: 0,
    positioner: 0,
    grip: 0,
    reel: 0,
    frame: 0,
    notch: 0,
    stop: 0,
    heater: 0,
  };
  const minutes = { ...counts };
  for (const { changes } of plan.placed)
    for (const change of changes) {
      counts[change.part]++;
      minutes[change.part] += change.minutes;
    }
  return Object.fromEntries(
    Object.entries(counts).map(([part, count]) => [part, { count, minutes: minutes[part as PlanChange['part']] }]),
  ) as ReturnType<typeof partsChanged>;
}

/** What a plan comes to beside another of the same work: when it ends, what is late, what is changed. */
export function comparePlans(before: Plan, after: Plan, work: PlanWork, clock: Clock): string {
  const said: string[] = [];
  const [was, is] = [before, after].map(endOfPlan) as [number, number];
  said.push(was === is ? `It still ends at ${clock(is)}` : `It ends at ${clock(is)} instead of ${clock(was)}`);
  const minutes = after.score.changeover - before.score.changeover;
  if (minutes !== 0) said.push(`${Math.abs(minutes)} min ${minutes > 0 ? 'more' : 'less'} of changes`);
  const label = (id: string) => work.lists.find((list) => list.id === id)?.label ?? id;
  const late = after.score.lateLists.filter((id) => !before.score.lateLists.includes(id));
  const inTime = before.score.lateLists.filter((id) => !after.score.lateLists.includes(id));
  if (late.length) said.push(`late then: ${late.map(label).join(', ')}`);
  if (inTime.length) said.push(`in time then: ${inTime.map(label).join(', ')}`);
  const left = after.left.length - before.left.length;
  // The same lists are late; a job that is left out makes none late.
  const later = after.score.lateness - before.score.lateness;
  if (!late.length && !inTime.length && (later > 1e-9 || (later < -1e-9 && left <= 0)))
    said.push(`what is late comes ${later > 0 ? 'later' : 'sooner'}`);
  if (left > 0) said.push(`${counted(left, 'job')} without a place`);
  if (left < 0) said.push(`${counted(-left, 'job')} more with a place`);
  if (said.length === 1 && was === is) return `${said[0]}, and nothing else changes.`;
  return `${said.join(', ')}.`;
}

/** One job that a plan makes otherwise than another. */
export interface Difference {
  readonly job: string;
  /** 'moved': other bench, tool or person; 'order': the same, behind another job; 'new'; 'gone'. */
  readonly what: 'moved' | 'order' | 'new' | 'gone';
  readonly text: string;
}

/**
 * What moved between two plans: only what somebody at a bench has to know, what is gone first. Another minute in the same order is
 * no move.
 */
export function differences(before: Plan, after: Plan, work: PlanWork, clock: Clock): Difference[] {
  const label = new Map(work.jobs.map((job) => [job.id, job.label]));
  const benches = new Map(work.benches.map((bench) => [bench.id, bench.label]));
  const people = new Map(work.people.map((person) => [person.id, person.label]));
  const was = new Map(before.placed.map((one) => [one.job, one]));
  const is = new Map(after.placed.map((one) => [one.job, one]));
  const both = new Set([...was.keys()].filter((job) => is.has(job)));
  const behind = (plan: Plan) => {
    const last = new Map<string, string>();
    const found = new Map<string, string | null>();
    for (const one of plan.placed.toSorted((a, b) => a.start - b.start)) {
      if (!both.has(one.job)) continue;
      found.set(one.job, last.get(one.bench) ?? null);
      last.set(one.bench, one.job);
    }
    return found;
  };
  const [then, now] = [behind(before), behind(after)];
  // What is not made any more comes first: it weighs more than what is made elsewhere, and a list cut short still tells it.
  const all: Difference[] = [...was.keys()]
    .filter((job) => !is.has(job))
    .map((job) => ({ job, what: 'gone', text: `${label.get(job) ?? job}: not in this plan any more.` }));
  for (const [job, one] of is) {
    const name = label.get(job) ?? job;
    const old = was.get(job);
    const at = `${benches.get(one.bench) ?? one.bench} at ${clock(one.start)}`;
    if (!old) all.push({ job, what: 'new', text: `${name}: new, ${at}.` });
    else if (old.bench !== one.bench || old.tool !== one.tool || old.person !== one.person) {
      const what = [
        ...(old.bench === one.bench
          ? []
          : [`${benches.get(one.bench) ?? one.bench} instead of ${benches.get(old.bench) ?? old.bench}`]),
        ...(old.tool === one.tool ? [] : [`${one.tool ?? 'no tool'} instead of ${old.tool ?? 'none'}`]),
        ...(old.person === one.person
          ? []
          : [`${people.get(one.person) ?? 'somebody'} instead of ${people.get(old.person) ?? 'somebody'}`]),
      ];
      all.push({ job, what: 'moved', text: `${name}: ${what.join(', ')}, at ${clock(one.start)}.` });
    } else if (then.get(job) !== now.get(job)) {
      const next = now.get(job);
      all.push({
        job,
        what: 'order',
        text: `${name}: ${next ? `behind ${label.get(next) ?? next}` : 'first'} now, at ${clock(one.start)}.`,
      });
    }
  }
  return all;
}

/**
 * Jobs of a plan given out that cannot be made any more. They are in no work and in no plan, so {@link differences} does not
 * come by them.
 * @param known what was planned, by the job's id
 * @param cannot combinations of which nothing, or not all, can be made
 */
export function goneJobs(
  given: { readonly placed: readonly PlacedJob[]; readonly jobs: Readonly<Record<string, PlannedThing>> },
  work: PlanWork,
  cannot: readonly { readonly combination: string }[],
): Difference[] {
  const still = new Set(work.jobs.map(({ id }) => id));
  const stopped = new Set(cannot.map(({ combination }) => combination));
  return given.placed.flatMap(({ job }) => {
    const was = given.jobs[job];
    const isGone = was?.combination && stopped.has(was.combination) && !still.has(job);
    return isGone ? [{ job, what: 'gone', text: `${was.label}: not in this plan any more.` }] : [];
  });
}

interface PlannedThing {
  readonly label: string;
  readonly combination: string | null;
}
