import type { Happened } from '@tug-mark/contract';
import type { DueSoon, JobAbout, PlacedJob, Plan, PlanWork } from '@tug-mark/core';
import type { PlanClock } from './plan-time';

/* Where everything of one day lies on the board, as shares of its width from 0 to 1. */

export interface BoardDay {
  /** ISO day. */
  readonly day: string;
  readonly name: string;
  /** Minutes of the plan at the left and the right edge. */
  readonly from: number;
  readonly to: number;
}

export interface BoardJob {
  readonly placed: PlacedJob;
  readonly label: string;
  readonly x: number;
  readonly width: number;
  /** Where changes and samples end within it, from 0 to 1. */
  readonly ready: number;
  readonly isLate: boolean;
  readonly isFixed: boolean;
  /** What a screen reader says of it. */
  readonly told: string;
}

export interface BoardLine {
  readonly id: string;
  readonly label: string;
  readonly under: string;
  readonly jobs: readonly BoardJob[];
  /** What really happened, as far as it is on record. */
  readonly done: readonly { readonly x: number; readonly width: number; readonly text: string }[];
  /** Something that has to be checked before the line begins. */
  readonly first: string | null;
}

export interface Board {
  readonly hours: readonly { readonly x: number; readonly text: string }[];
  readonly lines: readonly BoardLine[];
  readonly quality: readonly { readonly x: number; readonly text: string; readonly by: string }[];
  readonly now: number | null;
}

/** Days on which something is planned, and today. From the first hour somebody works or works are planned to the last. */
export function boardDays(plan: Plan, work: PlanWork, clock: PlanClock): BoardDay[] {
  const days = new Map<string, { from: number; to: number }>();
  const add = (from: number, to: number) => {
    const day = clock.day(from);
    const known = days.get(day);
    days.set(day, known ? { from: Math.min(known.from, from), to: Math.max(known.to, to) } : { from, to });
  };
  for (const { start, end } of plan.placed) add(start, end);
  const planned = new Set(days.keys());
  for (const { shifts } of work.people)
    for (const { from, to } of shifts) if (planned.has(clock.day(from)) || from <= 0) add(from, to);
  return [...days]
    .sort(([, a], [, b]) => a.from - b.from)
    .map(([day, { from, to }]) => {
      const hour = 60;
      // Whole hours at both edges, by the clock: minute 0 is rarely one.
      const past = minuteOfHour(clock, from);
      const left = (hour - minuteOfHour(clock, to)) % hour;
      return { day, name: clock.weekday(from), from: from - past, to: to + left };
    });
}

const minuteOfHour = (clock: PlanClock, minute: number) => Number(clock.time(minute).slice(3));

/** The board of one day. */
export function boardOf(
  { from, to, day }: BoardDay,
  plan: Plan,
  work: PlanWork,
  about: readonly JobAbout[],
  clock: PlanClock,
  soon: readonly DueSoon[],
  happened: readonly Happened[],
  nowMinute: number | null,
): Board {
  const x = (minute: number) => (minute - from) / (to - from);
  const aboutOf = new Map(about.map((one) => [one.job, one]));
  const label = (id: string) => work.jobs.find((job) => job.id === id)?.label ?? id;
  const person = (id: string) => [...work.people, ...work.quality].find((one) => one.id === id)?.label ?? id;
  const fixed = new Set(work.jobs.filter((job) => job.fixed).map(({ id }) => id));
  const late = new Set(plan.score.lateLists);
  const own = plan.placed.filter(({ start }) => clock.day(start) === day);
  const step = to - from > 12 * 60 ? 180 : 120;
  const hours = Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => from + i * step);
  return {
    hours: hours.map((minute) => ({ x: x(minute), text: clock.time(minute) })),
    now: nowMinute !== null && nowMinute >= from && nowMinute <= to ? x(nowMinute) : null,
    quality: own.flatMap(({ release, job }) =>
      release
        ? [{ x: x(release.from), text: `${clock.time(release.from)} release ${label(job)}`, by: person(release.by) }]
        : [],
    ),
    lines: work.benches.map((bench) => {
      const jobs = own.filter((one) => one.bench === bench.id).sort((a, b) => a.start - b.start);
      const people = [...new Set(jobs.map((one) => person(one.person)))];
      const tools = [...new Set(jobs.flatMap(({ tool }) => tool ?? []))];
      const check = soon.find(
        ({ what, of, from: due }) => what === 'check' && due <= (jobs[0]?.start ?? -1) && tools.includes(of),
      );
      const combinations = new Set(jobs.flatMap(({ job }) => aboutOf.get(job)?.combination ?? []));
      return {
        ...{ id: bench.id, label: bench.label },
        under: jobs.length ? [...people, ...tools].slice(0, 5).join(' · ') : 'nothing planned',
        first: check ? `${check.of} check due first` : null,
        jobs: jobs.map((placed): BoardJob => {
          const span = Math.max(1, placed.end - placed.start);
          const list = aboutOf.get(placed.job)?.list ?? '';
          const changes = placed.changeover ? `, ${placed.changeover} min of changes first` : '';
          return {
            ...{ placed, label: label(placed.job), x: x(placed.start), width: span / (to - from) },
            ready: (placed.setUpEnd - placed.start) / span,
            ...{ isLate: late.has(list), isFixed: fixed.has(placed.job) },
            told: `${label(placed.job)}, ${list}, ${clock.time(placed.start)} to ${clock.time(placed.end)}, ${person(placed.person)}${placed.tool === null ? '' : ` with ${placed.tool}`}${changes}${fixed.has(placed.job) ? ', fixed' : ''}${late.has(list) ? ', late' : ''}`,
          };
        }),
        done: happened
          .filter(({ combination }) => combinations.has(combination))
          .flatMap(({ what, startedAt, endedAt, made, pieces, tool }) => {
            const [a, b] = [startedAt, endedAt].map((at) => (at === null ? null : x(clock.minute(at)))) as [
              number,
              number | null,
            ];
            const end = b ?? (nowMinute === null ? a : x(nowMinute));
            if (end < 0 || a > 1) return [];
            const left = Math.max(0, a);
            return [
              {
                x: left,
                width: Math.max(0.004, Math.min(1, end) - left),
                text:
                  what === 'lot'
                    ? `on record: ${made} of ${pieces} made with ${tool}`
                    : `on record: set up with ${tool}`,
              },
            ];
          }),
      };
    }),
  };
}

/** What a job is dropped before, at a place of a line: the first whose middle lies behind it; null: behind all. */
export function dropBefore(line: Pick<BoardLine, 'jobs'>, at: number, moving: string): string | null {
  const next = line.jobs.find(({ placed, x, width }) => placed.job !== moving && x + width / 2 > at);
  return next?.placed.job ?? null;
}
