import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Problem } from '@tug-mark/contract';
import { NzTableModule } from 'ng-zorro-antd/table';

/** Where something is wrong, row by row. */
@Component({
  selector: 'tm-problem-rows',
  imports: [NzTableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let first = errors()[0];
    <nz-table nzTemplateMode nzSize="small" class="figures" [nzShowPagination]="false">
      <thead>
        <tr>
          @if (first?.row !== undefined) {
            <th scope="col">Row</th>
          }
          <th scope="col">{{ first?.row !== undefined ? 'Column' : 'Where' }}</th>
          <th scope="col">What is wrong</th>
        </tr>
      </thead>
      <tbody>
        @for (error of errors(); track $index) {
          <tr>
            @if (error.row !== undefined) {
              <td>{{ error.row }}</td>
            }
            <td>{{ error.where }}</td>
            <td>{{ error.text }}</td>
          </tr>
        }
      </tbody>
    </nz-table>
  `,
  styles: `
    nz-table {
      display: block;
      margin-top: 8px;
      max-height: 300px;
      overflow: auto;
    }
  `,
})
export class ProblemRows {
  readonly errors = input.required<NonNullable<Problem['errors']>>();
}
