import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { AbstractControl } from '@angular/forms';
import type { EditedForm } from './edited-form';
import { Notice } from './notice';
import { showTime } from './show-time';

/** Says that what stands in the form was typed before, and lets it be thrown away. */
@Component({
  selector: 'tm-typed-back',
  imports: [Notice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (edited().memory().backFrom(); as at) {
      <tm-notice announced>
        What you typed here until {{ time(at) }} is back; it is not kept yet.
        @if (edited().memory().isOverOlder()) {
          <strong>Meanwhile somebody has kept a change to what it is about:</strong> kept now, yours takes its place.
        }
        <button class="link" type="button" (click)="edited().startAgain()">Begin again without it</button>
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
  readonly edited = input.required<Pick<EditedForm<AbstractControl>, 'memory' | 'startAgain'>>();
  protected readonly time = showTime;
}
