import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  forwardRef,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { FormsModule, NG_VALUE_ACCESSOR, type ControlValueAccessor } from '@angular/forms';
import { NzDatePickerComponent, NzDatePickerModule } from 'ng-zorro-antd/date-picker';

/** A day as the form keeps it: '2027-01-31', no instant, so that no zone moves it. Typed or picked. */
@Component({
  selector: 'tm-day-field',
  imports: [FormsModule, NzDatePickerModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  // A day is taken as it stands when Enter sends the form or the field is left, whether the picker was opened or not.
  // The library opens its calendar as Enter is let go of: the form is on its way by then, and it would stand over what that says.
  host: {
    '(keydown.enter)': 'takeTyped($event)',
    '(keyup.enter)': 'picker().close()',
    '(focusout)': 'leave($event)',
  },
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => DayField), multi: true }],
  template: `
    <nz-date-picker
      [nzId]="fieldId()"
      nzFormat="yyyy-MM-dd"
      nzPlaceHolder="year-month-day"
      [nzDisabled]="disabled()"
      [ngModel]="date()"
      (ngModelChange)="take($event)"
      (nzOnOpenChange)="left($event)"
    />
  `,
  styles: `
    nz-date-picker {
      min-height: 46px;
      width: 100%;
    }
  `,
})
export class DayField implements ControlValueAccessor {
  readonly fieldId = input.required<string>();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly picker = viewChild.required(NzDatePickerComponent);
  protected readonly date = signal<Date | null>(null);
  protected readonly disabled = signal(false);
  private changed: (day: string | null) => void = () => undefined;
  private touched: () => void = () => undefined;

  writeValue(day: string | null): void {
    const [year = NaN, month = NaN, date = NaN] = (day ?? '').split('-').map(Number);
    this.date.set(day ? new Date(year, month - 1, date) : null);
  }
  registerOnChange(changed: (day: string | null) => void): void {
    this.changed = changed;
  }
  registerOnTouched(touched: () => void): void {
    this.touched = touched;
  }
  setDisabledState(isDisabled: boolean): void {
    this.disabled.set(isDisabled);
  }

  /** The picker thinks in local instants; the day is read off its own face. */
  protected take(date: Date | null): void {
    this.date.set(date);
    const two = (part: number) => String(part).padStart(2, '0');
    this.changed(date ? `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}` : null);
  }

  protected takeTyped({ target }: Event): void {
    if (!(target instanceof HTMLInputElement)) return;
    const typed = /^\s*(\d{4})-(\d{1,2})-(\d{1,2})\s*$/.exec(target.value);
    if (!typed) return;
    const [year = NaN, month = NaN, day = NaN] = typed.slice(1).map(Number);
    const date = new Date(year, month - 1, day);
    const isDay = date.getMonth() === month - 1 && date.getDate() === day;
    if (isDay && date.getTime() !== this.date()?.getTime()) this.take(date);
  }

  /** Whoever goes on with Tab has chosen: the calendar does not stand over what comes next. */
  protected leave(event: FocusEvent): void {
    this.takeTyped(event);
    const to = event.relatedTarget;
    const isWithin = to instanceof Node && this.host.contains(to);
    if (to instanceof Element && !isWithin && !to.closest('.ant-picker-dropdown')) this.picker().close();
  }

  protected left(isOpen: boolean): void {
    if (!isOpen) this.touched();
  }
}
