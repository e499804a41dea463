import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { readLength } from '@tug-mark/core';
import { NzInputModule } from 'ng-zorro-antd/input';

/** A length that is asked for: its key, and its title with the unit it is in when none is typed. */
export interface LengthField {
  readonly key: string;
  readonly title: string;
}

/** Lengths as typed, by key. */
export type TypedLengths = Readonly<Record<string, string>>;

/** Lengths in mm by key; null while any of them is empty or cannot be read. */
export function readLengths<K extends string>(typed: TypedLengths, keys: readonly K[]): Record<K, number> | null {
  const found = keys.map((key) => [key, readLength(typed[key] ?? '', 'mm')] as const);
  return found.every(([, read]) => read.outcome === 'length')
    ? (Object.fromEntries(
        found.map(([key, read]) => [key, read.outcome === 'length' ? read.millimetres : 0]),
      ) as Record<K, number>)
    : null;
}

/** A row of fields for lengths; each tells at its place what cannot be read. */
@Component({
  selector: 'tm-length-fields',
  imports: [FormsModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (field of fields(); track field.key) {
      <div class="field">
        <label [attr.for]="prefix() + '-' + field.key">{{ field.title }}</label>
        <input
          nz-input
          inputmode="decimal"
          [id]="prefix() + '-' + field.key"
          [ngModel]="typed()[field.key] ?? ''"
          (ngModelChange)="set(field.key, $event)"
        />
        @if (wrong(field.key); as text) {
          <span class="wrong">{{ text }}</span>
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px 14px;
      grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    }
    label {
      font-weight: 400;
    }
  `,
})
export class LengthFields {
  readonly fields = input.required<readonly LengthField[]>();
  readonly prefix = input.required<string>();
  readonly typed = model.required<TypedLengths>();

  protected wrong(key: string): string {
    const text = this.typed()[key] ?? '';
    const read = readLength(text, 'mm');
    return text.trim() !== '' && read.outcome === 'refused' ? read.text : '';
  }
  protected set(key: string, text: string): void {
    this.typed.update((typed) => ({ ...typed, [key]: text }));
  }
}
