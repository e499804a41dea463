import type { CombinationView, KeptEntry, Problem } from '@tug-mark/contract';
import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';
import { outboxActions } from '../outbox/outbox.state';

/** The combination in hand at the bench. */
export interface HandState {
  readonly id: string | null;
  readonly view: CombinationView | null;
  /** Entries the server confirmed for this combination; a view fetched meanwhile may be older than they are. */
  readonly confirmed: readonly KeptEntry[];
  /** Every entry up to this place is here; past it there are own ones, and gaps that others may have filled. */
  readonly completeTo: number;
  readonly problem: Problem | null;
}

export const handActions = createActionGroup({
  source: 'Hand',
  events: {
    take: props<{ id: string }>(),
    refresh: props<{ id: string }>(),
    loaded: props<{ view: CombinationView }>(),
    /** What others put on record since. */
    'caught up': props<{ id: string; entries: KeptEntry[] }>(),
    failed: props<{ problem: Problem }>(),
  },
});

/** A view with these entries too. The journal only ever grows, so what was once in it stays in it. */
function withEntries(view: CombinationView, entries: readonly KeptEntry[]): CombinationView {
  const known = new Set(view.entries.map((entry) => entry.id));
  const more = entries.filter((entry) => !known.has(entry.id));
  return more.length ? { ...view, entries: [...view.entries, ...more].sort((a, b) => a.seq - b.seq) } : view;
}

/** How far a journal is without a gap, from a place up to which it is. */
function withoutGap(from: number, entries: readonly KeptEntry[]): number {
  const places = new Set(entries.map(({ seq }) => seq));
  let end = from;
  while (places.has(end + 1)) end += 1;
  return end;
}

const lastOf = (entries: readonly KeptEntry[]) => entries.reduce((last, { seq }) => Math.max(last, seq), 0);

export const handFeature = createFeature({
  name: 'hand',
  reducer: createReducer<HandState>(
    { id: null, view: null, confirmed: [], completeTo: 0, problem: null },
    on(handActions.take, (s, { id }): HandState =>
      s.id === id ? { ...s, problem: null } : { id, view: null, confirmed: [], completeTo: 0, problem: null },
    ),
    on(handActions.loaded, (s, { view }): HandState =>
      view.combination.id === s.id
        ? {
            ...s,
            view: withEntries(view, s.confirmed),
            completeTo: withoutGap(Math.max(s.completeTo, lastOf(view.entries)), s.confirmed),
            problem: null,
          }
        : s,
    ),
    on(handActions.failed, (s, { problem }): HandState => ({ ...s, problem })),
    on(handActions.caughtUp, (s, { id, entries }): HandState =>
      s.id === id && entries.length
        ? {
            ...s,
            confirmed: [...s.confirmed, ...entries],
            view: s.view && withEntries(s.view, entries),
            completeTo: withoutGap(Math.max(s.completeTo, lastOf(entries)), s.confirmed),
          }
        : s,
    ),
    on(outboxActions.kept, (s, { combination, entry }): HandState =>
      s.id === combination
        ? {
            ...s,
            confirmed: [...s.confirmed, entry],
            view: s.view && withEntries(s.view, [entry]),
            completeTo: withoutGap(s.completeTo, [...s.confirmed, entry]),
          }
        : s,
    ),
  ),
});
