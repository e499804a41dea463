import { computed, inject } from '@angular/core';
import { patchState, signalStore, type, withComputed, withMethods, withState } from '@ngrx/signals';
import { setAllEntities, withEntities, type SelectEntityId } from '@ngrx/signals/entities';
import type { Cabinet, Problem } from '@tug-mark/contract';
import type { CatalogueKind, CatalogueParts, Practice, Stripper, Terminal, Tool, Wire } from '@tug-mark/core';
import { Api, toProblem } from '../http/api';

interface State {
  /** Go/no-go checks and returns to use of the shop's tools. */
  readonly records: Pick<Cabinet, 'checks' | 'returns'>;
  readonly loaded: boolean;
  readonly problem: Problem | null;
}

const byPart: SelectEntityId<{ readonly part: string }> = ({ part }) => part;
/** How a kind of part is kept: by its number. */
const keep = <C extends string>(collection: C) => ({ collection, selectId: byPart });

/** The shop's cabinet on this device: read once, read again when something in it was changed. */
export const CabinetStore = signalStore(
  { providedIn: 'root' },
  withState<State>({ records: { checks: [], returns: [] }, loaded: false, problem: null }),
  withEntities({ entity: type<Wire>(), collection: 'wire' }),
  withEntities({ entity: type<Terminal>(), collection: 'terminal' }),
  withEntities({ entity: type<Tool>(), collection: 'tool' }),
  withEntities({ entity: type<Stripper>(), collection: 'stripper' }),
  withEntities({ entity: type<CatalogueParts['covering']>(), collection: 'covering' }),
  withEntities({ entity: type<CatalogueParts['connector']>(), collection: 'connector' }),
  withEntities({ entity: type<Practice>(), collection: 'practice' }),
  withComputed(({ practiceEntities }) => ({
    /** House rules: the shop's own first, those for one customer or grade after it. */
    practices: computed(() =>
      [...practiceEntities()].sort((a, b) => Number(a.base !== null) - Number(b.base !== null)),
    ),
  })),
  withMethods((store, api = inject(Api)) => ({
    /** Parts of one kind, in order of their numbers. */
    of<K extends CatalogueKind>(kind: K): readonly CatalogueParts[K][] {
      const all: { readonly [P in CatalogueKind]: () => readonly CatalogueParts[P][] } = {
        wire: store.wireEntities,
        terminal: store.terminalEntities,
        tool: store.toolEntities,
        stripper: store.stripperEntities,
        covering: store.coveringEntities,
        connector: store.connectorEntities,
      };
      return all[kind]();
    },
    /** The part of a kind and number, as it is now. */
    part<K extends CatalogueKind>(kind: K, part: string): CatalogueParts[K] | undefined {
      const all: { readonly [P in CatalogueKind]: () => Readonly<Record<string, CatalogueParts[P]>> } = {
        wire: store.wireEntityMap,
        terminal: store.terminalEntityMap,
        tool: store.toolEntityMap,
        stripper: store.stripperEntityMap,
        covering: store.coveringEntityMap,
        connector: store.connectorEntityMap,
      };
      return all[kind]()[part];
    },
    async load(): Promise<void> {
      try {
        const { wires, terminals, tools, strippers, coverings, connectors, practices, checks, returns } =
          await api.cabinet();
        patchState(
          store,
          setAllEntities([...wires], keep('wire')),
          setAllEntities([...terminals], keep('terminal')),
          setAllEntities([...tools], keep('tool')),
          setAllEntities([...strippers], keep('stripper')),
          setAllEntities([...coverings], keep('covering')),
          setAllEntities([...connectors], keep('connector')),
          setAllEntities([...practices], keep('practice')),
          { records: { checks, returns }, loaded: true, problem: null },
        );
      } catch (error) {
        patchState(store, { problem: toProblem(error) });
      }
    },
  })),
);
