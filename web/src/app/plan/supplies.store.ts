import { inject } from '@angular/core';
import { patchState, signalStore, withHooks, withMethods, withState } from '@ngrx/signals';
import type { NewStockMove, PlanDay, Problem, StockMoved } from '@tug-mark/contract';
import type { PartStock } from '@tug-mark/core';
import { Api, toProblem } from '../http/api';

interface State {
  readonly day: PlanDay | null;
  readonly parts: readonly PartStock[];
  readonly moves: readonly StockMoved[];
  readonly problem: Problem | null;
  readonly said: string;
}

/** Days whose work is cut and picked for. */
const DAYS = 5;

/** Drawers and reels, and what the work that is planned takes out of them. */
export const SuppliesStore = signalStore(
  withState<State>({ day: null, parts: [], moves: [], problem: null, said: '' }),
  withMethods((store, api = inject(Api)) => {
    const attempt = async (work: () => Promise<Partial<State>>): Promise<boolean> => {
      try {
        patchState(store, { ...(await work()), problem: null });
        return true;
      } catch (error) {
        patchState(store, { problem: toProblem(error) });
        return false;
      }
    };
    const day = async () => ({ day: await api.planDay(DAYS) });
    return {
      load: () => attempt(async () => ({ ...(await api.stock()), ...(await day()) })),
      /** Puts moves on record; what they leave is shown. */
      move: (moves: readonly NewStockMove[], said: string) =>
        attempt(async () => ({ ...(await api.moveStock([...moves])), ...(await day()), said })),
      count: (file: Blob) =>
        attempt(async () => ({ ...(await api.readCounts(file)), ...(await day()), said: 'Counted from the file.' })),
      /** A list whose wires are cut. */
      cut: (name: string, said: string) =>
        attempt(async () => {
          const list = (await api.benchTotals()).lists.find((one) => one.name === name);
          if (list?.id) await api.changeWireList(list.id, { due: list.due, archived: list.archived, cut: true });
          return { ...(await day()), said };
        }),
    };
  }),
  withHooks({
    onInit({ load }) {
      void load();
    },
  }),
);
