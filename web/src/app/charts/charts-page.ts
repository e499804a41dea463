import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { ChartChoice, ChartKind } from '@tug-mark/contract';
import { fromNewtons, uncapital } from '@tug-mark/core';
import { Api } from '../http/api';
import { Mark } from '../parts/mark';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { showTime } from '../parts/show-time';
import { injectForceDecimals } from '../settings/force-decimals';
import { settingsFeature } from '../settings/settings.state';
import { ChartBaseline } from './chart-baseline';
import { ChartCanvas } from './chart-canvas';
import { inks } from './chart-ink';
import { chartOptions, type ChartScale } from './chart-options';
import { ChartReadings } from './chart-readings';
import { readingsText, trendText } from './chart-words';
import { Notice } from '../parts/notice';

const KINDS: readonly { readonly kind: ChartKind; readonly title: string; readonly question: string }[] = [
  { kind: 'combination', title: 'Combination', question: 'Is it made as it was?' },
  { kind: 'tool', title: 'Tool', question: 'Does it still crimp as it did?' },
  { kind: 'nest', title: 'Nest', question: 'Does this nest still crimp as it did?' },
  { kind: 'person', title: 'Person', question: 'Do the pulls come out alike?' },
  { kind: 'reel', title: 'Reel', question: 'Is this reel like the others?' },
];
/** Readings over time: whether what is made stays as it was, what happened on the way, and where it is going. */
@Component({
  selector: 'tm-charts-page',
  imports: [Notice, RouterLink, ChartBaseline, ChartCanvas, Mark, ProblemNotice, Select],
  providers: [ChartReadings],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ title() }}</h1>
          <p class="soft" role="status">{{ said() }}</p>
        </div>
        <div class="choose">
          <div class="field">
            <label for="chart-kind">Readings of a</label
            ><tm-select
              selectId="chart-kind"
              [options]="kindOptions"
              [value]="kind()"
              (valueChange)="chooseKind($event)"
            />
          </div>
          <div class="field">
            <label for="chart-value">Which</label
            ><tm-select
              selectId="chart-value"
              [options]="offeredOptions()"
              [value]="value()"
              (valueChange)="chooseValue($event)"
            />
          </div>
          <div class="field">
            <label for="chart-subgroup">A point is</label
            ><tm-select
              selectId="chart-subgroup"
              [options]="subgroups"
              [value]="readings.subgroup().toString()"
              (valueChange)="readings.group(+($event ?? 1))"
            />
          </div>
        </div>
      </div>
      @if (kind() === 'combination' && value()) {
        <p><a [routerLink]="['/heights', value()]">Crimp heights beside these pulls</a></p>
      }
      @if (readings.problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (choices() && !offered().length) {
        <tm-notice>Nothing of that kind has readings yet.</tm-notice>
      }
      @if (options(); as o) {
        <div class="canvas"><tm-chart-canvas [options]="o" [label]="told()" (moved)="readings.move($event)" /></div>
      }
      @if (readings.work(); as w) {
        <div class="below">
          <section aria-labelledby="chart-signals">
            <h2 id="chart-signals">{{ w.signalCount ? 'Not like chance' : 'Nothing stands out' }}</h2>
            @for (s of latest(); track $index) {
              <p>
                <tm-mark [state]="s.code === 'outside' ? 'fail' : 'hold'" /> {{ s.text }}
                <span class="soft">{{ time(s.when) }}</span>
              </p>
            }
            @if (w.signalCount > latest().length) {
              <p class="soft">and {{ w.signalCount - latest().length }} before these.</p>
            }
            @if (!w.level) {
              <p class="soft">Limits need ten points; there are {{ w.count }}.</p>
            }
          </section>
          <section aria-labelledby="chart-trend">
            <h2 id="chart-trend">Where it is going</h2>
            <p>{{ trend() }}</p>
          </section>
          <tm-chart-baseline />
        </div>
      }
    </div>
  `,
  styles: `
    .choose {
      align-items: end;
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
    }
    .choose label {
      display: grid;
      font-size: 15px;
    }
    .canvas {
      background: var(--sheet);
      border: 1px solid var(--line);
      height: 430px;
      margin: 10px 0;
    }
    .below {
      display: grid;
      gap: 24px;
      grid-template-columns: repeat(auto-fit, minmax(min(300px, 100%), 1fr));
    }
    section {
      align-content: start;
      display: grid;
      gap: 6px;
    }
    h2 {
      font-size: 18px;
    }
  `,
})
export class ChartsPage {
  /** From the address; absent where it names none. */
  readonly asked = input<string | undefined>(undefined);
  readonly of = input<string | undefined>(undefined);
  protected readonly readings = inject(ChartReadings);
  private readonly router = inject(Router);
  private readonly forceUnit = inject(Store).selectSignal(settingsFeature.selectForceUnit);
  protected readonly time = showTime;
  protected readonly kindOptions = KINDS.map(({ kind, title }) => ({ value: kind, label: title.toLowerCase() }));
  protected readonly subgroups = [1, 2, 3, 4, 5].map((n) => ({
    value: String(n),
    label: n === 1 ? 'one reading' : `the mean of ${n}`,
  }));
  protected readonly choices = signal<readonly ChartChoice[] | null>(null);
  protected readonly kind = computed<ChartKind>(
    () => KINDS.find((k) => k.kind === this.asked())?.kind ?? 'combination',
  );
  protected readonly offered = computed(() => (this.choices() ?? []).filter((c) => c.kind === this.kind()));
  protected readonly offeredOptions = computed(() => this.offered().map(({ value, label }) => ({ value, label })));
  protected readonly value = computed(() => this.of() ?? this.offered()[0]?.value ?? '');
  private readonly decimals = injectForceDecimals();
  /** One combination is charted in force; readings of different wires only compare as a share of their limits. */
  private readonly scale = computed<ChartScale>(() =>
    this.kind() === 'combination'
      ? { unit: this.forceUnit(), show: (value) => fromNewtons(value, this.forceUnit()), decimals: this.decimals() }
      : { unit: '% of the limit', show: (value) => value, decimals: 1 },
  );
  protected readonly title = computed(() => {
    const question = KINDS.find((k) => k.kind === this.kind())?.question ?? '';
    const label = this.readings.about()?.label;
    return label ? `${label}: ${uncapital(question)}` : question;
  });
  protected readonly said = computed(() => {
    const { work, glance, isAll, read } = this.readings;
    const known = work() ?? glance()?.work ?? null;
    return readingsText(known, { isAll: isAll(), read: read(), scale: this.scale() });
  });
  protected readonly trend = computed(() => {
    const work = this.readings.work();
    return work ? trendText(work, this.scale()) : '';
  });
  protected readonly latest = computed(() =>
    [...(this.readings.work()?.signals ?? [])]
      .reverse()
      .slice(0, 6)
      .map((s) => ({ ...s, when: new Date(s.at).toISOString() })),
  );
  protected readonly told = computed(() => `${this.title()} ${this.said()} ${this.trend()}`);
  protected readonly options = computed(() => {
    const drawn = this.readings.drawn();
    const about = this.readings.about();
    if (!drawn?.work.count || !about) return null;
    return chartOptions({ ...drawn, about, scale: this.scale(), points: this.readings.points() }, inks());
  });

  constructor() {
    void inject(Api)
      .chartChoices()
      .then(
        (choices) => {
          this.choices.set(choices);
        },
        (error: unknown) => {
          this.readings.fail(error);
        },
      );
    effect(() => {
      const kind = this.kind();
      const value = this.value();
      untracked(() => {
        if (value) void this.readings.load(kind, value);
      });
    });
  }

  protected chooseKind(asked: string | null): void {
    void this.router.navigate(['/charts'], { queryParams: { asked } });
  }

  protected chooseValue(of: string | null): void {
    void this.router.navigate(['/charts'], { queryParams: { asked: this.kind(), of } });
  }
}
