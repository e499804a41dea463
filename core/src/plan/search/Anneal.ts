import { at, real } from '../at';
import type { Model } from '../model';
import type { Lines } from './Lines';

/** Steps between two questions of how much time is left. */
const STEPS = 2048;
/** Jobs that are moved together though they have nothing in common, at most. */
const MOST = 4;
/** Shares of what is moved: a few that follow each other, all around of one setting, of one tool, stripped alike; else one job. */
const SOME = 0.15;
const SETTING = 0.35;
const TOOL = 0.45;
const STRIP = 0.5;

/**
 * Changes the sequences of the benches a little, again and again, and keeps what makes them better, or by chance a little worse
 * (simulated annealing). What comes of it is laid out in earnest by whoever asked for it.
 */
export class Anneal {
  private readonly left: Int32Array;
  private readonly right: Int32Array;
  /** Jobs of each setting, and of each strip: one next to another of its kind costs least. */
  private readonly alike: readonly (readonly number[])[];
  private readonly kindOf: Int32Array;
  private readonly kindStrip: Int32Array;
  private readonly piece: Int32Array;

  constructor(
    private readonly model: Model,
    private readonly lines: Lines,
    private readonly next: () => number,
  ) {
    const n = model.jobs.length;
    [this.left, this.right, this.piece] = [new Int32Array(n), new Int32Array(n), new Int32Array(n)];
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
    const now = at(this.lines.ways, job);
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
    const { model, piece } = this;
    const { lines, lengths, bench, ways, trialWays, place } = this.lines;
    const job = this.below(model.jobs.length);
    if (model.fixed[job]) return;
    const from = at(bench, job);
    const line = lines[from] as Int32Array;
    const length = at(lengths, from);
    let start = at(place, job);
    let end = start + 1;
    const size = this.next();
    if (size < SOME) end = Math.min(length, start + 1 + this.below(MOST));
    else if (size < STRIP) {
      while (start > 0 && this.isAlike(at(line, start - 1), job, size)) start--;
      while (end < length && this.isAlike(at(line, end), job, size)) end++;
    }
    const count = end - start;
    // Where to: next to one alike, or anywhere on a bench where it can be made.
    const kind = this.next();
    let to: number;
    let goal: number;
    if (kind < 0.6) {
      const all = this.alike[kind < 0.35 ? at(this.kindOf, job) : at(this.kindStrip, job)] as readonly number[];
      const anchor = all[this.below(all.length)] as number;
      to = at(bench, anchor);
      const beside = at(place, anchor);
      if (to === from && beside >= start && beside < start + count) return;
      goal = beside + (this.next() < 0.5 ? 1 : 0);
    } else {
      const first = at(model.ways, job);
      to = at(model.wayBench, first + this.below(at(model.ways, job + 1) - first));
      goal = this.below(at(lengths, to) + 1);
    }
    if (to === from && goal >= start && goal <= start + count) return;
    for (let i = 0; i < count; i++) piece[i] = at(line, start + i);
    let isNew = this.tryWays(count, to);
    isNew &&= this.accepts(from, to, start, count, goal, heat);
    if (!isNew) for (let i = 0; i < count; i++) trialWays[at(piece, i)] = at(ways, at(piece, i));
  }

  /** Whether two jobs are moved together. */
  private isAlike(one: number, other: number, size: number): boolean {
    const { model } = this;
    const { ways } = this.lines;
    if (size >= TOOL)
      return at(model.notch, one) === at(model.notch, other) && at(model.stop, one) === at(model.stop, other);
    const [way, otherWay] = [at(ways, one), at(ways, other)];
    if (at(model.wayTool, way) !== at(model.wayTool, otherWay)) return false;
    return size >= SETTING || at(model.waySet, way) === at(model.waySet, otherWay);
  }

  /** Notes a way at a bench for each of these. @returns whether there is one for all */
  private tryWays(count: number, bench: number): boolean {
    for (let i = 0; i < count; i++) {
      const job = at(this.piece, i);
      const way = this.model.fixed[job] ? -1 : this.wayAt(job, bench);
      if (way < 0) return false;
      this.lines.trialWays[job] = way;
    }
    return true;
  }

  /** Moves jobs that follow each other to another place, if that is better, or by chance. @returns whether it did */
  private accepts(from: number, to: number, start: number, count: number, goal: number, heat: number): boolean {
    const { left, right, piece } = this;
    const { lines, lengths, costs } = this.lines;
    const line = lines[from] as Int32Array;
    const length = at(lengths, from);
    const chance = heat * -Math.log(1 - this.next());
    if (to === from) {
      const end = start + count;
      const [low, high] = [Math.min(start, goal), Math.max(end, goal)];
      for (let i = 0; i < length; i++) right[i] = at(line, i);
      if (goal < start) for (let i = start - 1; i >= goal; i--) right[i + count] = at(line, i);
      else for (let i = end; i < goal; i++) right[i - count] = at(line, i);
      const begin = goal < start ? goal : goal - count;
      for (let i = 0; i < count; i++) right[begin + i] = at(piece, i);
      const cost = this.lines.judged(to, right, length, low, length - high);
      if (cost - real(costs, to) >= chance) return false;
      this.lines.keep(to, right, length);
      this.lines.settle(to, low);
      return true;
    }
    const other = lines[to] as Int32Array;
    const more = at(lengths, to) + count;
    for (let i = 0; i < goal; i++) right[i] = at(other, i);
    for (let i = 0; i < count; i++) right[goal + i] = at(piece, i);
    for (let i = goal + count; i < more; i++) right[i] = at(other, i - count);
    const costTo = this.lines.judged(to, right, more, goal, more - goal - count) - real(costs, to);
    const rest = length - count;
    for (let i = 0; i < start; i++) left[i] = at(line, i);
    for (let i = start; i < rest; i++) left[i] = at(line, i + count);
    if (costTo + this.lines.judged(from, left, rest, start, rest - start) - real(costs, from) >= chance) return false;
    this.lines.keep(from, left, rest);
    this.lines.keep(to, right, more);
    this.lines.settle(from, start, to, goal);
    return true;
  }
}
