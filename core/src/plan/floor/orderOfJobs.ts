import type { ListToMake, PlanNote } from './ShopSource';

/**
 * What each job waits for. Where two wires of a list ask for opposite orders of the same two combinations, neither is kept: which
 * comes first is then settled wire by wire, at the bench.
 */
export function afterOf(
  lists: readonly ListToMake[],
  jobsOf: ReadonlyMap<string, readonly string[]>,
  notes: PlanNote[],
): Map<string, string[]> {
  const after = new Map<string, string[]>();
  for (const { order } of lists) {
    const opposite = ({ first, then }: (typeof order)[number]) =>
      order.some((other) => other.first === then && other.then === first);
    for (const pair of order) {
      if (pair.first === pair.then) continue;
      if (opposite(pair)) {
        notes.push({
          combination: pair.then,
          text: `Wires of one list want both ends first (${pair.why}): the order is settled at the bench, wire by wire.`,
        });
        continue;
      }
      for (const job of jobsOf.get(pair.then) ?? [])
        after.set(job, [...new Set([...(after.get(job) ?? []), ...(jobsOf.get(pair.first) ?? [])])]);
    }
  }
  return after;
}
