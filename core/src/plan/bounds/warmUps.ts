import { at } from '../at';
import type { Model } from '../model';

/**
 * Least minutes of warming up: heaters are cold at first, and after every stretch of work. Work that one bench alone can heat, bench
 * by bench; or all of it, as if by one bench.
 */
export function warmUps(
  model: Model,
  hots: readonly { readonly where: ReadonlySet<number>; readonly run: number }[],
): number {
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

/**
 * Longest stretch of working minutes over which a heater can stay hot. A job goes on over its person's breaks, and keeps it hot: only
 * where nobody has a shift does it go cold for certain.
 */
function longestHot({ axis, benches, work }: Model): number {
  const cold = Math.max(...benches.coldAfter);
  let longest = 1;
  let since = 0;
  let until = 0;
  for (const { from, to } of work.people.flatMap(({ shifts }) => shifts).toSorted((a, b) => a.from - b.from)) {
    if (from - until > cold) since = from;
    until = Math.max(until, to);
    longest = Math.max(longest, axis.before(until) - axis.before(since));
  }
  return longest;
}
