import { computed, inject, type Signal } from '@angular/core';
import { patchState, signalStoreFeature, type, withComputed, withHooks, withMethods, withState } from '@ngrx/signals';
import { setAllEntities, withEntities } from '@ngrx/signals/entities';
import type { DocumentHistory, Problem } from '@tug-mark/contract';
import { documentKey, isSameDocument, type DocumentKey, type ShopDocument } from '@tug-mark/core';
import { Api, toProblem } from '../http/api';

/** A shelf of any kind of document, as far as it is shown and moved. */
export interface AnyShelf {
  readonly chosen: Signal<ShopDocument | undefined>;
  readonly record: Signal<DocumentHistory | undefined>;
  readonly others: Signal<readonly ShopDocument[]>;
  readonly compared: Signal<ShopDocument | null>;
  readonly problem: Signal<Problem | null>;
  move(document: DocumentKey, to: 'release' | 'withdraw', replaces?: boolean): Promise<void>;
  compareWith(document: DocumentKey | null): void;
}

/** Where a kind of document comes from, and how one is released or withdrawn. */
export interface ShelfSource<T extends ShopDocument, R extends DocumentHistory> {
  readonly documentOf: (record: R) => T;
  readonly list: () => Promise<readonly R[]>;
  readonly move: (key: DocumentKey, to: 'release' | 'withdraw', replaces: boolean) => Promise<unknown>;
}

interface State {
  readonly picked: DocumentKey | null;
  readonly other: DocumentKey | null;
  readonly problem: Problem | null;
  readonly loaded: boolean;
}

/** All revisions of one kind of document: which one is looked at, what it is compared with, what became of moving it. */
export function withShelf<T extends ShopDocument, R extends DocumentHistory>(source: (api: Api) => ShelfSource<T, R>) {
  return signalStoreFeature(
    withState<State>({ picked: null, other: null, problem: null, loaded: false }),
    withEntities({ entity: type<R>(), collection: 'record' }),
    withComputed(({ recordEntities, picked, other }, { documentOf } = source(inject(Api))) => {
      const documents = computed(() => recordEntities().map(documentOf));
      /** The one picked, else the one in effect, else the first. */
      const record = computed(() => {
        const all = recordEntities();
        return (
          all.find((r) => isSameDocument(documentOf(r), picked())) ??
          all.find((r) => documentOf(r).status === 'released') ??
          all[0]
        );
      });
      const chosen = computed(() => {
        const own = record();
        return own && documentOf(own);
      });
      const others = computed(() => documents().filter((d) => !isSameDocument(d, chosen())));
      return {
        documents,
        record,
        chosen,
        others,
        compared: computed(() => others().find((d) => isSameDocument(d, other())) ?? null),
        released: computed(() => documents().filter((d) => d.status === 'released')),
      };
    }),
    withMethods((store, own = source(inject(Api))) => {
      const show = (records: readonly R[]) => {
        const selectId = (record: R) => JSON.stringify(documentKey(own.documentOf(record)));
        patchState(store, setAllEntities([...records], { collection: 'record', selectId }), { problem: null });
      };
      const fail = (error: unknown) => {
        patchState(store, { problem: toProblem(error) });
      };
      const load = async () => {
        try {
          show(await own.list());
          patchState(store, { loaded: true });
        } catch (error) {
          fail(error);
        }
      };
      const choose = (document: DocumentKey) => {
        patchState(store, { picked: documentKey(document) });
      };
      return {
        load,
        choose,
        fail,
        compareWith(other: DocumentKey | null): void {
          patchState(store, { other });
        },
        /** Shows what was drafted. */
        take: show,
        async move(document: DocumentKey, to: 'release' | 'withdraw', replaces = false): Promise<void> {
          choose(document);
          try {
            await own.move(documentKey(document), to, replaces);
            await load();
          } catch (error) {
            fail(error);
          }
        },
      };
    }),
    withHooks({
      onInit({ load }) {
        void load();
      },
    }),
  );
}
