import { at } from '../at';

/** A setting of a tool with one of the stripper. */
export interface Kind {
  readonly tool: number;
  readonly set: number;
  readonly strip: number;
}

/** Whole minutes from what stands there when the plan begins, and from one setting to another. */
export interface Costs {
  readonly firstSet: (tool: number, to: number) => number;
  readonly change: (tool: number, from: number, to: number) => number;
  readonly firstStrip: (bench: number, to: number) => number;
  readonly nextStrip: (bench: number, from: number, to: number) => number;
}

/** Numbers that every order of these takes to go through. */
export const statesOf = (lines: readonly (readonly Kind[])[], free: readonly number[]): number =>
  lines.reduce((product, line) => product * (line.length + 1), lines.length + free.length) *
  2 ** lines.reduce((sum, line) => sum + line.length, free.length);

/** More than any order costs. */
const NONE = 65_535;

/**
 * Least minutes of a bench with one stripper and several tools, each of which keeps its setting while another is used: by every
 * order, over what is done, what each tool was used for last, and what was done last (as Held and Karp 1962).
 * @param lines what each tool is needed for
 * @param free what the stripper is needed for besides
 */
export function everyOrder(
  bench: number,
  lines: readonly (readonly Kind[])[],
  free: readonly number[],
  costs: Costs,
): number {
  const all = [
    ...lines.flatMap((line, t) => line.map((kind, k) => ({ ...kind, t, k: k + 1 }))),
    ...free.map((strip, f) => ({ tool: -1, set: -1, strip, t: lines.length + f, k: 0 })),
  ];
  const { length } = all;
  const sizes = lines.map((line) => line.length + 1);
  /** What was done last: by one of the tools, or one of the free. */
  const lasts = lines.length + free.length;
  const weights: number[] = [];
  let inner = lasts;
  for (const size of sizes) {
    weights.push(inner);
    inner *= size;
  }
  const whole = 2 ** length - 1;
  const best = new Uint16Array((whole + 1) * inner).fill(NONE);
  const setCost = new Int32Array(length * (length + 1));
  const stripCost = new Int32Array(length * (length + 1));
  all.forEach((to, v) => {
    if (to.tool >= 0) setCost[length * length + v] = costs.firstSet(to.tool, to.set);
    stripCost[length * length + v] = costs.firstStrip(bench, to.strip);
    all.forEach((from, u) => {
      if (from.t === to.t && to.tool >= 0) setCost[u * length + v] = costs.change(to.tool, from.set, to.set);
      stripCost[u * length + v] = costs.nextStrip(bench, from.strip, to.strip);
    });
  });
  /** Number of a tool's first kind among all. */
  const firsts = lines.map((_, t) => lines.slice(0, t).reduce((sum, line) => sum + line.length, 0));
  const tools = lines.length;
  const toolKinds = firsts.length ? (firsts.at(-1) as number) + (lines.at(-1) as readonly Kind[]).length : 0;
  // What each state means, once and not for every set of what is done.
  const used = new Int32Array(inner);
  const cost = new Int32Array(inner * length);
  const next = new Int32Array(inner * length);
  for (let state = 0; state < inner; state++) {
    const last = state % lasts;
    const kindOf = (t: number) => Math.floor(state / (weights[t] as number)) % (sizes[t] as number);
    const kind = last < tools ? kindOf(last) : 1;
    used[state] = last < tools ? (kind ? kind - 1 + (firsts[last] as number) : -1) : toolKinds + last - tools;
    all.forEach(({ t, k }, v) => {
      const before = t < tools ? kindOf(t) : 0;
      next[state * length + v] = state - last + t + (t < tools ? (k - before) * (weights[t] as number) : 0);
      if (t < tools)
        cost[state * length + v] = at(setCost, (before ? before - 1 + (firsts[t] as number) : length) * length + v);
      cost[state * length + v] =
        at(cost, state * length + v) + at(stripCost, Math.max(0, at(used, state)) * length + v);
    });
  }
  // The first of all: nothing is done, and nothing was used.
  all.forEach((_, v) => {
    best[(1 << v) * inner + at(next, v)] = at(setCost, length * length + v) + at(stripCost, length * length + v);
  });
  let least = length ? Infinity : 0;
  for (let mask = 1; mask <= whole; mask++) {
    for (let state = 0; state < inner; state++) {
      const sum = best[mask * inner + state] as number;
      if (sum === NONE) continue;
      if (mask === whole) {
        least = Math.min(least, sum);
        continue;
      }
      for (let v = 0, row = state * length; v < length; v++, row++) {
        if (mask & (1 << v)) continue;
        const place = (mask | (1 << v)) * inner + at(next, row);
        const more = sum + at(cost, row);
        if (more < (best[place] as number)) best[place] = more;
      }
    }
  }
  return least;
}
