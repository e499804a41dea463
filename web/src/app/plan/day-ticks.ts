import { ChangeDetectionStrategy, Component, forwardRef, input, signal } from '@angular/core';
import { FormsModule, NG_VALUE_ACCESSOR, type ControlValueAccessor } from '@angular/forms';
import { WEEKDAYS } from '@tug-mark/core';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';

const DAYS = WEEKDAYS.map((day) => day.slice(0, 3));

/** Days of the week, 1 is Monday. */
@Component({
  selector: 'tm-day-ticks',
  imports: [FormsModule, NzCheckboxModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => DayTicks), multi: true }],
  template: `
    <div role="group" [attr.aria-label]="label()">
      @for (day of days; track day; let i = $index) {
        <!-- eslint-disable-next-line @angular-eslint/template/label-has-associated-control -- its input is inside -->
        <label
          nz-checkbox
          [nzDisabled]="disabled()"
          [ngModel]="value().includes(i + 1)"
          (ngModelChange)="turn(i + 1, $event)"
          >{{ day }}</label
        >
      }
    </div>
  `,
  styles: `
    div {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 0 4px;
      min-height: 40px;
    }
    label {
      margin: 0;
    }
  `,
})
export class DayTicks implements ControlValueAccessor {
  readonly label = input.required<string>();
  protected readonly days = DAYS;
  protected readonly value = signal<readonly number[]>([]);
  protected readonly disabled = signal(false);
  private tell: (value: readonly number[]) => void = () => undefined;
  private touch: () => void = () => undefined;

  writeValue(value: readonly number[]): void {
    this.value.set(value);
  }

  registerOnChange(tell: (value: readonly number[]) => void): void {
    this.tell = tell;
  }

  registerOnTouched(touch: () => void): void {
    this.touch = touch;
  }

  setDisabledState(disabled: boolean): void {
    this.disabled.set(disabled);
  }

  protected turn(day: number, on: boolean): void {
    this.value.set(on ? [...this.value(), day].sort() : this.value().filter((one) => one !== day));
    this.tell(this.value());
    this.touch();
  }
}
