import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { Notice } from './notice';
import { showTime } from './show-time';
import type { TypedMemory } from './typed-memory';

/** Says that what stands in the form was typed before, and lets it be thrown away. */
@Component({
  selector: 'tm-typed-back',
  imports: [Notice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (memory().backFrom(); as at) {
      <tm-notice announced>
        What you typed here until {{ time(at) }} is back; it is not kept yet.
        <button class="link" type="button" (click)="dropped.emit()">Begin again without it</button>
      </tm-notice>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
})
export class TypedBack {
  readonly memory = input.required<TypedMemory>();
  readonly dropped = output();
  protected readonly time = showTime;
}
