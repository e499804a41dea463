import { computed, effect, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { patchState, signalStore, withComputed, withHooks, withMethods, withState } from '@ngrx/signals';
import { may } from '@tug-mark/contract';
import { firstDay, nextOf, type FirstStepCode, type LimitTable, type LookSheet, type ShopStock } from '@tug-mark/core';
import { debounceTime, filter } from 'rxjs';
import { CabinetStore } from '../cabinet/cabinet.store';
import { Api } from '../http/api';
import { Live } from '../live/live';
import { sessionFeature } from '../session/session.state';
import { injectToday } from '../session/shop-day';

interface State {
  readonly limits: readonly LimitTable[];
  readonly looks: readonly LookSheet[];
  readonly people: ShopStock['people'];
  readonly lists: number;
  readonly loaded: boolean;
  /** Steps somebody goes on without for now, on this device. */
  readonly skipped: readonly FirstStepCode[];
}

const SKIPPED = 'tug-mark-first-day-skipped';
const readSkipped = (): FirstStepCode[] => {
  try {
    return JSON.parse(localStorage.getItem(SKIPPED) ?? '[]') as FirstStepCode[];
  } catch {
    return [];
  }
};

/** How far the shop's first day is, and what a shop that works still lacks; for whoever builds up the shop. */
export const FirstDayStore = signalStore(
  { providedIn: 'root' },
  withState<State>(() => ({ limits: [], looks: [], people: [], lists: 0, loaded: false, skipped: readSkipped() })),
  withComputed((store, cabinet = inject(CabinetStore), global = inject(Store)) => {
    const person = global.selectSignal(sessionFeature.selectPerson);
    const shop = global.selectSignal(sessionFeature.selectShop);
    const today = injectToday();
    const stock = computed<ShopStock>(() => ({
      ...{ practices: cabinet.practices(), wires: cabinet.of('wire'), terminals: cabinet.of('terminal') },
      ...{ tools: cabinet.of('tool'), checks: cabinet.records().checks, strippers: cabinet.of('stripper') },
      ...{ limits: store.limits(), looks: store.looks(), people: store.people(), lists: store.lists() },
      ...{ today: today(), grades: shop()?.settings.grades ?? [] },
    }));
    const day = computed(() => firstDay(stock()));
    const open = computed(() =>
      day().steps.filter(({ code, state }) => state !== 'done' && !store.skipped().includes(code)),
    );
    return {
      day,
      /** Whether it concerns whoever is here. */
      isOurs: computed(() => may(person()?.roles, 'manage-people')),
      isReady: computed(() => store.loaded() && cabinet.loaded()),
      next: computed(() => nextOf(open())),
      isOver: computed(() => !open().length),
    };
  }),
  withMethods((store, api = inject(Api), cabinet = inject(CabinetStore)) => ({
    async load(): Promise<void> {
      if (!store.isOurs()) return;
      try {
        const [limits, looks, people, totals] = await Promise.all([
          api.limits(),
          api.looks(),
          api.people(),
          api.benchTotals(),
          cabinet.load(),
        ]);
        patchState(store, {
          limits: limits.map(({ table }) => table),
          looks: looks.map(({ sheet }) => sheet),
          people: people.filter(({ active }) => active),
          lists: totals.lists.length,
          loaded: true,
        });
      } catch {
        // The page it stands beside tells of a server that is silent; the steps stand as they were.
      }
    },
    skip(code: FirstStepCode): void {
      const skipped = [...store.skipped(), code];
      localStorage.setItem(SKIPPED, JSON.stringify(skipped));
      patchState(store, { skipped });
    },
    takeUp(): void {
      localStorage.removeItem(SKIPPED);
      patchState(store, { skipped: [] });
    },
  })),
  withHooks((store, live = inject(Live)) => ({
    onInit() {
      effect(() => {
        if (store.isOurs()) void store.load();
      });
      live.news
        .pipe(
          filter(({ kind }) => kind !== 'entry'),
          debounceTime(300),
          takeUntilDestroyed(),
        )
        .subscribe(() => void store.load());
    },
  })),
);
