import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { may, type Gauge } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Mark } from '../../parts/mark';
import { sessionFeature } from '../../session/session.state';
import { GaugeBar } from './gauge-bar';
import { GaugeForm } from './gauge-form';
import { StationGauge } from './station-gauge';
import { injectToday } from '../../session/shop-day';
import { showDay } from '../../parts/show-time';

const NEW: Gauge = {
  id: '',
  kind: 'force',
  label: '',
  host: '127.0.0.1',
  port: 4001,
  pattern: '{value} {unit}',
  unit: 'N',
  rate: 10,
  capacity: 500,
  startCommand: '',
  zeroCommand: '',
  traceCommand: '',
  calibrationUntil: '',
  active: true,
};

/** The shop's force gauges: how each is reached and how it writes, tried on a line before it is kept. */
@Component({
  selector: 'tm-gauges-page',
  imports: [NzButtonModule, GaugeBar, GaugeForm, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>Force gauges and calipers</h1>
          <p class="soft">
            A gauge sends a line a reading over the network, or over a serial line behind a serial-to-network box. This
            station listens to the one chosen here or at the pull. A gauge that types like a keyboard needs no entry.
          </p>
        </div>
        @if (mayEdit()) {
          <button nz-button nzType="primary" class="bench-button" type="button" (click)="draft.set(fresh)">
            Enter a gauge
          </button>
        }
      </div>
      <tm-gauge-bar [limit]="null" [breaks]="gauge.chosen()?.capacity ?? 100" unit="N" [takesFiles]="false" />
      <ul>
        @for (g of gauge.all(); track g.id) {
          <li>
            <div>
              <h2>
                {{ g.label }} <span class="soft">{{ g.id }}{{ g.active ? '' : ', out of use' }}</span>
              </h2>
              <p class="figures">
                {{ g.host }}:{{ g.port }} · {{ g.pattern }} · {{ g.unit }}
                @if (g.kind === 'force') {
                  · {{ g.rate }}/s · to {{ g.capacity }} N
                } @else {
                  · caliper, a line each time its button is pressed
                }
              </p>
              <p [class.soft]="g.calibrationUntil >= today">
                @if (g.calibrationUntil < today) {
                  <tm-mark state="fail" />
                }
                calibrated to {{ day(g.calibrationUntil) }}
              </p>
            </div>
            @if (mayEdit()) {
              <button nz-button class="bench-button" type="button" (click)="draft.set(g)">Change {{ g.id }}</button>
            }
          </li>
        } @empty {
          <li class="soft">No gauge is entered. Values are typed, or sent by a gauge that types like a keyboard.</li>
        }
      </ul>
      @if (draft(); as d) {
        <tm-gauge-form [gauge]="d" (kept)="keep($event)" (closed)="draft.set(null)" />
      }
    </div>
  `,
  styles: `
    ul {
      margin: 14px 0;
    }
    li {
      align-items: center;
      border-bottom: 1px solid var(--line);
      display: flex;
      gap: 20px;
      justify-content: space-between;
      padding: 10px 0;
    }
    h2 {
      font-size: 18px;
    }
  `,
})
export class GaugesPage {
  protected readonly day = showDay;
  protected readonly gauge = inject(StationGauge);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly fresh = NEW;
  protected readonly today = injectToday()();
  protected readonly draft = signal<Gauge | null>(null);
  protected readonly mayEdit = computed(() => may(this.person()?.roles, 'edit-cabinet'));
  constructor() {
    void this.gauge.open();
  }

  protected keep(gauges: readonly Gauge[]): void {
    this.gauge.know(gauges);
    this.draft.set(null);
  }
}
