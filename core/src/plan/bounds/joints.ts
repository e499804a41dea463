import { at, real } from '../at';
import type { Model } from '../model';
import { treeBound } from './lineBound';

/** A bench and tools of it, and what they take together at least. */
export interface Joint {
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
export function jointsOf(model: Model, stripOf: ReadonlyMap<string, number>, costs: Costs, rounds: number): Joint[] {
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
