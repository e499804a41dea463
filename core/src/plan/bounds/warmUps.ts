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
