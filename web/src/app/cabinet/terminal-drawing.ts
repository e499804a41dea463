import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import {
  DIMENSIONS,
  drawTerminal,
  familyHas,
  familyName,
  FAMILIES,
  readLength,
  SEAMS,
  type DimensionPath,
  type DrawnDimension,
  type Family,
  type TerminalOutline,
} from '@tug-mark/core';
import { ShapeView } from '../parts/shape-view';
import { fieldId } from './part-form';

/** What is known of a terminal from what is typed so far; null while its family is not known. */
export function outlineOf(cells: Readonly<Record<string, string>>): TerminalOutline | null {
  const family = FAMILIES.find((each) => each === cells['family']);
  if (!family) return null;
  const lengths = DIMENSIONS.flatMap((path): [DimensionPath, number][] => {
    const read = readLength(cells[path] ?? '', 'mm');
    return read.outcome === 'length' ? [[path, read.millimetres]] : [];
  });
  const seam = SEAMS.find((each) => each === cells['barrel.seam']) ?? 'butted';
  return { family, shape: cells['shape'] ?? '', seam, lengths: Object.fromEntries(lengths) };
}

/**
 * A terminal as far as it is typed in, its dimensions to touch: each leads to its field, the field that has the focus is marked
 * on the drawing, and what is not typed yet is dotted.
 */
@Component({
  selector: 'tm-terminal-drawing',
  imports: [ShapeView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawn(); as d) {
      <figure>
        <figcaption class="soft">
          Touch a dimension to type it; what is missing is dotted.
          <strong>{{ given() }} of {{ d.dimensions.length }} dimensions are in.</strong>
        </figcaption>
        <div class="stack">
          <tm-shape-view [drawing]="d" [said]="said()" />
          <svg class="over" [attr.viewBox]="box()" role="group" aria-label="Dimensions">
            @for (dimension of d.dimensions; track dimension.path) {
              <g
                role="button"
                tabindex="0"
                [class.missing]="dimension.value === null"
                [class.active]="isActive(dimension)"
                [attr.aria-label]="words(dimension)"
                (click)="touched.emit(dimension.path)"
                (keydown.enter)="go($event, dimension)"
                (keydown.space)="go($event, dimension)"
              >
                <path class="reach" [attr.d]="line(dimension)" />
                <path class="mark" [attr.d]="line(dimension)" />
                <path class="mark ends" [attr.d]="ends(dimension)" />
                <text
                  [attr.x]="dimension.label.x"
                  [attr.y]="dimension.label.y"
                  [attr.text-anchor]="dimension.label.anchor"
                >
                  {{ dimension.title }} {{ dimension.value ?? '...' }}
                </text>
              </g>
            }
          </svg>
        </div>
      </figure>
    }
  `,
  styles: `
    figure {
      background: var(--paper);
      border: 1px solid var(--line);
      display: grid;
      gap: 8px;
      margin: 0;
      padding: 12px 14px;
    }
    figcaption {
      font-size: 14px;
    }
    .stack {
      position: relative;
    }
    .over {
      inset: 0;
      overflow: visible;
      position: absolute;
      width: 100%;
    }
    g {
      cursor: pointer;
    }
    g:focus {
      outline: none;
    }
    .reach {
      fill: none;
      pointer-events: stroke;
      stroke: transparent;
      stroke-width: 26;
    }
    .mark {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    text {
      fill: var(--ink);
      font: 15px var(--figures);
    }
    .missing .mark:not(.ends) {
      stroke-dasharray: 4 4;
    }
    .missing .mark {
      stroke: var(--ink-soft);
    }
    .missing text {
      fill: var(--ink-soft);
    }
    .active .mark,
    g:focus-visible .mark {
      stroke: var(--copper);
      stroke-width: 3;
    }
    .active text,
    g:focus-visible text,
    g:hover text {
      fill: var(--copper);
      font-weight: 600;
    }
  `,
})
export class TerminalDrawingView {
  /** Cells of the form, as they are typed. */
  readonly cells = input.required<Readonly<Record<string, string>>>();
  /** Id of the field that has the focus; empty for none. */
  readonly focused = input('');
  readonly touched = output<DimensionPath>();

  protected readonly drawn = computed(() => {
    const outline = outlineOf(this.cells());
    return outline && drawTerminal(outline, (path) => familyHas(outline.family, path) || Boolean(this.cells()[path]));
  });
  protected readonly given = computed(() => this.drawn()?.dimensions.filter(({ value }) => value !== null).length ?? 0);
  protected readonly box = computed(() => {
    const { x = 0, y = 0, width = 1, height = 1 } = this.drawn()?.box ?? {};
    return `${x} ${y} ${width} ${height}`;
  });
  protected readonly said = computed(
    () => `${familyName(this.cells()['family'] as Family)}, seen from above, its wire from the right`,
  );

  protected words({ title, value }: DrawnDimension): string {
    return value === null ? `${title}, not typed yet: go to its field` : `${title} ${value} mm: go to its field`;
  }
  protected isActive({ path }: DrawnDimension): boolean {
    return fieldId(path) === this.focused();
  }
  protected line({ from, to }: DrawnDimension): string {
    return `M${from.x} ${from.y}L${to.x} ${to.y}`;
  }
  /** A short stroke across each end. */
  protected ends({ from, to }: DrawnDimension): string {
    const isUpright = Math.abs(to.x - from.x) < Math.abs(to.y - from.y);
    const stroke = ({ x, y }: DrawnDimension['from']) => (isUpright ? `M${x - 5} ${y}h10` : `M${x} ${y - 5}v10`);
    return `${stroke(from)}${stroke(to)}`;
  }
  protected go(event: Event, { path }: DrawnDimension): void {
    event.preventDefault();
    this.touched.emit(path);
  }
}
