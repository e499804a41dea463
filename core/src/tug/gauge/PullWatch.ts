/** A pull as it was seen on a live gauge. */
export interface WatchedPull {
  /** Highest force above zero, N. */
  readonly peak: number;
  /** Zero taken off, N. */
  readonly zero: number;
  /** Every sample from shortly before the pull to its end, as the gauge gave it, N; empty when samples are missing. */
  readonly forces: readonly number[];
  /** Samples a second. */
  readonly rate: number;
  /** From the sample it began with to the one that ended it, s; longer than its forces where samples are missing. */
  readonly seconds: number;
  /** What has to be asked before it is a reading. */
  readonly doubts: readonly PullDoubt[];
}

export type PullDoubt = 'gauge-lost' | 'overload' | 'stuck' | 'negative';

export type WatchState = 'waiting' | 'pulling';

export interface WatchSettings {
  /** Samples a second. */
  readonly rate: number;
  /** Force above zero at which a pull has begun, N. */
  readonly starts: number;
}

/** What is needed to go on with a pull after the page that watched it was loaded again. */
export interface PullSnapshot {
  readonly zero: number;
  readonly peak: number;
}

/** s kept from before the pull, s of quiet that end it, s after which a value that never moves is stuck. */
const BEFORE = 0.3;
const ENDS = 0.4;
const STUCK = 1;
/** s at rest after a pull before another one can begin. */
const RESTS = 0.3;
/** s after which a force that hangs on and does not move is the gauge's new zero. */
const HANGS = 3;
/** Below this share of the peak the pull is over. */
const OVER = 0.1;
/** Longest pull that is followed, s. */
const LONGEST = 120;

/**
 * Finds pulls in what a gauge sends without end: a pull begins when the force rises past `starts` and is over when it has
 * stayed below a tenth of its peak for a moment. A gauge that is lost and found again in the middle does not lose the
 * peak seen so far; its curve then has a gap, so it is not kept as a curve, and the person is asked.
 */
export class PullWatch {
  private recent: number[] = [];
  private pull: number[] = [];
  private zeroSum = 0;
  private zeroCount = 0;
  private peak = 0;
  private low = 0;
  private quiet = 0;
  private still = 0;
  /** Samples since the pull in hand began. */
  private since = 0;
  /** A pull has ended and the gauge has not been at rest since: what hangs on after a slide is its tail, and no pull. */
  private isTail = false;
  private rested = 0;
  private hung = 0;
  private last = NaN;
  private readonly doubts = new Set<PullDoubt>();
  state: WatchState = 'waiting';

  /** @param from a pull in hand when the page was left: it goes on, without its curve, and is asked about */
  constructor(
    private readonly settings: WatchSettings,
    from: PullSnapshot | null = null,
  ) {
    if (!from) return;
    this.zeroSum = from.zero * settings.rate;
    this.zeroCount = settings.rate;
    this.peak = from.peak;
    this.state = 'pulling';
    this.doubts.add('gauge-lost');
  }

  /** The pull in hand, to be gone on with; null while waiting. */
  get snapshot(): PullSnapshot | null {
    return this.state === 'pulling' ? { zero: this.zero, peak: this.peak } : null;
  }

  /** Force above zero a pull in hand has reached, N; 0 while waiting. */
  get peakSoFar(): number {
    return this.state === 'pulling' ? this.peak : 0;
  }

  /** What the gauge shows with nothing on it, N. */
  get zero(): number {
    return this.zeroCount ? this.zeroSum / this.zeroCount : 0;
  }

  /**
   * Takes the next samples.
   * @param overload whether the gauge called any of them an overload
   * @returns the pull, once it is over
   */
  take(samples: readonly number[], overload = false): WatchedPull | null {
    let done: WatchedPull | null = null;
    if (overload && this.state === 'pulling') this.doubts.add('overload');
    for (const value of samples) {
      if (Number.isFinite(value)) done = this.step(value) ?? done;
      else this.doubts.add('overload');
    }
    return done;
  }

  /** The gauge was lost; what comes next does not join what was. */
  lost(): void {
    if (this.state === 'pulling') this.doubts.add('gauge-lost');
    this.recent = [];
    this.still = 0;
  }

  /** Ends the pull in hand with what was seen of it, for a gauge that does not come back. */
  settle(): WatchedPull | null {
    return this.state === 'pulling' ? this.end() : null;
  }

  private step(value: number): WatchedPull | null {
    const { rate, starts } = this.settings;
    const above = value - this.zero;
    this.still = value === this.last ? this.still + 1 : 0;
    this.last = value;
    if (this.state === 'waiting') {
      this.recent.push(value);
      if (this.recent.length > Math.max(1, BEFORE * rate)) {
        const gone = this.recent.shift() as number;
        if (Math.abs(gone - this.zero) < starts || this.zeroCount === 0) {
          this.zeroSum += gone;
          this.zeroCount += 1;
          // An old zero fades, so that the gauge's drift is followed.
          if (this.zeroCount > 20 * rate) {
            this.zeroSum /= 2;
            this.zeroCount /= 2;
          }
        }
      }
      if (this.zeroCount === 0) return null;
      this.rested = above <= starts ? this.rested + 1 : 0;
      if (this.rested >= RESTS * rate) this.isTail = false;
      else if (this.isTail && ++this.hung >= HANGS * rate) {
        this.settleAt();
        return null;
      }
      if (above < -starts) this.low = Math.min(this.low, above);
      if (above <= starts) return null;
      if (this.isTail) return null;
      this.state = 'pulling';
      this.since = 0;
      this.pull = [...this.recent];
      this.peak = above;
      this.quiet = 0;
      this.still = 0;
      return null;
    }
    this.pull.push(value);
    this.since += 1;
    this.peak = Math.max(this.peak, above);
    this.low = Math.min(this.low, above);
    if (this.still >= STUCK * rate && above > OVER * this.peak) this.doubts.add('stuck');
    this.quiet = above < Math.max(OVER * this.peak, starts / 2) ? this.quiet + 1 : 0;
    return this.quiet >= ENDS * rate || this.pull.length > LONGEST * rate ? this.end() : null;
  }

  /** The gauge came to rest at another place than before the pull: what it shows now is its zero. */
  private settleAt(): void {
    this.hung = 0;
    const { recent } = this;
    if (Math.max(...recent) - Math.min(...recent) > this.settings.starts) return;
    this.zeroSum = recent.reduce((sum, value) => sum + value, 0);
    this.zeroCount = recent.length;
    this.isTail = false;
  }

  private end(): WatchedPull {
    if (-this.low > 0.5 * this.peak) this.doubts.add('negative');
    const doubts = [...this.doubts];
    const pull: WatchedPull = {
      peak: this.peak,
      zero: this.zero,
      forces: doubts.includes('gauge-lost') ? [] : this.pull,
      rate: this.settings.rate,
      seconds: this.since / this.settings.rate,
      doubts,
    };
    this.state = 'waiting';
    this.isTail = true;
    this.rested = 0;
    this.hung = 0;
    this.recent = [];
    this.pull = [];
    this.peak = 0;
    this.low = 0;
    this.quiet = 0;
    this.doubts.clear();
    return pull;
  }
}

const SAID: Readonly<Record<PullDoubt, string>> = {
  'gauge-lost': 'The gauge was lost during the pull: the peak may have come while nothing was heard.',
  overload: 'The gauge called an overload: the force may have been higher.',
  stuck: 'The gauge showed one value without the least change: is it holding an old peak?',
  negative: 'The gauge showed a push of more than half the peak: is it hooked in the wrong way round?',
};

/** A doubt in words. */
export function doubtText(doubt: PullDoubt): string {
  return SAID[doubt];
}
