import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { timeOrderedId } from '../http/uuid';

/** One of a few, side by side as buttons: chosen with a touch, or with the arrow keys. */
@Component({
  selector: 'tm-choice-buttons',
  imports: [FormsModule, NzRadioModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-radio-group
      nzSize="large"
      nzButtonStyle="solid"
      [nzName]="name"
      [attr.aria-label]="label()"
      [ngModel]="value()"
      (ngModelChange)="value.set($event)"
    >
      @for (option of options(); track option.value) {
        <!-- eslint-disable-next-line @angular-eslint/template/label-has-associated-control -- its input is inside -->
        <label nz-radio-button [nzValue]="option.value" [nzDisabled]="option.disabled ?? false">{{
          option.label
        }}</label>
      }
    </nz-radio-group>
  `,
})
export class ChoiceButtons<T extends string> {
  /** Radios of one name are one stop of the Tab key. */
  protected readonly name = timeOrderedId();
  readonly label = input.required<string>();
  readonly options =
    input.required<readonly { readonly value: T; readonly label: string; readonly disabled?: boolean }[]>();
  readonly value = model<T | null>(null);
}
