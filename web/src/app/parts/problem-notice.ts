import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Problem } from '@tug-mark/contract';
import { Notice } from './notice';
import { ProblemRows } from './problem-rows';

/** A refusal of the server: what is wrong, what to do, and where, row by row. */
@Component({
  selector: 'tm-problem',
  imports: [Notice, ProblemRows],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tm-notice kind="bad">
      <strong>{{ problem().title }}</strong> {{ problem().detail }}
      @if (problem().errors; as errors) {
        <!-- A table is much to load before anybody has signed in, and few refusals have one. -->
        @defer (on immediate) {
          <tm-problem-rows [errors]="errors" />
        } @error {
          <ul>
            @for (error of errors; track $index) {
              <li>{{ error.row }} {{ error.where }} {{ error.text }}</li>
            }
          </ul>
        }
        @if ((problem().total ?? 0) > errors.length) {
          <p>... and {{ (problem().total ?? 0) - errors.length }} more.</p>
        }
      }
    </tm-notice>
  `,
})
export class ProblemNotice {
  readonly problem = input.required<Problem>();
}
