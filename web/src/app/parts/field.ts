import { ChangeDetectionStrategy, Component, effect, ElementRef, inject, input } from '@angular/core';
import type { AbstractControl } from '@angular/forms';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { map, of, startWith, switchMap } from 'rxjs';
import { faultOf } from './zod-form';

/** A labelled field of a form: what is wrong with it stands under it, and is read out with it. */
@Component({
  selector: 'tm-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label [for]="for()">{{ label() }}</label>
    <ng-content />
    @if (fault()) {
      <p class="wrong" [id]="for() + '-fault'" role="alert">{{ fault() }}</p>
    } @else if (hint()) {
      <p class="soft" [id]="for() + '-hint'">{{ hint() }}</p>
    }
  `,
  styles: `
    :host {
      align-content: start;
      display: grid;
      gap: 4px;
      min-width: 0;
    }
    label {
      font-weight: 600;
    }
    p {
      font-size: 14px;
    }
  `,
})
export class Field {
  /** Id of the control inside. */
  readonly for = input.required<string>();
  readonly label = input.required<string>();
  readonly hint = input('');
  readonly control = input<AbstractControl | null>(null);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly fault = toSignal(
    toObservable(this.control).pipe(
      switchMap((control) =>
        control
          ? control.events.pipe(
              startWith(null),
              map(() => faultOf(control)),
            )
          : of(''),
      ),
    ),
    { initialValue: '' },
  );

  constructor() {
    effect(() => {
      const fault = this.fault();
      const field = this.host.nativeElement.querySelector(`#${CSS.escape(this.for())}`);
      if (!field) return;
      field.setAttribute('aria-invalid', String(fault !== ''));
      const told = fault ? `${this.for()}-fault` : this.hint() ? `${this.for()}-hint` : '';
      if (told) field.setAttribute('aria-describedby', told);
      else field.removeAttribute('aria-describedby');
    });
  }
}
