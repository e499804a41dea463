import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Mark } from '../parts/mark';
import { valueOf } from '../parts/value-of';
import { StationCaliper } from './station-caliper';

/** The station's caliper: which one, and whether it is there. */
@Component({
  selector: 'tm-caliper-bar',
  imports: [Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (caliper.calipers().length) {
      <label for="station-caliper">Caliper</label>
      <select id="station-caliper" (change)="choose($event)">
        <option value="" [selected]="!caliper.chosen()">none, values are typed</option>
        @for (c of caliper.calipers(); track c.id) {
          <option [value]="c.id" [selected]="c.id === caliper.chosen()?.id">{{ c.label }}</option>
        }
      </select>
      @if (caliper.chosen() && caliper.state().state !== 'connected') {
        <span class="lost" role="alert"><tm-mark state="fail" /> {{ caliper.state().text }}</span>
      } @else if (caliper.chosen()) {
        <span class="soft">its button measures the point in hand</span>
      }
    }
  `,
  styles: `
    :host {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 6px 10px;
    }
    label {
      font: 600 15px var(--figures);
    }
    select {
      min-height: 44px;
    }
  `,
})
export class CaliperBar {
  protected readonly caliper = inject(StationCaliper);

  protected choose(event: Event): void {
    this.caliper.choose(valueOf(event) || null);
    // The keys belong to the points again, not to the list.
    (event.target as HTMLElement).blur();
  }
}
