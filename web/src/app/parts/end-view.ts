import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { drawEnd, type EndState, type NestProfile, type Orientation, type Terminal, type Wire } from '@tug-mark/core';
import { ShapeView } from './shape-view';

const CAPTIONS: Readonly<Record<EndState, string>> = {
  before: 'End on, before the bite',
  after: 'After the bite',
  wrong: 'Not like this',
};

/** Looking along the wire into the nest: how the terminal lies, what the bite makes of it, or how it must not lie. */
@Component({
  selector: 'tm-end-view',
  imports: [ShapeView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  // Beside each other the drawings keep one scale: each is as wide as its own box.
  host: { '[style.flex-grow]': 'drawing()?.box?.width ?? 0' },
  template: `
    @if (drawing(); as drawn) {
      <figure>
        <figcaption class="soft" [class.wrong]="state() === 'wrong'">{{ captions[state()] }}</figcaption>
        <tm-shape-view [drawing]="drawn" [said]="said()" />
      </figure>
    }
  `,
  styleUrl: './drawing.less',
})
export class EndView {
  readonly terminal = input.required<Terminal>();
  readonly wire = input.required<Wire>();
  readonly profile = input.required<NestProfile>();
  readonly orientation = input.required<Orientation>();
  readonly state = input<EndState>('before');
  protected readonly captions = CAPTIONS;
  protected readonly drawing = computed(() =>
    drawEnd(this.terminal(), this.wire(), this.profile(), this.orientation(), this.state()),
  );
  protected readonly said = computed(() => {
    const { headline, wrong } = this.orientation();
    return this.state() === 'wrong' ? `Not like this: ${wrong?.text ?? ''}` : `End-on view: ${headline}`;
  });
}
