import {
  asFound,
  checkPlan,
  dispatch,
  exactPlan,
  improve,
  modelOf,
  moveLittle,
  planBounds,
  planFrom,
  random,
  repeat,
  type FoundPlan,
  type Model,
  type PlacedJob,
  type Plan,
  type PlanFault,
  type PlanJob,
  type PlanWork,
  type ToolSetting,
} from '@tug-mark/core';
import highs from 'highs';
import { median } from './median';
import { makeWork, withDues } from './planInstances';
import { makeLooms } from './planLooms';
import { say } from './stations';

/* What a planner is held against that is not itself: planted faults, planted days, another model, another generator. */

/** The best of a search of so many steps, whatever the clock says. */
export function search(model: Model, seed: number, rounds: number, start: FoundPlan | null = null): FoundPlan {
  let step = 0;
  let best = start;
  for (const found of improve(model, seed, () => step++ / rounds, start)) best = found;
  if (!best) throw new Error('nothing can be planned');
  return best;
}

/** The best of a search of so many milliseconds. */
function searchFor(model: Model, seed: number, milliseconds: number): FoundPlan {
  const begun = performance.now();
  let best: FoundPlan | null = null;
  for (const found of improve(model, seed, () => (performance.now() - begun) / milliseconds)) best = found;
  if (!best) throw new Error('nothing can be planned');
  return best;
}

type Plant = (work: PlanWork, plan: Plan, pick: (n: number) => number) => { work: PlanWork; plan: Plan } | null;

const changed = (plan: Plan, job: string, changes: Partial<PlacedJob>): Plan => ({
  ...plan,
  placed: plan.placed.map((one) => (one.job === job ? { ...one, ...changes } : one)),
});
const shifted = (one: PlacedJob, by: number): Partial<PlacedJob> => ({
  ...{ start: one.start + by, setUpEnd: one.setUpEnd + by, runStart: one.runStart + by, end: one.end + by },
  release: one.release && { ...one.release, from: one.release.from + by, to: one.release.to + by },
});

/** One fault each, with the codes by which it may be found. */
const PLANTS: Readonly<Record<string, { readonly codes: readonly PlanFault['code'][]; readonly plant: Plant }>> = {
  'a job twice': {
    codes: ['twice'],
    plant: (work, plan, pick) => {
      const one = plan.placed[pick(plan.placed.length)];
      return one ? { work, plan: { ...plan, placed: [...plan.placed, one] } } : null;
    },
  },
  'a job forgotten': {
    codes: ['missing'],
    plant: (work, plan, pick) => {
      const out = pick(plan.placed.length);
      return { work, plan: { ...plan, placed: plan.placed.filter((_, i) => i !== out) } };
    },
  },
  'a job of nowhere': {
    codes: ['unknown'],
    plant: (work, plan, pick) => {
      const one = plan.placed[pick(plan.placed.length)];
      return one ? { work, plan: changed(plan, one.job, { job: 'nowhere' }) } : null;
    },
  },
  'a bench without the tool': {
    codes: ['means'],
    plant: (work, plan, pick) => {
      const one = plan.placed[pick(plan.placed.length)];
      const means = work.jobs.find(({ id }) => id === one?.job)?.means.find(({ tool }) => tool === one?.tool);
      const other = work.benches.find(({ id }) => !means?.benches.includes(id));
      return one && other ? { work, plan: changed(plan, one.job, { bench: other.id }) } : null;
    },
  },
  'somebody who may not': {
    codes: ['unqualified'],
    plant: (work, plan, pick) => {
      const one = plan.placed[pick(plan.placed.length)];
      const job = work.jobs.find(({ id }) => id === one?.job);
      const other = work.people.find(({ id }) => !job?.people.includes(id));
      return one && other ? { work, plan: changed(plan, one.job, { person: other.id }) } : null;
    },
  },
  'before the shift': {
    codes: ['hours', 'shift'],
    plant: (work, plan, pick) => {
      const one = plan.placed[pick(plan.placed.length)];
      const shift = work.people
        .find(({ id }) => id === one?.person)
        ?.shifts.find(({ from, to }) => one && from <= one.start && one.start < to);
      return one && shift ? { work, plan: changed(plan, one.job, shifted(one, shift.from - one.start - 30)) } : null;
    },
  },
  'into the break': {
    codes: ['hours', 'length', 'samples', 'changes', 'release'],
    plant: (work, plan, pick) => {
      const one = plan.placed[pick(plan.placed.length)];
      const shift = work.people
        .find(({ id }) => id === one?.person)
        ?.shifts.find(({ from, to }) => one && from <= one.start && one.start < to);
      const pause = shift?.breaks[pick(shift.breaks.length)];
      return one && pause ? { work, plan: changed(plan, one.job, shifted(one, pause.from + 1 - one.start)) } : null;
    },
  },
  'two jobs at once': {
    codes: ['bench-twice'],
    plant: (work, plan, pick) => {
      const one = plan.placed[pick(plan.placed.length)];
      const next = plan.placed.find((other) => other.bench === one?.bench && other.start >= one.end);
      return one && next ? { work, plan: changed(plan, next.job, shifted(next, one.end - 1 - next.start)) } : null;
    },
  },
  'a tool in two places': {
    codes: ['tool-twice'],
    plant: (work, plan, pick) => {
      const one = plan.placed.filter(({ tool }) => tool !== null)[pick(plan.placed.length)];
      const next = plan.placed.find((other) => other.tool === one?.tool && one && other.start >= one.end);
      return one && next ? { work, plan: changed(plan, next.job, shifted(next, one.start - next.start)) } : null;
    },
  },
  'somebody in two places': {
    codes: ['person-twice'],
    plant: (work, plan, pick) => {
      const one = plan.placed[pick(plan.placed.length)];
      const next = plan.placed.find((other) => other.person === one?.person && one && other.start >= one.end);
      return one && next ? { work, plan: changed(plan, next.job, shifted(next, one.runStart - next.runStart)) } : null;
    },
  },
  'before what it waits for': {
    codes: ['precedence'],
    plant: (work, plan, pick) => {
      const waiting = work.jobs.filter(({ after }) => after.length);
      const job = waiting[pick(waiting.length)];
      const one = plan.placed.find((other) => other.job === job?.id);
      const before = plan.placed.find((other) => other.job === job?.after[0]);
      return one && before ? { work, plan: changed(plan, one.job, shifted(one, before.end - 1 - one.start)) } : null;
    },
  },
  'before its parts are there': {
    codes: ['too-early'],
    plant: (work, plan, pick) => {
      const one = plan.placed[pick(plan.placed.length)];
      return one
        ? {
            work: {
              ...work,
              jobs: work.jobs.map((job) => (job.id === one.job ? { ...job, from: one.start + 1 } : job)),
            },
            plan,
          }
        : null;
    },
  },
  'a change forgotten': {
    codes: ['changes'],
    plant: (work, plan, pick) => {
      const own = plan.placed.filter(({ changes }) => changes.length);
      const one = own[pick(own.length)];
      return one ? { work, plan: changed(plan, one.job, { changes: one.changes.slice(1) }) } : null;
    },
  },
  'a change that takes less': {
    codes: ['changes'],
    plant: (work, plan, pick) => {
      const own = plan.placed.filter(({ changes }) => changes.some(({ minutes }) => minutes > 1));
      const one = own[pick(own.length)];
      return one
        ? {
            work,
            plan: changed(plan, one.job, {
              changes: one.changes.map((change) => ({ ...change, minutes: Math.max(0, change.minutes - 1) })),
            }),
          }
        : null;
    },
  },
  'samples left out': {
    codes: ['samples', 'length', 'changes', 'release'],
    plant: (work, plan, pick) => {
      const own = plan.placed.filter(({ start, setUpEnd, changeover }) => setUpEnd - start > changeover + 3);
      const one = own[pick(own.length)];
      return one ? { work, plan: changed(plan, one.job, { setUpEnd: one.start + one.changeover }) } : null;
    },
  },
  'a release left out': {
    codes: ['release'],
    plant: (work, plan, pick) => {
      const own = plan.placed.filter(({ release }) => release);
      const one = own[pick(own.length)];
      return one ? { work, plan: changed(plan, one.job, { release: null }) } : null;
    },
  },
  'released after it is made': {
    codes: ['release'],
    plant: (work, plan, pick) => {
      const own = plan.placed.filter(({ release }) => release);
      const one = own[pick(own.length)];
      return one?.release
        ? {
            work,
            plan: changed(plan, one.job, { release: { ...one.release, from: one.runStart, to: one.runStart + 4 } }),
          }
        : null;
    },
  },
  'made in less than it takes': {
    codes: ['length', 'hours'],
    plant: (work, plan, pick) => {
      const own = plan.placed.filter(({ runStart, end }) => end - runStart > 3);
      const one = own[pick(own.length)];
      return one ? { work, plan: changed(plan, one.job, { end: one.end - 1 }) } : null;
    },
  },
  'moved though it was fixed': {
    codes: ['fixed'],
    plant: (work, plan, pick) => {
      const one = plan.placed[pick(plan.placed.length)];
      if (!one) return null;
      const fixed = { bench: one.bench, tool: one.tool, person: one.person, start: one.start + 1 };
      return { work: { ...work, jobs: work.jobs.map((job) => (job.id === one.job ? { ...job, fixed } : job)) }, plan };
    },
  },
  'fewer minutes told than there are': {
    codes: ['score'],
    plant: (work, plan) => ({
      work,
      plan: { ...plan, score: { ...plan.score, changeover: plan.score.changeover - 1 } },
    }),
  },
  'late, and not said': {
    codes: ['score'],
    plant: (work, plan, pick) => {
      const one = plan.placed[pick(plan.placed.length)];
      const list = work.jobs.find(({ id }) => id === one?.job)?.list;
      return list === undefined
        ? null
        : {
            work: { ...work, lists: work.lists.map((each) => (each.id === list ? { ...each, due: 1 } : each)) },
            plan: { ...plan, score: { ...plan.score, lateness: 0, lateLists: [] } },
          };
    },
  },
};

/** Faults planted into good plans, one at a time. */
function planted() {
  const wanted = 500;
  const kinds = Object.entries(PLANTS);
  let [tried, caught, named] = [0, 0, 0];
  const missed = new Map<string, number>();
  for (let seed = 1; tried < wanted; seed++) {
    const work = withDues(makeWork({ jobs: 12 + (seed % 30), seed: 900 + seed, hasPrecedence: true }), seed, 'tight');
    const model = modelOf(work);
    const plan = planFrom(model, search(model, seed, 40));
    if (plan.left.length || checkPlan(work, plan).length) continue;
    const next = random(seed);
    for (const [name, { codes, plant }] of kinds) {
      if (tried === wanted) break;
      const found = plant(work, plan, (n) => Math.floor(next() * n));
      if (!found) continue;
      tried++;
      const faults = checkPlan(found.work, found.plan);
      if (faults.length) caught++;
      else missed.set(name, (missed.get(name) ?? 0) + 1);
      if (faults.some(({ code }) => codes.includes(code))) named++;
    }
  }
  say(
    `faults planted into good plans, ${kinds.length} kinds             ${caught} of ${tried} caught (goal all), ${named} by the name of what was planted   [${[...missed].map(([name, count]) => `missed: ${name} ${count}`).join('; ')}]`,
  );
}

const NOTHING: ToolSetting = { die: null, nest: null, selector: null, positioner: null, grip: null, reel: null };

/**
 * A day whose best is known: each tool has a bench and a person of its own, its work comes in blocks of one die, each block there
 * only when it is to be begun and due when it has to be done, so that no die can be kept for later. Fewer changes than one a block
 * would be late, and a plan with just those exists: the one it was made from.
 */
export function plantedDay(jobs: number, seed: number): { work: PlanWork; best: number } {
  const next = random(seed);
  const lines = Math.max(1, Math.round(jobs / 15));
  const work: { jobs: PlanJob[]; lists: PlanWork['lists'][number][] } = { jobs: [], lists: [] };
  let best = 0;
  let longest = 0;
  for (let line = 0; line < lines; line++) {
    let [minute, die, made] = [0, 0, 0];
    const own = Math.round(jobs / lines);
    while (made < own) {
      const other = made === 0 ? 0 : (die + 1 + Math.floor(next() * 2)) % 3;
      if (made > 0) best += 6;
      const block = Math.min(own - made, 2 + Math.floor(next() * 3));
      const begins = minute;
      minute += made > 0 ? 6 : 0;
      const list = `l${line}-${made}`;
      for (let i = 0; i < block; i++) {
        const run = 5 + Math.floor(next() * 25);
        minute += run;
        work.jobs.push({
          ...{
            id: `j${work.jobs.length}`,
            label: `Job ${work.jobs.length}`,
            list,
            people: [`p${line}`],
            strip: null,
            heat: false,
          },
          means: [{ tool: `t${line}`, set: { ...NOTHING, die: `d${other}` }, benches: [`b${line}`], run }],
          ...{
            setUp: 0,
            release: null,
            proof: `${line}-${other}`,
            isProved: true,
            after: [],
            from: begins,
            fixed: null,
          },
        });
      }
      work.lists.push({ id: list, label: list, due: minute, weight: 1 });
      [die, made] = [other, made + block];
    }
    longest = Math.max(longest, minute);
  }
  // Written in another order than it is made in.
  for (let i = work.jobs.length - 1; i > 0; i--) {
    const j = Math.floor(next() * (i + 1));
    [work.jobs[i], work.jobs[j]] = [work.jobs[j] as PlanJob, work.jobs[i] as PlanJob];
  }
  const all = Array.from({ length: lines }, (_, line) => line);
  return {
    best,
    work: {
      ...work,
      benches: all.map((line) => ({ id: `b${line}`, label: `b${line}`, heater: null, stripper: null })),
      tools: all.map((line) => ({
        ...{ id: `t${line}`, label: `t${line}`, bench: `b${line}`, set: { ...NOTHING, die: 'd0' }, proof: null },
        minutes: { frame: 5, die: 6, nest: 0, selector: 1, positioner: 2, grip: 1, reel: 5 },
      })),
      people: all.map((line) => ({
        id: `p${line}`,
        label: `p${line}`,
        shifts: [{ from: 0, to: longest + 600, breaks: [] }],
      })),
      ...{ quality: [], endWorth: 0.05 },
    },
  };
}

function plantedDays() {
  for (const jobs of [60, 300]) {
    const gaps: number[] = [];
    let onTime = 0;
    const seeds = 5;
    for (let seed = 1; seed <= seeds; seed++) {
      const { work, best } = plantedDay(jobs, seed);
      const model = modelOf(work);
      const plan = planFrom(model, searchFor(model, seed, 10_000));
      if (!plan.score.lateness && !plan.left.length) onTime++;
      gaps.push(100 * (plan.score.changeover / Math.max(1, best) - 1));
    }
    say(
      `planted day of ${jobs} jobs, whose best is known          nothing late in ${onTime} of ${seeds}, changeover above the best ${median(gaps).toFixed(0)} %   [${gaps.map((gap) => gap.toFixed(0)).join(' ')}; 10 s, one core]`,
    );
  }
}

/** Small days of one bench, one tool and one person as a mixed-integer program, solved by a library that knows nothing of plans. */
async function againstHighs() {
  const solver = await highs();
  const count = 40;
  let same = 0;
  const differing: string[] = [];
  for (let seed = 1; seed <= count; seed++) {
    const next = random(seed + 3000);
    const n = 2 + (seed % 5);
    const jobs = Array.from({ length: n }, (_, j): PlanJob => ({
      ...{
        id: `j${j}`,
        label: `j${j}`,
        list: `l${j % 2}`,
        people: ['p'],
        strip: null,
        heat: false,
        setUp: 0,
        release: null,
      },
      means: [
        {
          tool: 't',
          set: { ...NOTHING, die: `d${Math.floor(next() * 3)}`, selector: next() < 0.5 ? '4' : '5' },
          benches: ['b'],
          run: 5 + Math.floor(next() * 40),
        },
      ],
      ...{
        proof: `j${j}`,
        isProved: true,
        after: j > 0 && next() < 0.25 ? [`j${Math.floor(next() * j)}`] : [],
        from: next() < 0.3 ? Math.floor(next() * 60) : 0,
        fixed: null,
      },
    }));
    const work: PlanWork = {
      ...{ jobs, endWorth: 0.1, quality: [], benches: [{ id: 'b', label: 'b', heater: null, stripper: null }] },
      tools: [
        {
          id: 't',
          label: 't',
          bench: 'b',
          set: { ...NOTHING, die: 'd0', selector: '4' },
          proof: null,
          minutes: { frame: 5, die: 6, nest: 0, selector: 2, positioner: 2, grip: 1, reel: 5 },
        },
      ],
      people: [{ id: 'p', label: 'p', shifts: [{ from: 0, to: 2000, breaks: [] }] }],
      lists: [0, 1].map((l) => ({ id: `l${l}`, label: `l${l}`, due: 30 + Math.floor(next() * 100), weight: 1 + l })),
    };
    const model = modelOf(work);
    const start = asFound(dispatch(model, { change: 3, urgency: 240, reach: 240 }));
    const exact = [...exactPlan(model, start)].at(-1);
    const solution = solver.solve(asProgram(work), { mip_rel_gap: 0, mip_abs_gap: 1e-6 });
    const cost = exact ? exact.found.cost : NaN;
    const value = solution.Status === 'Optimal' ? solution.ObjectiveValue : NaN;
    if (exact?.isProven && Math.abs(value - cost) < 1e-3) same++;
    else differing.push(`${seed}: ${cost.toFixed(2)} and ${value.toFixed(2)}`);
  }
  say(
    `exact plan / a mixed-integer program, one bench          the same in ${same} of ${count}   [${differing.join('; ')}]`,
  );
}

/** The program in the text format of such solvers: who follows whom, when each ends, quarter-hours late. */
function asProgram({ jobs, tools, lists, endWorth }: PlanWork): string {
  const [tool] = tools;
  const setOf = (job: PlanJob | undefined) => job?.means[0]?.set ?? tool?.set;
  const minutes = (from: ToolSetting | undefined, to: ToolSetting | undefined) =>
    (['die', 'selector'] as const).reduce(
      (sum, part) => sum + (to?.[part] !== null && to?.[part] !== from?.[part] ? (tool?.minutes[part] ?? 0) : 0),
      0,
    );
  const big = 3000;
  const n = jobs.length;
  const pairs = Array.from({ length: n + 1 }, (_, i) => Array.from({ length: n }, (__, j) => [i - 1, j] as const))
    .flat()
    .filter(([i, j]) => i !== j);
  const x = (i: number, j: number) => `x_${i + 1}_${j + 1}`;
  const c = (i: number, j: number) => minutes(i < 0 ? tool?.set : setOf(jobs[i]), setOf(jobs[j]));
  const objective = [
    ...lists.map(({ id, weight }) => `${1e6 * weight} q_${id}`),
    ...pairs.flatMap(([i, j]) => (c(i, j) ? [`${c(i, j)} ${x(i, j)}`] : [])),
    `${endWorth} last`,
  ].join(' + ');
  const rows: string[] = [];
  for (let j = 0; j < n; j++) {
    rows.push(
      `${pairs
        .filter(([, to]) => to === j)
        .map(([i]) => x(i, j))
        .join(' + ')} = 1`,
    );
    const out = pairs.filter(([from]) => from === j).map(([, to]) => x(j, to));
    if (out.length) rows.push(`${out.join(' + ')} <= 1`);
    const run = jobs[j]?.means[0]?.run ?? 0;
    rows.push(`last - t_${j + 1} >= 0`);
    for (const before of jobs[j]?.after ?? []) {
      const i = jobs.findIndex(({ id }) => id === before);
      // Its changes too begin only when what it waits for is ended.
      rows.push(
        `t_${j + 1} - t_${i + 1} ${pairs
          .filter(([, to]) => to === j)
          .flatMap(([from]) => (c(from, j) ? [`- ${c(from, j)} ${x(from, j)}`] : []))
          .join(' ')} >= ${run}`,
      );
    }
    rows.push(
      `t_${j + 1} ${pairs
        .filter(([, to]) => to === j)
        .flatMap(([from]) => (c(from, j) ? [`- ${c(from, j)} ${x(from, j)}`] : []))
        .join(' ')} >= ${run + (jobs[j]?.from ?? 0)}`,
    );
    const list = lists.find(({ id }) => id === jobs[j]?.list);
    if (list && list.due !== null) rows.push(`15 q_${list.id} - t_${j + 1} >= ${-list.due}`);
  }
  rows.push(`${Array.from({ length: n }, (_, j) => x(-1, j)).join(' + ')} = 1`);
  for (const [i, j] of pairs) {
    const run = jobs[j]?.means[0]?.run ?? 0;
    if (i >= 0) rows.push(`t_${j + 1} - t_${i + 1} - ${big} ${x(i, j)} >= ${run + c(i, j) - big}`);
  }
  return [
    'Minimize',
    ` obj: ${objective}`,
    'Subject To',
    ...rows.map((row, i) => ` r${i}: ${row.replaceAll('+ -', '- ')}`),
    'General',
    ` ${lists.map(({ id }) => `q_${id}`).join(' ')}`,
    'Binary',
    ` ${pairs.map(([i, j]) => x(i, j)).join(' ')}`,
    'End',
  ].join('\n');
}

/** A person, a tool or a bench more, from the plan before. */
function oneMore() {
  let [worse, tried] = [0, 0];
  for (let seed = 1; seed <= 40; seed++) {
    const work = withDues(
      makeWork({ jobs: 10 + seed, seed: 700 + seed, hasPrecedence: seed % 2 === 0 }),
      seed,
      'tight',
    );
    const before = search(modelOf(work), seed, 60);
    const plan = planFrom(modelOf(work), before);
    const [person, tool] = [work.people[seed % work.people.length], work.tools[seed % work.tools.length]];
    if (!person || !tool) continue;
    const more: PlanWork[] = [
      {
        ...work,
        people: [...work.people, { ...person, id: 'more' }],
        jobs: work.jobs.map((job) =>
          job.people.includes(person.id) ? { ...job, people: [...job.people, 'more'] } : job,
        ),
      },
      {
        ...work,
        tools: [...work.tools, { ...tool, id: 'more' }],
        jobs: work.jobs.map((job) => ({
          ...job,
          means: job.means.flatMap((means) => (means.tool === tool.id ? [means, { ...means, tool: 'more' }] : [means])),
        })),
      },
      { ...work, quality: [...work.quality, { ...(work.quality[0] as PlanWork['quality'][number]), id: 'more' }] },
    ];
    for (const each of more) {
      const model = modelOf(each);
      tried++;
      const after = moveLittle(model, plan.placed, search(model, seed, 20, repeat(model, plan.placed)), 0);
      const cost = ({ score }: Plan) => 1e6 * score.lateness + score.changeover + work.endWorth * score.end;
      if (after.left.length > plan.left.length || cost(after) > cost(plan) + 1e-6) worse++;
    }
  }
  say(`one resource more, from the plan before                worse in ${worse} of ${tried} (goal 0)`);
}

/** Another way of making days up: lists as looms, cut, made end by end and put into connectors, by people of short hours. */
function anotherGenerator() {
  for (const jobs of [60, 300]) {
    const over: number[] = [];
    let [onTime, faults, beyond] = [0, 0, 0];
    const seeds = 5;
    for (let seed = 1; seed <= seeds; seed++) {
      const work = makeLooms(jobs, seed);
      const model = modelOf(work);
      const bounds = planBounds(model);
      const plan = planFrom(model, searchFor(model, seed, 10_000));
      faults += checkPlan(work, plan).length;
      if (!plan.score.lateness && !plan.left.length) onTime++;
      if (
        bounds.changeover.least > plan.score.changeover ||
        bounds.end.least > plan.score.end ||
        bounds.lateness.least > plan.score.lateness
      )
        beyond++;
      over.push(100 * (plan.score.changeover / Math.max(1, bounds.changeover.least) - 1));
    }
    say(
      `looms of ${jobs} jobs, made up another way               nothing late in ${onTime} of ${seeds}, ${faults} faults, ${beyond} bounds beyond their plan (goal 0), changeover above its bound ${median(over).toFixed(0)} %   [${over.map((one) => one.toFixed(0)).join(' ')}; 10 s, one core]`,
    );
  }
}

/** How tables and layouts grow with the work. */
function growth() {
  const said: string[] = [];
  for (const jobs of [10, 60, 300, 1000, 5000]) {
    const work = makeWork({ jobs, seed: 5, hasPrecedence: true });
    globalThis.gc?.();
    const heap = process.memoryUsage().heapUsed + process.memoryUsage().arrayBuffers;
    const begun = performance.now();
    const model = modelOf(work);
    const made = performance.now();
    const layout = dispatch(model, { change: 3, urgency: 240, reach: 240 });
    const first = performance.now();
    const rounds = Math.max(3, Math.round(20_000 / jobs));
    const order = layout.order.slice();
    for (let i = 0; i < rounds; i++) layout.layOut(order, model.ways.slice(0, -1));
    const laid = (performance.now() - first) / rounds;
    const used = (process.memoryUsage().heapUsed + process.memoryUsage().arrayBuffers - heap) / 1e6;
    said.push(
      `${jobs}: tables ${(made - begun).toFixed(0)} ms, first plan ${(first - made).toFixed(0)} ms, a layout ${laid.toFixed(2)} ms (${((1000 * laid) / jobs).toFixed(1)} µs a job), ${used.toFixed(0)} MB`,
    );
  }
  say(`how a plan grows                                       ${said.join('; ')}`);
}

export async function benchPlanProofs(): Promise<void> {
  planted();
  await againstHighs();
  oneMore();
  growth();
  plantedDays();
  anotherGenerator();
}
