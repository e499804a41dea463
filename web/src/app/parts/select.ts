import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  forwardRef,
  inject,
  input,
  model,
  signal,
} from '@angular/core';
import { FormsModule, NG_VALUE_ACCESSOR, type ControlValueAccessor } from '@angular/forms';
import { NzSelectModule } from 'ng-zorro-antd/select';

export interface SelectOption {
  readonly value: string;
  readonly label: string;
}

/** Longer lists than this can be searched by typing. */
const SEARCHED = 8;

/**
 * One of several, from a list that opens. The library draws it and moves it by keys; here it gets the roles, names and the
 * current option that whoever hears the screen needs (a combobox with a list box).
 */
@Component({
  selector: 'tm-select',
  imports: [FormsModule, NzSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => Select), multi: true }],
  template: `
    <nz-select
      nzSize="large"
      [nzId]="selectId()"
      [nzOptions]="offered()"
      [nzShowSearch]="isSearched()"
      [nzDropdownMatchSelectWidth]="false"
      [nzDropdownClassName]="'of-' + selectId()"
      [nzDisabled]="disabled()"
      [ngModel]="value()"
      (ngModelChange)="choose($event)"
      (nzOpenChange)="opened($event)"
    />
    <span class="out-of-sight" [id]="selectId() + '-chosen'">{{ chosen() }}</span>
  `,
  styles: `
    :host {
      display: inline-block;
      max-width: 100%;
      min-width: 130px;
    }
    nz-select {
      width: 100%;
    }
  `,
})
export class Select implements ControlValueAccessor {
  readonly selectId = input.required<string>();
  readonly options = input.required<readonly SelectOption[]>();
  /** What is chosen here, where no label on the screen says it. */
  readonly label = input('');
  readonly value = model<string | null>(null);
  protected readonly disabled = signal(false);
  /** The same again is no other list: the library starts over with each it gets, and would lose its place. */
  protected readonly offered = computed(() => this.options().map((option) => ({ ...option })), {
    equal: (a, b) => JSON.stringify(a) === JSON.stringify(b),
  });
  protected readonly isSearched = computed(() => this.options().length > SEARCHED);
  protected readonly chosen = computed(() => this.options().find(({ value }) => value === this.value())?.label ?? '');
  private readonly isOpen = signal(false);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly watch = new MutationObserver(() => {
    this.describeList();
  });
  private changed: (value: string | null) => void = () => undefined;
  private touched: () => void = () => undefined;

  constructor() {
    afterRenderEffect(() => {
      const field = this.field();
      if (!field) return;
      const id = this.selectId();
      for (const [name, value] of Object.entries({
        role: 'combobox',
        'aria-haspopup': 'listbox',
        'aria-expanded': String(this.isOpen()),
        'aria-controls': `${id}-list`,
        'aria-autocomplete': this.isSearched() ? 'list' : 'none',
        'aria-describedby': `${id}-chosen`,
        ...(this.label() && { 'aria-label': this.label() }),
      })) {
        field.setAttribute(name, value);
      }
    });
    inject(DestroyRef).onDestroy(() => {
      this.watch.disconnect();
    });
  }

  writeValue(value: string | null): void {
    this.value.set(value);
  }
  registerOnChange(changed: (value: string | null) => void): void {
    this.changed = changed;
  }
  registerOnTouched(touched: () => void): void {
    this.touched = touched;
  }
  setDisabledState(isDisabled: boolean): void {
    this.disabled.set(isDisabled);
  }

  protected choose(value: string | null): void {
    this.value.set(value);
    this.changed(value);
  }

  protected opened(isOpen: boolean): void {
    this.isOpen.set(isOpen);
    this.watch.disconnect();
    if (!isOpen) {
      this.field()?.removeAttribute('aria-activedescendant');
      this.touched();
      return;
    }
    setTimeout(() => {
      const list = this.list();
      if (list) this.watch.observe(list, { subtree: true, childList: true, attributeFilter: ['class'] });
      this.describeList();
    });
  }

  private field(): HTMLInputElement | null {
    return this.host.nativeElement.querySelector('input');
  }

  private list(): Element | null {
    return document.querySelector(`.of-${CSS.escape(this.selectId())}`);
  }

  /** The options as they are drawn now: long lists draw a few at a time. */
  private describeList(): void {
    const list = this.list();
    const box = list?.querySelector('nz-option-container');
    if (!list || !box) return;
    box.id = `${this.selectId()}-list`;
    box.setAttribute('role', 'listbox');
    box.setAttribute('aria-label', this.name());
    for (const between of box.querySelectorAll('div, cdk-virtual-scroll-viewport')) {
      if (!between.closest('nz-option-item')) between.setAttribute('role', 'presentation');
    }
    for (const item of list.querySelectorAll('nz-option-item')) {
      const title = item.textContent?.trim() ?? '';
      const index = this.options().findIndex(({ label }) => label.trim() === title);
      item.id = `${this.selectId()}-${index}`;
      item.setAttribute('role', 'option');
      item.setAttribute('aria-selected', String(item.classList.contains('ant-select-item-option-selected')));
      if (item.classList.contains('ant-select-item-option-active')) {
        this.field()?.setAttribute('aria-activedescendant', item.id);
      }
    }
  }

  private name(): string {
    const said = this.label();
    if (said) return said;
    return document.querySelector(`label[for="${CSS.escape(this.selectId())}"]`)?.textContent?.trim() ?? '';
  }
}
