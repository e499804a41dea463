import { ChangeDetectionStrategy, Component, forwardRef, model, signal } from '@angular/core';
import { FormsModule, NG_VALUE_ACCESSOR, type ControlValueAccessor } from '@angular/forms';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';

/** Yes or no, with its words beside it as one target: in a form by its control, elsewhere by its value. */
@Component({
  selector: 'tm-tick',
  imports: [FormsModule, NzCheckboxModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => Tick), multi: true }],
  template: `
    <!-- eslint-disable-next-line @angular-eslint/template/label-has-associated-control -- its input is inside -->
    <label nz-checkbox [nzDisabled]="disabled()" [ngModel]="value()" (ngModelChange)="turn($event)">
      <ng-content />
    </label>
  `,
  styles: `
    label {
      align-items: center;
      color: var(--ink);
      display: inline-flex;
      min-height: 44px;
    }
  `,
})
export class Tick implements ControlValueAccessor {
  readonly value = model(false);
  protected readonly disabled = signal(false);
  private tell: (value: boolean) => void = () => undefined;
  private touch: () => void = () => undefined;

  writeValue(value: boolean | null): void {
    this.value.set(value ?? false);
  }
  registerOnChange(tell: (value: boolean) => void): void {
    this.tell = tell;
  }
  registerOnTouched(touch: () => void): void {
    this.touch = touch;
  }
  setDisabledState(disabled: boolean): void {
    this.disabled.set(disabled);
  }

  protected turn(value: boolean): void {
    this.value.set(value);
    this.tell(value);
    this.touch();
  }
}
