import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  drawSide,
  missingResults,
  sideView,
  type Bite,
  type EndSetUp,
  type Nest,
  type StripWindow,
  type Terminal,
  type Wire,
} from '@tug-mark/core';
import { Screen } from './screen';
import { ShapeView } from './shape-view';
import { Notice } from './notice';

/** The side view of the set-up, to scale, cut along the barrel's axis, with its dimension lines. */
@Component({
  selector: 'tm-side-view',
  imports: [Notice, ShapeView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawing(); as drawn) {
      <figure>
        <figcaption class="soft">Side, cut along the axis, {{ ratio() }}</figcaption>
        <tm-shape-view [drawing]="drawn" [said]="said()" />
      </figure>
    } @else {
      <tm-notice>{{ why() }}</tm-notice>
    }
  `,
  styleUrl: './drawing.less',
})
export class SideViewDrawing {
  private readonly screen = inject(Screen);
  readonly terminal = input.required<Terminal>();
  readonly wire = input.required<Wire>();
  readonly strip = input.required<StripWindow>();
  readonly bites = input<readonly Bite[]>([]);
  readonly nest = input<Pick<Nest, 'width' | 'profile'> | null>(null);
  /** The other end of a splice, drawn from its own side. */
  readonly other = input<EndSetUp | null>(null);
  /** Width of the drawing in its own units; text keeps its size, so a wider one shows the parts larger. */
  readonly width = input(640);
  /** Degrees of the seam; 180 draws it in the lower wall. */
  readonly seamAngle = input<number | null>(null);

  private readonly otherStrip = computed(() => this.other()?.preparation?.strip ?? null);
  private readonly view = computed(() => {
    const [other, strip] = [this.other(), this.otherStrip()];
    const opposite = other && strip && { wire: other.wire, strip, bites: this.bites().length ? other.bites : [] };
    return sideView(this.terminal(), this.wire(), this.strip(), this.bites(), this.nest(), opposite);
  });
  protected readonly drawing = computed(() => {
    const view = this.view();
    return view && drawSide(this.terminal(), view, this.strip(), this.seamAngle(), this.width(), this.otherStrip());
  });
  protected readonly ratio = computed(() => `${((this.drawing()?.scale ?? 1) / this.screen.pxPerMm()).toFixed(1)} : 1`);
  protected readonly why = computed(() =>
    missingResults(this.terminal())
      .map(({ field, lost, kept }) => `The sheet gives no ${field}: ${lost} cannot be given; ${kept} still can.`)
      .join(' '),
  );
  protected readonly said = computed(() => {
    const view = this.view();
    if (!view) return '';
    const brush = view.brush === null ? 'conductor at the stop' : `brush ${view.brush.toFixed(1)} mm`;
    const other = this.otherStrip();
    const second = other ? ` End 2: strip ${other.setPoint ?? 'not set'} mm.` : '';
    return `Side view: strip ${this.strip().setPoint ?? 'not set'} mm, ${brush}, insulation ${view.gap.toFixed(1)} mm behind the barrel.${second}`;
  });
}
