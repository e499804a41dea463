import { minutesOf, toolChanges } from './changesBefore';
import { axisOf, hoursOf, type Axis, type PersonHours } from './hours';
import { plannable, stands } from './plannable';
import type { LeftOut, PlanJob, PlanWork, ToolSetting } from './PlanWork';

/* The work as tables of numbers: what the search goes through millions of times. */

export interface Model {
  readonly work: PlanWork;
  readonly axis: Axis;
  readonly people: readonly PersonHours[];
  readonly quality: readonly PersonHours[];
  /** Jobs that can be planned, in the order of the numbers used below. */
  readonly jobs: readonly PlanJob[];
  readonly left: readonly LeftOut[];
  /** Ways to make each job: those of job j are numbered from ways[j] up to ways[j + 1]. */
  readonly ways: Int32Array;
  readonly wayBench: Int32Array;
  /** -1 without a tool. */
  readonly wayTool: Int32Array;
  /** Number of the setting among those of its tool. */
  readonly waySet: Int32Array;
  readonly wayRun: Int32Array;
  /** Of its quickest way. */
  readonly leastRun: Int32Array;
  /** Which of the job's means it is. */
  readonly wayMeans: Int32Array;
  readonly able: readonly Int32Array[];
  readonly after: readonly Int32Array[];
  readonly before: readonly Int32Array[];
  readonly from: Int32Array;
  readonly setUp: Int32Array;
  /** -1 where quality is not asked. */
  readonly release: Int32Array;
  readonly proof: Int32Array;
  readonly isProved: Uint8Array;
  readonly heat: Uint8Array;
  /** Numbers of notch and stop, from 1; 0 without a strip. */
  readonly notch: Int32Array;
  readonly stop: Int32Array;
  readonly list: Int32Array;
  /** On the axis; beyond it where there is none. */
  readonly due: Int32Array;
  readonly weight: Float64Array;
  /** When each job has to be ended so that nothing that waits for it comes late for want of its own minutes; leads the search. */
  readonly needed: Int32Array;
  readonly fixed: readonly ({ readonly way: number; readonly person: number; readonly start: number } | null)[];
  readonly fixedJobs: readonly number[];
  readonly tools: {
    readonly bench: Int32Array;
    readonly set: Int32Array;
    /** Proof whose samples are good with the tool as it stands then; -1: none that is known. */
    readonly proof: Int32Array;
    readonly frame: Int32Array;
    /** Settings of each tool, the one it has when the plan begins among them. */
    readonly settings: readonly (readonly ToolSetting[])[];
    /** How many those are. */
    readonly count: Int32Array;
    /** Whole minutes from one setting of a tool to another, row by row. */
    readonly changes: readonly Int32Array[];
  };
  readonly benches: {
    readonly notch: Int32Array;
    readonly stop: Int32Array;
    readonly notchMinutes: Float64Array;
    readonly stopMinutes: Float64Array;
    readonly warmUp: Int32Array;
    readonly coldAfter: Int32Array;
  };
}

/** Numbers things as they come. */
class Numbers<T> {
  private readonly known = new Map<string, number>();
  readonly all: T[] = [];

  of(thing: T, key = JSON.stringify(thing)): number {
    const known = this.known.get(key);
    if (known !== undefined) return known;
    this.known.set(key, this.all.length);
    return this.all.push(thing) - 1;
  }
}

/**
 * The work as tables. Jobs that nobody, nothing or no hour can make are left out with the reason, and so is what has to wait for
 * them.
 */
export function modelOf(work: PlanWork): Model {
  const axis = axisOf([...work.people, ...work.quality]);
  const people = work.people.map((person) => hoursOf(person, axis));
  const quality = work.quality.map((person) => hoursOf(person, axis));
  const place = <T extends { readonly id: string }>(all: readonly T[]) => new Map(all.map(({ id }, i) => [id, i]));
  const [personAt, benchAt, toolAt, listAt] = [work.people, work.benches, work.tools, work.lists].map(
    (all: readonly { readonly id: string }[]) => place(all),
  ) as [Map<string, number>, Map<string, number>, Map<string, number>, Map<string, number>];
  const { jobs, left } = plannable(work);
  const jobAt = place(jobs);

  const proofs = new Numbers<string>();
  const strips = { notch: new Numbers<string | null>(), stop: new Numbers<string | null>() };
  strips.notch.of(null);
  strips.stop.of(null);
  const settings = work.tools.map(({ set }) => {
    const numbers = new Numbers<ToolSetting>();
    numbers.of(set);
    return numbers;
  });
  const ways = new Int32Array(jobs.length + 1);
  const way: [bench: number, tool: number, set: number, run: number, means: number][] = [];
  jobs.forEach((job, j) => {
    job.means.forEach((means, m) => {
      const tool = means.tool === null ? -1 : (toolAt.get(means.tool) ?? -1);
      if (means.tool !== null && tool < 0) return;
      const set = tool < 0 || !means.set ? 0 : (settings[tool]?.of(means.set) ?? 0);
      for (const bench of means.benches) {
        const b = benchAt.get(bench);
        if (b !== undefined && stands(job, work.benches[b])) way.push([b, tool, set, means.run, m]);
      }
    });
    ways[j + 1] = way.length;
  });
  const leastRun = Int32Array.from(jobs.keys(), (j) => Math.min(...way.slice(ways[j], ways[j + 1]).map((w) => w[3])));
  const afters = jobs.map(({ after }) => Int32Array.from(after.flatMap((id) => jobAt.get(id) ?? [])));
  const befores: number[][] = jobs.map(() => []);
  afters.forEach((all, j) => {
    for (const i of all) befores[i]?.push(j);
  });
  const of = (value: (job: PlanJob) => number) => Int32Array.from(jobs, value);
  const model = {
    ...{ work, axis, people, quality, jobs, left, ways },
    wayBench: Int32Array.from(way, (w) => w[0]),
    wayTool: Int32Array.from(way, (w) => w[1]),
    waySet: Int32Array.from(way, (w) => w[2]),
    wayRun: Int32Array.from(way, (w) => w[3]),
    wayMeans: Int32Array.from(way, (w) => w[4]),
    leastRun,
    able: jobs.map((job) => Int32Array.from(job.people.flatMap((id) => personAt.get(id) ?? []))),
    after: afters,
    before: befores.map((all) => Int32Array.from(all)),
    from: of((job) => axis.before(job.from)),
    setUp: of((job) => job.setUp),
    release: of((job) => job.release ?? -1),
    proof: of((job) => proofs.of(job.proof, job.proof)),
    isProved: Uint8Array.from(jobs, (job) => Number(job.isProved)),
    heat: Uint8Array.from(jobs, (job) => Number(job.heat)),
    notch: of((job) => strips.notch.of(job.strip?.notch ?? null)),
    stop: of((job) => strips.stop.of(job.strip?.stop ?? null)),
    list: of((job) => listAt.get(job.list) ?? 0),
    due: Int32Array.from(work.lists, ({ due }) => (due === null ? axis.length + 1 : axis.before(due))),
    weight: Float64Array.from(work.lists, ({ weight }) => weight),
    benches: {
      notch: Int32Array.from(work.benches, ({ stripper }) => strips.notch.of(stripper?.set?.notch ?? null)),
      stop: Int32Array.from(work.benches, ({ stripper }) => strips.stop.of(stripper?.set?.stop ?? null)),
      notchMinutes: Float64Array.from(work.benches, ({ stripper }) => stripper?.minutes.notch ?? 0),
      stopMinutes: Float64Array.from(work.benches, ({ stripper }) => stripper?.minutes.stop ?? 0),
      warmUp: Int32Array.from(work.benches, ({ heater }) => Math.ceil(heater?.warmUp ?? 0)),
      coldAfter: Int32Array.from(work.benches, ({ heater }) => heater?.coldAfter ?? 0),
    },
    tools: {
      bench: Int32Array.from(work.tools, ({ bench }) => benchAt.get(bench) ?? -1),
      set: new Int32Array(work.tools.length),
      proof: Int32Array.from(work.tools, ({ proof }) => (proof === null ? -1 : proofs.of(proof, proof))),
      frame: Int32Array.from(work.tools, ({ minutes }) => Math.ceil(minutes.frame)),
      settings: settings.map(({ all }) => all),
      count: Int32Array.from(settings, ({ all }) => all.length),
      changes: work.tools.map((tool, t) => {
        const all = settings[t]?.all ?? [];
        return Int32Array.from(all.flatMap((from) => all.map((to) => minutesOf(toolChanges(tool, from, to)))));
      }),
    },
  };
  const fixed = jobs.map(({ fixed }, j) => {
    if (!fixed) return null;
    const bench = benchAt.get(fixed.bench);
    const tool = fixed.tool === null ? -1 : toolAt.get(fixed.tool);
    const own = way.findIndex(
      (w, i) => i >= (ways[j] ?? 0) && i < (ways[j + 1] ?? 0) && w[0] === bench && w[1] === tool,
    );
    const person = personAt.get(fixed.person) ?? -1;
    return own < 0 || person < 0 ? null : { way: own, person, start: axis.before(fixed.start) };
  });
  const needed = Int32Array.from(jobs.keys(), () => -1);
  const neededBy = (job: number): number => {
    const known = needed[job] as number;
    if (known >= 0) return known;
    let end = model.due[model.list[job] as number] as number;
    for (const follower of befores[job] ?? []) end = Math.min(end, neededBy(follower) - (leastRun[follower] as number));
    return (needed[job] = Math.max(0, end));
  };
  jobs.forEach((_, job) => neededBy(job));
  return { ...model, needed, fixed, fixedJobs: fixed.flatMap((one, j) => (one ? [j] : [])) };
}
