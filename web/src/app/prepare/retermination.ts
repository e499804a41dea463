import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import { reterminationBudget } from '@tug-mark/core';
import { LengthFields, readLengths, type TypedLengths } from './length-fields';

/** How often a bad crimp can be cut off and made again before the wire is too short. */
@Component({
  selector: 'tm-retermination',
  imports: [LengthFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tm-length-fields prefix="budget" [fields]="fields" [(typed)]="typed" />
    <p role="status">{{ said() }}</p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
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
  ];
  protected readonly typed = signal<TypedLengths>({ trim: '1' });
  protected readonly said = computed(() => {
    const read = readLengths(this.typed(), ['cut', 'shortest', 'trim']);
    return read
      ? reterminationBudget(read, { strip: this.strip(), crimp: 0, trim: read.trim }).text
      : 'Type the wire’s length and the shortest the drawing allows.';
  });
}
