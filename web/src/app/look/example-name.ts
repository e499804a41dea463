import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Example } from '@tug-mark/core';
import { Mark } from '../parts/mark';

const STATE = { accept: 'pass', note: 'note', rework: 'hold', reject: 'fail' } as const;

/** What a drawn example is called, with what is found of it and, while a fault is being named, its key. */
@Component({
  selector: 'tm-example-name',
  imports: [Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tm-mark [state]="state[example().finding]" [size]="16" />
    @if (key(); as number) {
      <kbd>{{ number }}</kbd>
    }
    {{ example().title }}
  `,
  styles: `
    :host {
      align-items: start;
      display: flex;
      font: 600 15px/1.2 var(--figures);
      gap: 6px;
    }
  `,
})
export class ExampleName {
  readonly example = input.required<Example>();
  /** The digit that names its fault; null while none is being named, or where it is none. */
  readonly key = input<number | null>(null);
  protected readonly state = STATE;
}
