import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { may, type Gauge, type Problem } from '@tug-mark/contract';
import { FORCE_UNITS, LENGTH_UNITS, openLinePattern, readCaliperLine, readGaugeLine } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../../http/api';
import { Mark } from '../../parts/mark';
import { ProblemNotice } from '../../parts/problem-notice';
import { plainNumber } from '../../parts/plain-number';
import { valueOf } from '../../parts/value-of';
import { sessionFeature } from '../../session/session.state';
import { GaugeBar } from './gauge-bar';
import { StationGauge } from './station-gauge';
import { injectToday } from '../../session/shop-day';

type Field =
  | 'id'
  | 'label'
  | 'host'
  | 'port'
  | 'pattern'
  | 'rate'
  | 'capacity'
  | 'startCommand'
  | 'zeroCommand'
  | 'traceCommand'
  | 'calibrationUntil';

const FIELDS: readonly { readonly key: Field; readonly title: string; readonly wide?: boolean }[] = [
  { key: 'id', title: 'Name' },
  { key: 'label', title: 'Label', wide: true },
  { key: 'host', title: 'Host' },
  { key: 'port', title: 'Port' },
  { key: 'pattern', title: 'Line pattern', wide: true },
  { key: 'rate', title: 'Readings a second' },
  { key: 'capacity', title: 'Capacity, N' },
  { key: 'startCommand', title: 'Told at the start' },
  { key: 'zeroCommand', title: 'Told to zero' },
  { key: 'traceCommand', title: 'Told to send its curve' },
  { key: 'calibrationUntil', title: 'Calibrated to' },
];

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
  imports: [NzButtonModule, NzInputModule, GaugeBar, Mark, ProblemNotice],
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
          <button nz-button nzType="primary" class="bench-button" type="button" (click)="edit(fresh)">
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
                calibrated to {{ g.calibrationUntil }}
              </p>
            </div>
            @if (mayEdit()) {
              <button nz-button class="bench-button" type="button" (click)="edit(g)">Change {{ g.id }}</button>
            }
          </li>
        } @empty {
          <li class="soft">No gauge is entered. Values are typed, or sent by a gauge that types like a keyboard.</li>
        }
      </ul>
      @if (draft(); as d) {
        <form (submit)="keep($event)" novalidate aria-labelledby="gauge-form">
          <h2 id="gauge-form">{{ isNew() ? 'A new gauge' : 'Change ' + d.id }}</h2>
          <div class="fields">
            @for (f of fields; track f.key) {
              <label [class.wide]="f.wide">
                {{ f.title }}
                <input
                  nz-input
                  [id]="'gauge-' + f.key"
                  [value]="typed()[f.key]"
                  [disabled]="f.key === 'id' && !isNew()"
                  [attr.aria-invalid]="wrong().has(f.key) || null"
                  (input)="type(f.key, $event)"
                />
                @if (wrong().get(f.key); as text) {
                  <span class="bad">{{ f.title }} {{ text }}</span>
                }
              </label>
            }
            <label>
              Kind
              <select id="gauge-kind" (change)="setKind($event)">
                <option value="force" [selected]="d.kind === 'force'">force gauge</option>
                <option value="caliper" [selected]="d.kind === 'caliper'">caliper</option>
              </select>
            </label>
            <label>
              Unit
              <select (change)="setUnit($event)">
                @for (u of units(); track u) {
                  <option [value]="u" [selected]="u === d.unit">{{ u }}</option>
                }
              </select>
            </label>
            <label class="tick"><input type="checkbox" [checked]="d.active" (change)="turn()" /> in use</label>
          </div>
          <div class="try">
            <label class="wide">
              Try a line of it
              <input
                nz-input
                id="gauge-line"
                placeholder="F +118.42 N OK"
                [value]="line()"
                (input)="line.set(value($event))"
              />
            </label>
            <p role="status">{{ tried() }}</p>
          </div>
          @if (problem(); as found) {
            <tm-problem [problem]="found" />
          }
          <p>
            <button nz-button nzType="primary" class="bench-button" type="submit">Keep it</button>
            <button nz-button class="bench-button" type="button" (click)="draft.set(null)">Leave it</button>
          </p>
        </form>
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
    .fields {
      display: grid;
      gap: 10px 16px;
      grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
      margin: 10px 0;
    }
    label {
      align-content: start;
      display: grid;
    }
    label.wide {
      grid-column: span 2;
    }
    label.tick {
      align-items: center;
      display: flex;
      gap: 8px;
    }
    label.tick input {
      height: 24px;
      width: 24px;
    }
    input:not([type]) {
      min-height: 44px;
    }
    .bad {
      color: var(--fail);
    }
    .try {
      align-items: end;
      display: flex;
      gap: 16px;
      margin-bottom: 12px;
    }
    .try label {
      width: 380px;
    }
    form p {
      display: flex;
      gap: 10px;
    }
  `,
})
export class GaugesPage {
  protected readonly gauge = inject(StationGauge);
  private readonly api = inject(Api);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly value = valueOf;
  protected readonly fields = FIELDS;
  protected readonly units = computed(() => (this.draft()?.kind === 'caliper' ? LENGTH_UNITS : FORCE_UNITS));
  protected readonly fresh = NEW;
  protected readonly today = injectToday()();
  protected readonly draft = signal<Gauge | null>(null);
  protected readonly typed = signal<Readonly<Record<Field, string>>>(textsOf(NEW));
  protected readonly isNew = signal(true);
  protected readonly line = signal('');
  protected readonly problem = signal<Problem | null>(null);
  protected readonly mayEdit = computed(() => may(this.person()?.role ?? 'technician', 'edit-cabinet'));
  protected readonly wrong = computed(() => new Map((this.problem()?.errors ?? []).map((e) => [e.where, e.text])));

  /** What the pattern makes of the line tried. */
  protected readonly tried = computed(() => {
    const said = this.draft()?.unit ?? 'N';
    const length = LENGTH_UNITS.find((u) => u === said);
    if (length) {
      const caliper = openLinePattern(this.typed().pattern, length);
      if (!caliper.ok) return caliper.text;
      if (this.line().trim() === '') return 'The pattern can be read.';
      const mm = readCaliperLine(this.line(), caliper.pattern);
      return mm === null
        ? 'The pattern does not fit this line: it would not be taken for a length.'
        : `Read as ${mm} mm.`;
    }
    const unit = FORCE_UNITS.find((u) => u === said) ?? 'N';
    const opened = openLinePattern(this.typed().pattern, unit);
    if (!opened.ok) return opened.text;
    if (this.line().trim() === '') return 'The pattern can be read.';
    const read = readGaugeLine(this.line(), opened.pattern);
    if (read.outcome === 'garbled') return 'The pattern does not fit this line: it would not be taken for a reading.';
    if (read.status === 'overload') return 'Read as an overload.';
    return `Read as ${read.newtons.toFixed(2)} N${read.otherUnit ? `, sent in ${read.otherUnit}` : ''}.`;
  });

  constructor() {
    void this.gauge.open();
  }

  protected edit(gauge: Gauge): void {
    this.draft.set(gauge);
    this.typed.set(textsOf(gauge));
    this.isNew.set(gauge.id === '');
    this.problem.set(null);
    setTimeout(() => document.getElementById(gauge.id === '' ? 'gauge-id' : 'gauge-label')?.focus());
  }

  protected type(key: Field, event: Event): void {
    this.typed.update((typed) => ({ ...typed, [key]: valueOf(event) }));
  }

  protected setUnit(event: Event): void {
    const unit = this.units().find((u) => u === valueOf(event)) ?? 'N';
    this.draft.update((d) => d && { ...d, unit });
  }

  protected setKind(event: Event): void {
    const kind = valueOf(event) === 'caliper' ? 'caliper' : 'force';
    this.draft.update((d) => d && { ...d, kind, unit: kind === 'caliper' ? 'mm' : 'N' });
  }

  protected turn(): void {
    this.draft.update((d) => d && { ...d, active: !d.active });
  }

  protected async keep(event: Event): Promise<void> {
    event.preventDefault();
    const draft = this.draft();
    if (!draft) return;
    const { port, rate, capacity, ...texts } = this.typed();
    try {
      const gauges = await this.api.keepGauge({
        ...draft,
        ...texts,
        port: plainNumber(port) ?? NaN,
        rate: plainNumber(rate) ?? NaN,
        capacity: plainNumber(capacity) ?? NaN,
      });
      this.gauge.all.set(gauges);
      this.draft.set(null);
      this.problem.set(null);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}

const textsOf = (gauge: Gauge) =>
  Object.fromEntries(FIELDS.map(({ key }) => [key, String(gauge[key])])) as Record<Field, string>;
