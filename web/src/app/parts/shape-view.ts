import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Drawing, Ink } from '@tug-mark/core';

/** Colours of the screen for what a drawing names. */
const COLOURS: Readonly<Record<Ink, string>> = {
  ink: 'var(--ink)',
  soft: 'var(--ink-soft)',
  line: 'var(--line-strong)',
  paper: 'var(--sheet)',
  white: '#fff',
  tin: 'var(--tin)',
  'tin-edge': 'var(--tin-edge)',
  copper: 'var(--copper)',
  'copper-light': 'var(--copper-light)',
  insulation: 'var(--insulation)',
  'insulation-light': 'var(--insulation-light)',
  steel: 'var(--steel)',
  petrol: 'var(--petrol)',
  accent: 'var(--copper-light)',
  pass: 'var(--pass)',
  fail: 'var(--fail)',
  hold: 'var(--hold)',
};

/** A drawing made in core, on the screen: the same shapes that go onto the printed sheet. */
@Component({
  selector: 'tm-shape-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="box()" role="img" [attr.aria-label]="said()">
      @for (shape of drawing().shapes; track $index) {
        @if (shape.kind === 'path') {
          <path
            [attr.d]="shape.d"
            [style.fill]="shape.fill ? colours[shape.fill] : 'none'"
            [style.stroke]="shape.stroke ? colours[shape.stroke] : 'none'"
            [style.stroke-width]="shape.width"
            [style.stroke-dasharray]="shape.dashed ? '5 3' : null"
          />
        } @else if (shape.kind === 'text') {
          <text
            [attr.x]="shape.x"
            [attr.y]="shape.y"
            [attr.text-anchor]="shape.anchor"
            [style.fill]="colours[shape.ink]"
            [style.font-family]="shape.face === 'figures' ? 'var(--figures)' : 'var(--text)'"
            [style.font-size.px]="shape.size"
            [style.font-weight]="shape.bold ? 600 : 400"
          >
            {{ shape.text }}
          </text>
        }
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      overflow: visible;
      width: 100%;
    }
  `,
})
export class ShapeView {
  readonly drawing = input.required<Drawing>();
  /** What the drawing says to those who do not see it. */
  readonly said = input.required<string>();
  protected readonly colours = COLOURS;
  protected readonly box = computed(() => {
    const { x, y, width, height } = this.drawing().box;
    return `${x} ${y} ${width} ${height}`;
  });
}
