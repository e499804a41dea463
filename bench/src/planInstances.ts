import {
  Layout,
  modelOf,
  normalFrom,
  random,
  type PlanJob,
  type PlanPerson,
  type PlanTool,
  type PlanWork,
  type ToolSetting,
} from '@tug-mark/core';

/* Made-up days of work, from a seed: shops of any size with tools, dies, people, quality, lists and due times. */

export interface InstanceKind {
  readonly jobs: number;
  readonly seed: number;
  /** Jobs that wait for others. */
  readonly hasPrecedence: boolean;
}

const DAY = 1440;
const NOTHING: ToolSetting = { die: null, nest: null, selector: null, positioner: null, grip: null, reel: null };

/** People for so many jobs: a bigger shop has more, and more days. */
const headcount = (jobs: number) => (jobs <= 12 ? 2 : Math.round(jobs ** 0.42));

function person(id: string, days: number, from: number, to: number): PlanPerson {
  return {
    id,
    label: id,
    shifts: Array.from({ length: days }, (_, day) => ({
      from: day * DAY + from,
      to: day * DAY + to,
      breaks: [
        { from: day * DAY + from + 150, to: day * DAY + from + 165 },
        { from: day * DAY + from + 330, to: day * DAY + from + 360 },
      ],
    })),
  };
}

/** A shop and its work, without due times. */
export function makeWork({ jobs: count, seed, hasPrecedence }: InstanceKind): PlanWork {
  const next = random(seed);
  const normal = normalFrom(next);
  const below = (n: number) => Math.floor(next() * n);
  const pick = <T>(all: readonly T[]): T => all[below(all.length)] as T;
  const people = headcount(count);
  const benchCount = people + 1;
  const benches = Array.from({ length: benchCount }, (_, b) => ({
    id: `b${b}`,
    label: `Bench ${b + 1}`,
    heater: b % 4 === 0 ? { warmUp: 6, coldAfter: 60 } : null,
    stripper: { set: null, minutes: { notch: 1, stop: 1 } },
  }));
  const tools: (PlanTool & { readonly settings: readonly ToolSetting[]; readonly families: readonly number[] })[] = [];
  const toolCount = Math.max(3, Math.round(people * 1.6));
  for (let t = 0; t < toolCount; t++) {
    const isFourIndent = t % 4 === 3;
    const isPress = t % 4 === 2;
    const settings: ToolSetting[] = [];
    if (isFourIndent)
      for (let s = 3; s <= 7; s++)
        for (let p = 0; p < 2; p++)
          settings.push({ ...NOTHING, die: 'fixed', nest: 'four', selector: `${s}`, positioner: `p${p}` });
    else
      for (let d = 0; d < 3; d++)
        for (let n = 0; n < 2; n++)
          for (let g = 1; g <= (isPress ? 1 : 2); g++)
            settings.push({
              ...NOTHING,
              die: `d${d}`,
              nest: `n${n}`,
              grip: isPress ? null : `${g}`,
              reel: isPress ? `r${d}${n}` : null,
            });
    tools.push({
      id: `t${t}`,
      label: `Tool ${t + 1}`,
      bench: `b${t % benchCount}`,
      set: settings[0] as ToolSetting,
      proof: null,
      minutes: { frame: 5, die: 6, nest: 0, selector: 1, positioner: 4, grip: 1, reel: 5 },
      settings,
      families: [t % 12, (t * 5 + 3) % 12],
    });
  }
  // A combination has its way to be made, by one tool or by two alike; jobs of many lists ask for it.
  const kinds = Array.from({ length: Math.max(3, Math.round(count / 2.5)) }, () => {
    const tool = pick(tools);
    const set = pick(tool.settings);
    const heat = Boolean(benches.find(({ id }) => id === tool.bench)?.heater) && next() < 0.3;
    const twin =
      next() < 0.3 ? tools.find((other) => other !== tool && other.settings.some((s) => same(s, set))) : undefined;
    const size = 1 + Number(set.selector ?? set.die?.slice(1) ?? 0) + (set.nest === 'n1' ? 1 : 0);
    const run = Math.round(Math.min(120, Math.max(6, 22 * Math.exp(0.6 * normal()))));
    return {
      family: pick(tool.families),
      heat,
      means: [tool, ...(twin ? [twin] : [])].map(({ id, bench }, i) => ({
        tool: id,
        set,
        // One in four is carried to the bench beside where it is needed; heat stays where the heater is.
        benches:
          i === 0 && !heat && Number(id.slice(1)) % 4 === 1
            ? [bench, `b${(Number(bench.slice(1)) + 1) % benchCount}`]
            : [bench],
        run: i === 0 ? run : Math.round(run * 1.2),
      })),
      // A thicker wire takes the next nest and the next notch; how long it is stripped is the terminal's.
      strip: { notch: `${size}`, stop: `${4 + size + below(3)}` },
      setUp: 6 + below(7),
      release: next() < 0.7 ? 4 : null,
      isProved: next() < 0.4,
    };
  });
  const crew = Array.from({ length: people }, (_, p) => ({
    id: `p${p}`,
    families: Array.from({ length: 12 }, (_, f) => f).filter((f) => (f + p) % people === 0 || next() < 0.75),
  }));
  const listCount = Math.max(1, Math.round(count / 6));
  const jobs: PlanJob[] = Array.from({ length: count }, (_, j) => {
    const k = below(kinds.length);
    const kind = kinds[k] as (typeof kinds)[number];
    const able = crew.filter(({ families }) => families.includes(kind.family)).map(({ id }) => id);
    return {
      id: `j${j}`,
      label: `Job ${j + 1}`,
      list: `l${below(listCount)}`,
      means: kind.means,
      people: able.length ? able : ['p0'],
      strip: kind.strip,
      heat: kind.heat,
      setUp: kind.setUp,
      release: kind.release,
      proof: `k${k}`,
      isProved: kind.isProved,
      after: hasPrecedence && j > 0 && next() < 0.3 ? [`j${below(j)}`] : [],
      from: 0,
      fixed: null,
    };
  });
  const minutes = jobs.reduce((sum, job) => sum + (job.means[0]?.run ?? 0) + job.setUp + 6, 0);
  const days = Math.ceil((minutes / (people * 465)) * 1.6) + 2;
  return {
    benches,
    tools: tools.map(({ settings: _, families: __, ...tool }) => tool),
    people: crew.map(({ id }, p) => person(id, days, 360 + 60 * (p % 3), 870 + 60 * (p % 3))),
    quality: Array.from({ length: Math.max(1, Math.round(people / 5)) }, (_, q) => person(`q${q}`, days, 400, 900)),
    lists: Array.from({ length: listCount }, (_, l) => ({
      id: `l${l}`,
      label: `List ${l + 1}`,
      due: null,
      weight: 1 + (l % 3),
    })),
    jobs,
    endWorth: 0.1,
  };
}

const same = (a: ToolSetting, b: ToolSetting) => JSON.stringify(a) === JSON.stringify(b);

/**
 * Due times that somebody would promise who works list by list: when each list would be ready then and a share later, rounded up to
 * the end of a working day ('comfortable'), or to the minute ('tight'). So a plan in which nothing is late is known.
 */
export function withDues(work: PlanWork, seed: number, kind: 'comfortable' | 'tight'): PlanWork {
  const model = modelOf(work);
  const next = random(seed + 77);
  const rank = new Map(work.lists.map(({ id }) => [id, next()]));
  const rankOf = (job: number) => rank.get(model.jobs[job]?.list ?? '') ?? 0;
  const order = Array.from(model.jobs.keys()).sort((a, b) => rankOf(a) - rankOf(b) || a - b);
  const layout = new Layout(model).layOut(order, model.ways.slice(0, -1));
  const ends = work.people.flatMap(({ shifts }) => shifts.map(({ to }) => to));
  const last = Math.max(...ends);
  return {
    ...work,
    lists: work.lists.map((list, l) => {
      const place = Math.ceil((layout.listEnd[l] ?? 0) * (kind === 'tight' ? 1 : 1.1));
      const minute = model.axis.clock[Math.min(place, model.axis.length) - 1] ?? last - 1;
      const day = Math.max(...ends.filter((to) => Math.floor(to / DAY) === Math.floor(minute / DAY)));
      return { ...list, due: kind === 'tight' ? minute + 1 : Math.max(day, minute + 1) };
    }),
  };
}
