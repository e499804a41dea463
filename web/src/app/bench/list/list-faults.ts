import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzTableModule } from 'ng-zorro-antd/table';
import { count } from '../../parts/count';
import { ListImport, type ListFault } from './list-import';

/** Faults shown at once; the others come when these are mended. */
const SHOWN = 50;

/** What is wrong in a wire list, each fault once however many rows have it, mended here or in the file. */
@Component({
  selector: 'tm-list-faults',
  imports: [NzInputModule, NzTableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (work.total()) {
      <h3>{{ count(work.total(), 'cell is', 'cells are') }} not right yet</h3>
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
          @for (fault of shown(); track fault.key; let i = $index) {
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
                    (change)="work.mend(fault, cell.value)"
                    (keydown.enter)="mend($event, fault, cell.value)"
                  />
                }
              </td>
              <td>{{ fault.text }}</td>
            </tr>
          }
        </tbody>
      </nz-table>
      @if (work.faults().length > shown().length) {
        <p class="soft">
          ... and {{ work.faults().length - shown().length }} more kinds; they show as these are mended.
        </p>
      }
    }
  `,
  styles: `
    input {
      min-width: 150px;
    }
  `,
})
export class ListFaults {
  protected readonly work = inject(ListImport);
  protected readonly count = count;
  protected readonly shown = computed(() => this.work.faults().slice(0, SHOWN));

  protected rowsOf({ rows }: ListFault): string {
    const [first = 0, ...rest] = rows;
    return rest.length > 2 ? `${first} and ${rest.length} more` : rows.join(', ');
  }

  protected mend(event: Event, fault: ListFault, value: string): void {
    event.preventDefault();
    this.work.mend(fault, value);
  }
}
