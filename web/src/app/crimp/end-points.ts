import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { drawStrippedEnd, type EndPoint, type Wire } from '@tug-mark/core';
import { ShapeView } from '../parts/shape-view';

/** What a stripped end is looked at by, beside one as it has to be. */
@Component({
  selector: 'tm-end-points',
  imports: [ShapeView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tm-shape-view [drawing]="drawing()" said="A stripped end as it has to be, with its slug" />
    <dl class="facts">
      @for (point of points(); track point.code) {
        <dt>{{ point.title }}</dt>
        <dd>{{ point.accept }}</dd>
      }
    </dl>
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
    }
    tm-shape-view {
      max-width: 260px;
    }
    dl {
      display: grid;
      gap: 3px 14px;
      grid-template-columns: auto 1fr;
      margin: 0;
    }
    dt {
      font-weight: 600;
    }
    dd {
      margin: 0;
    }
  `,
})
export class EndPoints {
  readonly points = input.required<readonly EndPoint[]>();
  readonly wire = input.required<Wire>();
  protected readonly drawing = computed(() => drawStrippedEnd(this.wire()));
}
