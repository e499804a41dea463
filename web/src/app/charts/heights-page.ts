import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { HeightChart, Problem } from '@tug-mark/contract';
import {
  adjustHeight,
  heightWindow,
  isInRange,
  LEAST_PAIRS,
  makeBaseline,
  runSignals,
  showRange,
} from '@tug-mark/core';
import { Api, toProblem } from '../http/api';
import { Mark } from '../parts/mark';
import { ProblemNotice } from '../parts/problem-notice';
import { ChartCanvas } from './chart-canvas';
import { inks } from './chart-ink';
import { heightsOverTime, pullsAgainstHeights } from './heights-options';
import { Notice } from '../parts/notice';

/** Pieces an adjustment goes by: the last ones, as they are made now. */
const LATEST = 5;

/** Crimp heights over time beside the pulls of the same pieces, and one against the other with the window where both hold. */
@Component({
  selector: 'tm-heights-page',
  imports: [Notice, RouterLink, ChartCanvas, Mark, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ headline() }}</h1>
          <p class="soft">
            {{ chart()?.label }}
            <a [routerLink]="['/bench', id()]">To the bench</a> ·
            <a [routerLink]="['/charts']" [queryParams]="{ asked: 'combination', of: id() }">All its pulls</a>
          </p>
        </div>
      </div>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (points().length) {
        <div class="two">
          <figure>
            <figcaption>Does the crimp height stay where it was? mm, piece by piece</figcaption>
            <div class="canvas"><tm-chart-canvas [options]="overTime()" [label]="toldHeights()" /></div>
          </figure>
          <figure>
            <figcaption>At which heights does it hold? N against mm, the same pieces</figcaption>
            <div class="canvas"><tm-chart-canvas [options]="against()" [label]="toldWindow()" /></div>
          </figure>
        </div>
        <section aria-label="What follows">
          <p>
            <tm-mark [state]="outside() ? 'fail' : 'pass'" /> {{ outside() }} of {{ points().length }} heights lie
            outside {{ span() }}.
          </p>
          @if (advice(); as text) {
            <p><tm-mark weight="note" /> Mean of the last {{ latest().length }}: {{ text }}</p>
          }
          @for (s of signals(); track $index) {
            <p><tm-mark state="hold" /> {{ s }}</p>
          }
          <p><tm-mark [state]="window()?.holds?.length ? 'pass' : 'missing'" /> {{ toldWindow() }}</p>
        </section>
      } @else if (chart()) {
        <tm-notice>
          No crimp height is measured yet. It is measured in Look on the first pieces, and in a lot where somebody
          measures.
        </tm-notice>
      }
    </div>
  `,
  styles: `
    .two {
      display: grid;
      gap: 20px;
      grid-template-columns: repeat(auto-fit, minmax(440px, 1fr));
    }
    figure {
      margin: 0;
    }
    figcaption {
      font: 600 17px var(--figures);
    }
    .canvas {
      background: var(--sheet);
      border: 1px solid var(--line);
      height: 400px;
    }
    section {
      display: grid;
      gap: 6px;
      margin-top: 14px;
    }
  `,
})
export class HeightsPage {
  private readonly api = inject(Api);
  readonly id = input.required<string>();
  protected readonly chart = signal<HeightChart | null>(null);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly points = computed(() => this.chart()?.points ?? []);
  private readonly range = computed(() => this.chart()?.range ?? null);
  protected readonly span = computed(() => {
    const range = this.range();
    return range ? `${showRange(range, 2)} mm` : 'any range: the sheet gives none';
  });
  protected readonly outside = computed(() => {
    const range = this.range();
    return range ? this.points().filter((p) => !isInRange(p.height, range)).length : 0;
  });
  protected readonly latest = computed(() =>
    this.points()
      .slice(-LATEST)
      .map((p) => p.height),
  );
  protected readonly advice = computed(() => {
    const [range, heights] = [this.range(), this.latest()];
    return range ? (adjustHeight(heights, range, this.chart()?.step ?? null)?.text ?? null) : null;
  });
  private readonly baseline = computed(() =>
    makeBaseline(
      this.points().map((p) => p.height),
      1,
    ),
  );
  protected readonly signals = computed(() => {
    const limits = this.baseline()?.level;
    if (!limits) return [];
    const heights = this.points().map((p) => p.height);
    return runSignals(heights, limits)
      .slice(-3)
      .map((s) => s.text);
  });
  private readonly pairs = computed(() =>
    this.points().flatMap(({ height, force }) => (force === null ? [] : [{ height, force }])),
  );
  protected readonly window = computed(() => {
    const limit = this.chart()?.limit ?? null;
    return limit === null ? null : heightWindow(this.pairs(), limit);
  });
  /** Where the pull holds and the sheet's range agrees. */
  private readonly both = computed(() => {
    const range = this.range();
    return (this.window()?.holds ?? [])
      .map((holds) => ({
        min: Math.max(holds.min, range?.min ?? -Infinity),
        max: Math.min(holds.max, range?.max ?? Infinity),
      }))
      .filter(({ min, max }) => min < max);
  });
  protected readonly headline = computed(() => {
    if (!this.chart()) return 'Crimp height and pull';
    const both = this.both();
    return both.length
      ? `Height and pull both hold ${spansOf(both)}.`
      : this.points().length
        ? 'No window yet where height and pull are both known to hold.'
        : 'No crimp height is measured yet.';
  });
  protected readonly toldHeights = computed(() => {
    const heights = this.points().map((p) => p.height);
    const mean = heights.reduce((sum, h) => sum + h, 0) / Math.max(1, heights.length);
    return `${heights.length} crimp heights, mean ${mean.toFixed(3)} mm; ${this.span()} is good.`;
  });
  protected readonly toldWindow = computed(() => {
    const found = this.window();
    if (!found) {
      return `${this.pairs().length} pieces were both measured and pulled; a window needs ${LEAST_PAIRS} of at least three heights.`;
    }
    const { holds } = found;
    if (!holds.length)
      return `By ${this.pairs().length} pieces no height is known at which the next pull holds with 95 %.`;
    const apart =
      holds.length > 1 ? ' It does not hold between them: look for two kinds of joint among these pieces.' : '';
    return `By ${this.pairs().length} pieces the next pull holds with 95 % ${spansOf(holds)}; nothing is said beyond what was tried.${apart}`;
  });

  constructor() {
    effect(() => {
      const id = this.id();
      this.api
        .heights(id)
        .then((chart) => {
          this.chart.set(chart);
        })
        .catch((error: unknown) => {
          this.problem.set(toProblem(error));
        });
    });
  }

  protected readonly overTime = computed(() =>
    heightsOverTime(this.points(), this.range(), this.baseline()?.level ?? null, inks()),
  );
  protected readonly against = computed(() =>
    pullsAgainstHeights(
      this.pairs(),
      { range: this.range(), limit: this.chart()?.limit ?? null, both: this.both(), window: this.window() },
      inks(),
    ),
  );
}

const spansOf = (spans: readonly { readonly min: number; readonly max: number }[]) =>
  spans.map(({ min, max }) => `from ${min.toFixed(3)} to ${max.toFixed(3)} mm`).join(' and ');
