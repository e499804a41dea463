import type { CombinationView, Problem } from '@tug-mark/contract';
import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';
import { outboxActions } from '../outbox/outbox.state';

/** The combination in hand at the bench. */
export interface HandState {
  readonly id: string | null;
  readonly view: CombinationView | null;
  readonly problem: Problem | null;
}

export const handActions = createActionGroup({
  source: 'Hand',
  events: {
    take: props<{ id: string }>(),
    refresh: props<{ id: string }>(),
    loaded: props<{ view: CombinationView }>(),
    failed: props<{ problem: Problem }>(),
  },
});

export const handFeature = createFeature({
  name: 'hand',
  reducer: createReducer<HandState>(
    { id: null, view: null, problem: null },
    on(handActions.take, (s, { id }): HandState =>
      s.id === id ? { ...s, problem: null } : { id, view: null, problem: null },
    ),
    on(handActions.loaded, (s, { view }): HandState =>
      view.combination.id === s.id ? { ...s, view, problem: null } : s,
    ),
    on(handActions.failed, (s, { problem }): HandState => ({ ...s, problem })),
    on(outboxActions.kept, (s, { combination, entry }): HandState => {
      if (!s.view || s.id !== combination || s.view.entries.some((e) => e.id === entry.id)) return s;
      const entries = [...s.view.entries, entry].sort((a, b) => a.seq - b.seq);
      return { ...s, view: { ...s.view, entries } };
    }),
  ),
});
