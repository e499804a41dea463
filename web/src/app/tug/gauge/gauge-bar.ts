import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { type ForceUnit } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { FileButton } from '../../parts/file-button';
import { Mark } from '../../parts/mark';
import { ForceStrip } from './force-strip';
import { StationGauge } from './station-gauge';
import { injectToday } from '../../session/shop-day';
import { Select } from '../../parts/select';
import { showDay } from '../../parts/show-time';

/** The station's gauge: which one, whether it is there, what it shows now; or that values are typed. */
@Component({
  selector: 'tm-gauge-bar',
  imports: [NzButtonModule, FileButton, ForceStrip, Mark, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (gauge.gauges(); as gauges) {
      <div class="bar" role="group" aria-label="Force gauge">
        <label for="station-gauge">Gauge</label>
        <tm-select
          selectId="station-gauge"
          [options]="optionsOf(gauges)"
          [value]="gauge.chosen()?.id ?? ''"
          (valueChange)="choose($event)"
        />
        @if (gauge.chosen(); as g) {
          @if (gauge.state().state === 'connected') {
            <tm-force-strip [limit]="limit()" [top]="breaks()" [unit]="unit()" />
            <button nz-button type="button" (click)="zero()">Zero</button>
          } @else {
            <p class="lost" role="alert">
              <tm-mark state="fail" /> {{ gauge.state().text }}
              @if (gauge.peak() > 0) {
                The pull in hand stands at {{ gauge.peak().toFixed(1) }} N.
                <button nz-button class="quiet" type="button" (click)="gauge.settle()">Take it as it is</button>
              }
            </p>
          }
          @if (g.calibrationUntil < today) {
            <p class="doubt">
              <tm-mark state="fail" /> Its calibration ran out on {{ day(g.calibrationUntil) }}: take another gauge.
            </p>
          }
          @if (gauge.isOverloaded()) {
            <p class="doubt" role="alert"><tm-mark state="fail" /> Overload. Stop pulling.</p>
          }
          @if (gauge.refusesZero()) {
            <p class="doubt" role="status">
              <tm-mark state="hold" /> This gauge takes no zero from here: press its own key. What it shows at rest is
              taken off anyway.
            </p>
          }
          @if (gauge.doubt()) {
            <p class="doubt"><tm-mark state="hold" /> {{ gauge.doubt() }}</p>
          }
        }
        @if (takesFiles()) {
          <tm-file-button accept=".csv,text/csv" (file)="takeFile($event)">Curve from a file</tm-file-button>
        }
        @if (refused()) {
          <p class="doubt" role="alert"><tm-mark state="fail" /> {{ refused() }}</p>
        }
      </div>
    }
  `,
  styles: `
    .bar {
      align-items: center;
      border-bottom: 1px solid var(--line);
      border-top: 1px solid var(--line);
      display: flex;
      flex-wrap: wrap;
      gap: 8px 14px;
      padding: 6px 0;
    }
    label[for='station-gauge'] {
      font: 600 16px var(--figures);
    }
    tm-force-strip {
      flex: 1;
      min-width: 300px;
    }
    .bar > button {
      min-height: 44px;
    }
    .doubt {
      flex-basis: 100%;
    }
    .lost {
      flex: 1;
    }
  `,
})
export class GaugeBar {
  protected readonly day = showDay;
  readonly limit = input.required<number | null>();
  readonly breaks = input.required<number>();
  readonly unit = input.required<ForceUnit>();
  /** Whether a pull may come as a CSV file. */
  readonly takesFiles = input(true);
  protected readonly gauge = inject(StationGauge);
  protected readonly refused = signal('');
  protected readonly today = injectToday()();

  protected optionsOf(gauges: readonly { id: string; label: string; active: boolean }[]) {
    const inUse = gauges.filter(({ active }) => active);
    return [{ value: '', label: 'none, values are typed' }, ...inUse.map(({ id, label }) => ({ value: id, label }))];
  }

  protected choose(id: string | null): void {
    this.gauge.choose(id === '' ? null : id);
    // The keys belong to the pull again, not to the list.
    document.getElementById('station-gauge')?.blur();
  }

  protected async takeFile(file: File): Promise<void> {
    this.refused.set((await this.gauge.takeFile(file)) ?? '');
  }

  protected zero(): void {
    void this.gauge.zero();
  }
}
