import { computed, inject } from '@angular/core';
import { patchState, signalStoreFeature, type, withComputed, withMethods, withProps, withState } from '@ngrx/signals';
import type { Signal } from '@angular/core';
import type { PlanDay, Problem } from '@tug-mark/contract';
import {
  differences,
  dueSoon,
  goneJobs,
  repeatPlan,
  type Model,
  type PlacedJob,
  type Plan,
  type PlanWork,
} from '@tug-mark/core';
import type { PlanBeside, PlanFound } from '../../workers/plan.messages';
import { toProblem } from '../http/api';
import { PlanSearch } from './plan-search';
import type { Edit } from './plan-source';
import type { PlanClock } from './plan-time';

interface State {
  readonly plan: Plan | null;
  /** How far the search is; null while nothing was searched for. */
  readonly found: Pick<PlanFound, 'share' | 'isProven' | 'isLast'> | null;
  readonly beside: PlanBeside | null;
  /** The order of due dates is shown in place of the plan. */
  readonly isByDue: boolean;
  readonly said: string;
}

/** Milliseconds of a search, and of one after something small was changed or is only tried. */
export const SEARCH = 10_000;
export const TRY = 3_000;

/** The plan that is shown, and the search for a better one. */
export function withFoundPlan() {
  return signalStoreFeature(
    {
      state: type<{ day: PlanDay | null; edits: readonly Edit[]; problem: Problem | null }>(),
      props: type<{
        work: Signal<PlanWork | null>;
        model: Signal<Model | null>;
        before: Signal<readonly PlacedJob[]>;
        clock: Signal<PlanClock | null>;
      }>(),
      methods: type<{ load(): Promise<void> }>(),
    },
    withState<State>({ plan: null, found: null, beside: null, isByDue: false, said: '' }),
    withProps(() => ({ searching: inject(PlanSearch) })),
    withComputed(({ day, plan, clock, before, work }) => ({
      soon: computed(() => {
        const [shown, planned, at] = [day(), plan(), clock()];
        return shown && planned && at ? dueSoon(planned, shown.about, shown.ends, at.at) : [];
      }),
      /** What is not in the plan, and why: what cannot be made at all, and what found no place. */
      out: computed(() => {
        const shown = day();
        const left = (plan()?.left ?? []).map(({ job, text }) => ({
          text,
          combination: shown?.about.find((one) => one.job === job)?.combination ?? null,
        }));
        return [...(shown?.cannot ?? []), ...left];
      }),
      /** What moved against the plan given out; empty where none was. */
      moved: computed(() => {
        const [planned, all, at] = [plan(), work(), clock()];
        if (!planned || !all || !at || !before().length) return [];
        const against = differences({ ...planned, placed: [...before()] }, planned, all, at.at);
        const shown = day();
        return [...(shown?.given ? goneJobs(shown.given, shown.work, shown.cannot) : []), ...against];
      }),
    })),
    withMethods((store) => {
      const compare = async (work: PlanWork): Promise<void> => {
        const beside = await store.searching.beside(work);
        if (store.work() === work) patchState(store, { beside });
      };
      const search = async (milliseconds: number, start: readonly PlacedJob[] | null): Promise<void> => {
        const work = store.work();
        if (!work) return;
        patchState(store, { found: { share: 0, isProven: false, isLast: false } });
        void compare(work);
        try {
          await store.searching.search({ work, seed: 1, milliseconds, before: start }, ({ plan, ...found }) => {
            if (store.work() === work) patchState(store, { plan, found });
          });
        } catch (error) {
          patchState(store, { problem: toProblem(error), found: { share: 1, isProven: false, isLast: true } });
        }
      };
      const fromGiven = () => (store.before().length ? store.before() : null);
      return {
        /** Searches from the plan that is shown. */
        again: (milliseconds: number) => search(milliseconds, store.plan()?.placed ?? null),
        /** Reads everything once more and shows the plan given out, or searches for a first one. */
        async open(): Promise<void> {
          await store.load();
          const [work, model, given] = [store.work(), store.model(), fromGiven()];
          if (!given || !work || !model) return search(SEARCH, null);
          // What was given out is shown as it is; it is searched again when somebody asks for it.
          patchState(store, { plan: repeatPlan(model, given), found: null });
          await compare(work);
        },
        /** Plans again from what was given out: as little moves as need be. */
        async replan(): Promise<void> {
          await store.load();
          await search(SEARCH, fromGiven());
        },
        stop: () => store.searching.stop(),
        turnByDue(): void {
          patchState(store, { isByDue: !store.isByDue() });
        },
      };
    }),
    withMethods((store) => ({
      /** Changes the work, and searches on from the plan that is shown. */
      async edit(edits: readonly Edit[], said: string): Promise<void> {
        patchState(store, { edits, said });
        await store.again(TRY);
      },
    })),
  );
}
