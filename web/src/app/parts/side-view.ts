import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Bite, StripWindow, Terminal, Wire } from '@tug-mark/core';
import { Screen } from './screen';
import { sideView } from './set-up-drawing.geometry';

/** The side view of the set-up, to scale, cut along the barrel's axis, with its dimension lines. */
@Component({
  selector: 'tm-side-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <figure>
      <figcaption class="soft">Side, cut along the axis, {{ ratio() }}</figcaption>
      <svg [attr.viewBox]="box()" role="img" [attr.aria-label]="said()">
        @let v = view();
        @if (isRing()) {
          <path class="tin" [attr.d]="tongue()" />
        } @else if (isContact()) {
          <path class="tin" [attr.d]="floor()" />
        }
        @for (wall of v.walls; track $index) {
          <rect
            class="tin"
            [attr.x]="x(wall.x)"
            [attr.y]="y(wall.y)"
            [attr.width]="wall.width * k()"
            [attr.height]="wall.height * k()"
          />
        }
        @if (v.window; as window) {
          <rect
            class="hole"
            [attr.x]="x(window.x)"
            [attr.y]="y(window.y) - 1"
            [attr.width]="window.width * k()"
            [attr.height]="window.height * k() + 2"
          />
          <text
            class="name"
            [attr.x]="x(window.x + window.width / 2)"
            [attr.y]="y(-v.halfHeight) - 8"
            text-anchor="middle"
          >
            window
          </text>
        }
        @for (strand of v.strands; track $index) {
          <rect
            class="copper"
            rx="2"
            [attr.x]="x(strand.x)"
            [attr.y]="y(strand.y)"
            [attr.width]="strand.width * k()"
            [attr.height]="strand.height * k()"
          />
        }
        <rect
          class="insulation"
          rx="2"
          [attr.x]="x(v.insulation.x)"
          [attr.y]="y(v.insulation.y)"
          [attr.width]="v.insulation.width * k()"
          [attr.height]="v.insulation.height * k()"
        />
        <rect
          class="shine"
          [attr.x]="x(v.insulation.x)"
          [attr.y]="y(v.insulation.y)"
          [attr.width]="v.insulation.width * k()"
          [attr.height]="v.insulation.height * k() * 0.28"
        />
        @if (v.support; as support) {
          <rect
            class="support"
            [class.sleeve]="isRing()"
            [attr.x]="x(support.x)"
            [attr.y]="y(support.y)"
            [attr.width]="support.width * k()"
            [attr.height]="support.height * k()"
          />
          <text
            class="name"
            [attr.x]="x(support.x + support.width / 2)"
            [attr.y]="y(support.y + support.height) + 15"
            text-anchor="middle"
          >
            {{ isRing() ? 'sleeve' : 'insulation grip' }}
          </text>
        }
        @if (seamDown()) {
          <path
            class="seam"
            [attr.d]="'M' + (x(v.walls[0]?.x ?? 0) + 5) + ' ' + (y(v.halfHeight) - 4) + 'H' + (x(0) - 5)"
          />
        }
        @if (showBites()) {
          @for (bite of v.bites; track bite.order) {
            <path class="die" [attr.d]="arrow(bite.centre, bite.width)" />
            <text class="order" [attr.x]="x(bite.centre)" [attr.y]="y(-v.halfHeight) - 18" text-anchor="middle">
              {{ bite.order }}
            </text>
          }
        }
        @let base = y(v.halfHeight) + 34;
        @if (v.brush !== null) {
          <path
            class="dim"
            [attr.d]="
              'M' +
              x(v.wireEnd) +
              ' ' +
              y(0.2) +
              'V' +
              (base + 46) +
              'M' +
              x(-length()) +
              ' ' +
              y(v.halfHeight) +
              'V' +
              (base + 14)
            "
          />
          <path class="dim" [attr.d]="'M' + x(v.wireEnd) + ' ' + (base + 8) + 'H' + x(-length())" />
          <text class="dim-text" [attr.x]="x(v.wireEnd) - 6" [attr.y]="base + 12" text-anchor="end">
            brush {{ mm(v.brush) }} ({{ range(strip().brush) }})
          </text>
        } @else {
          <path class="dim" [attr.d]="'M' + x(v.wireEnd) + ' ' + y(v.halfHeight) + 'V' + (base + 46)" />
          <text class="dim-text" [attr.x]="x(v.wireEnd) - 6" [attr.y]="base + 12" text-anchor="end">at the stop</text>
        }
        <path
          class="dim"
          [attr.d]="
            'M' +
            x(0) +
            ' ' +
            y(v.halfHeight) +
            'V' +
            (base + 14) +
            'M' +
            x(v.insulationEdge) +
            ' ' +
            y(v.halfHeight) +
            'V' +
            (base + 46)
          "
        />
        <text class="dim-text" [attr.x]="x(v.insulationEdge) + 6" [attr.y]="base + 12">
          {{ strip().rule === 'window' ? 'edge' : 'gap' }} {{ mm(v.gap) }} ({{ range(strip().position) }})
        </text>
        <path class="dim" [attr.d]="'M' + x(v.wireEnd) + ' ' + (base + 38) + 'H' + x(v.insulationEdge)" />
        <text class="strip" [attr.x]="x((v.wireEnd + v.insulationEdge) / 2)" [attr.y]="base + 60" text-anchor="middle">
          strip {{ strip().setPoint ?? 'none' }}
          <tspan class="dim-text">{{ range(strip().window) }} mm</tspan>
        </text>
      </svg>
    </figure>
  `,
  styleUrl: './drawing.less',
})
export class SideViewDrawing {
  private readonly screen = inject(Screen);
  readonly terminal = input.required<Terminal>();
  readonly wire = input.required<Wire>();
  readonly strip = input.required<StripWindow>();
  readonly bites = input<readonly Bite[]>([]);
  readonly dieWidth = input(3);
  /** Width of the drawing in its own units; text keeps its size, so a wider one shows the parts larger. */
  readonly width = input(640);
  /** Degrees of the seam; 180 draws it in the lower wall. */
  readonly seamAngle = input<number | null>(null);

  protected readonly view = computed(() =>
    sideView(this.terminal(), this.wire(), this.strip(), this.bites(), this.dieWidth()),
  );
  protected readonly k = computed(() => {
    const { from, to, halfHeight } = this.view();
    return Math.min(this.width() / (to - from), this.width() / 9 / halfHeight);
  });
  protected readonly length = computed(() => this.terminal().barrel.length);
  protected readonly isRing = computed(() => this.terminal().stud !== null && this.terminal().family.endsWith('ring'));
  protected readonly isContact = computed(() => this.terminal().family === 'open-barrel-contact');
  protected readonly showBites = computed(() => this.bites().length > 0);
  protected readonly seamDown = computed(() => this.seamAngle() === 180 && this.terminal().barrel.seam !== 'hidden');
  protected readonly box = computed(() => {
    const height = this.view().halfHeight * this.k();
    return `0 ${-height - 40} ${this.width()} ${2 * height + 40 + 102}`;
  });
  protected readonly ratio = computed(() => `${(this.k() / this.screen.pxPerMm()).toFixed(1)} : 1`);
  protected readonly said = computed(() => {
    const view = this.view();
    const brush = view.brush === null ? 'conductor at the stop' : `brush ${this.mm(view.brush)} mm`;
    return `Side view: strip ${this.strip().setPoint ?? 'not set'} mm, ${brush}, insulation ${this.mm(view.gap)} mm behind the barrel.`;
  });
  /** Outline of the tongue, bent down from the barrel's floor. */
  protected readonly tongue = computed(() => {
    const { outerDiameter, innerDiameter, length } = this.terminal().barrel;
    const wall = (outerDiameter - innerDiameter) / 2;
    const top = this.y(outerDiameter / 2 - wall);
    const x0 = this.x(-length);
    const x1 = this.x(this.view().from + 0.3);
    const thick = wall * this.k();
    const bend = Math.min(30, (x0 - x1) / 3);
    return `M${x0} ${top}C${x0 - bend} ${top} ${x0 - bend} ${top + thick * 0.5} ${x0 - 2 * bend} ${top + thick * 0.5}H${x1}V${top + thick * 1.5}H${x0}Z`;
  });
  /** Floor of an open barrel under both grips, and the body in front of it. */
  protected readonly floor = computed(() => {
    const { barrel } = this.terminal();
    const top = this.y(barrel.innerDiameter / 2);
    const thick = ((barrel.outerDiameter - barrel.innerDiameter) / 2) * this.k();
    const front = this.x(this.view().from + 0.3);
    const back = this.x((barrel.betweenGrips ?? 0) + barrel.supportLength);
    // The body begins where the room for the brush ends.
    const nose = this.x(-barrel.length - this.terminal().brushMax);
    return `M${front} ${top - thick * 2}H${nose}V${top}H${back}V${top + thick}H${front}Z`;
  });

  protected x(mm: number): number {
    return (mm - this.view().from) * this.k();
  }
  protected y(mm: number): number {
    return mm * this.k();
  }
  protected mm(value: number): string {
    return value.toFixed(1);
  }
  protected range(range: { min: number; max: number } | null): string {
    return range ? `${this.mm(range.min)}–${this.mm(range.max)}` : 'none';
  }
  protected arrow(centre: number, width: number): string {
    const top = this.y(-this.view().halfHeight);
    const half = Math.min((width * this.k()) / 2, 60);
    return `M${this.x(centre) - half} ${top - 14}h${2 * half}l${-half} 13z`;
  }
}
