import type { PlanJob } from '../PlanWork';
import type { FloorNow } from './FloorNow';
import type { JobAbout, ListToMake, ShopSource } from './ShopSource';

/** Work of a list that needs no tool of the shop: its wires are cut before anything else, its contacts go into their connectors last. */
export function cutAndInsert(
  { floor }: ShopSource,
  now: FloorNow,
  list: ListToMake,
  jobsOf: ReadonlyMap<string, readonly string[]>,
): { readonly jobs: readonly PlanJob[]; readonly about: readonly JobAbout[]; readonly cuts: readonly string[] } {
  const jobs: PlanJob[] = [];
  const about: JobAbout[] = [];
  const plain = (
    does: 'cut' | 'insert',
    key: string,
    label: string,
    count: number,
    seconds: number,
    after: readonly string[],
  ) => {
    const parts = Math.max(1, Math.ceil((count * seconds) / 60 / floor.lotMinutes));
    return Array.from({ length: parts }, (_, part) => {
      const pieces = Math.floor((count * (part + 1)) / parts) - Math.floor((count * part) / parts);
      const id = parts === 1 ? key : `${key}/${parts - 1 - part}`;
      jobs.push({
        ...{ id, label: `${label} · ${pieces}`, list: list.name, people: now.makers, heat: false, strip: null },
        means: [
          {
            ...{ tool: null, set: null, benches: floor.benches.map((bench) => bench.id) },
            run: Math.max(1, Math.ceil((pieces * seconds) / 60)),
          },
        ],
        ...{ setUp: 0, release: null, proof: id, isProved: true, after, from: 0, fixed: null },
      });
      about.push({
        ...{ job: id, does, combination: null, list: list.name, label, terminal: '', wire: '', wireLabel: '' },
        ...{ family: null, slidOn: [], strokes: 0, pieces, part: part + 1, parts, samples: 0, checks: 0, rework: 0 },
        ...{ seconds, learnedFrom: 0 },
      });
      return id;
    });
  };
  const cuts =
    list.isCut || !list.wires
      ? []
      : plain('cut', `cut/${list.name}`, `cut ${list.name}`, list.wires, floor.cutSeconds, []);
  for (const { name, contacts, combinations } of list.connectors) {
    const first = combinations.flatMap((combination) => jobsOf.get(combination) ?? []);
    if (first.length && contacts)
      plain('insert', `insert/${list.name}/${name}`, `into ${name}`, contacts, floor.insertSeconds, first);
  }
  return { jobs, about, cuts };
}
