import { at, real } from '../at';
import type { Layout } from '../Layout';
import { setMinutes, stripMinutes } from '../minutes';
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
        change = setMinutes(model, tool, before, set);
        if (isNew && at(tools.bench, tool) !== bench) change += at(tools.frame, tool);
        if (
          before === set &&
          (model.isProved[job] || at(isNew ? tools.proof : toolProof, tool) === at(model.proof, job))
        )
          samples = 0;
        stamp[tool] = mark;
        toolSet[tool] = set;
        toolProof[tool] = at(model.proof, job);
      }
      const own = at(model.notch, job);
      if (own) {
        change += stripMinutes(model, bench, notch, stop, own, at(model.stop, job));
        notch = own;
        stop = at(model.stop, job);
      }
      if (model.heat[job] && time * stretch - hotUntil > at(benches.coldAfter, bench))
        change += at(benches.warmUp, bench);
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
      // No time at all is no share of it: then it is over as well.
      if (!(gone < 1)) return;
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
    const { model, lines, lengths, trialWays, ways } = this;
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
    const piece = line.slice(start, start + count);
    if (anchor >= 0 && piece.includes(anchor)) return;
    const goal = lines[to] as Int32Array;
    const goalLength = at(lengths, to);
    const place = anchor < 0 ? this.below(goalLength + 1) : goal.indexOf(anchor) + (this.next() < 0.5 ? 1 : 0);
    if (to === from && place >= start && place <= start + count) return;
    if (this.tryWays(piece, to) && this.accepts(from, to, piece, place, heat))
      for (const one of piece) ways[one] = at(trialWays, one);
    else for (const one of piece) trialWays[one] = at(ways, one);
  }

  /** Notes a way at a bench for each of these. @returns whether there is one for all */
  private tryWays(piece: Int32Array, bench: number): boolean {
    for (const one of piece) {
      const way = this.model.fixed[one] ? -1 : this.wayAt(one, bench);
      if (way < 0) return false;
      this.trialWays[one] = way;
    }
    return true;
  }

  /** Moves some jobs that follow each other to another place, if that is better, or by chance. */
  private accepts(from: number, to: number, piece: Int32Array, place: number, heat: number): boolean {
    const { lines, lengths, costs } = this;
    const [left, right] = this.trial;
    const line = lines[from] as Int32Array;
    const goal = lines[to] as Int32Array;
    const length = at(lengths, from);
    const goalLength = at(lengths, to);
    const start = line.indexOf(piece[0] as number);
    const end = start + piece.length;
    // The line without the piece.
    left.set(line.subarray(0, start));
    left.set(line.subarray(end, length), start);
    const rest = length - piece.length;
    // The other line, which may be the same, with it.
    const base = to === from ? left : goal;
    const baseLength = to === from ? rest : goalLength;
    const within = to === from && place > start ? place - piece.length : place;
    right.set(base.subarray(0, within));
    right.set(piece, within);
    right.set(base.subarray(within, baseLength), within + piece.length);
    const more = baseLength + piece.length;
    const chance = heat * -Math.log(1 - this.next());
    const costTo = this.judge(to, right, more);
    if (to === from) {
      if (costTo - real(costs, to) >= chance) return false;
    } else {
      const costFrom = this.judge(from, left, rest);
      if (costTo + costFrom - real(costs, to) - real(costs, from) >= chance) return false;
      line.set(left.subarray(0, rest));
      lengths[from] = rest;
      costs[from] = costFrom;
      this.keepEnds(line, rest);
      for (const one of piece) this.bench[one] = to;
    }
    goal.set(right.subarray(0, more));
    lengths[to] = more;
    costs[to] = costTo;
    this.keepEnds(goal, more);
    return true;
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
