import { ChangeDetectionStrategy, Component, forwardRef, input, signal } from '@angular/core';
import { FormsModule, NG_VALUE_ACCESSOR, type ControlValueAccessor } from '@angular/forms';
import type { Drawing } from '@tug-mark/core';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { timeOrderedId } from '../http/uuid';
import { ShapeView } from './shape-view';

/** Something to choose by how it looks. */
export interface DrawnOption {
  readonly value: string;
  readonly label: string;
  readonly drawing: Drawing;
}

/** One of several by its drawing, each with its name: chosen with a touch, or with the arrow keys. */
@Component({
  selector: 'tm-drawn-choice',
  imports: [FormsModule, NzRadioModule, ShapeView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => DrawnChoice), multi: true }],
  template: `
    <nz-radio-group
      [id]="fieldId()"
      tabindex="-1"
      [nzName]="name"
      [nzDisabled]="disabled()"
      [attr.aria-label]="label()"
      [ngModel]="value()"
      (ngModelChange)="choose($event)"
    >
      @for (option of options(); track option.value) {
        <!-- eslint-disable-next-line @angular-eslint/template/label-has-associated-control -- its input is inside -->
        <label nz-radio-button [nzValue]="option.value" [style.width.px]="size()">
          <tm-shape-view [drawing]="option.drawing" said="" aria-hidden="true" [style.height.px]="size() * ratio()" />
          <span>{{ option.label }}</span>
        </label>
      }
    </nz-radio-group>
  `,
  styles: `
    nz-radio-group {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    label.ant-radio-button-wrapper {
      border: 1px solid var(--line-strong);
      border-radius: 4px;
      height: auto;
      line-height: 1.2;
      padding: 6px;
      text-align: center;
    }
    label.ant-radio-button-wrapper::before {
      display: none;
    }
    label.ant-radio-button-wrapper-checked {
      background: var(--petrol-tint);
      border-color: var(--petrol);
      box-shadow: inset 0 0 0 2px var(--petrol);
      color: var(--ink);
      font-weight: 600;
    }
    tm-shape-view {
      display: block;
      overflow: hidden;
    }
    tm-shape-view ::ng-deep svg {
      height: 100%;
    }
    span {
      display: block;
      font-size: 14px;
      padding-top: 4px;
      white-space: normal;
    }
  `,
})
export class DrawnChoice implements ControlValueAccessor {
  readonly fieldId = input.required<string>();
  readonly label = input.required<string>();
  readonly options = input.required<readonly DrawnOption[]>();
  /** Width of each, px. */
  readonly size = input(104);
  /** Height of each drawing against its width. */
  readonly ratio = input(0.62);
  /** Radios of one name are one stop of the Tab key. */
  protected readonly name = timeOrderedId();
  protected readonly value = signal<string | null>(null);
  protected readonly disabled = signal(false);
  private changed: (value: string) => void = () => undefined;
  private touched: () => void = () => undefined;

  writeValue(value: string | null): void {
    this.value.set(value);
  }
  registerOnChange(changed: (value: string) => void): void {
    this.changed = changed;
  }
  registerOnTouched(touched: () => void): void {
    this.touched = touched;
  }
  setDisabledState(isDisabled: boolean): void {
    this.disabled.set(isDisabled);
  }

  protected choose(value: string): void {
    this.value.set(value);
    this.changed(value);
    this.touched();
  }
}
