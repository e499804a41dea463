import { computed, inject, Injectable, signal } from '@angular/core';
import type { Gauge, GaugeEvent } from '@tug-mark/contract';
import { Store } from '@ngrx/store';
import { Subject } from 'rxjs';
import { Api } from '../http/api';
import { Live } from '../live/live';
import { settingsActions, settingsFeature } from '../settings/settings.state';

/** The caliper of this station: which one it is, whether it is there, and every length its button sends. */
@Injectable({ providedIn: 'root' })
export class StationCaliper {
  private readonly api = inject(Api);
  private readonly live = inject(Live);
  private readonly store = inject(Store);
  private readonly kept = this.store.selectSignal(settingsFeature.selectCaliper);
  private readonly all = signal<readonly Gauge[] | null>(null);
  readonly calipers = computed(() => (this.all() ?? []).filter((g) => g.kind === 'caliper' && g.active));
  readonly chosen = computed(() => this.calipers().find((c) => c.id === this.live.caliper()) ?? null);
  readonly state = signal<GaugeEvent & { kind: 'state' }>({ kind: 'state', state: 'lost', text: 'Connecting.' });
  /** mm, and the caliper that sent it. */
  readonly lengths = new Subject<{ readonly millimetres: number; readonly caliper: string }>();

  constructor() {
    this.live.caliperEvents.subscribe((event) => {
      if (event.kind === 'state') this.state.set(event);
      else if (event.kind === 'length') {
        this.lengths.next({ millimetres: event.millimetres, caliper: event.gauge });
      }
    });
  }

  /** Reads the shop's calipers and takes this station's one up again. */
  async open(): Promise<void> {
    if (this.all() === null) this.all.set(await this.api.gauges().catch(() => null));
    const kept = this.kept();
    // Whether it is still there can only be said once the shop's gauges are known.
    if (kept !== null && this.all() !== null && this.live.caliper() === null) this.choose(kept);
  }

  /** Takes a caliper for this station; null: values are typed. */
  choose(id: string | null): void {
    const caliper = this.calipers().find((c) => c.id === id) ?? null;
    this.store.dispatch(settingsActions.set({ changes: { caliper: caliper?.id ?? null } }));
    this.live.caliper.set(caliper?.id ?? null);
  }
}
