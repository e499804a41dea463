import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { CombinationView, Problem } from '@tug-mark/contract';
import {
  breakingLoad,
  entriesOf,
  failureModeName,
  howSureText,
  ofLot,
  readLot,
  readTrace,
  unpackTrace,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { ChartCanvas } from '../charts/chart-canvas';
import { inks } from '../charts/chart-ink';
import { Api, toProblem } from '../http/api';
import { ProblemNotice } from '../parts/problem-notice';
import { CurveView } from '../tug/gauge/curve-view';
import { curvesOver, type Curve } from './curve-options';

/** Curves fetched at a time. */
const AT_ONCE = 6;

/** The curves of a lot over each other, from the moment each began to bear: what differs stands out. */
@Component({
  selector: 'tm-curves-page',
  imports: [RouterLink, NzButtonModule, ChartCanvas, CurveView, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>Lot {{ name() }}: do the curves look alike?</h1>
          <p class="soft" role="status">{{ said() }}</p>
        </div>
        <a nz-button [routerLink]="['/bench', id(), 'lot']">Back to the lot</a>
      </div>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (options(); as o) {
        <div class="canvas"><tm-chart-canvas [options]="o" [label]="said()" /></div>
      }
      @if (picked(); as c) {
        <section>
          <h2>Piece {{ c.piece }}: {{ c.force.toFixed(1) }} N, {{ c.mode }}</h2>
          <tm-curve [trace]="c.trace" [read]="c.read" [limit]="limit()" />
          <p>{{ c.read?.suggestion?.evidence }}</p>
          <p class="soft">{{ howSure }}</p>
          <p><a [href]="'/api/combinations/' + id() + '/traces/' + c.id + '/csv'" download>This curve as CSV</a></p>
        </section>
      }
      <ul aria-label="Pieces">
        @for (c of curves(); track c.id) {
          <li>
            <button
              nz-button
              type="button"
              [class.on]="c.piece === picked()?.piece"
              [attr.aria-pressed]="c.piece === picked()?.piece"
              (click)="pick.set(c.piece)"
            >
              {{ c.piece }} · {{ c.force.toFixed(1) }} N
            </button>
          </li>
        }
      </ul>
    </div>
  `,
  styles: `
    .canvas {
      background: var(--sheet);
      border: 1px solid var(--line);
      height: 340px;
      margin: 10px 0;
    }
    section {
      display: grid;
      gap: 6px;
      max-width: 500px;
    }
    h2 {
      font-size: 18px;
    }
    ul {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin-top: 12px;
    }
    li button {
      min-height: 44px;
    }
    .on {
      background: var(--petrol-tint);
      color: var(--ink);
      font-weight: 600;
    }
  `,
})
export class CurvesPage {
  protected readonly howSure = howSureText();
  readonly id = input.required<string>();
  readonly lot = input.required<string>();
  private readonly api = inject(Api);
  protected readonly curves = signal<readonly Curve[]>([]);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly pick = signal<number | null>(null);
  private readonly view = signal<CombinationView | null>(null);
  private readonly wanted = signal(0);
  protected readonly name = computed(() => {
    const view = this.view();
    return view ? (readLot(view.entries, Number(this.lot()))?.name ?? this.lot()) : this.lot();
  });
  protected readonly limit = computed(() => {
    const verdict = this.view()?.entries.findLast(
      (e) => e.verdict?.force != null && e.body.kind === 'reading',
    )?.verdict;
    return verdict?.force ?? null;
  });
  protected readonly picked = computed(
    () =>
      this.curves().find((c) => c.piece === this.pick()) ??
      [...this.curves()].sort((a, b) => a.force - b.force)[0] ??
      null,
  );
  protected readonly said = computed(() => {
    const [wanted, have] = [this.wanted(), this.curves().length];
    if (!this.view()) return 'Fetching the curves ...';
    if (!wanted) return 'No pull of this lot was made on a gauge that sends its curve.';
    return have < wanted
      ? `${have} of ${wanted} curves read ...`
      : `${have} curves; the lowest is drawn in copper unless another is picked.`;
  });
  protected readonly options = computed(() => {
    const curves = this.curves();
    return curves.length ? curvesOver(curves, this.picked(), this.limit(), inks()) : null;
  });

  constructor() {
    effect(() => {
      void this.load(this.id(), Number(this.lot()));
    });
  }

  private async load(id: string, lot: number): Promise<void> {
    try {
      const view = await this.api.combinationOfLot(id, lot);
      this.view.set(view);
      const breaks = breakingLoad(view.wire.conductor, view.practice);
      const { strands } = view.wire.conductor;
      const readings = entriesOf(ofLot(view.entries, lot), 'reading').flatMap(({ body }) =>
        body.trace ? [{ body, trace: body.trace }] : [],
      );
      this.wanted.set(readings.length);
      for (let from = 0; from < readings.length; from += AT_ONCE) {
        const portion = await Promise.all(
          readings.slice(from, from + AT_ONCE).map(async ({ body, trace }): Promise<Curve | null> => {
            const curve = unpackTrace(await this.api.curve(id, trace.id));
            if (!curve) return null;
            const read = readTrace(curve, { breaks, strands, loadingRate: null });
            return {
              piece: body.piece,
              force: body.force,
              mode: failureModeName(body.mode).toLowerCase(),
              id: trace.id,
              trace: curve,
              read: read.ok ? read.read : null,
            };
          }),
        );
        this.curves.update((curves) => [...curves, ...portion.filter((curve) => curve !== null)]);
      }
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
