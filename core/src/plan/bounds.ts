import { arborescence } from './arborescence';
import { at, real } from './at';
import { leastWork, sharedSamples } from './leastWork';
import type { Model } from './model';

/** What no plan of this work can be better than, each figure by itself, with what it leaves out. */
export interface PlanBounds {
  readonly lateness: Bound;
  /** Minutes of changeover. */
  readonly changeover: Bound;
  /** Working minutes until all is done. */
  readonly end: Bound;
}

export interface Bound {
  readonly least: number;
  /** What it does not look at. */
  readonly blindTo: string;
}

/**
 * Bounds of a plan. None of them needs a plan.
 * @param rounds how long the changeover bound is sharpened
 */
export function planBounds(model: Model, rounds = 80): PlanBounds {
  const changeover = changeBound(model, rounds);
  const least = leastWork(model);
  const end = endBound(model, least, changeover);
  return {
    lateness: {
      least: latenessBound(model, least),
      blindTo: 'other lists, tools and changes',
    },
    changeover: { least: changeover, blindTo: 'due times, what waits for what, heaters, tools taken to another bench' },
    end: { least: end, blindTo: 'which job waits for which tool or bench while others work' },
  };
}

/**
 * Least minutes of changeover: each setting that is needed has to be come to once, from another one or from what stands there now.
 * Tools and strippers are counted by themselves; then tools that have to be taken elsewhere, and heaters that have to be warmed up.
 */
function changeBound(model: Model, rounds: number): number {
  const { tools, benches, jobs, ways } = model;
  const sets = new Needs();
  const strips = new Needs();
  const stripAt: [notch: number, stop: number][] = [];
  const stripOf = new Map<string, number>();
  /** Benches a tool is needed at, job by job, for jobs that no other tool makes. */
  const places = tools.settings.map(() => new Map<string, Set<number>>());
  const hots: { readonly where: ReadonlySet<number>; readonly run: number }[] = [];
  jobs.forEach((_, job) => {
    const own: [number, number][] = [];
    const where = new Set<number>();
    let run = Infinity;
    for (let way = at(ways, job); way < at(ways, job + 1); way++) {
      own.push([at(model.wayTool, way), at(model.waySet, way)]);
      where.add(at(model.wayBench, way));
      run = Math.min(run, at(model.wayRun, way));
    }
    const [only] = own;
    if (!only) return;
    if (own.every(([tool]) => tool >= 0)) sets.add(own);
    if (only[0] >= 0 && own.every(([tool]) => tool === only[0]))
      places[only[0]]?.set([...where].sort((a, b) => a - b).join(), where);
    const [notch, stop] = [at(model.notch, job), at(model.stop, job)];
    if (notch) {
      const key = `${notch} ${stop}`;
      const strip = stripOf.get(key) ?? stripAt.push([notch, stop]) - 1;
      stripOf.set(key, strip);
      strips.add([...where].map((bench) => [bench, strip]));
    }
    if (model.heat[job]) hots.push({ where, run });
  });
  const change = (tool: number, from: number, to: number) =>
    at(tools.changes[tool] as Int32Array, from * (tools.settings[tool]?.length ?? 0) + to);
  const strip = (bench: number, notch: number, stop: number, to: number) => {
    const [n, s] = stripAt[to] as [number, number];
    const minutes =
      (notch === n ? 0 : real(benches.notchMinutes, bench)) + (stop === s ? 0 : real(benches.stopMinutes, bench));
    return Math.ceil(minutes - 1e-9);
  };
  const firstSet = (tool: number, to: number) => change(tool, at(tools.set, tool), to);
  const firstStrip = (bench: number, to: number) => strip(bench, at(benches.notch, bench), at(benches.stop, bench), to);
  const nextStrip = (bench: number, from: number, to: number) =>
    strip(bench, ...(stripAt[from] as [number, number]), to);
  /** Benches counted with one of their tools, and their other tools by themselves: what is left is counted as above. */
  const least = (joint: readonly Joint[]): number => {
    const own = joint.reduce((sum, one) => sum + one.least, 0);
    const banned = new Set(joint.flatMap((one) => one.tools));
    return (
      own +
      sets.least(firstSet, change, rounds, banned) +
      strips.least(firstStrip, nextStrip, rounds, new Set(joint.map(({ bench }) => bench)))
    );
  };
  const joints = jointsOf(model, stripOf, { firstSet, change, firstStrip, nextStrip }, rounds);
  let chosen: Joint[] = [];
  let settings = least(chosen);
  for (const one of joints) {
    if (chosen.some(({ bench }) => bench === one.bench)) continue;
    const with_ = least([...chosen, one]);
    if (with_ <= settings) continue;
    settings = with_;
    chosen = [...chosen, one];
  }
  // Benches that have nothing in common, and where the tool does not stand: it is taken to one of each.
  let frames = 0;
  places.forEach((all, tool) => {
    const apart: Set<number>[] = [];
    for (const set of [...all.values()].sort((a, b) => a.size - b.size))
      if (!set.has(at(tools.bench, tool)) && apart.every((other) => [...set].every((bench) => !other.has(bench))))
        apart.push(set);
    frames += apart.length * at(tools.frame, tool);
  });
  return settings + frames + warmUps(model, hots);
}

/** A bench and tools of it, and what they take together at least. */
interface Joint {
  readonly bench: number;
  readonly tools: readonly number[];
  readonly least: number;
}

interface Costs {
  readonly firstSet: (tool: number, to: number) => number;
  readonly change: (tool: number, from: number, to: number) => number;
  readonly firstStrip: (bench: number, to: number) => number;
  readonly nextStrip: (bench: number, from: number, to: number) => number;
}

/**
 * Tools that are needed at one bench alone, with the stripper there. Whatever else is done at the bench between two of their jobs,
 * the stripper has to come from the one's setting to the other's: so the line through settings of both together is a bound for both.
 */
function jointsOf(model: Model, stripOf: ReadonlyMap<string, number>, costs: Costs, rounds: number): Joint[] {
  const { ways } = model;
  /** Settings of tool and stripper of jobs that one tool at one bench alone makes. */
  const own = new Map<
    number,
    { readonly bench: number; readonly kinds: Map<string, [set: number, strip: number]> } | null
  >();
  model.jobs.forEach((_, job) => {
    const first = at(ways, job);
    const tool = at(model.wayTool, first);
    let isOnly = tool >= 0;
    let isOneBench = true;
    for (let way = first; way < at(ways, job + 1); way++) {
      if (at(model.wayTool, way) !== tool) isOnly = false;
      if (at(model.wayBench, way) !== at(model.wayBench, first)) isOneBench = false;
    }
    if (!isOnly) return;
    const bench = at(model.wayBench, first);
    const known = own.get(tool);
    if (known === null || !isOneBench || (known && known.bench !== bench)) {
      own.set(tool, null);
      return;
    }
    const kinds = known?.kinds ?? new Map<string, [number, number]>();
    const set = at(model.waySet, first);
    const strip = at(model.notch, job) ? (stripOf.get(`${at(model.notch, job)} ${at(model.stop, job)}`) ?? -1) : -1;
    if (strip >= 0) kinds.set(`${set} ${strip}`, [set, strip]);
    own.set(tool, { bench, kinds });
  });
  const benches = new Map<number, Kind[][]>();
  for (const [tool, line] of own) {
    if (!line?.kinds.size) continue;
    const kinds = [...line.kinds.values()].map(([set, strip]): Kind => ({ tool, set, strip }));
    benches.set(line.bench, [...(benches.get(line.bench) ?? []), kinds]);
  }
  return [...benches]
    .flatMap(([bench, lines]) =>
      [lines, ...(lines.length > 1 ? lines.map((line) => [line]) : [])].map((some) => [bench, some] as const),
    )
    .flatMap(([bench, lines]): Joint[] => {
      const all = lines.flat();
      const states = lines.reduce((product, line) => product * (line.length + 1), lines.length) * 2 ** all.length;
      if (all.length > 20 || states > MOST_STATES) {
        if (lines.length > 1) return [];
        const first = (v: number) =>
          costs.firstSet((all[v] as Kind).tool, (all[v] as Kind).set) + costs.firstStrip(bench, (all[v] as Kind).strip);
        const step = (u: number, v: number) =>
          costs.change((all[v] as Kind).tool, (all[u] as Kind).set, (all[v] as Kind).set) +
          costs.nextStrip(bench, (all[u] as Kind).strip, (all[v] as Kind).strip);
        return [
          { bench, tools: all.slice(0, 1).map(({ tool }) => tool), least: treeBound(all.length, first, step, rounds) },
        ];
      }
      return [
        { bench, tools: lines.flatMap(([one]) => (one ? [one.tool] : [])), least: everyOrder(bench, lines, costs) },
      ];
    })
    .sort((a, b) => b.tools.length - a.tools.length || b.least - a.least);
}

/** A setting of a tool with one of the stripper. */
interface Kind {
  readonly tool: number;
  readonly set: number;
  readonly strip: number;
}

/** Numbers one bench may take while every order is gone through. */
const MOST_STATES = 6_000_000;

/**
 * Least minutes of a bench with one stripper and several tools, each of which keeps its setting while another is used: by every
 * order, over what is done, what each tool was used for last, and which of them was used last (as Held and Karp 1962).
 * @param lines what each tool is needed for
 */
function everyOrder(bench: number, lines: readonly (readonly Kind[])[], costs: Costs): number {
  const all = lines.flatMap((line, t) => line.map((kind, k) => ({ ...kind, t, k: k + 1 })));
  const sizes = lines.map(({ length }) => length + 1);
  const inner = sizes.reduce((product, size) => product * size, 1) * lines.length;
  const weights: number[] = [];
  let weight = lines.length;
  for (const size of sizes) {
    weights.push(weight);
    weight *= size;
  }
  const whole = 2 ** all.length - 1;
  const best = new Float64Array((whole + 1) * inner).fill(Infinity);
  const { length } = all;
  const setCost = new Float64Array(length * (length + 1));
  const stripCost = new Float64Array(length * (length + 1));
  all.forEach((to, v) => {
    setCost[length * length + v] = costs.firstSet(to.tool, to.set);
    stripCost[length * length + v] = costs.firstStrip(bench, to.strip);
    all.forEach((from, u) => {
      if (from.t === to.t) setCost[u * length + v] = costs.change(to.tool, from.set, to.set);
      stripCost[u * length + v] = costs.nextStrip(bench, from.strip, to.strip);
    });
  });
  /** Number of a tool's first kind among all. */
  const firsts = lines.map((_, t) => lines.slice(0, t).reduce((sum, line) => sum + line.length, 0));
  best[0] = 0;
  let least = Infinity;
  for (let mask = 0; mask <= whole; mask++) {
    for (let state = 0; state < inner; state++) {
      const cost = real(best, mask * inner + state);
      if (cost === Infinity) continue;
      if (mask === whole) {
        least = Math.min(least, cost);
        continue;
      }
      const last = state % lines.length;
      const used = mask
        ? (Math.floor(state / (weights[last] as number)) % (sizes[last] as number)) - 1 + (firsts[last] as number)
        : length;
      for (let v = 0; v < length; v++) {
        if (mask & (1 << v)) continue;
        const { t, k } = all[v] as (typeof all)[number];
        const size = weights[t] as number;
        const before = Math.floor(state / size) % (sizes[t] as number);
        const from = before ? before - 1 + (firsts[t] as number) : length;
        const next = state - last + t + (k - before) * size;
        const place = (mask | (1 << v)) * inner + next;
        const sum = cost + real(setCost, from * length + v) + real(stripCost, used * length + v);
        if (sum < real(best, place)) best[place] = sum;
      }
    }
  }
  return least;
}

/**
 * Least minutes of warming up: heaters are cold at first, and after every stretch of work. Work that one bench alone can heat, bench
 * by bench; or all of it, as if by one bench.
 */
function warmUps(model: Model, hots: readonly { readonly where: ReadonlySet<number>; readonly run: number }[]): number {
  if (!hots.length) return 0;
  const longest = longestHot(model);
  const minutes = new Map<number, number>();
  for (const { where, run } of hots) {
    const [only, ...others] = where;
    if (only !== undefined && !others.length) minutes.set(only, (minutes.get(only) ?? 0) + run);
  }
  const each = [...minutes].reduce(
    (sum, [bench, own]) => sum + Math.ceil(own / longest) * at(model.benches.warmUp, bench),
    0,
  );
  const cheapest = Math.min(...hots.flatMap(({ where }) => [...where].map((bench) => at(model.benches.warmUp, bench))));
  const all = Math.ceil(hots.reduce((sum, { run }) => sum + run, 0) / longest) * cheapest;
  return Math.max(each, all);
}

/** Longest stretch of working minutes over which a heater can stay hot. */
function longestHot({ axis, benches }: Model): number {
  const cold = Math.max(...benches.coldAfter);
  let longest = 1;
  for (let place = 1, since = 0; place < axis.length; place++) {
    if (at(axis.clock, place) - at(axis.clock, place - 1) - 1 > cold) since = place;
    longest = Math.max(longest, place - since + 1);
  }
  return longest;
}

/** Owners with so many settings are gone through in every order; beyond, a tree stands for the best one. */
const EVERY_ORDER = 12;
/** Ways to divide what several owners can do that are looked at. */
const DIVISIONS = 300;

/**
 * Settings that are needed, each at one of several owners (tools, or benches for their strippers). No owner comes to them all for
 * less than its cheapest line through them from what it is set to; leaving a setting out never makes a line longer, because a way
 * between two by a third is never shorter. So what several owners can do is left out at first, and then given to one or the other
 * (branch and bound): the least of all divisions is a bound at any moment.
 */
class Needs {
  private readonly all = new Map<string, (readonly [owner: number, set: number])[]>();
  private readonly known = new Map<string, number>();

  add(options: readonly (readonly [owner: number, set: number])[]): void {
    const own = new Map(options.map((one) => [String(one), one]));
    this.all.set([...own.keys()].sort().join(' '), [...own.values()]);
  }

  least(
    first: (owner: number, to: number) => number,
    between: (owner: number, from: number, to: number) => number,
    rounds: number,
    without: ReadonlySet<number> = new Set(),
  ): number {
    const owned = new Map<number, Set<number>>();
    const needs = [...this.all.values()].filter((own) => own.every(([owner]) => !without.has(owner)));
    for (const [only, ...others] of needs)
      if (only && !others.length) owned.set(only[0], (owned.get(only[0]) ?? new Set()).add(only[1]));
    const shared = needs.filter((own) => own.length > 1 && !own.some(([owner, set]) => owned.get(owner)?.has(set)));
    const { known } = this;
    const line = (owner: number, sets: ReadonlySet<number>): number => {
      const all = [...sets].sort((a, b) => a - b);
      const key = `${owner}: ${all.join()}`;
      let least = known.get(key);
      if (least === undefined) {
        const start = (v: number) => first(owner, all[v] as number);
        const step = (u: number, v: number) => between(owner, all[u] as number, all[v] as number);
        least = lineBound(all.length, start, step, rounds);
        known.set(key, least);
      }
      return least;
    };
    interface Division {
      readonly owned: ReadonlyMap<number, ReadonlySet<number>>;
      readonly rest: (typeof shared)[number][];
      readonly least: number;
    }
    const total = [...owned].reduce((sum, [owner, sets]) => sum + line(owner, sets), 0);
    let open: Division[] = [{ owned, rest: shared, least: total }];
    for (let round = 0; round < DIVISIONS; round++) {
      open.sort((a, b) => b.least - a.least);
      const lowest = open.at(-1);
      if (!lowest?.rest.length) break;
      open.pop();
      // The one that costs most wherever it goes is given away first.
      let chosen = 0;
      let most = -1;
      const costs = lowest.rest.map((own) =>
        own.map(([owner, set]) => {
          const sets = lowest.owned.get(owner) ?? new Set<number>();
          return line(owner, new Set(sets).add(set)) - line(owner, sets);
        }),
      );
      costs.forEach((own, i) => {
        const least = Math.min(...own);
        if (least > most) {
          most = least;
          chosen = i;
        }
      });
      const rest = lowest.rest.filter((_, i) => i !== chosen);
      const own = lowest.rest[chosen] ?? [];
      open = open.concat(
        own.map(([owner, set], i) => ({
          owned: new Map(lowest.owned).set(owner, new Set(lowest.owned.get(owner)).add(set)),
          rest: most <= 0 ? [] : rest,
          least: lowest.least + (costs[chosen]?.[i] ?? 0),
        })),
      );
    }
    return Math.min(...open.map(({ least }) => least));
  }
}

/** Least cost of a line, or a bound of it where the orders are too many. */
const lineBound = (...asked: Parameters<typeof treeBound>): number =>
  asked[0] <= EVERY_ORDER ? shortestLine(asked[0], asked[1], asked[2]) : treeBound(...asked);

/** Least cost of one line through all of n nodes from a start, by every order (Bellman 1962, Held and Karp 1962). */
function shortestLine(n: number, first: (v: number) => number, between: (u: number, v: number) => number): number {
  if (!n) return 0;
  const whole = (1 << n) - 1;
  const best = new Float64Array((whole + 1) * n).fill(Infinity);
  for (let v = 0; v < n; v++) best[(1 << v) * n + v] = first(v);
  for (let mask = 1; mask <= whole; mask++) {
    for (let u = 0; u < n; u++) {
      const cost = real(best, mask * n + u);
      if (cost === Infinity) continue;
      for (let v = 0; v < n; v++) {
        if (mask & (1 << v)) continue;
        const place = (mask | (1 << v)) * n + v;
        best[place] = Math.min(real(best, place), cost + between(u, v));
      }
    }
  }
  let least = Infinity;
  for (let v = 0; v < n; v++) least = Math.min(least, real(best, whole * n + v));
  return least;
}

/**
 * Least cost of a line through n nodes from a start, bounded from below by a tree in which no node has two branches; the branches
 * are forbidden by prices on them (Held and Karp 1970). In whole minutes, rounded up.
 */
function treeBound(
  n: number,
  root: (v: number) => number,
  between: (u: number, v: number) => number,
  rounds: number,
): number {
  if (!n) return 0;
  const size = n + 1;
  const costs = new Float64Array(size * size).fill(Infinity);
  for (let v = 0; v < n; v++) {
    costs[v + 1] = root(v);
    for (let u = 0; u < n; u++) if (u !== v) costs[(u + 1) * size + v + 1] = between(u, v);
  }
  const prices = new Float64Array(size);
  let best = 0;
  let step = 1;
  const priced = new Float64Array(size * size);
  let since = 0;
  for (let round = 0; round < rounds; round++) {
    let paid = 0;
    for (let u = 0; u < size; u++) {
      const price = real(prices, u);
      paid += price;
      for (let v = 0; v < size; v++) priced[u * size + v] = real(costs, u * size + v) + price;
    }
    const tree = arborescence(size, priced);
    if (!tree) break;
    const least = tree.cost - paid;
    if (least > best + 1e-9) {
      best = least;
      since = 0;
    } else if (++since >= 5) {
      step /= 2;
      since = 0;
    }
    const branches = new Int32Array(size);
    for (let v = 1; v < size; v++) {
      const u = at(tree.parent, v);
      branches[u] = at(branches, u) + 1;
    }
    let isFlat = true;
    for (let u = 1; u < size; u++) {
      const over = at(branches, u) - 1;
      const price = Math.max(0, real(prices, u) + step * over);
      if (over > 0 || (over < 0 && real(prices, u) > 0)) isFlat = false;
      prices[u] = price;
    }
    if (isFlat || step < 0.02) break;
  }
  return Math.ceil(best - 1e-6);
}

/** Place on the axis by which some people have so many minutes behind them; beyond the axis where they never have. */
function whenWorked(model: Model, people: Iterable<number>, minutes: number): number {
  const crew = [...people];
  const worked = (place: number) => {
    let sum = 0;
    for (const person of crew) sum += at((model.people[person] as { before: Int32Array }).before, place);
    return sum;
  };
  let [low, high] = [0, model.axis.length + 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (middle > model.axis.length || worked(middle) >= minutes) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Earliest end of each job with everything free: behind its forerunners, by whoever is soonest. */
function earliestEnds(model: Model, least: Int32Array): Int32Array {
  const ends = new Int32Array(model.jobs.length).fill(-1);
  const end = (job: number): number => {
    const known = at(ends, job);
    if (known >= 0) return known;
    let from = at(model.from, job);
    for (const before of model.after[job] as Int32Array) from = Math.max(from, end(before));
    let soonest = model.axis.length + 1;
    for (const person of model.able[job] as Int32Array) {
      const { before, places } = model.people[person] as { before: Int32Array; places: Int32Array };
      const own = from < before.length ? at(before, from) + at(least, job) - 1 : Infinity;
      if (own < places.length) soonest = Math.min(soonest, at(places, own) + 1);
    }
    ends[job] = soonest;
    return soonest;
  };
  model.jobs.forEach((_, job) => end(job));
  return ends;
}

function endBound(model: Model, least: Int32Array, changeover: number): number {
  const n = model.jobs.length;
  if (!n) return 0;
  let bound = Math.max(...earliestEnds(model, least));
  // Work of those families that certain people alone can do, for every set of people that is named, and for all.
  const sets = new Map<string, Int32Array>();
  for (const able of model.able) sets.set(able.join(), able);
  const everybody = Int32Array.from(model.people.keys());
  for (const crew of [...sets.values(), everybody]) {
    const own = new Set(crew);
    let minutes = crew === everybody ? changeover + sharedSamples(model) : 0;
    for (let job = 0; job < n; job++)
      if ((model.able[job] as Int32Array).every((person) => own.has(person))) minutes += at(least, job);
    bound = Math.max(bound, whenWorked(model, own, minutes));
  }
  // Work that one bench or one tool alone can do, in all minutes anybody works.
  for (const table of [model.wayBench, model.wayTool]) {
    const minutes = new Map<number, number>();
    for (let job = 0; job < n; job++) {
      const first = at(table, at(model.ways, job));
      let isOnly = first >= 0;
      for (let way = at(model.ways, job); way < at(model.ways, job + 1); way++)
        if (at(table, way) !== first) isOnly = false;
      if (isOnly) minutes.set(first, (minutes.get(first) ?? 0) + at(least, job));
    }
    bound = Math.max(bound, ...minutes.values());
  }
  return bound;
}

/** Each list by itself: it cannot be ready before its last job's earliest end, nor before its people have worked so long. */
function latenessBound(model: Model, least: Int32Array): number {
  const ends = earliestEnds(model, least);
  const lists = model.work.lists.map(() => ({ end: 0, minutes: 0, people: new Set<number>() }));
  model.jobs.forEach((_, job) => {
    const list = lists[at(model.list, job)];
    if (!list) return;
    list.end = Math.max(list.end, at(ends, job));
    list.minutes += at(least, job);
    for (const person of model.able[job] as Int32Array) list.people.add(person);
  });
  return lists.reduce((sum, { end, minutes, people }, list) => {
    const soonest = Math.max(end, minutes ? whenWorked(model, people, minutes) : 0);
    return sum + Math.ceil(Math.max(0, soonest - at(model.due, list)) / 15) * real(model.weight, list);
  }, 0);
}
