import { computed, inject } from '@angular/core';
import { patchState, signalStore, withComputed, withHooks, withMethods, withState } from '@ngrx/signals';
import { rxMethod } from '@ngrx/signals/rxjs-interop';
import { Store } from '@ngrx/store';
import type { PlanQueue, Problem } from '@tug-mark/contract';
import { debounceTime, filter, pipe, tap } from 'rxjs';
import { Api, toProblem } from '../http/api';
import { Live, type News } from '../live/live';
import { sessionFeature } from '../session/session.state';
import { PlanMemory } from './plan-memory';
import { queueLines } from './queue-lines';

interface State {
  readonly queue: PlanQueue | null;
  readonly readAt: string;
  readonly isKept: boolean;
  readonly problem: Problem | null;
}

/** How long news are gathered before the queue is asked for again, ms: a bench that pulls puts on record every few seconds. */
const GATHERED_MS = 2000;

/** What every bench does next: read again when something of the plan was put on record, and kept on this device for when the server is away. */
export const QueueStore = signalStore(
  withState<State>({ queue: null, readAt: new Date(0).toISOString(), isKept: false, problem: null }),
  withComputed(({ queue, readAt }) => ({
    lines: computed(() => {
      const read = queue();
      return read ? queueLines(read, readAt()) : [];
    }),
    combinations: computed(
      () => new Set(Object.values(queue()?.given?.jobs ?? {}).flatMap(({ combination }) => combination ?? [])),
    ),
  })),
  withMethods((store, api = inject(Api), memory = inject(PlanMemory), session = inject(Store)) => {
    const shop = session.selectSignal(sessionFeature.selectShop);
    return {
      async load(): Promise<void> {
        const own = shop()?.id ?? '';
        const plan = store.queue()?.given ?? null;
        try {
          const read = await api.planQueue(plan?.revision ?? 0);
          // A plan that is here already is not sent again.
          const queue = { ...read, given: read.given ?? (read.revision === plan?.revision ? plan : null) };
          patchState(store, { queue, readAt: new Date().toISOString(), isKept: false, problem: null });
          void memory.keep('queue', own, queue);
        } catch (error) {
          const kept = await memory.read('queue', own);
          if (kept) patchState(store, { queue: kept.value, readAt: kept.at, isKept: true, problem: null });
          else patchState(store, { problem: toProblem(error) });
        }
      },
    };
  }),
  withMethods((store) => ({
    listen: rxMethod<News>(
      pipe(
        // Work on what the plan says nothing of changes nothing here.
        filter((news) => news.kind !== 'entry' || store.combinations().has(news.combination)),
        debounceTime(GATHERED_MS),
        tap(() => void store.load()),
      ),
    ),
  })),
  withHooks({
    onInit(store, live = inject(Live)) {
      store.listen(live.news);
      void store.load();
    },
  }),
);
