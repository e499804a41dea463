import { inject } from '@angular/core';
import { patchState, signalStore, withHooks, withMethods, withState } from '@ngrx/signals';
import { addEntities, setAllEntities, withEntities } from '@ngrx/signals/entities';
import type { LotLine, Problem } from '@tug-mark/contract';
import { Api, toProblem } from '../http/api';

/** What of the lots is shown. */
export interface LotFilter {
  readonly state: LotLine['state'] | 'all';
  readonly find: string;
}

interface State {
  readonly filter: LotFilter;
  /** Where the page before ended; null: there is no more. */
  readonly next: string | null;
  readonly loaded: boolean;
  readonly problem: Problem | null;
}

const selectId = ({ id, lot }: LotLine) => `${id}/${lot}`;

/** The lots of the shop as far as they are loaded, page by page, as filtered by the server. */
export const LotsStore = signalStore(
  withState<State>({ filter: { state: 'all', find: '' }, next: null, loaded: false, problem: null }),
  withEntities<LotLine>(),
  withMethods((store, api = inject(Api)) => {
    /** An answer to a question that has changed since is dropped. */
    let asked = 0;
    const load = async (after: string): Promise<void> => {
      const own = ++asked;
      const { state, find } = store.filter();
      try {
        const { lines, next } = await api.lots({ ...(state !== 'all' && { state }), find, after });
        if (own !== asked) return;
        const put = after === '' ? setAllEntities : addEntities;
        patchState(store, put([...lines], { selectId }), { next, problem: null });
      } catch (error) {
        if (own === asked) patchState(store, { problem: toProblem(error) });
      }
      patchState(store, { loaded: true });
    };
    return {
      /** Shows other lots, from the newest on. */
      async show(changes: Partial<LotFilter> = {}): Promise<void> {
        patchState(store, { filter: { ...store.filter(), ...changes } });
        await load('');
      },
      /** Loads on, where there is more. */
      async more(): Promise<void> {
        const after = store.next();
        if (after !== null) await load(after);
      },
    };
  }),
  withHooks({
    onInit({ show }) {
      void show();
    },
  }),
);
