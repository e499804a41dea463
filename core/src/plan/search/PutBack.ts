import { at, real } from '../at';
import { Layout } from '../Layout';
import { setMinutes, stripMinutes } from '../minutes';
import type { Model } from '../model';
import { changesOf, standingOf, type Standing } from './changesOf';
import type { FoundPlan } from './FoundPlan';

/** Minutes a place may look dearer than it is, so that jobs do not always go back to where they were. */
const NOISE = 0.5;
/** Jobs taken out at once, at most. */
const MOST_OUT = 24;

/** Takes jobs out of a plan and puts them back elsewhere. */
export class PutBack {
  private readonly out: Uint8Array;
  /** Jobs of each bench in order, those taken out left out. */
  private readonly lines: number[][];
  private readonly ways: Int32Array;
  private readonly hints: Int32Array;
  /** Minutes that what comes after each place of a line can be pushed without coming late. */
  private readonly slack: Float64Array;

  constructor(
    private readonly model: Model,
    private readonly next: () => number,
  ) {
    const n = model.jobs.length;
    this.out = new Uint8Array(n);
    this.ways = new Int32Array(n);
    this.hints = new Int32Array(n);
    this.slack = new Float64Array(n + 1);
    this.lines = model.work.benches.map(() => []);
    this.standing = standingOf(model);
  }

  private below(n: number): number {
    return Math.floor(this.next() * n);
  }

  /** Makes a changed plan. @returns its minutes of change without those of heaters */
  change(current: FoundPlan): number {
    const { model, ways, hints, out, lines } = this;
    // What is where has to be known: times of the current plan.
    if (this.shown !== current) {
      this.times.layOut(current.order, current.ways, current.people, current.isFirm);
      this.shown = current;
    }
    const { times } = this;
    ways.set(current.ways);
    hints.set(current.people);
    const taken = this.choose(current);
    out.fill(0);
    for (const job of taken) out[job] = 1;
    for (const line of lines) line.length = 0;
    for (const job of current.order) if (!out[job]) lines[at(model.wayBench, at(ways, job))]?.push(job);
    const order = Array.from(current.order).filter((job) => !out[job]);
    const behind = new Map<number, number[]>();
    for (const job of taken) {
      const place = this.best(job, times);
      ways[job] = place.way;
      const bench = at(model.wayBench, place.way);
      const line = lines[bench] as number[];
      const before = place.at > 0 ? (line[place.at - 1] as number) : -1;
      line.splice(place.at, 0, job);
      const all = behind.get(before);
      if (all) all.unshift(job);
      else behind.set(before, [job]);
    }
    // Where a bench begins with it, it goes before all that bench has.
    const whole: number[] = [];
    const add = (job: number): void => {
      whole.push(job);
      for (const follower of behind.get(job) ?? []) add(follower);
    };
    for (const job of behind.get(-1) ?? []) add(job);
    for (const job of order) add(job);
    for (const job of taken) hints[job] = -1;
    this.whole = whole;
    if (
      taken.every((job) => at(ways, job) === at(current.ways, job)) &&
      whole.every((job, i) => job === at(current.order, i))
    )
      return Infinity;
    return changesOf(model, whole, ways, this.standing);
  }

  layOut(layout: Layout): void {
    layout.layOut(this.whole, this.ways, this.hints);
  }

  /** What is where in the plan that is changed next. */
  adopt(found: FoundPlan, layout: Layout): void {
    this.times.copy(layout);
    this.shown = found;
  }

  private whole: number[] = [];
  private readonly standing: Standing;
  private shown: FoundPlan | null = null;
  private timesOf: Layout | null = null;
  private get times(): Layout {
    return (this.timesOf ??= new Layout(this.model));
  }

  /** Jobs to take out: those of a die, of a stretch of time, late ones with what they wait for, or any. */
  private choose({ order }: FoundPlan): number[] {
    const { model, times } = this;
    const n = order.length;
    const most = Math.max(1, Math.min(n, 3 + this.below(Math.min(MOST_OUT, Math.max(2, n / 4)))));
    const kind = this.next();
    const seedJob = at(order, this.below(n));
    const taken = new Set<number>();
    const drawFrom = (all: number[], count = most) => {
      for (let k = 0; k < count && taken.size < most && all.length; k++)
        taken.add(all.splice(this.below(all.length), 1)[0] as number);
    };
    const benchOf = (job: number) => at(model.wayBench, at(times.way, job));
    const bench = benchOf(seedJob);
    if (times.lateness > 0 && this.next() < 0.6) {
      // The last jobs of a late list, what they wait for, and what is made before them at their benches.
      const late = model.work.lists.flatMap((_, list) => (at(times.listEnd, list) > at(model.due, list) ? [list] : []));
      const list = late[this.below(late.length)] as number;
      const last = Array.from(order).filter(
        (job) => at(model.list, job) === list && at(times.end, job) > at(model.due, list),
      );
      for (const job of last.slice(0, 1 + this.below(4))) {
        taken.add(job);
        for (const before of model.after[job] as Int32Array) taken.add(before);
        const [start, here] = [at(times.start, job), benchOf(job)];
        drawFrom(
          Array.from(order).filter((other) => {
            const ahead = start - at(times.start, other);
            return (
              ahead > 0 && ahead < 300 && (benchOf(other) === here || at(times.person, other) === at(times.person, job))
            );
          }),
          2 + this.below(6),
        );
      }
    } else if (kind < 0.15) {
      // Around a job in time, on all benches.
      const around = at(times.start, seedJob);
      const apart = (job: number) => Math.abs(at(times.start, job) - around);
      for (const job of Array.from(order)
        .sort((a, b) => apart(a) - apart(b))
        .slice(0, most))
        taken.add(job);
    } else if (kind < 0.4) {
      // A stretch of one bench.
      const line = Array.from(order).filter((job) => benchOf(job) === bench);
      const first = this.below(line.length);
      for (const job of line.slice(first, first + most)) taken.add(job);
    } else if (kind < 0.55) {
      // Of one setting or one tool.
      const way = at(times.way, seedJob);
      const tool = at(model.wayTool, way);
      drawFrom(
        Array.from(order).filter((job) => {
          const own = at(times.way, job);
          return at(model.wayTool, own) === tool && (kind < 0.48 || at(model.waySet, own) === at(model.waySet, way));
        }),
      );
    } else if (kind < 0.8) {
      // Stripped alike at one bench.
      drawFrom(
        Array.from(order).filter((job) => benchOf(job) === bench && at(model.notch, job) === at(model.notch, seedJob)),
      );
    } else if (kind < 0.85 && model.heat.includes(1)) drawFrom(Array.from(order).filter((job) => model.heat[job]));
    // Before whom something is changed: those cost.
    else if (kind < 0.95) drawFrom(Array.from(order).filter((job) => at(times.changeover, job) > 0));
    while (taken.size < Math.min(most, 4)) taken.add(at(order, this.below(n)));
    for (const job of model.fixedJobs) taken.delete(job);
    const all = [...taken];
    // Whatever is needed or made first is put back first.
    const urgency = times.lateness > 0 && this.next() < 0.7 ? (job: number) => at(model.needed, job) : null;
    const keys = new Map(
      all.map((job) => [job, (urgency ? urgency(job) : at(times.start, job)) + (this.next() - 0.5) * 60]),
    );
    return all.sort((a, b) => (keys.get(a) ?? 0) - (keys.get(b) ?? 0));
  }

  /** Where a job costs least, by differences: way, and place in its bench's line. */
  private best(job: number, times: Layout): { way: number; at: number } {
    const { model, lines, slack, ways } = this;
    const { endWorth } = model.work;
    const list = at(model.list, job);
    const due = at(model.needed, job);
    const weight = real(model.weight, list);
    let ready = at(model.from, job);
    for (const before of model.after[job] as Int32Array) ready = Math.max(ready, at(times.end, before));
    let lastStart = 2 ** 30;
    for (const follower of model.before[job] as Int32Array)
      if (!this.out[follower]) lastStart = Math.min(lastStart, at(times.start, follower));
    let best = Infinity;
    let place = { way: at(model.ways, job), at: 0 };
    for (let way = at(model.ways, job); way < at(model.ways, job + 1); way++) {
      const bench = at(model.wayBench, way);
      const tool = at(model.wayTool, way);
      const set = at(model.waySet, way);
      const line = lines[bench] as number[];
      const run = at(model.wayRun, way);
      // The least slack of what comes after each place.
      let least = 2 ** 30;
      for (let i = line.length - 1; i >= 0; i--) {
        const other = line[i] as number;
        least = Math.min(least, at(model.needed, other) - at(times.end, other));
        slack[i] = least;
      }
      slack[line.length] = 2 ** 30;
      let stands = tool >= 0 ? at(model.tools.set, tool) : 0;
      let ahead = -1;
      let scanned = -1;
      let notch = at(model.benches.notch, bench);
      let stop = at(model.benches.stop, bench);
      for (let i = 0; i <= line.length; i++) {
        if (i > 0) {
          const before = line[i - 1] as number;
          const w = at(ways, before);
          if (at(model.wayTool, w) === tool && tool >= 0) stands = at(model.waySet, w);
          if (at(model.notch, before)) {
            notch = at(model.notch, before);
            stop = at(model.stop, before);
          }
        }
        let cost = 0;
        let samples = false;
        if (tool >= 0) {
          if (scanned < i) {
            ahead = -1;
            for (scanned = i; scanned < line.length; scanned++) {
              const w = at(ways, line[scanned] as number);
              if (at(model.wayTool, w) === tool) {
                ahead = at(model.waySet, w);
                break;
              }
            }
          }
          cost += setMinutes(model, tool, stands, set);
          samples = stands !== set;
          if (ahead >= 0) cost += setMinutes(model, tool, set, ahead) - setMinutes(model, tool, stands, ahead);
        }
        const after = i < line.length ? (line[i] as number) : -1;
        cost += this.stripDelta(job, after, bench, notch, stop);
        if (model.heat[job] && !(after >= 0 && model.heat[after]) && !(i > 0 && model.heat[line[i - 1] as number]))
          cost += at(model.benches.warmUp, bench);
        const begins = Math.max(ready, i > 0 ? at(times.end, line[i - 1] as number) : 0);
        const length = run + (samples || !model.isProved[job] ? at(model.setUp, job) : 0) + cost;
        const idle = begins - (i > 0 ? at(times.end, line[i - 1] as number) : 0);
        const push = length + (after >= 0 ? idle : 0);
        const late = Math.max(0, begins + length - due);
        const pushed = Math.max(0, push - Math.max(0, real(slack, i)));
        cost += (late * weight + (pushed > 0 && real(slack, i) < 2 ** 29 ? pushed : 0)) * 3;
        if (begins + length > lastStart) cost += (begins + length - lastStart) * 0.5;
        const end = (line.length ? at(times.end, line[line.length - 1] as number) : 0) + push;
        cost += endWorth * (Math.max(0, end - times.last) + 0.02 * end) + (after >= 0 ? idle * 0.05 : 0);
        cost += NOISE * this.next();
        if (cost < best) {
          best = cost;
          place = { way, at: i };
        }
      }
    }
    return place;
  }

  /** Minutes at the stripper more, should a job come between what it is set to and another. */
  private stripDelta(job: number, after: number, bench: number, notch: number, stop: number): number {
    const { model } = this;
    const [own, ownStop] = [at(model.notch, job), at(model.stop, job)];
    if (!own) return 0;
    const cost = stripMinutes(model, bench, notch, stop, own, ownStop);
    if (after < 0) return cost;
    const [next, nextStop] = [at(model.notch, after), at(model.stop, after)];
    return (
      cost +
      stripMinutes(model, bench, own, ownStop, next, nextStop) -
      stripMinutes(model, bench, notch, stop, next, nextStop)
    );
  }
}
