import { computed, inject } from '@angular/core';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import type { ListColumns } from '@tug-mark/contract';
import { combine, isSplice, proposeColumns, readWireList } from '@tug-mark/core';
import { CabinetStore } from '../../cabinet/cabinet.store';
import { cellsOf, type Cells } from '../../parts/text-table';
import { gathered, mended, type TableFault } from '../../parts/table-faults';
import { asWireList, knownFor, placeOf, type Meaning, type Reading } from './list-source';

interface State extends Reading {
  /** What it came from, as it is told. */
  readonly source: string;
  readonly cells: Cells;
}

/** A wire list on its way in: its cells, what its columns are taken for, what is wrong and what it becomes. */
export const ListImport = signalStore(
  withState<State>({ source: '', cells: [], meanings: [], isNumbered: false }),
  withComputed((store, cabinet = inject(CabinetStore)) => {
    const known = computed(() => ({
      wires: new Set(cabinet.of('wire').map(({ part }) => part)),
      terminals: new Set(cabinet.of('terminal').map(({ part }) => part)),
      splices: new Set(
        cabinet
          .of('terminal')
          .filter(isSplice)
          .map(({ part }) => part),
      ),
      connectors: new Map(
        cabinet.of('connector').map(({ part, cavities }) => [part, new Set(cavities.map(({ id }) => id))]),
      ),
    }));
    const reading = computed(() => ({ meanings: store.meanings(), isNumbered: store.isNumbered() }));
    const table = computed(() => asWireList(store.cells(), reading()));
    const read = computed(() => (store.cells().length ? readWireList(table(), known()) : null));
    return {
      known,
      reading,
      table,
      read,
      header: computed(() => store.cells()[0] ?? []),
      hasIds: computed(() => store.meanings().includes('wireId')),
      faults: computed(() => {
        const found = read();
        return found && !found.ok ? gathered(found.problems, (column) => placeOf(reading(), column) !== null) : [];
      }),
      /** Cells that are wrong, also those that are not spelt out; a column that is missing is told above. */
      total: computed(() => {
        const found = read();
        if (!found || found.ok) return 0;
        return found.total - found.problems.filter(({ row }) => row === 1).length;
      }),
      becomes: computed(() => {
        const found = read();
        if (!found?.ok) return null;
        const combinations = combine(found.rows, known().splices);
        return {
          wires: found.rows.length,
          combinations: combinations.length,
          pieces: combinations.reduce((sum, { pieces }) => sum + pieces, 0),
        };
      }),
    };
  }),
  withMethods((store) => ({
    /** @param sources what columns of other files were taken for */
    take(source: string, text: string, sources: readonly ListColumns[]): void {
      const cells = cellsOf(text);
      const [header = []] = cells;
      const meanings: readonly Meaning[] = knownFor(header, sources) ?? proposed(cells, store.known());
      patchState(store, { source, cells, meanings, isNumbered: false });
    },
    /** A column is taken for something else; nothing is taken twice. */
    mean(at: number, meaning: Meaning): void {
      const isSame = (a: Meaning, b: Meaning) =>
        a === b || (!!a?.startsWith('length') && !!b?.startsWith('length') && a !== null);
      patchState(store, ({ meanings }) => ({
        meanings: meanings.map((each, i) => (i === at ? meaning : isSame(each, meaning) ? null : each)),
      }));
    },
    setNumbered(isNumbered: boolean): void {
      patchState(store, { isNumbered });
    },
    /** Puts a value into a cell of every row of a fault. */
    mend(fault: TableFault, value: string): void {
      const at = placeOf(store.reading(), fault.column);
      if (at === null) return;
      patchState(store, ({ cells }) => ({ cells: mended(cells, fault.rows, at, value) }));
    },
    /** Puts back what was remembered of a list. */
    restore(state: State): void {
      patchState(store, state);
    },
    leave(): void {
      patchState(store, { source: '', cells: [], meanings: [], isNumbered: false });
    },
    /** The headings of the file and what they were taken for. */
    columns(): ListColumns {
      return { header: [...store.header()], meanings: [...store.meanings()] };
    },
  })),
);

function proposed(cells: Cells, known: Parameters<typeof proposeColumns>[1]): Meaning[] {
  const [header = []] = cells;
  return proposeColumns(cells, known).map((key, at) =>
    key === 'length' && /in\)?$|inch/i.test((header[at] ?? '').trim()) ? 'lengthIn' : key,
  );
}
