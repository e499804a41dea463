import { inject } from '@angular/core';
import { patchState, signalStore, withHooks, withMethods } from '@ngrx/signals';
import { rxMethod } from '@ngrx/signals/rxjs-interop';
import { debounceTime, filter, pipe, tap } from 'rxjs';
import { Api, toProblem } from '../http/api';
import { Live, type News } from '../live/live';
import { withFoundPlan } from './plan-found';
import { withMoves } from './plan-moves';
import { withScenario } from './plan-scenario';
import { withPlanSource } from './plan-source';

/** Most characters of a move as it is kept with the plan. */
const MOVE_TOLD = 400;

/** The plan in hand: what it is made from, the search for it, single jobs, what is tried, and giving it out. */
export const PlanStore = signalStore(
  withPlanSource(),
  withFoundPlan(),
  withMoves(),
  withScenario(),
  withMethods((store, api = inject(Api)) => ({
    async giveOut(note: string): Promise<void> {
      await store.stop();
      const [day, plan] = [store.day(), store.plan()];
      if (!day || !plan) return;
      try {
        const given = await api.givePlanOut({
          ...{ base: day.given?.revision ?? null, start: day.start, note, placed: [...plan.placed] as never },
          moved: store.moved().map(({ text }) => text.slice(0, MOVE_TOLD)),
          score: { ...plan.score, lateLists: [...plan.score.lateLists] },
        });
        patchState(store, {
          ...{ day: { ...day, given }, problem: null, isBehind: false },
          said: `Plan ${given.revision} is given out: every bench works by it.`,
        });
      } catch (error) {
        patchState(store, { problem: toProblem(error) });
      }
    },
    listen: rxMethod<News>(
      pipe(
        // A plan is given out as a change of the shop: what is put on record at the benches does not ask.
        filter(({ kind }) => kind !== 'entry'),
        debounceTime(1500),
        tap(() => void store.look()),
      ),
    ),
  })),
  withHooks({
    onInit(store, live = inject(Live)) {
      store.listen(live.news);
      void store.open();
    },
  }),
);
