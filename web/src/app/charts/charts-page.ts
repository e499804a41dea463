import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, type ChartAbout, type ChartChoice, type ChartKind, type Problem } from '@tug-mark/contract';
import { uncapital, fromNewtons, showNumber } from '@tug-mark/core';
import { transfer, wrap } from 'comlink';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import type { ChartView, ChartWork } from '../../workers/chart.messages';
import type { ChartWorker } from '../../workers/chart.worker';
import { Api, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { Mark } from '../parts/mark';
import { ProblemNotice } from '../parts/problem-notice';
import { showTime } from '../parts/show-time';
import { valueOf } from '../parts/value-of';
import { sessionFeature } from '../session/session.state';
import { settingsFeature } from '../settings/settings.state';
import { ChartCanvas, inks } from './chart-canvas';
import { glanceOf, type ChartAtAGlance } from './chart-glance';
import { chartOptions, type ChartScale } from './chart-options';
import { Select } from '../parts/select';

const KINDS: readonly { readonly kind: ChartKind; readonly title: string; readonly question: string }[] = [
  { kind: 'combination', title: 'Combination', question: 'Is it made as it was?' },
  { kind: 'tool', title: 'Tool', question: 'Does it still crimp as it did?' },
  { kind: 'nest', title: 'Nest', question: 'Does this nest still crimp as it did?' },
  { kind: 'person', title: 'Person', question: 'Do the pulls come out alike?' },
  { kind: 'reel', title: 'Reel', question: 'Is this reel like the others?' },
];
/** Changes a trend does not run across. */
const BREAKS = ['die', 'setting', 'tool', 'repair', 'run'];
const COLUMNS = 900;
const REST_MS = 120;

/** Readings over time: whether what is made stays as it was, what happened on the way, and where it is going. */
@Component({
  selector: 'tm-charts-page',
  imports: [Select, RouterLink, NzButtonModule, NzInputModule, ChartCanvas, Mark, ProblemNotice],
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
              [value]="subgroup().toString()"
              (valueChange)="chooseSubgroup($event)"
            />
          </div>
        </div>
      </div>
      @if (kind() === 'combination' && value()) {
        <p><a [routerLink]="['/heights', value()]">Crimp heights beside these pulls</a></p>
      }
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (choices() && !offered().length) {
        <p class="notice">Nothing of that kind has readings yet.</p>
      }
      @if (options(); as o) {
        <div class="canvas"><tm-chart-canvas [options]="o" [label]="told()" (moved)="move($event)" /></div>
      }
      @if (work(); as w) {
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
          <section aria-labelledby="chart-baseline">
            <h2 id="chart-baseline">Baseline</h2>
            @if (about()?.baseline; as b) {
              <p>
                {{ b.body.points }} points,
                {{ b.body.subgroup === 1 ? 'one reading each' : 'means of ' + b.body.subgroup }}, frozen by {{ b.by }},
                {{ time(b.at) }}: {{ b.note }}.
                @if (b.body.subgroup !== subgroup()) {
                  <strong>It is for other points than these</strong>, so the limits here are these readings’ own.
                }
              </p>
            } @else {
              <p>None is frozen: the limits come from these readings themselves, and move with them.</p>
            }
            @if (mayFreeze() && w.own) {
              <form (submit)="freeze($event)">
                <label for="baseline-note">Why are the {{ seenCount() }} readings in sight the baseline?</label>
                <input
                  nz-input
                  id="baseline-note"
                  maxlength="500"
                  [value]="note()"
                  (input)="note.set(value_($event))"
                />
                @if (few()) {
                  <p class="notice bad" role="alert">A baseline needs ten points in sight. Look at a longer stretch.</p>
                }
                <button nz-button type="submit">Freeze them as baseline</button>
              </form>
            }
          </section>
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
    select {
      max-width: 330px;
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
    form {
      display: grid;
      gap: 6px;
      justify-items: start;
    }
    form input,
    form button {
      min-height: 44px;
    }
  `,
})
export class ChartsPage {
  /** From the address; absent where it names none. */
  readonly asked = input<string | undefined>(undefined);
  readonly of = input<string | undefined>(undefined);
  protected readonly kind = computed<ChartKind>(
    () => KINDS.find((k) => k.kind === this.asked())?.kind ?? 'combination',
  );
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly value_ = valueOf;
  protected readonly time = showTime;
  protected readonly kindOptions = KINDS.map(({ kind, title }) => ({ value: kind, label: title.toLowerCase() }));
  protected readonly subgroups = [1, 2, 3, 4, 5].map((n) => ({
    value: String(n),
    label: n === 1 ? 'one reading' : `the mean of ${n}`,
  }));
  protected readonly choices = signal<readonly ChartChoice[] | null>(null);
  protected readonly about = signal<ChartAbout | null>(null);
  protected readonly work = signal<ChartWork | null>(null);
  protected readonly view = signal<ChartView | null>(null);
  /** Drawn until the readings are there. */
  private readonly glance = signal<ChartAtAGlance | null>(null);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly read = signal(0);
  protected readonly subgroup = signal(1);
  protected readonly note = signal('');
  /** Too few readings were in sight to freeze. */
  protected readonly few = signal(false);
  private readonly window = signal({ start: 0, end: 100 });
  private readonly forceUnit = inject(Store).selectSignal(settingsFeature.selectForceUnit);
  /** One combination is charted in force; readings of different wires only compare as a share of their limits. */
  protected readonly scale = computed<ChartScale>(() =>
    this.kind() === 'combination'
      ? { unit: this.forceUnit(), show: (value) => fromNewtons(value, this.forceUnit()) }
      : { unit: '% of the limit', show: (value) => value },
  );
  private readonly worker = new Worker(new URL('../../workers/chart.worker', import.meta.url), { type: 'module' });
  private readonly remote = wrap<ChartWorker>(this.worker);
  /** Counts what was asked of it: an older answer is no answer. */
  private question = 0;
  private rest: ReturnType<typeof setTimeout> | undefined;
  private stop: AbortController | null = null;

  protected readonly offered = computed(() => (this.choices() ?? []).filter((c) => c.kind === this.kind()));
  protected readonly offeredOptions = computed(() => this.offered().map(({ value, label }) => ({ value, label })));
  protected readonly value = computed(() => this.of() ?? this.offered()[0]?.value ?? '');
  protected readonly mayFreeze = computed(() => may(this.person()?.role ?? 'technician', 'draft-limits'));
  protected readonly title = computed(() => {
    const question = KINDS.find((k) => k.kind === this.kind())?.question ?? '';
    const label = this.about()?.label;
    return label ? `${label}: ${uncapital(question)}` : question;
  });
  protected readonly said = computed(() => {
    const work = this.work() ?? this.glance()?.work;
    if (!work) return this.read() ? `${this.read().toLocaleString()} readings read ...` : 'Fetching the readings ...';
    if (!work.count) return 'No valid reading yet.';
    const { show: shown, unit } = this.scale();
    const show = (value: number) => `${showNumber(shown(value), 1)} ${unit}`;
    if (!this.work()) {
      return `${work.count.toLocaleString()} readings at a glance, mean ${show(work.mean)}, lowest ${show(work.lowest)}. ${this.read().toLocaleString()} are read; limits and trend follow when all are.`;
    }
    return `${work.count.toLocaleString()} readings, mean ${show(work.mean)}, lowest ${show(work.lowest)}. Drag or pinch to look closer.`;
  });
  protected readonly latest = computed(() =>
    [...(this.work()?.signals ?? [])]
      .reverse()
      .slice(0, 6)
      .map((s) => ({ ...s, when: new Date(s.at).toISOString() })),
  );
  protected readonly trend = computed(() => {
    const work = this.work();
    if (!work) return '';
    if (!work.trend) {
      return work.trendCount < 8
        ? `${work.trendCount} readings since the last change are too few to tell.`
        : `No trend in ${work.trendCount.toLocaleString()} readings: what moves is chance.`;
    }
    const { show, unit } = this.scale();
    const per = show(work.trend.slope * 1000);
    const moves = `${per < 0 ? 'Falls' : 'Climbs'} by ${showNumber(Math.abs(per), 1, 0)} ${unit} in 1,000 cycles.`;
    const { forecast } = work;
    if (!forecast) return `${moves} It does not come to the limit that way.`;
    const more = (cycles: number) => Math.max(0, Math.round((cycles - work.cycles) / 10) * 10).toLocaleString();
    const to = Number.isFinite(forecast.to) ? more(forecast.to) : 'no end in sight';
    return `${moves} Meets the limit after about ${more(forecast.at)} more cycles, between ${more(forecast.from)} and ${to}, if it goes on so.`;
  });
  private readonly points = computed(() =>
    Math.floor(((this.work() ?? this.glance()?.work)?.count ?? 0) / (this.work() ? this.subgroup() : 1)),
  );
  private readonly seen = computed(() => {
    const last = this.points() - 1;
    const { start, end } = this.window();
    return { from: (start / 100) * last, to: (end / 100) * last };
  });
  protected readonly seenCount = computed(() => {
    const { from, to } = this.seen();
    return Math.max(0, Math.floor(to) - Math.ceil(from) + 1) * this.subgroup();
  });
  protected readonly told = computed(() => `${this.title()} ${this.said()} ${this.trend()}`);
  protected readonly options = computed(() => {
    const glance = this.work() && this.view() ? null : this.glance();
    const work = glance?.work ?? this.work();
    const view = glance?.view ?? this.view();
    const about = this.about();
    if (!work?.count || !view || !about) return null;
    return chartOptions(
      { work, view, about, scale: this.scale(), subgroup: glance ? 1 : this.subgroup(), points: this.points() },
      inks(),
    );
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.stop?.abort();
      clearTimeout(this.rest);
      this.worker.terminate();
    });
    void this.api.chartChoices().then(
      (choices) => {
        this.choices.set(choices);
      },
      (error: unknown) => {
        this.problem.set(toProblem(error));
      },
    );
    effect(() => {
      const kind = this.kind();
      const value = this.value();
      if (value) void this.load(kind, value);
    });
  }

  private async load(kind: ChartKind, value: string): Promise<void> {
    this.stop?.abort();
    this.question++;
    const stop = new AbortController();
    this.stop = stop;
    this.about.set(null);
    this.work.set(null);
    this.view.set(null);
    this.glance.set(null);
    this.read.set(0);
    this.window.set({ start: 0, end: 100 });
    this.problem.set(null);
    try {
      const [about, glances] = await Promise.all([
        this.api.chartAbout(kind, value),
        this.api.chartGlances(kind, value),
      ]);
      if (stop.signal.aborted) return;
      this.about.set(about);
      this.glance.set(
        glanceOf(
          glances,
          about.events.map((e) => Date.parse(e.at)),
        ),
      );
      void this.remote.begin();
      await this.api.chartPoints(kind, value, stop.signal, (bytes, count) => {
        void this.remote.points(transfer(bytes, [bytes]));
        this.read.update((read) => read + count);
      });
      if (!stop.signal.aborted) await this.compute();
    } catch (error) {
      if (!stop.signal.aborted) this.problem.set(toProblem(error));
    }
  }

  private async compute(): Promise<void> {
    const about = this.about();
    if (!about) return;
    const own = ++this.question;
    const work = await this.remote.work({
      subgroup: this.subgroup(),
      baseline: about.baseline?.body ?? null,
      limit: about.limit,
      events: about.events.map((e) => Date.parse(e.at)),
      breaks: about.events.filter((e) => BREAKS.includes(e.kind)).map((e) => Date.parse(e.at)),
    });
    if (own !== this.question) return;
    this.work.set(work);
    await this.look();
  }

  private async look(): Promise<void> {
    const { from, to } = this.seen();
    const own = this.question;
    const view = await this.remote.view(from, to, COLUMNS);
    if (own === this.question) this.view.set(view);
  }

  protected move(window: { start: number; end: number }): void {
    this.window.set(window);
    // While it moves the drawing stretches what it has; the finer line comes when the hand rests.
    clearTimeout(this.rest);
    this.rest = setTimeout(() => {
      if (this.work()) void this.look();
    }, REST_MS);
  }

  protected chooseKind(asked: string | null): void {
    void this.router.navigate(['/charts'], { queryParams: { asked } });
  }

  protected chooseValue(of: string | null): void {
    void this.router.navigate(['/charts'], { queryParams: { asked: this.kind(), of } });
  }

  protected chooseSubgroup(size: string | null): void {
    this.subgroup.set(Number(size));
    this.window.set({ start: 0, end: 100 });
    void this.compute();
  }

  /** Freezes the limits of the readings in sight; of all of them when nothing is cut off. */
  protected async freeze(event: Event): Promise<void> {
    event.preventDefault();
    const seen = this.seen();
    const { baseline, from, to } = await this.remote.baseline(this.subgroup(), seen.from, seen.to);
    if (!baseline) {
      this.few.set(true);
      return;
    }
    this.few.set(false);
    try {
      const about = await this.api.freezeBaseline({
        id: timeOrderedId(),
        kind: this.kind(),
        value: this.value(),
        note: this.note(),
        body: { ...baseline, from: new Date(from).toISOString(), to: new Date(to).toISOString() },
      });
      this.about.set(about);
      this.note.set('');
      this.problem.set(null);
      await this.compute();
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
