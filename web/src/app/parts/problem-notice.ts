import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Problem } from '@tug-mark/contract';

/** A refusal of the server: what is wrong, what to do, and where, row by row. */
@Component({
  selector: 'tm-problem',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="notice bad" role="alert">
      <strong>{{ problem().title }}</strong> {{ problem().detail }}
      @if (problem().errors; as errors) {
        <table class="figures">
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
        </table>
        @if ((problem().total ?? 0) > errors.length) {
          <p>... and {{ (problem().total ?? 0) - errors.length }} more.</p>
        }
      }
    </div>
  `,
  styles: `
    table {
      border-collapse: collapse;
      margin-top: 8px;
      max-height: 300px;
    }
    th,
    td {
      padding: 3px 16px 3px 0;
      text-align: left;
      vertical-align: top;
    }
  `,
})
export class ProblemNotice {
  readonly problem = input.required<Problem>();
}
