import type { KeptEntry, NewEntry, Problem } from '@tug-mark/contract';
import { sessionActions } from '../session/session.state';
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
  /** The shop it was made for; absent in entries from before a device told shops apart. */
  readonly shop?: { readonly id: string; readonly name: string };
  readonly madeAt: string;
  /** Why the server refused it; a person has to decide then. Null while it waits to be sent. */
  readonly refused: Problem | null;
  /** Sent before the entry that names it. */
  readonly curve?: PackedCurve;
  /** The picture of a photograph that could not be sent when it was taken; the entry's digest is the server's, once it has it. */
  readonly photo?: Blob;
}

export interface OutboxState {
  readonly items: readonly OutboxItem[];
  /** Those of another shop that was at this address: never sent from here. */
  readonly elsewhere: readonly OutboxItem[];
  /** The shop that is here; null until it is known. */
  readonly shop: string | null;
  /** Ids of entries this device has kept: only those are sent, so that forgetting comes after keeping. */
  readonly stored: readonly string[];
  readonly offline: boolean;
  /** Times in a row nothing got through: the pauses between tries grow with it. */
  readonly silences: number;
  /** Entries the server failed on by a fault of its own: how often, and when each is tried again (ms since 1970). */
  readonly faulted: Readonly<Record<string, { readonly times: number; readonly until: number }>>;
  /** How far this device's clock was behind the server's when an entry was last kept, ms; null before the first. */
  readonly clockBehind: number | null;
}

const LONGEST_PAUSE = 60_000;

/** Pause before the next try after so many failures, ms: twice as long each time, a minute at most. */
export const pauseAfter = (failures: number): number => Math.min(LONGEST_PAUSE, 1000 * 2 ** (failures - 1));

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
    /** The server failed by a fault of its own: this entry waits, the others go on. */
    faulted: props<{ id: string; now: number }>(),
    /** Another person puts it on record as their own; why is on record already. */
    'handed over': props<{ id: string; person: string; personName: string }>(),
    /** The server knows nothing of its combination: it was made for another shop, before a device told shops apart. */
    'found elsewhere': props<{ id: string }>(),
    /** The person gives up a refused entry, after having seen why. */
    dropped: props<{ id: string }>(),
  },
});

function without(state: OutboxState, id: string): OutboxState {
  return {
    ...state,
    items: state.items.filter((item) => item.entry.id !== id),
    elsewhere: state.elsewhere.filter((item) => item.entry.id !== id),
    stored: state.stored.filter((other) => other !== id),
    faulted: Object.fromEntries(Object.entries(state.faulted).filter(([other]) => other !== id)),
  };
}

/** Sets apart what was made for another shop, as soon as it is known which one is here. */
function parted(state: OutboxState): OutboxState {
  const { shop } = state;
  if (shop === null) return state;
  const isOurs = (item: OutboxItem) => item.shop === undefined || item.shop.id === shop;
  const all = [...state.elsewhere, ...state.items];
  const elsewhere = all.filter((item) => !isOurs(item));
  return elsewhere.length || state.elsewhere.length ? { ...state, items: all.filter(isOurs), elsewhere } : state;
}

export const outboxFeature = createFeature({
  name: 'outbox',
  reducer: createReducer<OutboxState>(
    { items: [], elsewhere: [], shop: null, stored: [], offline: false, silences: 0, faulted: {}, clockBehind: null },
    on(sessionActions.arrived, (s, { here }): OutboxState => parted({ ...s, shop: here.shop.id })),
    on(outboxActions.foundElsewhere, (s, { id }): OutboxState => {
      const shop = { id: '', name: '' };
      return parted({ ...s, items: s.items.map((item) => (item.entry.id === id ? { ...item, shop } : item)) });
    }),
    on(outboxActions.restored, (s, { items }): OutboxState => {
      const known = new Set([...s.items, ...s.elsewhere].map((item) => item.entry.id));
      const restored = items.filter((item) => !known.has(item.entry.id));
      return parted({
        ...s,
        items: [...restored, ...s.items],
        stored: [...restored.map((item) => item.entry.id), ...s.stored],
      });
    }),
    on(outboxActions.put, (s, { item }): OutboxState => ({ ...s, items: [...s.items, item] })),
    on(outboxActions.stored, (s, { item }): OutboxState => ({ ...s, stored: [...s.stored, item.entry.id] })),
    on(outboxActions.kept, (s, { id, entry }): OutboxState => ({
      ...without(s, id),
      offline: false,
      silences: 0,
      clockBehind: entry.clockBehind ?? s.clockBehind,
    })),
    on(outboxActions.handedOver, (s, { id, person, personName }): OutboxState => ({
      ...s,
      items: s.items.map((item) => (item.entry.id === id ? { ...item, person, personName } : item)),
    })),
    on(outboxActions.dropped, (s, { id }): OutboxState => without(s, id)),
    on(outboxActions.refused, (s, { id, problem }): OutboxState => ({
      ...s,
      offline: false,
      silences: 0,
      items: s.items.map((item) => (item.entry.id === id ? { ...item, refused: problem } : item)),
    })),
    on(outboxActions.serverSilent, (s): OutboxState => ({ ...s, offline: true, silences: s.silences + 1 })),
    on(outboxActions.faulted, (s, { id, now }): OutboxState => {
      const times = (s.faulted[id]?.times ?? 0) + 1;
      return {
        ...s,
        offline: false,
        silences: 0,
        faulted: { ...s.faulted, [id]: { times, until: now + pauseAfter(times) } },
      };
    }),
  ),
  extraSelectors: ({ selectItems, selectStored, selectFaulted }) => ({
    selectToSend: createSelector(selectItems, selectStored, (items, stored) =>
      items.filter((item) => item.refused === null && stored.includes(item.entry.id)),
    ),
    selectWaiting: createSelector(selectItems, (items) => items.filter((item) => item.refused === null)),
    selectFaultedItems: createSelector(selectFaulted, selectItems, (faulted, items) =>
      items.filter((item) => item.entry.id in faulted),
    ),
    selectRefused: createSelector(selectItems, (items) => items.filter((item) => item.refused !== null)),
  }),
});
