import { BenchBound } from './BenchBound';
import type { Costs, Kind } from './everyOrder';

/** One way to meet a need: a setting of a tool at a bench, with what the stripper there is set to; -1: no tool, nothing to strip. */
export interface Option extends Kind {
  readonly bench: number;
}

/** The ways in which a job can be made; it will be one of them. */
export type Need = readonly Option[];

export interface DivideCosts extends Costs {
  /** Minutes to take a tool to a bench; 0 where it stands. */
  readonly frame: (tool: number, bench: number) => number;
}

/** Divisions that are looked at. */
const DIVISIONS = 1000;
/** Numbers gone through for all of them together. */
const MOST_STATES = 40_000_000;
/** Needs that are tried before one is given away. */
const TRIED = 3;

/** A bench or a tool, what it is needed for, and what that takes at least. */
interface Owner {
  readonly kinds: readonly Kind[];
  readonly strips: readonly number[];
  readonly least: number;
}
type Owners = ReadonlyMap<string, Owner>;

/** Needs given to benches and tools so far, and what they take at least. */
interface Division {
  readonly owners: Owners;
  readonly least: number;
  /** Needs nobody was given yet, with what the cheapest option took when it was last looked at; the most costly last. */
  readonly open: readonly { readonly need: Need; readonly more: number }[];
}

/**
 * Least minutes of setting tools and strippers for some needs. What all options of a need have in common is needed in any case; the
 * rest is left out at first, and then given to one or the other, the most costly need first (branch and bound): the least of all
 * divisions is a bound at any moment.
 *
 * A tool that one bench alone can have is counted with that bench's stripper; one that several can have by itself, for all of them,
 * with its frame once for each bench it has to be taken to.
 */
export function divide(needs: readonly Need[], costs: DivideCosts, rounds: number): number {
  const places = new Map<number, Set<number>>();
  for (const need of needs)
    for (const { tool, bench } of need) places.set(tool, (places.get(tool) ?? new Set()).add(bench));
  const isCarried = (tool: number) => (places.get(tool)?.size ?? 0) > 1;
  const bound = new BenchBound(costs, rounds);

  /** Notes what some needs come to, each of which one of its options will meet. */
  const give = (before: Owners, given: readonly Need[]): { owners: Owners; least: number } => {
    const owners = new Map(before);
    const touched = new Map<string, () => number>();
    const of = (key: string): { kinds: Kind[]; strips: number[] } => {
      const { kinds, strips, least } = owners.get(key) ?? { kinds: [], strips: [], least: 0 };
      const own = touched.has(key)
        ? { kinds: kinds as Kind[], strips: strips as number[] }
        : { kinds: [...kinds], strips: [...strips] };
      owners.set(key, { ...own, least });
      return own;
    };
    for (const options of given) {
      const [one] = options;
      if (!one) continue;
      const { bench, tool, set, strip } = one;
      const isOneBench = options.every((other) => other.bench === bench && other.strip === strip);
      const isOneTool = tool >= 0 && options.every((other) => other.tool === tool && other.set === set);
      if (isOneTool && isCarried(tool)) {
        const { kinds } = of(`tool ${tool}`);
        kinds.push(one);
        touched.set(`tool ${tool}`, () => bound.tool(tool, new Set(kinds.map((kind) => kind.set))));
      }
      if (!isOneBench) continue;
      if (isOneTool) {
        of(`frame ${tool} ${bench}`);
        touched.set(`frame ${tool} ${bench}`, () => costs.frame(tool, bench));
      }
      const own = of(`bench ${bench}`);
      if (isOneTool && !isCarried(tool)) own.kinds.push(one);
      else if (strip >= 0) own.strips.push(strip);
      touched.set(`bench ${bench}`, () => bound.bench(bench, own));
    }
    let least = 0;
    for (const [key, owner] of owners) {
      // More to do never takes less: where less is known of it, what is known of the less counts.
      const own = Math.max(owner.least, touched.get(key)?.() ?? 0);
      owners.set(key, { ...owner, least: own });
      least += own;
    }
    return { owners, least };
  };

  const shared = needs.filter((need) => need.length > 1);
  const open: Division[] = [{ ...give(new Map(), needs), open: shared.map((need) => ({ need, more: Infinity })) }];
  for (let round = 0; round < DIVISIONS && bound.states < MOST_STATES; round++) {
    open.sort((a, b) => b.least - a.least);
    const lowest = open.at(-1);
    if (!lowest?.open.length) break;
    const rest = [...lowest.open];
    let best: { need: Need; more: number; ways: ReturnType<typeof give>[] } | null = null;
    for (let tried = 0; tried < rest.length; tried++) {
      const place = rest.length - 1 - tried;
      const { need, more: before } = rest[place] as (typeof rest)[number];
      if (best && best.more > 0 && (tried >= TRIED || before <= best.more) && before < Infinity) break;
      const ways = need.map((option) => give(lowest.owners, [[option]]));
      const more = Math.min(...ways.map(({ least }) => least)) - lowest.least;
      rest[place] = { need, more };
      if (!best || more > best.more) best = { need, more, ways };
    }
    if (!best) break;
    // Also where none takes more by itself: several together may.
    open.pop();
    const chosen = best;
    const left = rest.filter(({ need }) => need !== chosen.need).sort((a, b) => a.more - b.more);
    for (const way of chosen.ways) open.push({ ...way, open: left });
  }
  return Math.min(...open.map(({ least }) => least));
}
