import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { TableProblem } from '@tug-mark/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzTableModule } from 'ng-zorro-antd/table';
import { count } from './count';

/** The same fault in many rows of a table that is brought in, mended in all of them at once. */
export interface TableFault {
  readonly key: string;
  /** As a spreadsheet counts them. */
  readonly rows: readonly number[];
  readonly column: string;
  readonly value: string;
  readonly text: string;
  /** Whether there is a cell to mend. */
  readonly isCell: boolean;
}

/**
 * Problems of the same kind as one, in the order they come; those of the header are told elsewhere.
 * @param isCell whether a column is one of the file's own
 */
export function gathered(problems: readonly TableProblem[], isCell: (column: string) => boolean): TableFault[] {
  const faults = new Map<string, TableFault & { rows: number[] }>();
  for (const { row, column, value, text } of problems) {
    if (row === 1) continue;
    const key = `${column}/${value}/${text}`;
    const found = faults.get(key);
    if (found) found.rows.push(row);
    else faults.set(key, { key, rows: [row], column, value, text, isCell: isCell(column) });
  }
  return [...faults.values()];
}

/** A table with a value put into one column of some of its rows. */
export function mended(
  cells: readonly (readonly string[])[],
  rows: readonly number[],
  at: number,
  value: string,
): readonly (readonly string[])[] {
  const mend = new Set(rows.map((row) => row - 1));
  return cells.map((row, r) =>
    mend.has(r)
      ? Array.from({ length: Math.max(row.length, at + 1) }, (_, c) => (c === at ? value.trim() : (row[c] ?? '')))
      : row,
  );
}

/** Faults shown at once; the others come when these are mended. */
const SHOWN = 50;

/** What is wrong in a table that is brought in, each fault once however many rows have it, mended here or in the file. */
@Component({
  selector: 'tm-table-faults',
  imports: [NzInputModule, NzTableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (total()) {
      <h3>{{ count(total(), 'cell is', 'cells are') }} not right yet</h3>
      <p class="soft">Mend them here, or in the file and take it again. The file itself is not changed.</p>
      <nz-table nzTemplateMode nzSize="small" [nzShowPagination]="false" aria-label="Faults">
        <thead>
          <tr>
            <th scope="col">Row</th>
            <th scope="col">Column</th>
            <th scope="col">Stands there</th>
            <th scope="col">What is wrong</th>
          </tr>
        </thead>
        <tbody>
          @for (fault of shown(); track fault.key) {
            <tr>
              <td class="figures">{{ rowsOf(fault) }}</td>
              <td>{{ fault.column }}</td>
              <td>
                @if (fault.isCell) {
                  <input
                    nz-input
                    #cell
                    [attr.aria-label]="fault.column + ', row ' + rowsOf(fault)"
                    [defaultValue]="fault.value"
                    (change)="mended.emit({ fault, value: cell.value })"
                    (keydown.enter)="mend($event, fault, cell.value)"
                  />
                }
              </td>
              <td>{{ fault.text }}</td>
            </tr>
          }
        </tbody>
      </nz-table>
      @if (faults().length > shown().length) {
        <p class="soft">... and {{ faults().length - shown().length }} more kinds; they show as these are mended.</p>
      }
    }
  `,
  styles: `
    input {
      min-width: 150px;
    }
  `,
})
export class TableFaults {
  readonly faults = input.required<readonly TableFault[]>();
  /** Cells that are wrong, also those that are not spelt out. */
  readonly total = input.required<number>();
  readonly mended = output<{ readonly fault: TableFault; readonly value: string }>();
  protected readonly count = count;
  protected readonly shown = computed(() => this.faults().slice(0, SHOWN));

  protected rowsOf({ rows }: TableFault): string {
    const [first = 0, ...rest] = rows;
    return rest.length > 2 ? `${first} and ${rest.length} more` : rows.join(', ');
  }

  protected mend(event: Event, fault: TableFault, value: string): void {
    event.preventDefault();
    this.mended.emit({ fault, value });
  }
}
