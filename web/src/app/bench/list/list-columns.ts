import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { WIRE_LIST_COLUMNS, WIRE_LIST_KEYS } from '@tug-mark/core';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Select } from '../../parts/select';
import { Tick } from '../../parts/tick';
import { ListImport } from './list-import';
import type { Meaning } from './list-source';

/** Rows shown, so that somebody sees what a column holds. */
const SHOWN = 4;

/** What each column of the file is taken for, with its first rows; changed by hand where it was proposed wrong. */
@Component({
  selector: 'tm-list-columns',
  imports: [NzTableModule, Select, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3>What the columns say</h3>
    <div class="scroll" tabindex="0" role="group" aria-label="Columns of the file">
      <nz-table nzTemplateMode nzSize="small" class="figures" [nzShowPagination]="false">
        <thead>
          <tr>
            @for (head of work.header(); track $index; let c = $index) {
              <th scope="col">
                {{ head || 'column ' + (c + 1) }}
                <tm-select
                  [selectId]="'column-' + c"
                  [label]="'What ' + (head || 'column ' + (c + 1)) + ' says'"
                  [options]="meanings"
                  [value]="work.meanings()[c] ?? ''"
                  (valueChange)="mean(c, $event)"
                />
              </th>
            }
          </tr>
        </thead>
        <tbody>
          @for (row of first(); track $index) {
            <tr>
              @for (head of work.header(); track $index; let c = $index) {
                <td>{{ row[c] }}</td>
              }
            </tr>
          }
        </tbody>
      </nz-table>
    </div>
    @if (missing().length) {
      <p class="wrong" role="status">No column is taken for: {{ missing().join(', ') }}.</p>
    }
    @if (!work.hasIds()) {
      <tm-tick [value]="work.isNumbered()" (valueChange)="work.setNumbered($event)">
        the list names no wires: number them W1, W2, W3 ...
      </tm-tick>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      grid-template-columns: minmax(0, 1fr);
    }
    .scroll {
      overflow-x: auto;
    }
    th tm-select {
      display: block;
      font-weight: 400;
      margin-top: 4px;
      min-width: 140px;
    }
    td {
      max-width: 200px;
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
  `,
})
export class ListColumns {
  protected readonly work = inject(ListImport);
  protected readonly meanings = [
    { value: '', label: 'not needed' },
    ...WIRE_LIST_KEYS.flatMap((key) =>
      key === 'length'
        ? [
            { value: 'length', label: 'length, mm' },
            { value: 'lengthIn', label: 'length, in' },
          ]
        : [{ value: key as string, label: WIRE_LIST_COLUMNS[key].name }],
    ),
  ];
  protected readonly first = computed(() => this.work.cells().slice(1, SHOWN + 1));
  protected readonly missing = computed(() => {
    const given = this.work.meanings();
    return WIRE_LIST_KEYS.filter(
      (key) =>
        WIRE_LIST_COLUMNS[key].needed &&
        !given.includes(key) &&
        !(key === 'length' && given.includes('lengthIn')) &&
        !(key === 'wireId' && this.work.isNumbered()),
    ).map((key) => `${WIRE_LIST_COLUMNS[key].name} (${WIRE_LIST_COLUMNS[key].help})`);
  });

  protected mean(at: number, meaning: string | null): void {
    this.work.mean(at, (meaning || null) as Meaning);
  }
}
