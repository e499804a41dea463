import { computed, type Signal } from '@angular/core';
import { patchState, signalStoreFeature, type, withComputed, withMethods, withState } from '@ngrx/signals';
import type { PlanDay } from '@tug-mark/contract';
import { comparePlans, movePlan, whyHere, type Model, type Move, type Plan, type PlanWork } from '@tug-mark/core';
import type { PlanFound } from '../../workers/plan.messages';
import type { Edit } from './plan-source';
import type { PlanClock } from './plan-time';

interface State {
  /** The job that is looked at. */
  readonly chosen: string | null;
  /** A job in hand, where it would be put, and what that comes to; without a plan it cannot be put there. */
  readonly trial: { readonly move: Move; readonly plan: Plan | null; readonly text: string } | null;
}

/** One job at a time: why it is where it is, what a move would come to, keeping it there and taking it out. */
export function withMoves() {
  return signalStoreFeature(
    {
      state: type<{
        day: PlanDay | null;
        plan: Plan | null;
        edits: readonly Edit[];
        said: string;
        found: Pick<PlanFound, 'share' | 'isProven' | 'isLast'> | null;
      }>(),
      props: type<{ work: Signal<PlanWork | null>; model: Signal<Model | null>; clock: Signal<PlanClock | null> }>(),
      methods: type<{ edit(edits: readonly Edit[], said: string): Promise<void>; stop(): Promise<void> }>(),
    },
    withState<State>({ chosen: null, trial: null }),
    withComputed(({ day, plan, model, clock, chosen, work }) => ({
      why: computed(() => {
        const [tables, planned, id, at] = [model(), plan(), chosen(), clock()];
        return tables && planned && id !== null && at ? whyHere(tables, planned, id, at.at) : null;
      }),
      about: computed(() => day()?.about.find(({ job }) => job === chosen()) ?? null),
      isFixed: computed(() => work()?.jobs.some(({ id, fixed }) => id === chosen() && fixed !== null) ?? false),
    })),
    withMethods((store) => ({
      choose(chosen: string | null): void {
        patchState(store, { chosen, trial: null });
      },
      /** What a move would come to; nothing is moved yet. */
      weigh(move: Move): void {
        const [model, plan, work, clock] = [store.model(), store.plan(), store.work(), store.clock()];
        if (!model || !plan || !work || !clock) return;
        const moved = movePlan(model, plan, move);
        patchState(store, {
          trial: moved.ok
            ? { move, plan: moved.plan, text: comparePlans(plan, moved.plan, work, clock.at) }
            : { move, plan: null, text: moved.text },
        });
      },
      letGo(): void {
        patchState(store, { trial: null });
      },
      /** Puts the job in hand where it was weighed. */
      async drop(): Promise<void> {
        const trial = store.trial();
        if (!trial) return;
        if (!trial.plan) {
          patchState(store, { said: trial.text, trial: null });
          return;
        }
        await store.stop();
        patchState(store, {
          ...{ plan: trial.plan, trial: null, said: `Moved. ${trial.text}`, chosen: trial.move.job },
          found: { share: 1, isProven: false, isLast: true },
        });
      },
      /** Keeps the chosen job where it is, whatever is searched for. */
      async fixChosen(): Promise<void> {
        const place = store.plan()?.placed.find(({ job }) => job === store.chosen());
        if (!place || store.isFixed()) return;
        const text = `${store.about()?.label ?? ''} stays at ${store.clock()?.at(place.start) ?? ''}`;
        await store.edit([...store.edits(), { change: { what: 'job-fixed', place }, text }], `${text}.`);
      },
      async takeChosenOut(): Promise<void> {
        const about = store.about();
        if (!about) return;
        patchState(store, { chosen: null });
        const text = `${about.label} is taken out`;
        await store.edit([...store.edits(), { change: { what: 'job-out', job: about.job }, text }], `${text}.`);
      },
      /** Takes back one thing that was changed here. */
      undo: (edit: Edit) =>
        store.edit(
          store.edits().filter((one) => one !== edit),
          `Taken back: ${edit.text}.`,
        ),
    })),
  );
}
