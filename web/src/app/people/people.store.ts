import { inject } from '@angular/core';
import { patchState, signalStore, withHooks, withMethods, withState } from '@ngrx/signals';
import { setAllEntities, withEntities } from '@ngrx/signals/entities';
import type { Person, Problem } from '@tug-mark/contract';
import { Api, toProblem } from '../http/api';
import { onceWords } from './once-words';

interface State {
  readonly problem: Problem | null;
  /** What was done last, in words; empty when nothing is to be said. */
  readonly said: string;
}

/** The accounts of the shop. */
export const PeopleStore = signalStore(
  withState<State>({ problem: null, said: '' }),
  withEntities<Person>(),
  withMethods((store, api = inject(Api)) => {
    const attempt = async (work: () => Promise<unknown>): Promise<void> => {
      try {
        await work();
        patchState(store, setAllEntities([...(await api.people())]), { problem: null });
      } catch (error) {
        patchState(store, { problem: toProblem(error) });
      }
    };
    return {
      load: () => attempt(() => Promise.resolve()),
      /** Changes an account; what is refused leaves it as it was. */
      change: (id: string, changes: Partial<Person>) =>
        attempt(async () => {
          const person = store.entityMap()[id];
          if (person) await api.changePerson({ ...person, ...changes });
        }),
      /** Gives out a word for once, in place of the password. */
      giveWord: (id: string) =>
        attempt(async () => {
          const { name, word } = await api.giveOnceWord(id);
          patchState(store, { said: onceWords(name, word) });
        }),
      async added(said: string): Promise<void> {
        patchState(store, { said });
        await attempt(() => Promise.resolve());
      },
    };
  }),
  withHooks({
    onInit({ load }) {
      void load();
    },
  }),
);
