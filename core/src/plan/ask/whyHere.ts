import type { Model } from '../model';
import { SETTING_PARTS, type PlacedJob, type Plan, type PlanChange } from '../PlanWork';
import { movePlan } from './movePlan';
import { repeatPlan } from './recall';
import { PART_NAMES } from './partNames';
import { comparePlans, type Clock } from './tell';

/** What the next job waits for, or why it is where it is. */
export interface WhyHere {
  /** What holds it back at its start: one sentence. */
  readonly waits: string;
  /** What it finds mounted, or what is changed for it. */
  readonly mounted: string;
  /** What one place earlier at its bench would come to; null for the first. */
  readonly earlier: string | null;
}

/** A change in words: 'die 6 min'. */
export const tellChange = ({ part, minutes }: PlanChange): string =>
  minutes > 0 ? `${PART_NAMES[part]} ${minutes} min` : PART_NAMES[part];

/** Why a job lies where it lies, with the numbers: recomputed, not remembered. */
export function whyHere(model: Model, plan: Plan, id: string, clock: Clock): WhyHere | null {
  const own = plan.placed.find(({ job }) => job === id);
  const job = model.work.jobs.find((one) => one.id === id);
  if (!own || !job) return null;
  const inOrder = plan.placed.toSorted((a, b) => a.start - b.start || a.end - b.end);
  const earlier = inOrder.filter(({ job: other, start }) => other !== id && start <= own.start);
  const label = (other: PlacedJob) => model.work.jobs.find((one) => one.id === other.job)?.label ?? other.job;
  const last = (has: (other: PlacedJob) => boolean) =>
    earlier.filter(has).reduce<PlacedJob | null>((best, other) => (!best || other.end > best.end ? other : best), null);
  const atBench = last(({ bench }) => bench === own.bench);
  const withTool = last(({ tool }) => tool !== null && tool === own.tool);
  const byPerson = last(({ person }) => person === own.person);
  const forerunner = plan.placed
    .filter(({ job: other }) => job.after.includes(other))
    .reduce<PlacedJob | null>((best, other) => (!best || other.end > best.end ? other : best), null);
  const name = (all: readonly { readonly id: string; readonly label: string }[], of: string) =>
    all.find((one) => one.id === of)?.label ?? of;
  // Of two that end together the one comes first that another bench, tool or person would not help against.
  const holds: { readonly until: number; readonly text: string }[] = [
    ...(forerunner
      ? [{ until: forerunner.end, text: `it waits for ${label(forerunner)}, ready at ${clock(forerunner.end)}` }]
      : []),
    ...(job.from > 0
      ? [{ until: job.from, text: `what it needs, parts or a release, is there at ${clock(job.from)}` }]
      : []),
    ...(atBench
      ? [
          {
            until: atBench.end,
            text: `${name(model.work.benches, own.bench)} is taken by ${label(atBench)} until ${clock(atBench.end)}`,
          },
        ]
      : []),
    ...(withTool && withTool !== atBench
      ? [{ until: withTool.end, text: `${own.tool} is used for ${label(withTool)} until ${clock(withTool.end)}` }]
      : []),
    ...(byPerson && byPerson !== atBench
      ? [
          {
            until: byPerson.end,
            text: `${name(model.work.people, own.person)} is busy with ${label(byPerson)} until ${clock(byPerson.end)}`,
          },
        ]
      : []),
  ].filter(({ until }) => until <= own.start);
  const [hold] = holds.toSorted((a, b) => b.until - a.until);
  const shift = model.work.people
    .find((one) => one.id === own.person)
    ?.shifts.find(({ from, to }) => from <= own.start && own.start < to);
  const waits =
    hold && own.start - hold.until <= 30
      ? `Not sooner: ${hold.text}.`
      : shift && own.start - shift.from <= 5 && own.start > 0
        ? `Not sooner: ${name(model.work.people, own.person)} comes in at ${clock(shift.from)}.`
        : hold
          ? `Nothing holds it after ${clock(hold.until)} but the hours: ${hold.text}.`
          : 'It is the first thing to do here.';
  const means = job.means.find(({ tool }) => tool === own.tool);
  const set = SETTING_PARTS.flatMap((part) => (means?.set?.[part] ? [`${PART_NAMES[part]} ${means.set[part]}`] : []));
  const mounted = own.changes.length
    ? `Changed for it: ${own.changes.map(tellChange).join(', ')}; ${own.changeover} min in all.`
    : `${own.tool ?? 'The bench'}${set.length ? ` with ${set.slice(0, 3).join(', ')}` : ''} stands as it needs it: nothing is changed.`;
  return { waits, mounted, earlier: tellEarlier(model, plan, own, inOrder, clock) };
}

function tellEarlier(
  model: Model,
  plan: Plan,
  own: PlacedJob,
  inOrder: readonly PlacedJob[],
  clock: Clock,
): string | null {
  const atBench = inOrder.filter(({ bench }) => bench === own.bench);
  const before = atBench[atBench.findIndex(({ job }) => job === own.job) - 1];
  if (!before) return null;
  const moved = movePlan(model, plan, { job: own.job, bench: own.bench, before: before.job });
  const label = model.work.jobs.find(({ id }) => id === before.job)?.label ?? before.job;
  if (!moved.ok) return moved.text;
  const same = repeatPlan(model, plan.placed);
  return `Before ${label}: ${comparePlans(same, moved.plan, model.work, clock)}`;
}
