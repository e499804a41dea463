import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import { readLength, reterminationBudget } from '@tug-mark/core';
import { NzInputModule } from 'ng-zorro-antd/input';

/** How often a bad crimp can be cut off and made again before the wire is too short. */
@Component({
  selector: 'tm-retermination',
  imports: [NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="fields">
      @for (field of fields; track field.key) {
        <div class="field">
          <label [attr.for]="'budget-' + field.key">{{ field.title }}</label>
          <input
            nz-input
            inputmode="decimal"
            [id]="'budget-' + field.key"
            [value]="typed()[field.key]"
            (input)="type(field.key, value($event))"
          />
        </div>
      }
    </div>
    <p role="status">{{ said() }}</p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
    .fields {
      display: grid;
      gap: 10px 14px;
      grid-template-columns: repeat(3, minmax(0, 1fr));
    }
    .field label {
      font-weight: 400;
    }
  `,
})
export class Retermination {
  /** Strip length, mm; the conductor in the crimp is lost with it. */
  readonly strip = input.required<number>();
  protected readonly fields = [
    { key: 'cut', title: 'Wire as cut, mm' },
    { key: 'shortest', title: 'Shortest allowed, mm' },
    { key: 'trim', title: 'Fresh square cut, mm' },
  ] as const;
  protected readonly typed = signal({ cut: '', shortest: '', trim: '1' });
  protected readonly said = computed(() => {
    const { cut, shortest, trim } = this.typed();
    if (cut.trim() === '' || shortest.trim() === '')
      return 'Type the wire’s length and the shortest the drawing allows.';
    const [a, b, c] = [readLength(cut, 'mm'), readLength(shortest, 'mm'), readLength(trim, 'mm')];
    for (const read of [a, b, c]) if (read.outcome === 'refused') return read.text;
    if (a.outcome !== 'length' || b.outcome !== 'length' || c.outcome !== 'length') return '';
    return reterminationBudget(
      { cut: a.millimetres, shortest: b.millimetres },
      { strip: this.strip(), crimp: 0, trim: c.millimetres },
    ).text;
  });
  protected type(key: 'cut' | 'shortest' | 'trim', text: string): void {
    this.typed.update((typed) => ({ ...typed, [key]: text }));
  }
  protected value(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }
}
