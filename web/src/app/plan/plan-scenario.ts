import type { Signal } from '@angular/core';
import { patchState, signalStoreFeature, type, withMethods, withState } from '@ngrx/signals';
import { whatIf, type Plan, type PlanWork } from '@tug-mark/core';
import type { Remedy } from '../../workers/plan.messages';
import { TRY } from './plan-found';
import type { PlanSearch } from './plan-search';
import type { Edit } from './plan-source';

/** Something tried out beside the plan. */
export interface Scenario extends Edit {
  /** Null while it is searched for. */
  readonly plan: Plan | null;
  readonly remedies: readonly Remedy[];
}

/** What if: answered beside the plan, to be kept as the plan or thrown away. */
export function withScenario() {
  return signalStoreFeature(
    {
      state: type<{ plan: Plan | null; edits: readonly Edit[] }>(),
      props: type<{ work: Signal<PlanWork | null>; searching: PlanSearch }>(),
      methods: type<{ edit(edits: readonly Edit[], said: string): Promise<void>; stop(): Promise<void> }>(),
    },
    withState<{ scenario: Scenario | null }>({ scenario: null }),
    withMethods((store) => ({
      async tryOut(edit: Edit): Promise<void> {
        // The search for the plan itself ends with the best it has: the cores are needed here.
        await store.stop();
        const [work, plan] = [store.work(), store.plan()];
        if (!work || !plan) return;
        patchState(store, { scenario: { ...edit, plan: null, remedies: [] } });
        const isAsked = () => store.scenario()?.change === edit.change;
        const changed = whatIf(work, edit.change);
        const reached: { plan: Plan | null } = { plan: null };
        await store.searching.search({ work: changed, seed: 1, milliseconds: TRY, before: plan.placed }, (found) => {
          reached.plan = found.plan;
        });
        const answer = reached.plan;
        if (!isAsked() || !answer) return;
        patchState(store, { scenario: { ...edit, plan: answer, remedies: [] } });
        if (!answer.score.lateness) return;
        const remedies = await store.searching.remedies(changed, answer);
        if (isAsked()) patchState(store, { scenario: { ...edit, plan: answer, remedies } });
      },
      /** Makes what was tried the plan. */
      async keepScenario(): Promise<void> {
        const scenario = store.scenario();
        if (!scenario?.plan) return;
        const { change, text, plan } = scenario;
        patchState(store, { plan, scenario: null });
        await store.edit([...store.edits(), { change, text }], `Planned with: ${text}.`);
      },
      dropScenario(): void {
        patchState(store, { scenario: null });
      },
    })),
  );
}
