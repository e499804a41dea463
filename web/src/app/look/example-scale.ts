import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { pointOf, showRange, type Criterion, type Example, type LookContext, type Range } from '@tug-mark/core';
import { ExampleName } from './example-name';
import { PieceView, viewOfFault } from './piece-view';

const STATE = { accept: 'pass', note: 'note', rework: 'hold', reject: 'fail' } as const;
/** px: of one drawing with its words, and of the scale beside them. */
const ROW = 84;
const SCALE = 74;
/** Where on the scale its line stands. */
const LINE = 46;

/** Drawings of a point along the scale of its number, the lowest at the top: what is good is a stretch of it, not a box. */
@Component({
  selector: 'tm-example-scale',
  imports: [ExampleName, PieceView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawn(); as d) {
      <svg [attr.width]="scale" [attr.height]="d.height" aria-hidden="true">
        <path class="line" [attr.d]="'M' + line + ' 6V' + (d.height - 6)" />
        <path class="good" [attr.d]="'M' + line + ' ' + d.from + 'V' + d.to" />
        @for (end of d.ends; track end.y) {
          <text [attr.x]="line - 7" [attr.y]="end.y" dy="0.35em" text-anchor="end">{{ end.text }}</text>
        }
        @for (place of d.places; track $index) {
          <path class="leader" [attr.d]="'M' + line + ' ' + place.y + 'L' + scale + ' ' + place.row" />
          <circle [class]="place.state" [attr.cx]="line" [attr.cy]="place.y" r="5" />
        }
      </svg>
      <ol>
        @for (example of ordered(); track $index) {
          <li [style.height.px]="rowHeight">
            <button
              type="button"
              class="bare"
              [disabled]="!choosing() || example.kind !== 'wrong'"
              (click)="choose.emit(example.fault!.code)"
            >
              <tm-piece-view
                [look]="look()"
                [piece]="example.piece"
                [view]="viewOf(example)"
                [point]="criterion().code"
                [width]="230"
                [said]="example.title + ', ' + example.finding + '. ' + example.why"
              />
              <span class="words">
                <tm-example-name [example]="example" [key]="keyOf(example)" />
                @if (example.kind === 'wrong') {
                  <span class="soft">{{ example.why }}</span>
                }
              </span>
            </button>
          </li>
        }
      </ol>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: auto minmax(0, 1fr);
    }
    .line {
      stroke: var(--line-strong);
      stroke-width: 2;
    }
    .good {
      stroke: var(--pass);
      stroke-width: 8;
    }
    .leader {
      fill: none;
      stroke: var(--line-strong);
    }
    text {
      fill: var(--ink-soft);
      font: 14px var(--figures);
    }
    circle {
      fill: var(--sheet);
      stroke-width: 3;
    }
    circle.pass {
      stroke: var(--pass);
    }
    circle.note,
    circle.hold {
      stroke: var(--hold);
    }
    circle.fail {
      stroke: var(--fail);
    }
    li button {
      align-items: center;
      cursor: default;
      display: grid;
      gap: 10px;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      height: 100%;
      width: 100%;
    }
    li button:enabled {
      cursor: pointer;
    }
    li button:enabled:hover {
      background: var(--petrol-tint);
    }
    .words {
      display: grid;
      font-size: 14px;
      gap: 2px;
      line-height: 1.25;
    }
    .soft {
      -webkit-box-orient: vertical;
      display: -webkit-box;
      -webkit-line-clamp: 3;
      overflow: hidden;
    }
  `,
})
export class ExampleScale {
  readonly look = input.required<LookContext>();
  readonly criterion = input.required<Criterion>();
  readonly examples = input.required<readonly Example[]>();
  /** The key that names each fault, over all drawings of the point. */
  readonly numbers = input.required<ReadonlyMap<Example, number>>();
  /** Whether a fault is being named: the wrong ones can be chosen then. */
  readonly choosing = input(false);
  readonly choose = output<string>();
  protected readonly scale = SCALE;
  protected readonly line = LINE;
  protected readonly rowHeight = ROW;

  private readonly value = (example: Example) => valueOf(this.criterion(), example);
  protected readonly ordered = computed(() =>
    [...this.examples()].sort((a, b) => (this.value(a) ?? 0) - (this.value(b) ?? 0)),
  );
  protected readonly drawn = computed(() => {
    const number = numberOf(this.look(), this.criterion());
    const rows = this.ordered();
    if (!number || !rows.length) return null;
    const { range } = number;
    const told = showRange(range, range.max - range.min < 1 ? 2 : 1, ' ').split(' ');
    const values = rows.map((example) => this.value(example) ?? 0);
    const low = Math.min(range.min, ...values);
    const high = Math.max(range.max, ...values);
    const height = rows.length * ROW;
    const y = (value: number) => ROW / 2 + ((value - low) / (high - low || 1)) * (height - ROW);
    const ends = [range.min, range.max].filter((end, i) => i === 0 || y(end) - y(range.min) > 14);
    return {
      height,
      from: y(range.min),
      to: y(range.max),
      ends: ends.map((end, i) => ({ y: y(end), text: told[i] ?? '' })),
      places: rows.map((example, i) => ({
        y: y(values[i] ?? 0),
        row: (i + 0.5) * ROW,
        state: STATE[example.finding],
      })),
    };
  });

  protected keyOf(example: Example): number | null {
    return this.choosing() ? (this.numbers().get(example) ?? null) : null;
  }

  protected viewOf(example: Example) {
    return viewOfFault(this.criterion().view, example.fault?.code ?? null);
  }
}

/** The number a drawn piece has at a point; null where only the eye can tell. */
export function valueOf(criterion: Criterion, { piece }: Example): number | null {
  return pointOf(criterion.code).number?.of(piece) ?? null;
}

/** What of a point's number is good: as its sheet says where that asks for one, else as the set-up gives it. */
export function numberOf(look: LookContext, criterion: Criterion): { readonly range: Range } | null {
  const { number } = pointOf(criterion.code);
  const range = criterion.number?.range ?? number?.range(look) ?? null;
  return number && range ? { range } : null;
}
