import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { circleThrough, type PhotoMark, type Point2 } from '@tug-mark/core';
import { PhotoInHand } from '../photo-in-hand';
import { markText } from './mark-text';
import { PhotoMarking } from './photo-marking';

/** The photograph with its marks drawn over it; points are set by pointer or with the crosshair. */
@Component({
  selector: 'tm-photo-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div
      class="view"
      tabindex="0"
      role="application"
      aria-label="Photograph: arrows move the crosshair, Space sets a point"
      (click)="click($event)"
      (keydown)="key.emit($event)"
    >
      <svg
        [attr.viewBox]="'0 0 ' + marking.size().x + ' ' + marking.size().y"
        [style.width.%]="100 * marking.zoom()"
        role="img"
        [attr.aria-label]="'Photograph of the piece with ' + marking.marks().length + ' marks'"
      >
        <image [attr.href]="photo.address()" [attr.width]="marking.size().x" [attr.height]="marking.size().y" />
        @if (marking.scale(); as s) {
          <g class="scale">
            <path [attr.d]="lineOf([s.from, s.to])" [attr.stroke-width]="marking.stroke()" />
            <text [attr.x]="s.to.x" [attr.y]="s.to.y - 6 * marking.stroke()" [attr.font-size]="marking.textSize()">
              {{ s.length }} mm
            </text>
          </g>
        }
        @for (mark of marking.marks(); track $index; let i = $index) {
          <g class="mark" [class.here]="i === marking.picked()">
            <path [attr.d]="pathOf(mark)" [attr.stroke-width]="marking.stroke()" />
            @for (p of mark.points; track $index) {
              <circle [attr.cx]="p.x" [attr.cy]="p.y" [attr.r]="2.2 * marking.stroke()" />
            }
            <text
              [attr.x]="(mark.points.at(-1)?.x ?? 0) + 4 * marking.stroke()"
              [attr.y]="(mark.points.at(-1)?.y ?? 0) - 4 * marking.stroke()"
              [attr.font-size]="marking.textSize()"
            >
              {{ i + 1 }}: {{ said(mark) }}
            </text>
          </g>
        }
        @if (marking.draft().length) {
          <g class="mark here">
            <path [attr.d]="lineOf(marking.draft())" [attr.stroke-width]="marking.stroke()" />
            @for (p of marking.draft(); track $index) {
              <circle [attr.cx]="p.x" [attr.cy]="p.y" [attr.r]="2.6 * marking.stroke()" />
            }
          </g>
        }
        <g class="cross">
          <path [attr.d]="crossAt()" [attr.stroke-width]="marking.stroke() * 0.7" />
        </g>
      </svg>
    </div>
  `,
  styles: `
    .view {
      background: var(--shade);
      border: 1px solid var(--line);
      max-height: min(62vh, 640px);
      overflow: auto;
    }
    svg {
      cursor: crosshair;
      display: block;
    }
    path {
      fill: none;
      stroke: #0d4f59;
    }
    .mark.here path,
    .mark.here circle {
      stroke: #b5622b;
    }
    .scale path {
      stroke: #16242a;
      stroke-dasharray: 8 5;
    }
    .cross path {
      stroke: #b0342a;
    }
    circle {
      fill: #fcfbf8;
      stroke: #0d4f59;
    }
    text {
      fill: #16242a;
      font-family: var(--figures);
      font-weight: 600;
      paint-order: stroke;
      stroke: #fcfbf8;
      stroke-width: 5px;
    }
  `,
})
export class PhotoDrawing {
  protected readonly marking = inject(PhotoMarking);
  protected readonly photo = inject(PhotoInHand);
  /** A key pressed over the picture: arrows move the crosshair, not the scrolled view. */
  readonly key = output<KeyboardEvent>();

  protected readonly crossAt = computed(() => {
    const { x, y } = this.marking.cross();
    const r = 9 * this.marking.stroke();
    return `M${x - r} ${y}H${x + r}M${x} ${y - r}V${y + r}`;
  });

  protected click(event: MouseEvent): void {
    const picture = (event.currentTarget as HTMLElement).querySelector('svg')?.getBoundingClientRect();
    if (!picture) return;
    const { x, y } = this.marking.size();
    this.marking.set({
      x: Number((((event.clientX - picture.left) / picture.width) * x).toFixed(1)),
      y: Number((((event.clientY - picture.top) / picture.height) * y).toFixed(1)),
    });
  }

  protected readonly lineOf = lineOf;
  protected readonly pathOf = pathOf;
  protected said(mark: PhotoMark): string {
    return markText(mark, this.marking.scale());
  }
}

function lineOf(points: readonly Point2[]): string {
  return points.length ? `M${points.map((p) => `${p.x} ${p.y}`).join('L')}` : '';
}

/** A mark's outline; of a circle its rim, where its three points have one. */
export function pathOf({ kind, points }: PhotoMark): string {
  if (kind !== 'circle') return lineOf(points) + (kind === 'area' ? 'Z' : '');
  const [a, b, c] = points;
  if (!a || !b || !c) return '';
  const circle = circleThrough(a, b, c);
  if (!circle) return lineOf(points);
  const { middle, radius: r } = circle;
  return `M${middle.x - r} ${middle.y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
}
