import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Problem } from '@tug-mark/contract';
import { Notice } from '../parts/notice';
import { ProblemNotice } from '../parts/problem-notice';

/** A sheet of the plan: what it comes to as its headline, what can be done at its right, what was refused or done on top. */
@Component({
  selector: 'tm-sheet-frame',
  imports: [Notice, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div class="headline">
          <h1>{{ headline() }}</h1>
          <p class="soft">{{ under() }}</p>
        </div>
        <ng-content select="[acts]" />
      </div>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (said()) {
        <tm-notice kind="good">{{ said() }}</tm-notice>
      }
      <ng-content />
    </div>
  `,
  styles: `
    .headline {
      flex: 1 1 460px;
    }
    tm-notice,
    tm-problem {
      display: block;
      margin-bottom: 10px;
    }
  `,
})
export class SheetFrame {
  readonly headline = input.required<string>();
  readonly under = input('');
  readonly problem = input<Problem | null>(null);
  /** What was done last; empty when nothing is to be said. */
  readonly said = input('');
}
