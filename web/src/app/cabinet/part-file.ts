import { computed, inject } from '@angular/core';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import { countChanges, headingsLeft, readPartTable, type CatalogueKind } from '@tug-mark/core';
import { unparse } from 'papaparse';
import { gathered, mended, type TableFault } from '../parts/table-faults';
import { cellsOf, type Cells } from '../parts/text-table';
import { CabinetStore } from './cabinet.store';

interface State {
  readonly kind: CatalogueKind;
  readonly file: string;
  readonly cells: Cells;
}

/** Problems that are spelt out; the others come as these are mended. */
const SPELT_OUT = 400;

/** Parts of one kind on their way in from a table: its cells, what is wrong with them and what they would become. */
export const PartFile = signalStore(
  withState<State>({ kind: 'terminal', file: '', cells: [] }),
  withComputed((store, cabinet = inject(CabinetStore)) => {
    const read = computed(() => (store.cells().length ? readPartTable(store.kind(), store.cells(), SPELT_OUT) : null));
    const problems = computed(() => {
      const found = read();
      return found && !found.ok ? found.problems : [];
    });
    const header = computed(() => store.cells()[0] ?? []);
    const ofHeader = computed(() => problems().filter(({ row }) => row === 1));
    return {
      read,
      header,
      /** What is wrong with the header: columns nobody knows, and needed ones that are missing. */
      headings: computed(() =>
        ofHeader().map(({ column, text }) => ({
          column,
          text,
          at: header().findIndex((cell) => cell.trim() === column),
        })),
      ),
      /** Columns that may stand for one nobody knows: those the file does not have. */
      free: computed(() => headingsLeft(store.kind(), header())),
      faults: computed(() => gathered(problems(), (column) => header().some((cell) => cell.trim() === column))),
      total: computed(() => {
        const found = read();
        return found && !found.ok ? found.total - ofHeader().length : 0;
      }),
      /** How many parts would be new, changed, or as they stand. */
      becomes: computed(() => {
        const found = read();
        if (!found?.ok) return null;
        const kind = store.kind();
        return countChanges(kind, cabinet.of(kind) as never, found.parts as never);
      }),
      /** The table as it is now, for the server's own door. */
      csv: computed(() => new File([unparse(store.cells() as string[][])], store.file(), { type: 'text/csv' })),
    };
  }),
  withMethods((store) => ({
    take(kind: CatalogueKind, file: string, text: string): void {
      patchState(store, { kind, file, cells: cellsOf(text) });
    },
    /** Puts a value into a cell of every row of a fault. */
    mend({ column, rows }: TableFault, value: string): void {
      const at = store.header().findIndex((cell) => cell.trim() === column);
      if (at >= 0) patchState(store, ({ cells }) => ({ cells: mended(cells, rows, at, value) }));
    },
    /** Takes a column for another; null leaves it out. */
    head(at: number, heading: string | null): void {
      patchState(store, ({ cells }) => ({
        cells: cells.map((row, r) =>
          heading === null
            ? row.filter((_, c) => c !== at)
            : r === 0
              ? row.map((cell, c) => (c === at ? heading : cell))
              : row,
        ),
      }));
    },
    /** Puts back what was remembered of a table. */
    restore(state: State): void {
      patchState(store, state);
    },
    leave(): void {
      patchState(store, { file: '', cells: [] });
    },
  })),
);
