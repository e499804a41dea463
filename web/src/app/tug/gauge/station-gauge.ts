import { computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { patchState, signalStore, withComputed, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import type { Gauge, GaugeEvent } from '@tug-mark/contract';
import type { WatchedPull } from '@tug-mark/core';
import { Subject } from 'rxjs';
import { Api } from '../../http/api';
import { Live } from '../../live/live';
import { settingsActions, settingsFeature } from '../../settings/settings.state';
import { PullListener } from './pull-listener';
import { TraceReader } from './trace-reader';

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

interface State {
  /** Force gauges and calipers of the shop; null until they are known. */
  readonly all: readonly Gauge[] | null;
  readonly state: GaugeEvent & { kind: 'state' };
  /** What is wrong with what it sends, in a sentence; empty when nothing is. */
  readonly doubt: string;
  /** Whether it takes no zero from here. */
  readonly refusesZero: boolean;
  readonly isOverloaded: boolean;
  /** Force a pull in hand has reached, N above zero; 0 while waiting. */
  readonly peak: number;
}

const AT_FIRST: State = {
  all: null,
  state: { kind: 'state', state: 'lost', text: 'Connecting.' },
  doubt: '',
  refusesZero: false,
  isOverloaded: false,
  peak: 0,
};

/** The force gauge of this station: which one it is, what it shows now, and every pull made on it. */
export const StationGauge = signalStore(
  { providedIn: 'root' },
  withState(AT_FIRST),
  withProps(() => ({
    pulls: new Subject<StationPull>(),
    /** Who hears the chosen gauge; read by what paints, not a signal. */
    heard: { by: null as PullListener | null },
  })),
  withComputed(({ all }, live = inject(Live)) => {
    const gauges = computed(() => all()?.filter((g) => g.kind === 'force') ?? null);
    return {
      gauges,
      chosen: computed(() => gauges()?.find((g) => g.id === live.gauge() && g.active) ?? null),
    };
  }),
  withMethods(
    (
      store,
      api = inject(Api),
      live = inject(Live),
      global = inject(Store),
      reader = inject(TraceReader),
      kept = global.selectSignal(settingsFeature.selectGauge),
    ) => {
      const done = (pull: WatchedPull) => {
        patchState(store, { peak: 0 });
        const gauge = store.chosen();
        const span = store.heard.by?.span(pull);
        const startedAt = Date.now() - pull.seconds * 1000;
        store.pulls.next({ pull, gauge, startedAt, key: gauge && span ? { gauge: gauge.id, ...span } : null });
      };
      const choose = (id: string | null) => {
        const gauge = store.gauges()?.find((g) => g.id === id && g.active) ?? null;
        global.dispatch(settingsActions.set({ changes: { gauge: gauge?.id ?? null } }));
        live.gauge.set(gauge?.id ?? null);
        store.heard.by = gauge && new PullListener(gauge);
        patchState(store, { peak: store.heard.by?.peak ?? 0, refusesZero: false });
      };
      return {
        /** Takes a gauge for this station; null: values are typed. */
        choose,
        /** Takes the shop's gauges as they are now. */
        know(all: readonly Gauge[]): void {
          patchState(store, { all });
        },
        /** Reads the shop's gauges and takes this station's one up again. */
        async open(): Promise<void> {
          if (store.all() === null) patchState(store, { all: await api.gauges().catch(() => null) });
          const id = kept();
          // Whether it is still there can only be said once the shop's gauges are known.
          if (id !== null && store.all() !== null && live.gauge() === null) choose(id);
        },
        async zero(): Promise<void> {
          const id = live.gauge();
          if (id === null) return;
          const isSent = await api.zeroGauge(id).then(
            ({ sent }) => sent,
            () => false,
          );
          patchState(store, { refusesZero: !isSent });
        },
        /** Takes a pull as far as it was seen, when the gauge does not come back. */
        settle(): void {
          const pull = store.heard.by?.settle();
          if (pull) done(pull);
        },
        /**
         * Takes a pull from a file, as if it had been pulled here.
         * @returns why it is refused, with row and column; null when it is taken
         */
        async takeFile(file: Blob): Promise<string | null> {
          const read = await reader.readFile(await file.text());
          if (!read.ok) return `Row ${read.row}, ${read.column}: ${read.text}`;
          const forces = Array.from(read.trace.forces);
          const [zero = 0] = forces;
          const peak = forces.reduce((most, force) => Math.max(most, force), -Infinity) - zero;
          const { rate } = read.trace;
          const pull = { peak, zero, forces, rate, seconds: forces.length / rate, doubts: [] };
          store.pulls.next({ pull, gauge: null, startedAt: Date.now(), key: null });
          return null;
        },
        hear(event: GaugeEvent): void {
          const { by } = store.heard;
          if (event.kind === 'state') {
            patchState(store, { state: event });
            if (event.state !== 'connected') by?.lost();
          } else if (by && event.kind === 'forces') {
            const pull = by.hear(event);
            patchState(store, { isOverloaded: event.overload, doubt: by.doubt(event), peak: by.peak });
            if (pull) done(pull);
          }
        },
      };
    },
  ),
  withHooks({
    onInit({ hear }, live = inject(Live)) {
      live.gaugeEvents.subscribe(hear);
    },
  }),
);
