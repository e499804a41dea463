import { lineBound } from './lineBound';

/** Ways to divide what several owners can do that are looked at. */
const DIVISIONS = 300;

/**
 * Settings that are needed, each at one of several owners (tools, or benches for their strippers). No owner comes to them all for
 * less than its cheapest line through them from what it is set to; leaving a setting out never makes a line longer, because a way
 * between two by a third is never shorter. So what several owners can do is left out at first, and then given to one or the other
 * (branch and bound): the least of all divisions is a bound at any moment.
 */
export class Needs {
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
