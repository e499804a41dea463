import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink } from '@angular/router';

/** The ways on after a failure, on the card that told of it: what caused it, the pieces, or all over again. */
@Component({
  selector: 'tm-after-failure',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>What now? The set-up cannot be released as it stands.</p>
    <ul>
      <li><a [routerLink]="['/bench', id(), 'cause']">What caused it?</a></li>
      <li><a [routerLink]="['/bench', id(), 'look']">Look at the pieces</a></li>
      <li><a [routerLink]="['/bench', id(), 'release']" [queryParams]="{ again: true }">Begin the set-up again</a></li>
    </ul>
  `,
  styles: `
    ul {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 22px;
    }
    a {
      display: inline-block;
      line-height: 44px;
    }
  `,
})
export class AfterFailure {
  /** Of the combination. */
  readonly id = input.required<string>();
}
