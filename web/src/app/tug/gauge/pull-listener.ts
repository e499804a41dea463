import type { Gauge, GaugeEvent } from '@tug-mark/contract';
import { PullWatch, type PullSnapshot, type WatchedPull } from '@tug-mark/core';

const PULL_KEY = 'tug-mark-pull-in-hand';
/** Share of the gauge's capacity a pull has to rise past to have begun, and the least of it, N. */
const STARTS_SHARE = 0.004;
const STARTS_LEAST = 1.5;
/** s of force kept for the strip the bench shows. */
const STRIP_SECONDS = 8;
/** ms between two keepings of a pull under way. */
const KEEP_EVERY = 200;

type Forces = Extract<GaugeEvent, { kind: 'forces' }>;

/** Hears one gauge's readings: the force now, the last seconds of it, and each pull from its rise to its end. */
export class PullListener {
  /** N above zero. */
  now = 0;
  /** N above zero, a ring: the oldest stands at `next`. */
  readonly strip: { readonly forces: Float32Array; next: number };
  private readonly watch: PullWatch;
  private garbledFor = 0;
  private savedAt = 0;
  /** When the last readings came in, ms since 1970 by the server's clock. */
  private heardAt = Date.now();

  constructor(private readonly gauge: Gauge) {
    const left = JSON.parse(sessionStorage.getItem(PULL_KEY) ?? 'null') as (PullSnapshot & { gauge: string }) | null;
    this.watch = new PullWatch(
      { rate: gauge.rate, starts: Math.max(STARTS_LEAST, STARTS_SHARE * gauge.capacity) },
      left?.gauge === gauge.id ? left : null,
    );
    this.strip = { forces: new Float32Array(Math.ceil(STRIP_SECONDS * gauge.rate)).fill(NaN), next: 0 };
  }

  /** Force a pull under way has reached, N above zero; 0 while waiting. */
  get peak(): number {
    return this.watch.peakSoFar;
  }

  lost(): void {
    this.watch.lost();
  }

  /** Takes readings as they come; returns the pull they end, if they end one. */
  hear({ forces, at, overload, skipped }: Forces): WatchedPull | null {
    const { watch, strip } = this;
    if (skipped) watch.lost();
    for (const force of forces) {
      strip.forces[strip.next] = force - watch.zero;
      strip.next = (strip.next + 1) % strip.forces.length;
    }
    this.heardAt = at;
    const last = forces.at(-1);
    if (last !== undefined) this.now = last - watch.zero;
    const pull = watch.take(forces, overload);
    const now = performance.now();
    if (watch.snapshot && now - this.savedAt > KEEP_EVERY) {
      sessionStorage.setItem(PULL_KEY, JSON.stringify({ ...watch.snapshot, gauge: this.gauge.id }));
      this.savedAt = now;
    }
    if (pull) sessionStorage.removeItem(PULL_KEY);
    return pull;
  }

  /** What is wrong with what came in, in a sentence; empty when nothing is. */
  doubt({ forces, garbled, otherUnit }: Forces): string {
    this.garbledFor = garbled > forces.length ? this.garbledFor + 1 : 0;
    if (this.garbledFor > 3)
      return 'Lines come in that are no readings. Do pattern and unit under Gauges fit this gauge?';
    return otherUnit
      ? `The gauge sends ${otherUnit}, its settings say another unit. Its own unit is used; have an engineer mend the settings.`
      : '';
  }

  /** The pull as far as it was seen, when the gauge does not come back. */
  settle(): WatchedPull | null {
    sessionStorage.removeItem(PULL_KEY);
    return this.watch.settle();
  }

  /** When a pull that has just ended began and ended, ISO instants by the server's clock. */
  span({ seconds }: WatchedPull): { readonly start: string; readonly end: string } {
    const instant = (ms: number) => new Date(Math.round(ms)).toISOString();
    return { start: instant(this.heardAt - Math.max(1, seconds * 1000)), end: instant(this.heardAt) };
  }
}
