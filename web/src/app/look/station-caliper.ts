import { computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { patchState, signalStore, withComputed, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import type { Gauge, GaugeEvent } from '@tug-mark/contract';
import { Subject } from 'rxjs';
import { Api } from '../http/api';
import { Live } from '../live/live';
import { settingsActions, settingsFeature } from '../settings/settings.state';

interface State {
  /** Force gauges and calipers of the shop; null until they are known. */
  readonly all: readonly Gauge[] | null;
  readonly state: GaugeEvent & { kind: 'state' };
}

const AT_FIRST: State = { all: null, state: { kind: 'state', state: 'lost', text: 'Connecting.' } };

/** The caliper of this station: which one it is, whether it is there, and every length its button sends. */
export const StationCaliper = signalStore(
  { providedIn: 'root' },
  withState(AT_FIRST),
  withProps(() => ({
    /** mm, and the caliper that sent it. */
    lengths: new Subject<{ readonly millimetres: number; readonly caliper: string }>(),
  })),
  withComputed(({ all }, live = inject(Live)) => {
    const calipers = computed(() => (all() ?? []).filter((g) => g.kind === 'caliper' && g.active));
    return { calipers, chosen: computed(() => calipers().find((c) => c.id === live.caliper()) ?? null) };
  }),
  withMethods(
    (
      store,
      api = inject(Api),
      live = inject(Live),
      global = inject(Store),
      kept = global.selectSignal(settingsFeature.selectCaliper),
    ) => {
      const choose = (id: string | null) => {
        const caliper = store.calipers().find((c) => c.id === id) ?? null;
        global.dispatch(settingsActions.set({ changes: { caliper: caliper?.id ?? null } }));
        live.caliper.set(caliper?.id ?? null);
      };
      return {
        /** Takes a caliper for this station; null: values are typed. */
        choose,
        /** Reads the shop's calipers and takes this station's one up again. */
        async open(): Promise<void> {
          if (store.all() === null) patchState(store, { all: await api.gauges().catch(() => null) });
          const id = kept();
          // Whether it is still there can only be said once the shop's gauges are known.
          if (id !== null && store.all() !== null && live.caliper() === null) choose(id);
        },
        hear(event: GaugeEvent): void {
          if (event.kind === 'state') patchState(store, { state: event });
          else if (event.kind === 'length')
            store.lengths.next({ millimetres: event.millimetres, caliper: event.gauge });
        },
      };
    },
  ),
  withHooks({
    onInit({ hear }, live = inject(Live)) {
      live.caliperEvents.subscribe(hear);
    },
  }),
);
