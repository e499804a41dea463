import type { GivenPlan, PlanQueue } from '@tug-mark/contract';
import { PART_NAMES, SETTING_PARTS, tellChange } from '@tug-mark/core';
import { planClock } from './plan-time';

/* What each bench does next, from the plan given out and from what was made since. */

export interface QueueJob {
  readonly job: string;
  readonly label: string;
  readonly list: string;
  readonly wire: string;
  readonly combination: string | null;
  /** 'Thu 12:40' */
  readonly from: string;
  readonly to: string;
  readonly person: string;
  /** What is mounted and set for it, step by step. */
  readonly mount: readonly string[];
  /** The tool that has to be checked before. */
  readonly check: string | null;
  readonly state: 'done' | 'running' | 'next' | 'later';
  /** Pieces of it that are made, as far as that is known. */
  readonly made: number;
  readonly pieces: number;
  readonly samples: number;
  /** Minutes it is behind the plan; 0 or below: it is not. */
  readonly behind: number;
}

export interface QueueLine {
  readonly bench: string;
  readonly label: string;
  readonly jobs: readonly QueueJob[];
  /** What comes next here; null where all is done. */
  readonly next: QueueJob | null;
}

/** A part and what it is set to; a die without a name of its own is no step. */
function tellPart(part: string, set: string | null): string[] {
  if (set === null || set === '-') return [];
  // 'grip B' says already what it is.
  return [set.startsWith(`${part.split(' ').at(-1)} `) ? set : `${part} ${set}`];
}

/** Pieces of each job that are made since the plan was given out: of several of one combination those that were to come first. */
function madeOf({ jobs, placed }: GivenPlan, made: PlanQueue['made']): Map<string, number> {
  const found = new Map<string, number>();
  const open = new Map(made.map(({ combination, made: since }) => [combination, since]));
  for (const { job } of placed.toSorted((a, b) => a.start - b.start)) {
    const { combination = null, pieces = 0 } = jobs[job] ?? {};
    if (combination === null) continue;
    const left = open.get(combination) ?? 0;
    found.set(job, Math.min(left, pieces));
    open.set(combination, Math.max(0, left - pieces));
  }
  return found;
}

/** Where every bench is in its part of the plan. `now` is an ISO instant. */
export function queueLines({ given, made, checks, zone }: PlanQueue, now: string): QueueLine[] {
  if (!given) return [];
  const clock = planClock(given.start, zone);
  const minute = clock.minute(now);
  const today = clock.day(minute);
  const at = (when: number) =>
    clock.day(when) === today ? clock.time(when) : `${clock.weekday(when).slice(0, 3)} ${clock.time(when)}`;
  const done = madeOf(given, made);
  const benches = [...new Set(given.placed.map(({ bench }) => bench))].sort();
  const due = new Set(checks);
  return benches.map((bench) => {
    const placed = given.placed.filter((one) => one.bench === bench).sort((a, b) => a.start - b.start);
    let isNext = true;
    const jobs = placed.map((one): QueueJob => {
      const about = given.jobs[one.job];
      const pieces = about?.pieces ?? 0;
      // Cutting and inserting leave no entry: their time says that they are over.
      const count = about?.combination ? (done.get(one.job) ?? 0) : one.end <= minute ? pieces : 0;
      const isDone = count >= pieces && (about?.combination !== null || one.end <= minute);
      const state = isDone ? 'done' : count > 0 ? 'running' : isNext ? 'next' : 'later';
      if (!isDone) isNext = false;
      const set = about?.set;
      const settings = set ? SETTING_PARTS.flatMap((part) => tellPart(PART_NAMES[part], set[part])) : [];
      const strip = about?.strip ? [`strip with ${about.strip.notch}, stop at ${about.strip.stop}`] : [];
      return {
        ...{ job: one.job, label: about?.label ?? one.job, list: about?.list ?? '', wire: about?.wire ?? '' },
        ...{ combination: about?.combination ?? null, from: at(one.start) },
        to: clock.day(one.end - 1) === clock.day(one.start) ? clock.time(one.end) : at(one.end),
        person: given.names[one.person] ?? '',
        mount: [
          ...(one.tool === null ? [] : [`${one.tool}: ${settings.join(', ')}`]),
          ...strip,
          ...(one.changes.length ? [`to change: ${one.changes.map(tellChange).join(', ')}`] : []),
        ],
        check: one.tool !== null && due.has(one.tool) ? one.tool : null,
        ...{ state, made: count, pieces, samples: about?.samples ?? 0 },
        behind: isDone ? 0 : Math.max(0, minute - (count > 0 ? one.end : one.start)),
      };
    });
    return {
      bench,
      label: given.names[bench] ?? bench,
      jobs,
      next: jobs.find(({ state }) => state !== 'done') ?? null,
    };
  });
}

/** What a bench does next, in one line and what goes with it. */
export function queueWords({ next, label }: QueueLine): { readonly headline: string; readonly under: string } {
  if (!next) return { headline: `${label}: all of the plan is done.`, under: '' };
  const what =
    next.state === 'running'
      ? `Going on at ${label}: ${next.label}, ${next.made} made`
      : `Next at ${label}: ${next.label}`;
  const late = next.behind >= 15 ? ` It is ${next.behind} min behind the plan.` : '';
  return {
    headline: `${what}.`,
    under:
      [
        ...(next.check === null ? [] : [`Check ${next.check} first.`]),
        `${next.from} to ${next.to}, ${next.person}.`,
        ...(next.mount.length ? [`${next.mount.join('; ')}.`] : []),
      ].join(' ') + late,
  };
}
