import { at, real } from './at';
import { Diary } from './Diary';
import { setMinutes, stripMinutes } from './minutes';
import type { Model } from './model';

/* Jobs put into their places one after the other, each as early as it can be. */

/** What one job that finds no place weighs, in quarter-hours: more than any lateness. */
export const NO_PLACE = 1e9;

/** A plan being laid out: where each job lies, and what everything is set to by then. Used again for the next order. */
export class Layout {
  readonly start: Int32Array;
  readonly setUpEnd: Int32Array;
  readonly releaseStart: Int32Array;
  readonly releaseEnd: Int32Array;
  readonly runStart: Int32Array;
  readonly end: Int32Array;
  readonly way: Int32Array;
  readonly person: Int32Array;
  readonly releasedBy: Int32Array;
  readonly changeover: Int32Array;
  /** Who is tried first for each job; -1: whoever. */
  private readonly hint: Int32Array;
  /** In the order in which they were put. */
  readonly order: Int32Array;
  placed = 0;
  lost = 0;
  total = 0;
  /** Minutes people are held in all. */
  busy = 0;
  lateness = 0;
  last = 0;

  readonly benchFree: Int32Array;
  readonly benchNotch: Int32Array;
  readonly benchStop: Int32Array;
  readonly lastHeat: Int32Array;
  readonly toolFree: Int32Array;
  readonly toolBench: Int32Array;
  readonly toolSet: Int32Array;
  readonly toolProof: Int32Array;
  readonly listEnd: Int32Array;
  private readonly people: Diary;
  private readonly quality: Diary;
  private readonly isPut: Uint8Array;

  constructor(readonly model: Model) {
    const { length } = model.jobs;
    const jobs = () => new Int32Array(length);
    [this.start, this.setUpEnd, this.runStart, this.end] = [jobs(), jobs(), jobs(), jobs()];
    [this.releaseStart, this.releaseEnd] = [jobs(), jobs()];
    [this.way, this.person, this.releasedBy, this.changeover, this.order] = [jobs(), jobs(), jobs(), jobs(), jobs()];
    const benches = () => new Int32Array(model.work.benches.length);
    [this.benchFree, this.benchNotch, this.benchStop, this.lastHeat] = [benches(), benches(), benches(), benches()];
    const tools = () => new Int32Array(model.work.tools.length);
    [this.toolFree, this.toolBench, this.toolSet, this.toolProof] = [tools(), tools(), tools(), tools()];
    this.listEnd = new Int32Array(model.work.lists.length);
    this.people = new Diary(model.people);
    this.quality = new Diary(model.quality);
    this.isPut = new Uint8Array(length);
    this.hint = jobs().fill(-1);
    this.clear();
  }

  clear(): void {
    const { tools, benches } = this.model;
    this.placed = this.lost = this.total = this.busy = this.lateness = this.last = 0;
    this.benchFree.fill(0);
    this.benchNotch.set(benches.notch);
    this.benchStop.set(benches.stop);
    this.lastHeat.fill(-(2 ** 30));
    this.toolFree.fill(0);
    this.toolBench.set(tools.bench);
    this.toolSet.set(tools.set);
    this.toolProof.set(tools.proof);
    this.listEnd.fill(0);
    this.people.clear();
    this.quality.clear();
    this.isPut.fill(0);
  }

  /** Takes over where another one stands. */
  copy(other: Layout): void {
    for (const key of TABLES) this[key].set(other[key]);
    ({
      placed: this.placed,
      lost: this.lost,
      total: this.total,
      busy: this.busy,
      lateness: this.lateness,
      last: this.last,
    } = other);
    this.people.copy(other.people);
    this.quality.copy(other.quality);
    this.isPut.set(other.isPut);
  }

  has(job: number): boolean {
    return this.isPut[job] === 1;
  }

  /** From when on a person has nothing more to do. */
  freeAt(person: number): number {
    return at(this.people.tail, person);
  }

  /** When the last of what a job waits for is ended, and it may begin at all. */
  readyAt(job: number): number {
    const { from, after } = this.model;
    let ready = at(from, job);
    const all = after[job] as Int32Array;
    for (const before of all) ready = Math.max(ready, at(this.end, before));
    return ready;
  }

  /** Changeover of a way as everything stands now, without a heater that is cold, in minutes. */
  changeBefore(job: number, way: number): number {
    const { model } = this;
    const tool = at(model.wayTool, way);
    const bench = at(model.wayBench, way);
    const [notch, stop] = [at(model.notch, job), at(model.stop, job)];
    const strip = stripMinutes(model, bench, at(this.benchNotch, bench), at(this.benchStop, bench), notch, stop);
    if (tool < 0) return strip;
    const frame = at(this.toolBench, tool) === bench ? 0 : at(model.tools.frame, tool);
    return setMinutes(model, tool, at(this.toolSet, tool), at(model.waySet, way)) + frame + strip;
  }

  /** Whether samples have to be made before a job as everything stands now. */
  needsSamples(job: number, way: number): boolean {
    const { model } = this;
    if (!at(model.setUp, job)) return false;
    const tool = at(model.wayTool, way);
    if (tool < 0) return true;
    if (at(this.toolSet, tool) !== at(model.waySet, way)) return true;
    return !model.isProved[job] && at(this.toolProof, tool) !== at(model.proof, job);
  }

  /* What the last trial found. */
  private a0 = 0;
  private a1 = 0;
  private q0 = 0;
  private q1 = 0;
  private b0 = 0;
  private b1 = 0;
  private by = -1;
  private change = 0;
  private held = 0;

  /** Tries a job with one person, from a place on. @returns its end; -1 where it has no place */
  private attempt(job: number, way: number, person: number, from: number, change: number, hasSamples: boolean): number {
    const { model, people, quality } = this;
    const first = change + (hasSamples ? at(model.setUp, job) : 0);
    const run = at(model.wayRun, way);
    const release = hasSamples ? at(model.release, job) : -1;
    this.held = first + run;
    for (let ready = from; ;) {
      if (!people.find(person, ready, first)) return -1;
      this.a0 = people.start;
      this.a1 = people.end;
      this.q0 = this.q1 = this.a1;
      this.by = -1;
      if (release >= 0) {
        for (let q = 0; q < model.quality.length; q++) {
          if (quality.find(q, this.a1, release) && (this.by < 0 || quality.end < this.q1)) {
            this.by = q;
            this.q0 = quality.start;
            this.q1 = quality.end;
          }
        }
        if (this.by < 0) return -1;
      }
      if (!people.find(person, this.q1, run)) return -1;
      this.b0 = people.start;
      this.b1 = people.end;
      if (first === 0) this.a0 = this.a1 = this.b0;
      else if (people.shiftOf(person, this.a0) !== people.shiftOf(person, this.b0)) {
        ready = people.nextShift(person, this.a0);
        continue;
      }
      return this.b1;
    }
  }

  /** As {@link attempt}, with a heater that may be cold by then. */
  private attemptWarm(
    job: number,
    way: number,
    person: number,
    from: number,
    change: number,
    samples: boolean,
  ): number {
    const { model } = this;
    this.change = change;
    let end = this.attempt(job, way, person, from, change, samples);
    if (end < 0 || !model.heat[job]) return end;
    const bench = at(model.wayBench, way);
    if (at(model.axis.clock, this.b0) - at(this.lastHeat, bench) > at(model.benches.coldAfter, bench)) {
      this.change = change + at(model.benches.warmUp, bench);
      end = this.attempt(job, way, person, from, this.change, samples);
    }
    return end;
  }

  /**
   * Puts a job as early as it can be, in one way, with one person or with whoever ends it first. A fixed job goes where it is fixed,
   * whatever is asked.
   * @param person -1: whoever ends it first; of two, whoever is tried first
   * @returns its end; -1 where it finds no place, and then it is lost
   */
  put(job: number, askedWay: number, askedPerson = -1): number {
    const { model } = this;
    const own = model.fixed[job];
    const way = own?.way ?? askedWay;
    const person = own?.person ?? askedPerson;
    for (;;) {
      const bench = at(model.wayBench, way);
      const tool = at(model.wayTool, way);
      let from = Math.max(this.readyAt(job), at(this.benchFree, bench), own?.start ?? 0);
      if (tool >= 0) from = Math.max(from, at(this.toolFree, tool));
      const change = this.changeBefore(job, way);
      const samples = this.needsSamples(job, way);
      let best = -1;
      let who = person;
      if (person >= 0) best = this.attemptWarm(job, way, person, from, change, samples);
      else {
        const least = change + at(model.wayRun, way) + (samples ? at(model.setUp, job) : 0);
        const hint = at(this.hint, job);
        const able = model.able[job] as Int32Array;
        let tried = -1;
        for (let i = -1; i < able.length; i++) {
          const one = i < 0 ? hint : at(able, i);
          if (one < 0 || (i >= 0 && one === hint)) continue;
          if (best >= 0 && this.people.soonest(one, from) + least >= best) continue;
          const end = this.attemptWarm(job, way, (tried = one), from, change, samples);
          if (end < 0 || (best >= 0 && end >= best)) continue;
          best = end;
          who = one;
          if (end <= from + least) break;
        }
        if (best >= 0 && tried !== who) this.attemptWarm(job, way, who, from, change, samples);
      }
      if (best >= 0 && model.fixedJobs.length && this.putFixedBefore(job, bench, tool, who)) continue;
      this.isPut[job] = 1;
      this.order[this.placed++] = job;
      this.way[job] = way;
      if (best < 0) {
        this.lost++;
        this.person[job] = -1;
        this.end[job] = this.start[job] = model.axis.length;
        this.lateness += NO_PLACE;
        return -1;
      }
      this.keep(job, way, who);
      return best;
    }
  }

  /** Puts a fixed job that this trial would push away. @returns whether it did, and the trial has to be made again */
  private putFixedBefore(job: number, bench: number, tool: number, person: number): boolean {
    const { model } = this;
    for (const other of model.fixedJobs) {
      const place = model.fixed[other];
      if (!place || other === job || this.isPut[other] || place.start >= this.b1) continue;
      const shares =
        at(model.wayBench, place.way) === bench ||
        (tool >= 0 && at(model.wayTool, place.way) === tool) ||
        place.person === person;
      if (!shares) continue;
      // Two fixed ones over each other: the earlier goes first.
      const own = model.fixed[job];
      if (own && own.start <= place.start) continue;
      this.put(other, place.way, place.person);
      return true;
    }
    return false;
  }

  private keep(job: number, way: number, person: number): void {
    const { model } = this;
    const bench = at(model.wayBench, way);
    const tool = at(model.wayTool, way);
    const end = this.b1;
    this.start[job] = this.a0;
    this.setUpEnd[job] = this.a1;
    this.releaseStart[job] = this.q0;
    this.releaseEnd[job] = this.q1;
    this.runStart[job] = this.b0;
    this.end[job] = end;
    this.person[job] = person;
    this.releasedBy[job] = this.by;
    this.changeover[job] = this.change;
    this.people.take(person, this.a0, this.a1);
    if (this.by >= 0) this.quality.take(this.by, this.q0, this.q1);
    this.people.take(person, this.b0, end);
    this.benchFree[bench] = end;
    if (at(model.notch, job)) {
      this.benchNotch[bench] = at(model.notch, job);
      this.benchStop[bench] = at(model.stop, job);
    }
    if (model.heat[job]) this.lastHeat[bench] = at(model.axis.clock, end - 1) + 1;
    if (tool >= 0) {
      this.toolFree[tool] = end;
      this.toolBench[tool] = bench;
      this.toolSet[tool] = at(model.waySet, way);
      this.toolProof[tool] = at(model.proof, job);
    }
    this.total += this.change;
    this.busy += this.held;
    this.last = Math.max(this.last, end);
    const list = at(model.list, job);
    const known = at(this.listEnd, list);
    if (end > known) {
      this.listEnd[list] = end;
      const due = at(model.due, list);
      if (end > due) {
        const quarters = (late: number) => Math.ceil(Math.max(0, late) / 15);
        this.lateness += real(model.weight, list) * (quarters(end - due) - quarters(known - due));
      }
    }
  }

  /** Lateness first, then changeover and the worth of an earlier end. */
  get cost(): number {
    return this.lateness * 1e6 + this.total + this.model.work.endWorth * this.last;
  }

  /**
   * Lays out a whole order from the beginning. A job whose forerunners come later in it is put after them.
   * @param order every job once
   * @param ways one of each job's ways
   * @param people who is tried first for each job
   * @param isFirm and nobody else
   */
  layOut(order: Int32Array | readonly number[], ways: Int32Array, people?: Int32Array, isFirm = false): this {
    this.clear();
    if (people) this.hint.set(people);
    else this.hint.fill(-1);
    const put = (job: number): void => {
      if (this.isPut[job]) return;
      for (const before of this.model.after[job] as Int32Array) put(before);
      this.put(job, at(ways, job), isFirm && people ? at(people, job) : -1);
    };
    for (const job of order) put(job);
    return this;
  }
}

/** All that stands after a job has been put. */
const TABLES = [
  ...(['start', 'setUpEnd', 'releaseStart', 'releaseEnd', 'runStart', 'end'] as const),
  ...(['way', 'person', 'releasedBy', 'changeover', 'order'] as const),
  ...(['benchFree', 'benchNotch', 'benchStop', 'lastHeat', 'listEnd'] as const),
  ...(['toolFree', 'toolBench', 'toolSet', 'toolProof'] as const),
];
