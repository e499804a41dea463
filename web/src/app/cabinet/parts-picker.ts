import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  forwardRef,
  inject,
  input,
  signal,
} from '@angular/core';
import { FormsModule, NG_VALUE_ACCESSOR, type ControlValueAccessor } from '@angular/forms';
import type { CatalogueKind } from '@tug-mark/core';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { CabinetStore } from './cabinet.store';

const toList = (text: string) =>
  text
    .split(/[;|]/)
    .map((item) => item.trim())
    .filter((item) => item !== '');

/**
 * Several parts of the cabinet, found by typing; a number that is not in the cabinet yet may be typed too. In the form it is what a
 * file would say: numbers with semicolons between.
 */
@Component({
  selector: 'tm-parts-picker',
  imports: [FormsModule, NzSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => PartsPicker), multi: true }],
  template: `
    <nz-select
      nzMode="tags"
      nzSize="large"
      [nzId]="fieldId()"
      [nzOptions]="options()"
      [nzTokenSeparators]="[';', '|', ',']"
      [nzDropdownMatchSelectWidth]="false"
      [nzDisabled]="disabled()"
      [ngModel]="list()"
      (ngModelChange)="choose($event)"
      (nzOpenChange)="opened($event)"
    />
  `,
  styles: `
    :host,
    nz-select {
      display: block;
      width: 100%;
    }
  `,
})
export class PartsPicker implements ControlValueAccessor {
  private readonly cabinet = inject(CabinetStore);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly fieldId = input.required<string>();
  readonly label = input.required<string>();
  readonly kind = input<CatalogueKind>('terminal');
  protected readonly list = signal<readonly string[]>([]);
  protected readonly disabled = signal(false);
  private readonly isOpen = signal(false);
  protected readonly options = computed(() =>
    this.cabinet.of(this.kind()).map(({ part, label }) => ({ value: part, label: `${part} ${label}` })),
  );
  private changed: (value: string) => void = () => undefined;
  private touched: () => void = () => undefined;

  constructor() {
    afterRenderEffect(() => {
      const field = this.host.nativeElement.querySelector('input');
      if (!field) return;
      const told = {
        role: 'combobox',
        'aria-haspopup': 'listbox',
        'aria-autocomplete': 'list',
        'aria-label': this.label(),
      };
      for (const [name, value] of Object.entries({ ...told, 'aria-expanded': String(this.isOpen()) })) {
        field.setAttribute(name, value);
      }
    });
  }

  writeValue(text: string | null): void {
    this.list.set(toList(text ?? ''));
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

  protected choose(list: readonly string[]): void {
    this.list.set(list);
    this.changed(list.join('; '));
  }
  protected opened(isOpen: boolean): void {
    this.isOpen.set(isOpen);
    if (!isOpen) this.touched();
  }
}
