import { computed, inject, Injectable, signal } from '@angular/core';
import type { Gauge, GaugeEvent } from '@tug-mark/contract';
import { PullWatch, type PullSnapshot, type WatchedPull } from '@tug-mark/core';
import { Store } from '@ngrx/store';
import { Subject } from 'rxjs';
import { Api } from '../../http/api';
import { Live } from '../../live/live';
import { settingsActions, settingsFeature } from '../../settings/settings.state';
import { TraceReader } from './trace-reader';

const PULL_KEY = 'tug-mark-pull-in-hand';
/** Share of the gauge's capacity a pull has to rise past to have begun, and the least of it, N. */
const STARTS_SHARE = 0.004;
const STARTS_LEAST = 1.5;
/** s of force kept for the strip the bench shows. */
const STRIP_SECONDS = 8;

/** When a gauge's pull began and ended, by the server's clock: with the gauge it is one pull and no other. */
export interface PullKey {
  readonly gauge: string;
  readonly start: string;
  readonly end: string;
}

/** A pull, and the gauge it was made on; null when it came from a file. */
export interface StationPull {
  readonly pull: WatchedPull;
  readonly gauge: Gauge | null;
  /** When it began, ms since 1970 by this device. */
  readonly startedAt: number;
  /** Which pull it is, by the server's clock, the same at every station; null when it came from a file. */
  readonly key: PullKey | null;
}

/** The force gauge of this station: which one it is, what it shows now, and every pull made on it. */
@Injectable({ providedIn: 'root' })
export class StationGauge {
  private readonly api = inject(Api);
  private readonly live = inject(Live);
  private readonly store = inject(Store);
  private readonly kept = this.store.selectSignal(settingsFeature.selectGauge);
  private readonly reader = inject(TraceReader);
  /** Force gauges and calipers of the shop. */
  readonly all = signal<readonly Gauge[] | null>(null);
  readonly gauges = computed(() => this.all()?.filter((g) => g.kind === 'force') ?? null);
  readonly chosen = computed(() => this.gauges()?.find((g) => g.id === this.live.gauge() && g.active) ?? null);
  readonly state = signal<GaugeEvent & { kind: 'state' }>({ kind: 'state', state: 'lost', text: 'Connecting.' });
  /** What is wrong with what it sends, in a sentence; empty when nothing is. */
  readonly doubt = signal('');
  readonly isOverloaded = signal(false);
  /** Force a pull in hand has reached, N above zero; 0 while waiting. */
  readonly peak = signal(0);
  readonly pulls = new Subject<StationPull>();
  /** Force now, N above zero, and the last seconds of it: read by what paints, not signals. */
  now = 0;
  readonly strip = { forces: new Float32Array(0), next: 0, rate: 1 };
  private watch: PullWatch | null = null;
  private garbledFor = 0;
  private savedAt = 0;
  /** When the last readings came in, ms since 1970 by the server's clock. */
  private heardAt = Date.now();

  constructor() {
    this.live.gaugeEvents.subscribe((event) => {
      this.hear(event);
    });
  }

  /** Reads the shop's gauges and takes this station's one up again. */
  async open(): Promise<void> {
    if (this.all() === null) this.all.set(await this.api.gauges().catch(() => null));
    const kept = this.kept();
    // Whether it is still there can only be said once the shop's gauges are known.
    if (kept !== null && this.all() !== null && this.live.gauge() === null) this.choose(kept);
  }

  /** Takes a gauge for this station; null: values are typed. */
  choose(id: string | null): void {
    const gauge = this.gauges()?.find((g) => g.id === id && g.active) ?? null;
    this.store.dispatch(settingsActions.set({ changes: { gauge: gauge?.id ?? null } }));
    this.live.gauge.set(gauge?.id ?? null);
    this.peak.set(0);
    if (!gauge) {
      this.watch = null;
      return;
    }
    const left = JSON.parse(sessionStorage.getItem(PULL_KEY) ?? 'null') as (PullSnapshot & { gauge: string }) | null;
    this.watch = new PullWatch(
      { rate: gauge.rate, starts: Math.max(STARTS_LEAST, STARTS_SHARE * gauge.capacity) },
      left?.gauge === gauge.id ? left : null,
    );
    this.peak.set(this.watch.peakSoFar);
    this.strip.rate = gauge.rate;
    this.strip.forces = new Float32Array(Math.ceil(STRIP_SECONDS * gauge.rate)).fill(NaN);
    this.strip.next = 0;
  }

  async zero(): Promise<void> {
    const id = this.live.gauge();
    if (id === null) return;
    const sent = await this.api.zeroGauge(id).then(
      (answer) => answer.sent,
      () => false,
    );
    if (!sent)
      this.doubt.set(
        'This gauge takes no zero from here: press its own key. What it shows at rest is taken off anyway.',
      );
  }

  /** Takes a pull as far as it was seen, when the gauge does not come back. */
  settle(): void {
    const pull = this.watch?.settle();
    if (pull) this.done(pull);
  }

  /**
   * Takes a pull from a file, as if it had been pulled here.
   * @returns why it is refused, with row and column; null when it is taken
   */
  async takeFile(file: Blob): Promise<string | null> {
    const read = await this.reader.readFile(await file.text());
    if (!read.ok) return `Row ${read.row}, ${read.column}: ${read.text}`;
    const forces = Array.from(read.trace.forces);
    const [zero = 0] = forces;
    const peak = forces.reduce((most, force) => Math.max(most, force), -Infinity) - zero;
    const { rate } = read.trace;
    const pull = { peak, zero, forces, rate, seconds: forces.length / rate, doubts: [] };
    this.pulls.next({ pull, gauge: null, startedAt: Date.now(), key: null });
    return null;
  }

  private hear(event: GaugeEvent): void {
    const { watch } = this;
    if (event.kind === 'state') {
      this.state.set(event);
      if (event.state !== 'connected') watch?.lost();
      return;
    }
    if (!watch || event.kind !== 'forces') return;
    if (event.skipped) watch.lost();
    for (const force of event.forces) {
      this.strip.forces[this.strip.next] = force - watch.zero;
      this.strip.next = (this.strip.next + 1) % this.strip.forces.length;
    }
    this.heardAt = event.at;
    const last = event.forces.at(-1);
    if (last !== undefined) this.now = last - watch.zero;
    this.isOverloaded.set(event.overload);
    this.garbledFor = event.garbled > event.forces.length ? this.garbledFor + 1 : 0;
    this.doubt.set(
      this.garbledFor > 3
        ? 'Lines come in that are no readings. Do pattern and unit under Gauges fit this gauge?'
        : event.otherUnit
          ? `The gauge sends ${event.otherUnit}, its settings say another unit. Its own unit is used; have an engineer mend the settings.`
          : '',
    );
    const pull = watch.take(event.forces, event.overload);
    this.peak.set(watch.peakSoFar);
    const now = performance.now();
    if (watch.snapshot && now - this.savedAt > 200) {
      sessionStorage.setItem(PULL_KEY, JSON.stringify({ ...watch.snapshot, gauge: this.live.gauge() }));
      this.savedAt = now;
    }
    if (pull) this.done(pull);
  }

  private done(pull: WatchedPull): void {
    sessionStorage.removeItem(PULL_KEY);
    this.peak.set(0);
    const gauge = this.chosen();
    const lasted = pull.seconds * 1000;
    const instant = (ms: number) => new Date(Math.round(ms)).toISOString();
    const key = gauge && {
      gauge: gauge.id,
      start: instant(this.heardAt - Math.max(1, lasted)),
      end: instant(this.heardAt),
    };
    this.pulls.next({ pull, gauge, startedAt: Date.now() - lasted, key });
  }
}
