import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Reason } from '@tug-mark/core';
import { Mark } from './mark';

/** Reasons of a verdict, each with its mark. */
@Component({
  selector: 'tm-reasons',
  imports: [Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul>
      @for (reason of reasons(); track $index) {
        <li>
          <tm-mark [weight]="reason.weight" /> <span>{{ reason.text }}</span>
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      display: grid;
      gap: 8px;
    }
    li {
      display: grid;
      gap: 10px;
      grid-template-columns: 16px 1fr;
    }
    tm-mark {
      padding-top: 3px;
    }
  `,
})
export class Reasons {
  readonly reasons = input.required<readonly Reason[]>();
}
