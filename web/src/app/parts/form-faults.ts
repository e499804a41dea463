import { afterRenderEffect, ChangeDetectionStrategy, Component, ElementRef, input, viewChild } from '@angular/core';
import { count } from './count';
import { Notice } from './notice';

/** Something that is wrong in a form, and the field it is about. */
export interface FormFault {
  /** Id of the field. */
  readonly field: string;
  readonly label: string;
  readonly text: string;
}

/** All that is wrong in a form, on top of it, each with the way to its field; takes the focus when it comes. */
@Component({
  selector: 'tm-form-faults',
  imports: [Notice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (faults().length) {
      <tm-notice kind="bad">
        <p #head tabindex="-1">
          <strong>{{ count(faults().length, 'field is', 'fields are') }} not right yet.</strong> Nothing is kept until
          all are.
        </p>
        <ul>
          @for (fault of faults(); track fault.field) {
            <li>
              <button class="link" type="button" (click)="go(fault.field)">{{ fault.label }}</button>: {{ fault.text }}
            </li>
          }
        </ul>
      </tm-notice>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    ul {
      columns: 2 360px;
      margin-top: 6px;
    }
    li button {
      min-height: 28px;
    }
  `,
})
export class FormFaults {
  readonly faults = input.required<readonly FormFault[]>();
  /** Counts the tries to keep the form: each takes the eye to what is wrong. */
  readonly tries = input.required<number>();
  protected readonly count = count;
  private readonly head = viewChild<ElementRef<HTMLElement>>('head');
  private seen = 0;

  constructor() {
    afterRenderEffect(() => {
      const tries = this.tries();
      const head = this.head()?.nativeElement;
      if (tries === this.seen) return;
      this.seen = tries;
      head?.focus({ preventScroll: true });
      head?.scrollIntoView({ block: 'center' });
    });
  }

  protected go(field: string): void {
    const found = document.getElementById(field);
    found?.scrollIntoView({ block: 'center' });
    found?.focus();
  }
}
