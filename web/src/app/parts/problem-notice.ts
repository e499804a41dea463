import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Problem } from '@tug-mark/contract';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Notice } from './notice';

/** A refusal of the server: what is wrong, what to do, and where, row by row. */
@Component({
  selector: 'tm-problem',
  imports: [NzTableModule, Notice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tm-notice kind="bad">
      <strong>{{ problem().title }}</strong> {{ problem().detail }}
      @if (problem().errors; as errors) {
        <nz-table nzTemplateMode nzSize="small" class="figures" [nzShowPagination]="false">
          <thead>
            <tr>
              @if (errors[0]?.row !== undefined) {
                <th scope="col">Row</th>
              }
              <th scope="col">{{ errors[0]?.row !== undefined ? 'Column' : 'Where' }}</th>
              <th scope="col">What is wrong</th>
            </tr>
          </thead>
          <tbody>
            @for (error of errors; track $index) {
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
        @if ((problem().total ?? 0) > errors.length) {
          <p>... and {{ (problem().total ?? 0) - errors.length }} more.</p>
        }
      }
    </tm-notice>
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
export class ProblemNotice {
  readonly problem = input.required<Problem>();
}
