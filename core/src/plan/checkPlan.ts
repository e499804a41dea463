import type { Plan, PlanChange, PlanJob, PlanPerson, PlanWork, PlacedJob, ToolSetting } from './PlanWork';

/*
 * A plan gone through as somebody with a clock and a list would: minute by minute for people, change by change for tools and
 * benches. Nothing of what made the plan is used here, so that a mistake there is not made twice.
 */

/** Something that is wrong with a plan. */
export interface PlanFault {
  readonly code:
    | 'twice'
    | 'missing'
    | 'unknown'
    | 'means'
    | 'unqualified'
    | 'hours'
    | 'shift'
    | 'length'
    | 'person-twice'
    | 'bench-twice'
    | 'tool-twice'
    | 'quality-twice'
    | 'precedence'
    | 'too-early'
    | 'changes'
    | 'samples'
    | 'release'
    | 'fixed'
    | 'score';
  /** The job it is about; null for the whole. */
  readonly job: string | null;
  readonly text: string;
}

/** Whether somebody works in a minute. */
const worksIn = (person: PlanPerson, minute: number): boolean =>
  person.shifts.some(
    ({ from, to, breaks }) =>
      minute >= from && minute < to && !breaks.some((pause) => minute >= pause.from && minute < pause.to),
  );
const shiftAt = (person: PlanPerson, minute: number): number =>
  person.shifts.findIndex(({ from, to }) => minute >= from && minute < to);
/** Minutes somebody works within a stretch. */
function worked(person: PlanPerson, from: number, to: number): number {
  let minutes = 0;
  for (let minute = from; minute < to; minute++) if (worksIn(person, minute)) minutes++;
  return minutes;
}

/**
 * Everything that is wrong with a plan of some work; nothing is wrong with a good one.
 *
 * @param work what was to be planned
 * @param plan times in clock minutes of the work
 */
export function checkPlan(work: PlanWork, plan: Plan): PlanFault[] {
  const faults: PlanFault[] = [];
  const fault = (code: PlanFault['code'], job: string | null, text: string) => faults.push({ code, job, text });
  const jobs = new Map(work.jobs.map((job) => [job.id, job]));
  const people = new Map(work.people.map((person) => [person.id, person]));
  const quality = new Map(work.quality.map((person) => [person.id, person]));
  const left = new Set(plan.left.map(({ job }) => job));
  const seen = new Map<string, PlacedJob>();
  for (const placed of plan.placed) {
    if (!jobs.has(placed.job)) fault('unknown', placed.job, `${placed.job} is no job of this work.`);
    if (seen.has(placed.job) || left.has(placed.job))
      fault('twice', placed.job, `${placed.job} is planned twice, or left out as well.`);
    seen.set(placed.job, placed);
  }
  for (const { id } of work.jobs)
    if (!seen.has(id) && !left.has(id)) fault('missing', id, `${id} is neither planned nor left out.`);

  for (const placed of plan.placed) {
    const job = jobs.get(placed.job);
    const person = people.get(placed.person);
    if (!job) continue;
    const means = job.means.find((one) => one.tool === placed.tool && one.benches.includes(placed.bench));
    const bench = work.benches.find(({ id }) => id === placed.bench);
    if (!means || !bench) fault('means', job.id, `${job.id} cannot be made at ${placed.bench} with ${placed.tool}.`);
    if (bench && ((job.heat && !bench.heater) || (job.strip && !bench.stripper)))
      fault('means', job.id, `${placed.bench} lacks what ${job.id} takes.`);
    if (!person || !job.people.includes(placed.person))
      fault('unqualified', job.id, `${placed.person} may not make ${job.id}.`);
    if (placed.start < job.from)
      fault('too-early', job.id, `${job.id} begins at ${placed.start}, what it takes is there at ${job.from}.`);
    for (const id of job.after) {
      const before = seen.get(id);
      if (before && before.end > placed.start) fault('precedence', job.id, `${job.id} begins before ${id} is ended.`);
      if (left.has(id)) fault('precedence', job.id, `${job.id} is planned, and ${id} before it is left out.`);
    }
    const { fixed } = job;
    if (
      fixed &&
      (fixed.bench !== placed.bench ||
        fixed.tool !== placed.tool ||
        fixed.person !== placed.person ||
        placed.start < fixed.start)
    )
      fault('fixed', job.id, `${job.id} is not where it was fixed.`);
    if (person) checkHours(job, placed, person, means?.run ?? 0, fault);
  }
  // Nobody and nothing in two places.
  const stretches = (placed: PlacedJob) => [
    { from: placed.start, to: placed.setUpEnd },
    { from: placed.runStart, to: placed.end },
  ];
  overlaps(
    plan.placed.map((p) => [p.person, p.job, stretches(p)]),
    (job, text) => fault('person-twice', job, text),
  );
  overlaps(
    plan.placed.map((p) => [p.bench, p.job, [{ from: p.start, to: p.end }]]),
    (job, text) => fault('bench-twice', job, text),
  );
  overlaps(
    plan.placed.filter(({ tool }) => tool !== null).map((p) => [p.tool ?? '', p.job, [{ from: p.start, to: p.end }]]),
    (job, text) => fault('tool-twice', job, text),
  );
  overlaps(
    plan.placed.flatMap((p) => (p.release ? [[p.release.by, p.job, [p.release]] as const] : [])),
    (job, text) => fault('quality-twice', job, text),
  );
  checkChanges(work, plan, jobs, quality, fault);
  checkScore(work, plan, fault);
  return faults;
}

type Tell = (code: PlanFault['code'], job: string | null, text: string) => void;

function checkHours(job: PlanJob, placed: PlacedJob, person: PlanPerson, run: number, fault: Tell): void {
  const { start, setUpEnd, runStart, end } = placed;
  if (!(start <= setUpEnd && setUpEnd <= runStart && runStart <= end))
    fault('length', job.id, `${job.id}: its times are not in their order.`);
  for (const [from, to] of [
    [start, setUpEnd],
    [runStart, end],
  ] as const) {
    if (from === to) continue;
    if (!worksIn(person, from) || !worksIn(person, to - 1))
      fault('hours', job.id, `${job.id} lies outside the hours of ${person.id}.`);
  }
  const shift = shiftAt(person, start);
  if (shift < 0 || shift !== shiftAt(person, end - 1))
    fault('shift', job.id, `${job.id} does not end in the shift it began in.`);
  if (worked(person, runStart, end) !== run)
    fault('length', job.id, `${job.id} runs ${worked(person, runStart, end)} of ${run} min.`);
}

/** Stretches of one owner that lie over each other. */
function overlaps(
  all: readonly (readonly [
    owner: string,
    job: string,
    spans: readonly { readonly from: number; readonly to: number }[],
  ])[],
  tell: (job: string, text: string) => void,
): void {
  const byOwner = new Map<string, { job: string; from: number; to: number }[]>();
  for (const [owner, job, spans] of all) {
    const own = byOwner.get(owner) ?? [];
    for (const { from, to } of spans) if (to > from) own.push({ job, from, to });
    byOwner.set(owner, own);
  }
  for (const [owner, own] of byOwner) {
    own.sort((a, b) => a.from - b.from);
    let last = own[0];
    for (const one of own.slice(1)) {
      if (last && one.from < last.to) tell(one.job, `${owner} has ${last.job} and ${one.job} at once.`);
      if (!last || one.to > last.to) last = one;
    }
  }
}

/** What each job has to find changed, and whether it has samples and a release, told from what stood there before it. */
function checkChanges(
  work: PlanWork,
  plan: Plan,
  jobs: ReadonlyMap<string, PlanJob>,
  quality: ReadonlyMap<string, PlanPerson>,
  fault: Tell,
): void {
  const tools = new Map(
    work.tools.map((tool) => [
      tool.id,
      { tool, at: tool.bench, set: tool.set as Record<string, string | null>, proof: tool.proof },
    ]),
  );
  const benches = new Map(
    work.benches.map((bench) => [bench.id, { bench, strip: bench.stripper?.set ?? null, hotUntil: -Infinity }]),
  );
  for (const placed of plan.placed.toSorted((a, b) => a.start - b.start || a.end - b.end)) {
    const job = jobs.get(placed.job);
    const at = benches.get(placed.bench);
    if (!job || !at) continue;
    const wanted: PlanChange[] = [];
    const standing = placed.tool === null ? undefined : tools.get(placed.tool);
    const set: ToolSetting | null =
      job.means.find(({ tool, benches: all }) => tool === placed.tool && all.includes(placed.bench))?.set ?? null;
    let isSet = true;
    if (standing && set) {
      for (const [part, value] of Object.entries(set)) {
        if (value !== standing.set[part]) isSet = false;
        if (value !== null && value !== standing.set[part])
          wanted.push({ part: part as PlanChange['part'], minutes: standing.tool.minutes[part as keyof ToolSetting] });
      }
      if (standing.at !== placed.bench) wanted.push({ part: 'frame', minutes: standing.tool.minutes.frame });
    }
    if (job.strip && at.bench.stripper)
      for (const part of ['notch', 'stop'] as const)
        if (job.strip[part] !== at.strip?.[part]) wanted.push({ part, minutes: at.bench.stripper.minutes[part] });
    if (job.heat && at.bench.heater && placed.runStart - at.hotUntil > at.bench.heater.coldAfter)
      wanted.push({ part: 'heater', minutes: at.bench.heater.warmUp });
    const told = (changes: readonly PlanChange[]) =>
      changes
        .map(({ part, minutes }) => `${part} ${minutes}`)
        .sort()
        .join(', ');
    if (told(wanted) !== told(placed.changes))
      fault(
        'changes',
        job.id,
        `${job.id} needs ${told(wanted) || 'no change'}, the plan has ${told(placed.changes) || 'none'}.`,
      );
    const whole = whole3(wanted);
    const samples =
      job.setUp > 0 && (standing === undefined || !isSet || (!job.isProved && standing.proof !== job.proof));
    const person = work.people.find(({ id }) => id === placed.person);
    const first = whole + (samples ? job.setUp : 0);
    if (placed.changeover !== whole)
      fault('changes', job.id, `${job.id}: ${placed.changeover} min of changes are ${whole}.`);
    if (person && worked(person, placed.start, placed.setUpEnd) !== first)
      fault(
        'samples',
        job.id,
        `${job.id}: changes and samples take ${first} min, not ${worked(person, placed.start, placed.setUpEnd)}.`,
      );
    const { release } = placed;
    if (samples && job.release !== null) {
      const by = release && quality.get(release.by);
      if (!release || !by) fault('release', job.id, `${job.id} is not released.`);
      else if (release.from < placed.setUpEnd || release.to > placed.runStart)
        fault('release', job.id, `${job.id} is released at the wrong time.`);
      else if (worked(by, release.from, release.to) !== job.release || !worksIn(by, release.from))
        fault('release', job.id, `${job.id}: ${release.by} is not in for its release.`);
    } else if (release) fault('release', job.id, `${job.id} needs no release.`);
    if (standing && set) Object.assign(standing, { set, at: placed.bench, proof: job.proof });
    if (job.strip && at.bench.stripper) at.strip = job.strip;
    if (job.heat) at.hotUntil = placed.end;
  }
}

/** Whole minutes of several changes; the parts at tool, stripper and heater are each rounded up by themselves. */
function whole3(changes: readonly PlanChange[]): number {
  const up = (parts: readonly PlanChange['part'][]) =>
    Math.ceil(changes.filter(({ part }) => parts.includes(part)).reduce((sum, { minutes }) => sum + minutes, 0) - 1e-9);
  return (
    up(['die', 'nest', 'selector', 'positioner', 'grip', 'reel']) +
    up(['frame']) +
    up(['notch', 'stop']) +
    up(['heater'])
  );
}

/** Adds up a plan's figures again. */
function checkScore(work: PlanWork, plan: Plan, fault: Tell): void {
  const everybody = [...work.people, ...work.quality];
  const workedBy = (minute: number) => {
    let count = 0;
    for (let m = 0; m < minute; m++) if (everybody.some((person) => worksIn(person, m))) count++;
    return count;
  };
  const ends = new Map<string, number>();
  for (const { job, end } of plan.placed) {
    const list = work.jobs.find(({ id }) => id === job)?.list ?? '';
    ends.set(list, Math.max(ends.get(list) ?? 0, end));
  }
  let lateness = 0;
  for (const { id, due, weight } of work.lists) {
    const end = ends.get(id);
    if (due === null || end === undefined || end <= due) continue;
    lateness += Math.ceil((workedBy(end) - workedBy(due)) / 15) * weight;
  }
  const changeover = plan.placed.reduce((sum, placed) => sum + placed.changeover, 0);
  const end = workedBy(Math.max(0, ...plan.placed.map((placed) => placed.end)));
  const { score } = plan;
  if (Math.abs(score.lateness - lateness) > 1e-9)
    fault('score', null, `Lateness is ${lateness}, not ${score.lateness}.`);
  if (score.changeover !== changeover)
    fault('score', null, `Changeover is ${changeover} min, not ${score.changeover}.`);
  if (score.end !== end) fault('score', null, `All is done after ${end} working minutes, not ${score.end}.`);
}
