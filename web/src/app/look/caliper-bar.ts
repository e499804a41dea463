import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Mark } from '../parts/mark';
import { StationCaliper } from './station-caliper';
import { Select } from '../parts/select';

/** The station's caliper: which one, and whether it is there. */
@Component({
  selector: 'tm-caliper-bar',
  imports: [Select, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (caliper.calipers().length) {
      <label for="station-caliper">Caliper</label>
      <tm-select
        selectId="station-caliper"
        [options]="options()"
        [value]="caliper.chosen()?.id ?? ''"
        (valueChange)="choose($event)"
      />
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

  protected readonly options = computed(() => [
    { value: '', label: 'none, values are typed' },
    ...this.caliper.calipers().map(({ id, label }) => ({ value: id, label })),
  ]);

  protected choose(id: string | null): void {
    this.caliper.choose(id === '' ? null : id);
    // The keys belong to the points again, not to the list.
    document.getElementById('station-caliper')?.blur();
  }
}
