import { at, real } from '../at';
import { asFound, type FoundPlan } from './FoundPlan';
import { Layout } from '../Layout';
import { leastWork } from '../leastWork';
import type { Model } from '../model';

/** A plan that was searched for to the end, or not. */
export interface ExactPlan {
  readonly found: FoundPlan;
  /** Every other order, way and person was looked at, or cannot be better. */
  readonly isProven: boolean;
}

/** Steps between two reports. */
const REPORT = 20_000;

/**
 * The best of all plans of a small day: every order in which jobs can be put, every way to make each and everybody who may, each
 * job as early as it can be then (depth first; a branch is left where what it costs at least is no less than the best so far).
 *
 * @param start a plan that is known; branches no better than it are left at once
 * @yields the best so far, again and again, proven in the end
 */
export function* exactPlan(model: Model, start: FoundPlan): Generator<ExactPlan> {
  const n = model.jobs.length;
  let best = start;
  const layouts = Array.from({ length: n + 1 }, () => new Layout(model));
  const least = leastWork(model);
  const rest = new Rest(model, least);
  const twins = twinsOf(model);
  let steps = 0;
  function* search(depth: number): Generator<ExactPlan> {
    const here = layouts[depth] as Layout;
    if (depth === n) {
      if (here.cost < best.cost - 1e-9) best = { ...asFound(here), isFirm: true };
      return;
    }
    const next = layouts[depth + 1] as Layout;
    for (let job = 0; job < n; job++) {
      if (here.has(job) || (model.after[job] as Int32Array).some((before) => !here.has(before))) continue;
      const fixed = model.fixed[job];
      for (let way = at(model.ways, job); way < at(model.ways, job + 1); way++) {
        if (fixed && fixed.way !== way) continue;
        for (const person of model.able[job] as Int32Array) {
          if (fixed && fixed.person !== person) continue;
          const twin = at(twins, person);
          // Two alike who have done nothing yet are one.
          if (!fixed && twin >= 0 && here.freeAt(twin) === 0 && here.freeAt(person) === 0) continue;
          next.copy(here);
          next.put(job, way, person);
          if (++steps % REPORT === 0) yield { found: best, isProven: false };
          if (rest.least(next) < best.cost - 1e-9) yield* search(depth + 1);
        }
      }
    }
  }
  yield* search(0);
  yield { found: best, isProven: true };
}

/** People of the same hours who may make the same: for each the one before, -1 for the first. */
function twinsOf(model: Model): Int32Array {
  const seen = new Map<string, number>();
  return Int32Array.from(model.people.keys(), (person) => {
    const may = model.able.map((able) => Number(able.includes(person))).join('');
    const key = `${may} ${model.people[person]?.places.join()}`;
    const before = seen.get(key) ?? -1;
    seen.set(key, person);
    return before;
  });
}

/** What is still to come costs at least so much. */
class Rest {
  /** Working minutes of all people together before each place. */
  private readonly crew: Int32Array;
  /** Least minutes to come to a setting of a tool from any other one. */
  private readonly comeTo: readonly Int32Array[];
  private readonly only: Int32Array;

  constructor(
    private readonly model: Model,
    private readonly work: Int32Array,
  ) {
    this.crew = new Int32Array(model.axis.length + 1);
    for (const { before } of model.people)
      before.forEach((own, place) => (this.crew[place] = at(this.crew, place) + own));
    this.comeTo = model.tools.settings.map((all, tool) =>
      Int32Array.from(all.keys(), (to) => {
        const from = [...all.keys()].filter((one) => one !== to);
        const own = model.tools.changes[tool] as Int32Array;
        return from.length ? Math.min(...from.map((one) => at(own, one * all.length + to))) : 0;
      }),
    );
    // The one way of a job that has one setting alone; -1 where it has several.
    this.only = Int32Array.from(model.jobs.keys(), (job) => {
      const first = at(model.ways, job);
      for (let way = first; way < at(model.ways, job + 1); way++)
        if (at(model.wayTool, way) !== at(model.wayTool, first) || at(model.waySet, way) !== at(model.waySet, first))
          return -1;
      return at(model.wayTool, first) < 0 ? -1 : first;
    });
  }

  least(layout: Layout): number {
    const { model } = this;
    let work = layout.busy;
    let changes = 0;
    let end = layout.last;
    const seen = new Set<number>();
    let lateness = layout.lateness;
    for (let job = 0; job < model.jobs.length; job++) {
      if (layout.has(job)) continue;
      const own = at(this.work, job);
      work += own;
      const soonest = layout.readyAt(job) + own;
      end = Math.max(end, soonest);
      const list = at(model.list, job);
      const [due, known] = [at(model.due, list), at(layout.listEnd, list)];
      // One list counts once: by its first job that is late anyway.
      if (soonest > due && known <= due && !seen.has(-1 - list)) {
        seen.add(-1 - list);
        lateness += Math.ceil((soonest - due) / 15) * real(model.weight, list);
      }
      const way = at(this.only, job);
      if (way < 0) continue;
      const [tool, set] = [at(model.wayTool, way), at(model.waySet, way)];
      const key = tool * 65_536 + set;
      if (seen.has(key) || at(layout.toolSet, tool) === set) continue;
      seen.add(key);
      changes += at(this.comeTo[tool] as Int32Array, set);
    }
    let [low, high] = [end, model.axis.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (at(this.crew, middle) >= work + changes) high = middle;
      else low = middle + 1;
    }
    return lateness * 1e6 + layout.total + changes + model.work.endWorth * Math.max(end, low);
  }
}
