import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  drawSide,
  missingResults,
  sideView,
  type Bite,
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
  /** Width of the drawing in its own units; text keeps its size, so a wider one shows the parts larger. */
  readonly width = input(640);
  /** Degrees of the seam; 180 draws it in the lower wall. */
  readonly seamAngle = input<number | null>(null);

  private readonly view = computed(() =>
    sideView(this.terminal(), this.wire(), this.strip(), this.bites(), this.nest()),
  );
  protected readonly drawing = computed(() => {
    const view = this.view();
    return view && drawSide(this.terminal(), view, this.strip(), this.seamAngle(), this.width());
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
    return `Side view: strip ${this.strip().setPoint ?? 'not set'} mm, ${brush}, insulation ${view.gap.toFixed(1)} mm behind the barrel.`;
  });
}
