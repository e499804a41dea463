import { computed, inject } from '@angular/core';
import { patchState, signalStore, withComputed, withHooks, withMethods, withState } from '@ngrx/signals';
import { addEntities, removeAllEntities, setAllEntities, setEntity, withEntities } from '@ngrx/signals/entities';
import type { BenchSort, BenchTotals, CombinationLine, Problem } from '@tug-mark/contract';
import type { BenchState } from '@tug-mark/core';
import { Api, toProblem } from '../http/api';
import type { ListChanged } from './list-acts';
import { grouped } from '../parts/count';

/** A line that is being worked out is asked for again after this long, ms. */
const CATCH_UP_MS = 700;

/** What of the bench is shown. */
export interface BenchFilter {
  readonly list: string | null;
  readonly state: BenchState | null;
  readonly find: string;
  readonly sort: BenchSort;
}

interface State {
  readonly filter: BenchFilter;
  /** What the lines that are there were asked by: until the answer comes, not what is chosen. */
  readonly answered: BenchFilter;
  readonly totals: BenchTotals | null;
  /** Where the page before ended; null: there is no more. */
  readonly next: string | null;
  readonly loaded: boolean;
  readonly problem: Problem | null;
}

const EVERYTHING: BenchFilter = { list: null, state: null, find: '', sort: 'due' };

/** The bench as far as it is loaded: lines page by page, as filtered and sorted by the server, and totals of everything. */
export const BenchStore = signalStore(
  withState<State>({
    filter: EVERYTHING,
    answered: EVERYTHING,
    totals: null,
    next: null,
    loaded: false,
    problem: null,
  }),
  withEntities<CombinationLine>(),
  withComputed(({ totals, filter, entities, next }) => ({
    lists: computed(() => totals()?.lists ?? []),
    list: computed(() => totals()?.lists.find(({ name }) => name === filter().list) ?? null),
    /** Of all combinations that are not archived; null before it is known. */
    count: computed(() => {
      const states = totals()?.states;
      return states ? Object.values(states).reduce((sum, count) => sum + count, 0) : null;
    }),
    shown: computed(() => `${grouped(entities().length)}${next() === null ? '' : ' or more'}`),
  })),
  withMethods((store, api = inject(Api)) => {
    /** Answers to a question that has changed since are dropped. */
    let asked = 0;
    let loading = false;
    const timers = new Set<ReturnType<typeof setTimeout>>();

    const page = (after: string) => {
      const { list, state, find, sort } = store.filter();
      return api.bench({ ...(list !== null && { list }), ...(state && { state }), find, sort, after });
    };
    async function load(after: string): Promise<void> {
      const own = asked;
      const answered = store.filter();
      loading = true;
      try {
        const { lines, next } = await page(after);
        if (own !== asked) return;
        if (after === '') patchState(store, removeAllEntities());
        patchState(store, addEntities([...lines]), { answered, next, problem: null, loaded: true });
        if (lines.some((line) => line.behind)) catchUp(after);
      } catch (error) {
        if (own === asked) patchState(store, { problem: toProblem(error), loaded: true });
      } finally {
        if (own === asked) loading = false;
      }
    }
    /** Asks for a page once more, as long as something in it is being worked out. */
    function catchUp(after: string): void {
      const own = asked;
      const timer = setTimeout(() => {
        timers.delete(timer);
        page(after)
          .then(({ lines }) => {
            if (own !== asked) return;
            // Where this page is all there is, a line that has left the filter goes; else it stays until the next look.
            if (after === '' && store.next() === null) patchState(store, setAllEntities([...lines]));
            else for (const line of lines) if (store.entityMap()[line.id]) patchState(store, setEntity(line));
            if (lines.some((line) => line.behind)) catchUp(after);
            else void loadTotals();
          })
          // What stands there says itself that it is behind.
          .catch(() => undefined);
      }, CATCH_UP_MS);
      timers.add(timer);
    }
    async function loadTotals(): Promise<void> {
      try {
        patchState(store, { totals: await api.benchTotals() });
      } catch (error) {
        patchState(store, { problem: toProblem(error) });
      }
    }

    return {
      async reload(): Promise<void> {
        asked++;
        await Promise.all([load(''), loadTotals()]);
      },
      /** Loads on, where there is more. */
      async more(): Promise<void> {
        const after = store.next();
        if (after !== null && !loading) await load(after);
      },
      /** Shows something else of the bench. */
      async show(changes: Partial<BenchFilter>): Promise<void> {
        patchState(store, { filter: { ...store.filter(), ...changes } });
        asked++;
        await load('');
      },
      async keepList(id: string, body: Omit<ListChanged, 'id'>): Promise<void> {
        try {
          await api.changeWireList(id, body);
        } catch (error) {
          patchState(store, { problem: toProblem(error) });
          return;
        }
        // What has left the bench is not what is looked at any more.
        if (body.archived) patchState(store, { filter: { ...store.filter(), list: null } });
        asked++;
        await Promise.all([load(''), loadTotals()]);
      },
      stop(): void {
        timers.forEach(clearTimeout);
      },
    };
  }),
  withHooks({
    onInit: (store) => void store.reload(),
    onDestroy: (store) => {
      store.stop();
    },
  }),
);
