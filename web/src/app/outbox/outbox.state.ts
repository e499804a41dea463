import type { KeptEntry, NewEntry, Problem } from '@tug-mark/contract';
import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';

/** A curve packed for sending; the entry names it by id and digest. A blob: the store holds no bytes that can change. */
export interface PackedCurve {
  readonly id: string;
  readonly bytes: Blob;
}

/** An entry on its way to the server, kept on this device until the server has it. */
export interface OutboxItem {
  readonly entry: NewEntry;
  readonly combination: string;
  /** Who made it: it is only ever sent in that person's name. */
  readonly person: string;
  readonly personName: string;
  readonly madeAt: string;
  /** Why the server refused it; a person has to decide then. Null while it waits to be sent. */
  readonly refused: Problem | null;
  /** Sent before the entry that names it. */
  readonly curve?: PackedCurve;
}

export interface OutboxState {
  readonly items: readonly OutboxItem[];
  /** Ids of entries this device has kept: only those are sent, so that forgetting comes after keeping. */
  readonly stored: readonly string[];
  readonly offline: boolean;
}

export const outboxActions = createActionGroup({
  source: 'Outbox',
  events: {
    restored: props<{ items: OutboxItem[] }>(),
    put: props<{ item: OutboxItem }>(),
    stored: props<{ item: OutboxItem }>(),
    flush: emptyProps(),
    kept: props<{ id: string; combination: string; entry: KeptEntry }>(),
    refused: props<{ id: string; problem: Problem }>(),
    'server silent': emptyProps(),
    /** The person gives up a refused entry, after having seen why. */
    dropped: props<{ id: string }>(),
  },
});

function without(state: OutboxState, id: string): OutboxState {
  return {
    ...state,
    items: state.items.filter((item) => item.entry.id !== id),
    stored: state.stored.filter((other) => other !== id),
  };
}

export const outboxFeature = createFeature({
  name: 'outbox',
  reducer: createReducer<OutboxState>(
    { items: [], stored: [], offline: false },
    on(outboxActions.restored, (s, { items }): OutboxState => {
      const known = new Set(s.items.map((item) => item.entry.id));
      const restored = items.filter((item) => !known.has(item.entry.id));
      return {
        ...s,
        items: [...restored, ...s.items],
        stored: [...restored.map((item) => item.entry.id), ...s.stored],
      };
    }),
    on(outboxActions.put, (s, { item }): OutboxState => ({ ...s, items: [...s.items, item] })),
    on(outboxActions.stored, (s, { item }): OutboxState => ({ ...s, stored: [...s.stored, item.entry.id] })),
    on(outboxActions.kept, (s, { id }): OutboxState => ({ ...without(s, id), offline: false })),
    on(outboxActions.dropped, (s, { id }): OutboxState => without(s, id)),
    on(outboxActions.refused, (s, { id, problem }): OutboxState => ({
      ...s,
      offline: false,
      items: s.items.map((item) => (item.entry.id === id ? { ...item, refused: problem } : item)),
    })),
    on(outboxActions.serverSilent, (s): OutboxState => ({ ...s, offline: true })),
  ),
  extraSelectors: ({ selectItems, selectStored }) => ({
    selectToSend: createSelector(selectItems, selectStored, (items, stored) =>
      items.filter((item) => item.refused === null && stored.includes(item.entry.id)),
    ),
    selectWaiting: createSelector(selectItems, (items) => items.filter((item) => item.refused === null)),
    selectRefused: createSelector(selectItems, (items) => items.filter((item) => item.refused !== null)),
  }),
});
