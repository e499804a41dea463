import { computed, inject } from '@angular/core';
import { patchState, signalStoreFeature, withComputed, withMethods, withState } from '@ngrx/signals';
import { Store } from '@ngrx/store';
import type { PlanDay, Problem } from '@tug-mark/contract';
import { freeze, later, modelOf, whatIf, type PlacedJob, type WhatIf } from '@tug-mark/core';
import { Api, toProblem } from '../http/api';
import { sessionFeature } from '../session/session.state';
import { PlanMemory } from './plan-memory';
import { planClock } from './plan-time';

/** A change to the work that somebody made here, and what it is called. */
export interface Edit {
  readonly change: WhatIf;
  readonly text: string;
}

interface State {
  readonly day: PlanDay | null;
  /** When the plan shown was read, where the server is away; null: now. */
  readonly readAt: string | null;
  readonly problem: Problem | null;
  readonly edits: readonly Edit[];
  /** Somebody gave out another plan since this one was loaded. */
  readonly isBehind: boolean;
}

/** Days a plan looks ahead. */
const DAYS = 5;

/** What a plan is made from: the day as the server tells it, with the first hour of what was given out frozen and what was changed here. */
export function withPlanSource() {
  return signalStoreFeature(
    withState<State>({ day: null, readAt: null, problem: null, edits: [], isBehind: false }),
    withComputed(({ day, edits }) => {
      const clock = computed(() => {
        const shown = day();
        return shown && planClock(shown.start, shown.zone);
      });
      /** The plan given out last, in minutes of this one. */
      const before = computed<readonly PlacedJob[]>(() => {
        const shown = day();
        if (!shown?.given) return [];
        const minutes = Math.round((Date.parse(shown.start) - Date.parse(shown.given.start)) / 60_000);
        const known = new Set(shown.work.jobs.map(({ id }) => id));
        // What should be done by now and is not keeps its place in the order: it comes first.
        return later(shown.given.placed, minutes).filter(({ job }) => known.has(job));
      });
      const work = computed(() => {
        const shown = day();
        if (!shown) return null;
        const frozen = freeze(shown.work, before(), shown.floor.floor.frozen);
        return edits().reduce((all, { change }) => whatIf(all, change), frozen);
      });
      const model = computed(() => {
        const all = work();
        return all && modelOf(all);
      });
      return { clock, before, work, model };
    }),
    withMethods((store, api = inject(Api), memory = inject(PlanMemory), session = inject(Store)) => {
      const shop = session.selectSignal(sessionFeature.selectShop);
      return {
        /** Reads the day again; without the server the one that was read last. */
        async load(): Promise<void> {
          const own = shop()?.id ?? '';
          try {
            const day = await api.planDay(DAYS);
            patchState(store, { day, readAt: null, problem: null, isBehind: false });
            void memory.keep('day', own, day);
          } catch (error) {
            const kept = await memory.read('day', own);
            if (kept) patchState(store, { day: kept.value, readAt: kept.at, problem: null });
            else patchState(store, { problem: toProblem(error) });
          }
        },
        /** Whether somebody else gave a plan out meanwhile. */
        async look(): Promise<void> {
          const revision = store.day()?.given?.revision ?? 0;
          const newest = await api.givenPlans().catch(() => null);
          if ((newest?.[0]?.revision ?? 0) > revision) patchState(store, { isBehind: true });
        },
      };
    }),
  );
}
