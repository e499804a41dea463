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
  /** What each crimp that is cut off takes with it, mm. */
  readonly lost = input.required<{ readonly strip: number; readonly crimp: number }>();
  protected readonly fields = [
    { key: 'cut', title: 'Wire as cut, mm' },
    { key: 'shortest', title: 'Shortest allowed, mm' },
    { key: 'trim', title: 'Fresh square cut, mm' },
  ];
  protected readonly typed = signal<TypedLengths>({ trim: '1' });
  protected readonly said = computed(() => {
    const read = readLengths(this.typed(), ['cut', 'shortest', 'trim']);
    return read
      ? reterminationBudget(read, { ...this.lost(), trim: read.trim }).text
      : 'Type the wire’s length and the shortest the drawing allows.';
  });
}
