import { counted } from '../../text';
import type { Plan } from '../PlanWork';
import type { Clock } from '../ask';
import type { JobAbout, PlanEnds } from '../floor';

/** Something that ends inside the plan, and what it would stop. */
export interface DueSoon {
  readonly what: 'calibration' | 'check' | 'cycles' | 'qualification' | 'limit-table';
  /** Part number of the tool, name of the person, document. */
  readonly of: string;
  /** Minute of the plan from which it no longer holds; of cycles where they are used up. */
  readonly from: number;
  /** Jobs that are planned after it. */
  readonly jobs: readonly string[];
  readonly text: string;
}

/**
 * Calibrations, checks, cycles, qualifications and limit tables that end while a plan runs, each with the jobs it would stop; those
 * that stop nothing are not told. In the order in which they end.
 */
export function dueSoon(plan: Plan, about: readonly JobAbout[], ends: PlanEnds, clock: Clock): DueSoon[] {
  const aboutOf = new Map(about.map((one) => [one.job, one]));
  const inOrder = plan.placed.toSorted((a, b) => a.start - b.start);
  const found: DueSoon[] = [];
  const add = (what: DueSoon['what'], of: string, from: number, jobs: readonly string[], text: string) => {
    if (jobs.length) found.push({ what, of, from, jobs, text: `${text} ${tellJobs(jobs.length)}` });
  };
  for (const tool of ends.tools) {
    const own = inOrder.filter((one) => one.tool === tool.tool);
    const after = (minute: number | null) =>
      minute === null ? [] : own.filter(({ end }) => end > minute).map(({ job }) => job);
    add(
      'calibration',
      tool.tool,
      tool.calibratedUntil,
      after(tool.calibratedUntil),
      `${tool.tool}: its calibration ends ${clock(tool.calibratedUntil)}.`,
    );
    const checked = tool.checkedUntil ?? 0;
    add(
      ...(['check', tool.tool, checked, after(checked)] as const),
      tool.checkedUntil === null
        ? `${tool.tool}: check it before its first piece.`
        : `${tool.tool}: its go/no-go check holds until ${clock(checked)}.`,
    );
    // Cycles of each lot as it is made, with samples, checks and what is made again.
    if (tool.cyclesLeft === null) continue;
    let left = tool.cyclesLeft;
    const beyond: string[] = [];
    let from = 0;
    for (const one of own) {
      const { pieces = 0, samples = 0, checks = 0, rework = 0, strokes = 1 } = aboutOf.get(one.job) ?? {};
      left -= (pieces + samples + checks + rework) * strokes;
      if (left >= 0) continue;
      if (!beyond.length) from = one.start;
      beyond.push(one.job);
    }
    add(
      'cycles',
      tool.tool,
      from,
      beyond,
      `${tool.tool}: ${counted(tool.cyclesLeft, 'cycle')} ${tool.cyclesLeft === 1 ? 'is' : 'are'} left, and the plan needs ${tool.cyclesLeft - left}.`,
    );
  }
  for (const { person, name, family, until } of ends.people) {
    const jobs = inOrder.filter(
      (one) => one.person === person && one.end > until && (family === null || aboutOf.get(one.job)?.family === family),
    );
    add(
      'qualification',
      name,
      until,
      jobs.map(({ job }) => job),
      `${name}: qualified until ${clock(until)}.`,
    );
  }
  for (const { document, until, combinations } of ends.limits) {
    const own = new Set(combinations);
    const jobs = inOrder.filter((one) => one.end > until && own.has(aboutOf.get(one.job)?.combination ?? ''));
    add(
      'limit-table',
      document,
      until,
      jobs.map(({ job }) => job),
      `${document} is in effect until ${clock(until)}: releases made with it lapse.`,
    );
  }
  return found.sort((a, b) => a.from - b.from);
}

const tellJobs = (count: number) => (count === 1 ? 'One job comes after that.' : `${count} jobs come after that.`);
