import { at, real } from '../at';
import type { Layout } from '../Layout';
import type { Model } from '../model';

/** Steps between two questions of how much time is left. */
const STEPS = 2048;

/**
 * Sequences of the benches, changed a little again and again and kept when they become better, or by chance a little worse
 * (simulated annealing). A change is judged by the lines of its benches alone: changes of tools and strippers as they are, times
 * stretched as the last plan laid out had them. What comes of it is laid out in earnest by whoever asked for it.
 */
export class Anneal {
  private readonly lines: Int32Array[];
  private readonly lengths: Int32Array;
  private readonly bench: Int32Array;
  readonly ways: Int32Array;
  /** Estimated end of each job, on the axis. */
  private readonly ends: Float64Array;
  private readonly costs: Float64Array;
  /** Axis minutes a minute of a bench's own work takes. */
  private readonly stretch: Float64Array;
  private readonly trial: [Int32Array, Int32Array];
  private readonly trialWays: Int32Array;
  private readonly toolSet: Int32Array;
  private readonly toolProof: Int32Array;
  private readonly stamp: Int32Array;
  private stamps = 0;
  /** Jobs of each setting, and of each strip: one next to another of its kind costs least. */
  private readonly alike: readonly (readonly number[])[];
  private readonly kindOf: Int32Array;
  private readonly kindStrip: Int32Array;
  private readonly trialEnds: Float64Array;
  private mean = 1;
  /** What a minute late weighs against a minute of changeover. */
  late = 0.002;
  /** What a minute weighs that a job is begun before its forerunner is ended. */
  early = 0.01;

  constructor(
    private readonly model: Model,
    private readonly next: () => number,
  ) {
    const n = model.jobs.length;
    const benches = model.work.benches.length;
    this.lines = Array.from({ length: benches }, () => new Int32Array(n));
    this.lengths = new Int32Array(benches);
    this.bench = new Int32Array(n);
    this.ways = new Int32Array(n);
    this.ends = new Float64Array(n);
    this.trialEnds = new Float64Array(n);
    this.costs = new Float64Array(benches);
    this.stretch = new Float64Array(benches).fill(1);
    this.trial = [new Int32Array(n), new Int32Array(n)];
    this.trialWays = new Int32Array(n);
    const tools = model.work.tools.length;
    this.toolSet = new Int32Array(tools);
    this.toolProof = new Int32Array(tools);
    this.stamp = new Int32Array(tools);
    const kinds = new Map<string, number>();
    const alike: number[][] = [];
    const kind = (key: string, job: number) => {
      const known = kinds.get(key) ?? alike.push([]) - 1;
      kinds.set(key, known);
      alike[known]?.push(job);
      return known;
    };
    this.kindOf = Int32Array.from(model.jobs.keys(), (job) => {
      const way = at(model.ways, job);
      return kind(`set ${at(model.wayTool, way)} ${at(model.waySet, way)}`, job);
    });
    this.kindStrip = Int32Array.from(model.jobs.keys(), (job) => {
      const bench = at(model.wayBench, at(model.ways, job));
      return kind(
        model.heat[job] ? `heat ${bench}` : `strip ${bench} ${at(model.notch, job)} ${at(model.stop, job)}`,
        job,
      );
    });
    this.alike = alike;
  }

  /** Takes a plan over, with how long everything took in it. */
  from(layout: Layout): void {
    const { model, lengths } = this;
    lengths.fill(0);
    this.stretch.fill(1);
    for (const job of layout.order) {
      const way = at(layout.way, job);
      const bench = at(model.wayBench, way);
      this.ways[job] = way;
      this.bench[job] = bench;
      (this.lines[bench] as Int32Array)[at(lengths, bench)] = job;
      lengths[bench] = at(lengths, bench) + 1;
      this.ends[job] = at(layout.end, job);
    }
    this.trialWays.set(this.ways);
    // Whoever is free goes to where work is: benches go on side by side, each as fast as its share of the work.
    this.mean = Math.max(1, layout.last);
    for (let bench = 0; bench < lengths.length; bench++) {
      this.judge(bench, this.lines[bench] as Int32Array, at(lengths, bench));
      if (this.worked > 0) this.stretch[bench] = Math.max(1, layout.last / this.worked);
    }
    for (let bench = 0; bench < lengths.length; bench++) {
      this.costs[bench] = this.judge(bench, this.lines[bench] as Int32Array, at(lengths, bench));
      this.keepEnds(this.lines[bench] as Int32Array, at(lengths, bench));
    }
  }

  /** Minutes of work of the line judged last. */
  private worked = 0;

  /** What a line costs. Ends of its jobs are left in `trialEnds`. */
  private judge(bench: number, line: Int32Array, length: number): number {
    const { model, trialWays, toolSet, toolProof, stamp, trialEnds } = this;
    const { tools, benches } = model;
    const stretch = real(this.stretch, bench);
    const { endWorth } = model.work;
    const mark = ++this.stamps;
    let notch = at(benches.notch, bench);
    let stop = at(benches.stop, bench);
    const notchMinutes = real(benches.notchMinutes, bench);
    const stopMinutes = real(benches.stopMinutes, bench);
    let time = 0;
    let cost = 0;
    let hotUntil = -(2 ** 30);
    for (let i = 0; i < length; i++) {
      const job = at(line, i);
      const way = at(trialWays, job);
      const tool = at(model.wayTool, way);
      let change = 0;
      let samples = at(model.setUp, job);
      if (tool >= 0) {
        const set = at(model.waySet, way);
        const isNew = at(stamp, tool) !== mark;
        const before = isNew ? at(tools.set, tool) : at(toolSet, tool);
        change = at(
          tools.changes[tool] as Int32Array,
          before * (tools.settings[tool] as readonly unknown[]).length + set,
        );
        if (isNew && at(tools.bench, tool) !== bench) change += at(tools.frame, tool);
        if (before === set && (model.isProved[job] || (!isNew && at(toolProof, tool) === at(model.proof, job))))
          samples = 0;
        stamp[tool] = mark;
        toolSet[tool] = set;
        toolProof[tool] = at(model.proof, job);
      }
      const own = at(model.notch, job);
      if (own) {
        const ownStop = at(model.stop, job);
        change += Math.ceil((own === notch ? 0 : notchMinutes) + (ownStop === stop ? 0 : stopMinutes) - 1e-9);
        notch = own;
        stop = ownStop;
      }
      if (model.heat[job]) {
        if (time * stretch - hotUntil > at(benches.coldAfter, bench)) change += at(benches.warmUp, bench);
      }
      const start = time * stretch;
      time += change + at(model.wayRun, way);
      if (samples) time += samples + Math.max(0, at(model.release, job));
      const end = time * stretch;
      if (model.heat[job]) hotUntil = end;
      trialEnds[job] = end;
      cost += change;
      const list = at(model.list, job);
      const late = end - at(model.needed, job);
      if (late > 0) cost += this.late * Math.min(late, 240) * real(model.weight, list);
      const after = model.after[job] as Int32Array;
      for (const before of after) {
        const wait = real(this.ends, before) - start;
        if (wait > 0) cost += this.early * Math.min(wait, 240);
      }
    }
    this.worked = time;
    const end = time * stretch;
    return cost + ((0.002 + endWorth) * end * end) / (2 * this.mean);
  }

  private keepEnds(line: Int32Array, length: number): void {
    for (let i = 0; i < length; i++) {
      const job = at(line, i);
      this.ends[job] = real(this.trialEnds, job);
    }
  }

  private below(n: number): number {
    return Math.floor(this.next() * n);
  }

  /**
   * Anneals from one temperature down to another.
   * @param share of this phase that is over, asked now and then
   */
  run(hot: number, cold: number, share: () => number): void {
    for (;;) {
      const gone = share();
      if (gone >= 1) return;
      const heat = hot * (cold / hot) ** gone;
      for (let step = 0; step < STEPS; step++) this.step(heat);
    }
  }

  /** The way of a job at a bench, by the tool it has now if that can be; -1 where it cannot be made there. */
  private wayAt(job: number, bench: number): number {
    const { model } = this;
    const now = at(this.ways, job);
    if (at(model.wayBench, now) === bench && this.next() < 0.9) return now;
    const first = at(model.ways, job);
    const count = at(model.ways, job + 1) - first;
    const begin = this.below(count);
    for (let k = 0; k < count; k++) {
      const way = first + ((begin + k) % count);
      if (at(model.wayBench, way) === bench) return way;
    }
    return -1;
  }

  private step(heat: number): void {
    const { model, lines, lengths, trial, trialWays, ways } = this;
    const n = model.jobs.length;
    const job = this.below(n);
    if (model.fixed[job]) return;
    const from = at(this.bench, job);
    const line = lines[from] as Int32Array;
    const length = at(lengths, from);
    const start = line.indexOf(job);
    // Where to: next to one alike, or anywhere on a bench where it can be made.
    let to: number;
    let anchor = -1;
    const kind = this.next();
    if (kind < 0.6) {
      const all = this.alike[kind < 0.35 ? at(this.kindOf, job) : at(this.kindStrip, job)] as readonly number[];
      anchor = all[this.below(all.length)] as number;
      if (anchor === job) return;
      to = at(this.bench, anchor);
    } else {
      const first = at(model.ways, job);
      to = at(model.wayBench, first + this.below(at(model.ways, job + 1) - first));
    }
    const count = Math.min(length - start, kind > 0.2 && kind < 0.9 ? 1 : 1 + this.below(4));
    for (let k = 0; k < count; k++) {
      const one = at(line, start + k);
      if (one === anchor) return;
      const way = model.fixed[one] ? -1 : this.wayAt(one, to);
      if (way < 0) {
        for (let u = 0; u < k; u++) trialWays[at(line, start + u)] = at(ways, at(line, start + u));
        return;
      }
      trialWays[one] = way;
    }
    const [left, right] = trial;
    const goal = lines[to] as Int32Array;
    const goalLength = at(lengths, to);
    let place: number;
    if (anchor >= 0) place = goal.indexOf(anchor) + (this.next() < 0.5 ? 1 : 0);
    else place = this.below(goalLength + 1);
    let before: number;
    let after: number;
    if (to === from) {
      if (place > start && place < start + count) place = start + count;
      // The line without the piece, and the piece in its new place.
      let size = 0;
      for (let i = 0; i <= length; i++) {
        if (i === place) for (let k = 0; k < count; k++) left[size++] = at(line, start + k);
        if (i < length && (i < start || i >= start + count)) left[size++] = at(line, i);
      }
      before = real(this.costs, from);
      after = this.judge(from, left, length);
    } else {
      let size = 0;
      for (let i = 0; i < length; i++) if (i < start || i >= start + count) left[size++] = at(line, i);
      size = 0;
      for (let i = 0; i <= goalLength; i++) {
        if (i === place) for (let k = 0; k < count; k++) right[size++] = at(line, start + k);
        if (i < goalLength) right[size++] = at(goal, i);
      }
      before = real(this.costs, from) + real(this.costs, to);
      const rest = this.judge(from, left, length - count);
      const more = this.judge(to, right, goalLength + count);
      after = rest + more;
      if (after - before < heat * -Math.log(1 - this.next())) {
        this.costs[to] = more;
        for (let k = 0; k < count; k++) this.bench[at(line, start + k)] = to;
        for (let k = 0; k < count; k++) ways[at(line, start + k)] = at(trialWays, at(line, start + k));
        line.set(left.subarray(0, length - count));
        goal.set(right.subarray(0, goalLength + count));
        lengths[from] = length - count;
        lengths[to] = goalLength + count;
        this.costs[from] = rest;
        this.keepEnds(line, length - count);
        this.keepEnds(goal, goalLength + count);
        return;
      }
      for (let k = 0; k < count; k++) trialWays[at(line, start + k)] = at(ways, at(line, start + k));
      return;
    }
    if (after - before < heat * -Math.log(1 - this.next())) {
      for (let k = 0; k < count; k++) ways[at(line, start + k)] = at(trialWays, at(line, start + k));
      line.set(left.subarray(0, length));
      this.costs[from] = after;
      this.keepEnds(line, length);
    } else for (let k = 0; k < count; k++) trialWays[at(line, start + k)] = at(ways, at(line, start + k));
  }

  /** All jobs by the times they are estimated at; one that would come before its forerunners waits until they are named. */
  order(): number[] {
    const { model } = this;
    const byTime = Array.from(model.jobs.keys()).sort((a, b) => real(this.ends, a) - real(this.ends, b));
    const missing = Int32Array.from(model.after, (after) => after.length);
    const isWaiting = new Uint8Array(byTime.length);
    const order: number[] = [];
    const name = (job: number): void => {
      order.push(job);
      for (const follower of model.before[job] as Int32Array) {
        missing[follower] = at(missing, follower) - 1;
        if (isWaiting[follower] && !missing[follower]) name(follower);
      }
    };
    for (const job of byTime) {
      if (missing[job]) isWaiting[job] = 1;
      else name(job);
    }
    return order;
  }
}
