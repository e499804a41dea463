import { at, real } from '../at';
import type { Layout } from '../Layout';
import { setMinutes, stripMinutes } from '../minutes';
import type { Model } from '../model';

/** Minutes beyond which later or earlier weighs no more. */
const FAR = 240;
/** No samples are known to be good. */
const UNPROVED = -2;

/**
 * The sequences of the benches, each judged by itself: changes of tools and strippers as they are, times stretched as the last plan
 * laid out had them. A tool that several benches use comes to one after the other, and is judged at each by what it was last set to at
 * the one before, and is first set to at the one after.
 *
 * A line that was changed is judged from the first place that is new up to where everything is as it was: the rest of it costs what
 * it did, as long as nothing there comes late or waits.
 */
export class Lines {
  readonly lines: readonly Int32Array[];
  readonly lengths: Int32Array;
  readonly bench: Int32Array;
  readonly ways: Int32Array;
  /** Ways as they would be after the change that is being judged. */
  readonly trialWays: Int32Array;
  /** Place of each job in its line. */
  readonly place: Int32Array;
  /** Estimated end of each job, on the axis. */
  readonly ends: Float64Array;
  /** What each line costs. */
  readonly costs: Float64Array;
  /** What a minute late weighs against a minute of changeover. */
  late = 0.002;
  /** What a minute weighs that a job is begun before its forerunner is ended. */
  early = 0.01;

  /** Axis minutes a minute of a bench's own work takes. */
  private readonly stretch: Float64Array;
  /** Minutes of work before each place of a line, and after the last. */
  private readonly times: readonly Float64Array[];
  /** What everything before a place costs. */
  private readonly sums: readonly Float64Array[];
  /** When the heater was last used before a place, on the clock. */
  private readonly hots: readonly Float64Array[];
  /** Minutes that all from a place on can come later before one is late. */
  private readonly slacks: readonly Float64Array[];
  /** Minutes that all from a place on can come earlier before one waits for a forerunner. */
  private readonly leads: readonly Float64Array[];
  /** Whether a job from a place on needs heat. */
  private readonly heats: readonly Int32Array[];
  /** By how much each job may come later before it is late, and earlier before it waits. */
  private readonly slackOf: Float64Array;
  private readonly leadOf: Float64Array;
  /** 1 for jobs that need heat. */
  private readonly heat: Int32Array;
  /** Whether anything depends on when it is done: due times, forerunners, heat. */
  private readonly isTimed: boolean;
  /** What tools cost at the next bench they go to. */
  private readonly exits: Float64Array;
  /** For each tool, the benches that can have it, in the order in which it comes to them. */
  private readonly tours: readonly Int32Array[];
  /** For each bench, the tools that other benches can have as well. */
  private readonly carried: readonly Int32Array[];
  /** First and last setting of each tool at each bench; -1 where it is not used. */
  private readonly firstUse: Int32Array;
  private readonly lastUse: Int32Array;
  /** The last job of each tool in the line that is being judged, where its stamp is of this judgement. */
  private readonly last: Int32Array;
  private readonly stamp: Int32Array;
  private readonly dirty: Int32Array;
  private stamps = 0;
  /** Tools with benches where they are first or last used otherwise than before. */
  private readonly moved: number[] = [];
  private mean = 1;

  constructor(readonly model: Model) {
    const n = model.jobs.length;
    const benches = model.work.benches.length;
    const tools = model.work.tools.length;
    const tables = () => Array.from({ length: benches }, () => new Float64Array(n + 1));
    this.lines = Array.from({ length: benches }, () => new Int32Array(n));
    this.lengths = new Int32Array(benches);
    this.costs = new Float64Array(benches);
    this.exits = new Float64Array(benches);
    this.stretch = new Float64Array(benches).fill(1);
    [this.times, this.sums, this.hots, this.slacks, this.leads] = [tables(), tables(), tables(), tables(), tables()];
    this.heats = this.lines.map(() => new Int32Array(n + 1));
    [this.slackOf, this.leadOf] = [new Float64Array(n).fill(Infinity), new Float64Array(n).fill(Infinity)];
    this.heat = Int32Array.from(model.heat);
    this.isTimed =
      model.heat.includes(1) ||
      model.after.some((after) => after.length > 0) ||
      model.needed.some((needed) => needed <= model.axis.length);
    const jobs = () => new Int32Array(n);
    [this.bench, this.ways, this.trialWays, this.place] = [jobs(), jobs(), jobs(), jobs()];
    this.ends = new Float64Array(n);
    [this.last, this.stamp, this.dirty] = [new Int32Array(tools), new Int32Array(tools), new Int32Array(tools)];
    const places = Array.from({ length: tools }, () => new Set<number>());
    model.wayBench.forEach((bench, way) => places[at(model.wayTool, way)]?.add(bench));
    this.tours = places.map((all) => Int32Array.from(all));
    this.carried = this.lines.map((_, bench) =>
      Int32Array.from(places.flatMap((all, tool) => (all.size > 1 && all.has(bench) ? [tool] : []))),
    );
    this.firstUse = new Int32Array(tools * benches).fill(-1);
    this.lastUse = new Int32Array(tools * benches).fill(-1);
  }

  /** Whether a tool can be needed at several benches. */
  get carries(): boolean {
    return this.carried.some(({ length }) => length > 0);
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
    this.tour(layout);
    this.carried.forEach((tools, bench) => {
      for (const tool of tools) this.keepUse(tool, bench);
    });
    // Whoever is free goes to where work is: benches go on side by side, each as fast as its share of the work.
    this.mean = Math.max(1, layout.last);
    for (const bench of this.lines.keys()) {
      this.judge(bench, 0);
      const worked = real(this.times[bench] as Float64Array, at(lengths, bench));
      if (worked > 0) this.stretch[bench] = Math.max(1, layout.last / worked);
    }
    for (const bench of this.lines.keys()) this.judge(bench, 0);
  }

  /** Puts a changed line in the place of the one a bench has. Those of its jobs that are new there have their trial ways. */
  keep(bench: number, line: Int32Array, length: number): void {
    const own = this.lines[bench] as Int32Array;
    for (let i = 0; i < length; i++) {
      const job = at(line, i);
      own[i] = job;
      this.bench[job] = bench;
      this.ways[job] = at(this.trialWays, job);
    }
    this.lengths[bench] = length;
  }

  /**
   * Judges lines again that were put in place, and those which their tools come from and go to.
   * @param same places at the beginning of each that are as they were
   */
  settle(first: number, firstSame: number, second = first, secondSame = firstSame): void {
    this.judge(first, firstSame);
    if (second !== first) this.judge(second, secondSame);
    // First what every tool is used for now, then what comes of it elsewhere.
    const { moved } = this;
    moved.length = 0;
    this.noteUses(first);
    if (second !== first) this.noteUses(second);
    for (let i = 0; i < moved.length; i += 2) this.settleUse(moved[i] as number, moved[i + 1] as number);
  }

  private noteUses(bench: number): void {
    const carried = this.carried[bench] as Int32Array;
    for (let i = 0; i < carried.length; i++)
      if (this.keepUse(at(carried, i), bench)) this.moved.push(at(carried, i), bench);
  }

  /** Where a tool comes to from here its first change is another one; elsewhere at most where it goes to. */
  private settleUse(tool: number, bench: number): void {
    const tour = this.tours[tool] as Int32Array;
    const after = this.neighbour(tool, bench, 1);
    for (let k = 0; k < tour.length; k++) {
      const other = at(tour, k);
      if (other === after) this.judge(other, 0);
      else {
        const exits = this.exitsOf(other, this.lines[other] as Int32Array, at(this.lengths, other));
        this.costs[other] = real(this.costs, other) + exits - real(this.exits, other);
        this.exits[other] = exits;
      }
    }
  }

  /** Judges a bench's own line from a place on and notes everything about it. */
  private judge(bench: number, from: number): void {
    const line = this.lines[bench] as Int32Array;
    const length = at(this.lengths, bench);
    this.begin(bench, line, from);
    this.walk(bench, line, from, length, true);
    if (this.isTimed) this.noteRest(bench, line, length);
    const exits = this.exitsOf(bench, line, length);
    this.exits[bench] = exits;
    this.costs[bench] = this.sum + exits + this.whole(bench, this.time);
  }

  /** What comes of the least slack and lead from each place on. */
  private noteRest(bench: number, line: Int32Array, length: number): void {
    const slacks = this.slacks[bench] as Float64Array;
    const leads = this.leads[bench] as Float64Array;
    const heats = this.heats[bench] as Int32Array;
    slacks[length] = leads[length] = Infinity;
    heats[length] = 0;
    for (let i = length - 1; i >= 0; i--) {
      const job = at(line, i);
      slacks[i] = Math.min(real(this.slackOf, job), real(slacks, i + 1));
      leads[i] = Math.min(real(this.leadOf, job), real(leads, i + 1));
      heats[i] = at(this.heat, job) | at(heats, i + 1);
    }
  }

  /** What it costs that a bench works so long. */
  private whole(bench: number, time: number): number {
    const end = time * real(this.stretch, bench);
    return ((0.002 + this.model.work.endWorth) * end * end) / (2 * this.mean);
  }

  /* Where a walk along a line stands. */
  private time = 0;
  private sum = 0;
  private hot = 0;
  private notch = 0;
  private stop = 0;
  /** Where the walk began: what each tool stands at is looked up before there. */
  private begun = 0;

  private begin(bench: number, line: Int32Array, place: number): void {
    this.stamps++;
    this.begun = place;
    this.time = place ? real(this.times[bench] as Float64Array, place) : 0;
    this.sum = place ? real(this.sums[bench] as Float64Array, place) : 0;
    this.hot = place ? real(this.hots[bench] as Float64Array, place) : -(2 ** 30);
    [this.notch, this.stop] = this.stripBefore(bench, line, place);
  }

  /** The last job of a tool before a place of a line; -1 where there is none. */
  private lastBefore(tool: number, line: Int32Array, place: number, ways: Int32Array): number {
    const { wayTool } = this.model;
    for (let i = place - 1; i >= 0; i--) if (at(wayTool, at(ways, at(line, i))) === tool) return at(line, i);
    return -1;
  }

  /** Whether the job asked for last needs samples. */
  private isSampled = false;

  /** Minutes of change of its tool before a job, after what the tool was last used for at this bench; -1: nothing. */
  private change(bench: number, job: number, tool: number, last: number): number {
    const { model } = this;
    const { tools } = model;
    const set = at(model.waySet, at(this.trialWays, job));
    let minutes = 0;
    let before: number;
    let proof: number;
    if (last >= 0) {
      before = at(model.waySet, at(this.trialWays, last));
      proof = at(model.proof, last);
    } else {
      before = at(tools.set, tool);
      proof = at(tools.proof, tool);
      const from = (this.tours[tool] as Int32Array).length > 1 ? this.neighbour(tool, bench, -1) : -1;
      if (from >= 0) {
        before = at(this.lastUse, tool * this.lines.length + from);
        proof = UNPROVED;
      }
      if (from >= 0 || at(tools.bench, tool) !== bench) minutes = at(tools.frame, tool);
    }
    this.isSampled = before !== set || !(model.isProved[job] === 1 || proof === at(model.proof, job));
    return minutes + setMinutes(model, tool, before, set);
  }

  /**
   * Goes along a line from one place to another.
   * @param isOwn it is the bench's own line, and everything about it is noted
   */
  private walk(bench: number, line: Int32Array, from: number, to: number, isOwn = false): void {
    const { model, stamp, last, stamps, begun, trialWays, isTimed } = this;
    const stretch = real(this.stretch, bench);
    const times = this.times[bench] as Float64Array;
    const sums = this.sums[bench] as Float64Array;
    const hots = this.hots[bench] as Float64Array;
    let { time, sum, hot, notch, stop } = this;
    for (let i = from; i < to; i++) {
      const job = at(line, i);
      if (isOwn) {
        times[i] = time;
        sums[i] = sum;
        hots[i] = hot;
        this.place[job] = i;
      }
      const way = at(trialWays, job);
      const tool = at(model.wayTool, way);
      let change = 0;
      let isSampled = true;
      if (tool >= 0) {
        const before = at(stamp, tool) === stamps ? at(last, tool) : this.lastBefore(tool, line, begun, trialWays);
        change = this.change(bench, job, tool, before);
        ({ isSampled } = this);
        stamp[tool] = stamps;
        last[tool] = job;
      }
      const own = at(model.notch, job);
      if (own) {
        const ownStop = at(model.stop, job);
        if (own !== notch || ownStop !== stop) change += stripMinutes(model, bench, notch, stop, own, ownStop);
        notch = own;
        stop = ownStop;
      }
      const start = time * stretch;
      const isHot = at(this.heat, job) === 1;
      if (isHot && this.clock(start) - hot > at(model.benches.coldAfter, bench))
        change += at(model.benches.warmUp, bench);
      time += change + at(model.wayRun, way);
      const setUp = at(model.setUp, job);
      if (isSampled && setUp) time += setUp + Math.max(0, at(model.release, job));
      sum += change;
      if (isTimed || isOwn) {
        const end = time * stretch;
        if (isHot) hot = this.clock(end);
        const slack = at(model.needed, job) - end;
        if (slack < 0) sum += this.late * Math.min(-slack, FAR) * real(model.weight, at(model.list, job));
        let least = Infinity;
        const after = model.after[job] as Int32Array;
        for (let k = 0; k < after.length; k++) {
          const lead = start - real(this.ends, at(after, k));
          if (lead < 0) sum += this.early * Math.min(-lead, FAR);
          if (lead < least) least = lead;
        }
        if (isOwn) {
          this.ends[job] = end;
          this.slackOf[job] = slack;
          this.leadOf[job] = least;
        }
      }
    }
    if (isOwn) {
      hots[to] = hot;
      times[to] = time;
      sums[to] = sum;
    }
    this.time = time;
    this.sum = sum;
    this.hot = hot;
    this.notch = notch;
    this.stop = stop;
  }

  /**
   * What a bench would cost with another line.
   * @param same places at its beginning that are as they were
   * @param tail places at its end that are as they were
   */
  judged(bench: number, line: Int32Array, length: number, same: number, tail: number): number {
    const { model, dirty, stamp, last, trialWays } = this;
    const own = this.lines[bench] as Int32Array;
    const size = at(this.lengths, bench);
    const [times, sums] = [this.times[bench], this.sums[bench]] as [Float64Array, Float64Array];
    const rest = size - tail;
    const here = length - tail;
    this.begin(bench, line, same);
    this.walk(bench, line, same, here);
    const mark = this.stamps;
    let exits = real(this.exits, bench);
    // Tools that are left otherwise than they were.
    let open = 0;
    for (let i = same; i < rest; i++) {
      const tool = at(model.wayTool, at(this.ways, at(own, i)));
      if (tool < 0 || at(dirty, tool) === mark) continue;
      dirty[tool] = mark;
      open++;
      // What it was last used for is up to date, though it be before everything that is new.
      if (at(stamp, tool) === mark) continue;
      stamp[tool] = mark;
      last[tool] = this.lastBefore(tool, line, same, trialWays);
    }
    for (let i = same; i < here; i++) {
      const tool = at(model.wayTool, at(trialWays, at(line, i)));
      if (tool < 0 || at(dirty, tool) === mark) continue;
      dirty[tool] = mark;
      open++;
    }
    if (at(this.heats[bench] as Int32Array, rest)) {
      this.walk(bench, line, here, length);
      return this.sum + this.exitsOf(bench, line, length) + this.whole(bench, this.time);
    }
    const [time, sum, notch, stop] = [this.time, this.sum, this.notch, this.stop];
    let later = time - real(times, rest);
    let [least, most] = [Math.min(0, later), Math.max(0, later)];
    let more = 0;
    let isStripOpen = true;
    for (let i = here; i < length && (open || isStripOpen); i++) {
      const job = at(line, i);
      const tool = at(model.wayTool, at(trialWays, job));
      const isOpen = tool >= 0 && at(dirty, tool) === mark;
      const isStrip = isStripOpen && at(model.notch, job) !== 0;
      if (!isOpen && !isStrip) continue;
      const before = tool < 0 ? -1 : isOpen ? at(last, tool) : this.lastBefore(tool, line, i, trialWays);
      let change = tool < 0 ? 0 : this.change(bench, job, tool, before);
      const samples = tool >= 0 && !this.isSampled ? 0 : at(model.setUp, job);
      if (model.notch[job]) {
        const [fromNotch, fromStop] = isStrip ? [notch, stop] : this.stripBefore(bench, line, i);
        change += stripMinutes(model, bench, fromNotch, fromStop, at(model.notch, job), at(model.stop, job));
        isStripOpen = false;
      }
      const took =
        change + at(model.wayRun, at(trialWays, job)) + (samples ? samples + Math.max(0, at(model.release, job)) : 0);
      const old = rest + i - here;
      more += change - (real(sums, old + 1) - real(sums, old));
      later += took - (real(times, old + 1) - real(times, old));
      least = Math.min(least, later);
      most = Math.max(most, later);
      if (isOpen) {
        dirty[tool] = 0;
        open--;
      }
    }
    const stretch = real(this.stretch, bench);
    if (
      most * stretch > real(this.slacks[bench] as Float64Array, rest) ||
      -least * stretch > real(this.leads[bench] as Float64Array, rest)
    ) {
      [this.time, this.sum, this.notch, this.stop] = [time, sum, notch, stop];
      this.walk(bench, line, here, length);
      return this.sum + this.exitsOf(bench, line, length) + this.whole(bench, this.time);
    }
    if (open) {
      const carried = this.carried[bench] as Int32Array;
      for (const tool of carried)
        if (at(dirty, tool) === mark)
          exits +=
            this.exit(tool, bench, at(stamp, tool) === mark ? at(last, tool) : -1, trialWays) -
            this.exit(tool, bench, this.lastBefore(tool, own, size, this.ways), this.ways);
    }
    const total = sum + real(sums, size) - real(sums, rest) + more;
    return total + exits + this.whole(bench, real(times, size) + later);
  }

  private exitsOf(bench: number, line: Int32Array, length: number): number {
    const carried = this.carried[bench] as Int32Array;
    let exits = 0;
    for (const tool of carried)
      exits += this.exit(tool, bench, this.lastBefore(tool, line, length, this.trialWays), this.trialWays);
    return exits;
  }

  /** What the stripper is set to before a place of a line. */
  private stripBefore(bench: number, line: Int32Array, place: number): [notch: number, stop: number] {
    const { model } = this;
    for (let i = place - 1; i >= 0; i--) {
      const job = at(line, i);
      if (model.notch[job]) return [at(model.notch, job), at(model.stop, job)];
    }
    return [at(model.benches.notch, bench), at(model.benches.stop, bench)];
  }

  /** What a tool costs at the next bench it goes to, by its last job here; -1: it is not used here. */
  private exit(tool: number, bench: number, last: number, ways: Int32Array): number {
    const { model, lines, lastUse } = this;
    const to = this.neighbour(tool, bench, 1);
    if (to < 0) return 0;
    const from = last >= 0 ? bench : this.neighbour(tool, bench, -1);
    let set = at(model.tools.set, tool);
    if (last >= 0) set = at(model.waySet, at(ways, last));
    else if (from >= 0) set = at(lastUse, tool * lines.length + from);
    const next = at(this.firstUse, tool * lines.length + to);
    const frame = from >= 0 || at(model.tools.bench, tool) !== to ? at(model.tools.frame, tool) : 0;
    return frame + setMinutes(model, tool, set, next);
  }

  /** Minute on the clock of a place on the axis. */
  private clock(place: number): number {
    const { clock } = this.model.axis;
    return at(clock, Math.min(clock.length - 1, Math.floor(place)));
  }

  /** Orders the benches of each tool by when it came to them; where it was not used it can come first. */
  private tour(layout: Layout): void {
    const { model, tours } = this;
    const came = tours.map(() => new Map<number, number>());
    for (const job of layout.order) {
      const way = at(layout.way, job);
      const own = came[at(model.wayTool, way)];
      const bench = at(model.wayBench, way);
      if (own && !own.has(bench)) own.set(bench, own.size);
    }
    tours.forEach((tour, tool) => tour.sort((a, b) => (came[tool]?.get(a) ?? -1) - (came[tool]?.get(b) ?? -1)));
  }

  /** Notes what a tool is first and last used for at a bench. @returns whether that is otherwise than before */
  private keepUse(tool: number, bench: number): boolean {
    const { model, ways, firstUse, lastUse } = this;
    const line = this.lines[bench] as Int32Array;
    const length = at(this.lengths, bench);
    let first = -1;
    for (let i = 0; i < length && first < 0; i++) {
      const way = at(ways, at(line, i));
      if (at(model.wayTool, way) === tool) first = at(model.waySet, way);
    }
    const job = first < 0 ? -1 : this.lastBefore(tool, line, length, ways);
    const last = job < 0 ? -1 : at(model.waySet, at(ways, job));
    const place = tool * this.lines.length + bench;
    const isNew = at(firstUse, place) !== first || at(lastUse, place) !== last;
    firstUse[place] = first;
    lastUse[place] = last;
    return isNew;
  }

  /** Bench before another one on the way of a tool, or after it; -1 where there is none. */
  private neighbour(tool: number, bench: number, step: number): number {
    const tour = this.tours[tool] as Int32Array;
    for (let i = tour.indexOf(bench) + step; i >= 0 && i < tour.length; i += step)
      if (at(this.firstUse, tool * this.lines.length + at(tour, i)) >= 0) return at(tour, i);
    return -1;
  }
}
