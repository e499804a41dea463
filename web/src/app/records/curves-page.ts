import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { CombinationView, Problem } from '@tug-mark/contract';
import {
  breakingLoad,
  entriesOf,
  failureModeName,
  ofLot,
  readLot,
  readTrace,
  unpackTrace,
  type Trace,
  type TraceRead,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { ChartCanvas, inks } from '../charts/chart-canvas';
import { Api, toProblem } from '../http/api';
import { ProblemNotice } from '../parts/problem-notice';
import { CurveView } from '../tug/gauge/curve-view';

interface Curve {
  readonly piece: number;
  readonly force: number;
  readonly mode: string;
  readonly id: string;
  readonly trace: Trace;
  readonly read: TraceRead | null;
}

/** Points of a curve that are drawn: its peak is always among them. */
const DRAWN = 400;
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
    const picked = this.picked();
    const ink = inks();
    if (!curves.length) return null;
    const text = { color: ink('ink-soft'), fontFamily: 'Saira Semi Condensed, sans-serif', fontSize: 14 };
    const limit = this.limit();
    return {
      animation: false,
      textStyle: text,
      grid: { left: 64, right: 40, top: 36, bottom: 44 },
      xAxis: {
        type: 'value' as const,
        name: 's',
        nameLocation: 'middle' as const,
        nameGap: 26,
        axisLabel: text,
        splitLine: { show: false },
      },
      yAxis: { type: 'value' as const, name: 'N', axisLabel: text, splitLine: { lineStyle: { color: ink('line') } } },
      series: [...curves]
        .sort((a, b) => Number(a === picked) - Number(b === picked))
        .map((curve, i) => ({
          type: 'line' as const,
          name: `piece ${curve.piece}`,
          animation: false,
          showSymbol: false,
          silent: true,
          data: outline(curve),
          lineStyle: {
            color: ink(curve === picked ? 'copper' : 'petrol'),
            width: curve === picked ? 2.4 : 1,
            opacity: curve === picked ? 1 : 0.35,
          },
          ...(i === 0 && limit !== null
            ? {
                markLine: {
                  symbol: 'none',
                  silent: true,
                  lineStyle: { color: ink('fail'), type: 'solid' as const, width: 1.5, opacity: 1 },
                  data: [
                    {
                      yAxis: limit,
                      label: { formatter: 'limit', color: ink('fail') },
                    },
                  ],
                },
              }
            : {}),
        })),
    };
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

/** A curve above its zero from where it passes a twentieth of its peak, thinned by the highest of every stretch. */
function outline({ trace, read }: Curve): [number, number][] {
  const { forces, rate } = trace;
  const zero = read?.zero ?? 0;
  const peak = read?.peak.force ?? 0;
  let start = 0;
  while (start < forces.length && (forces[start] as number) - zero < 0.05 * peak) start += 1;
  const points: [number, number][] = [];
  const width = Math.max(1, (forces.length - start) / DRAWN);
  for (let from = start; from < forces.length; from += width) {
    let high = -Infinity;
    for (let i = Math.floor(from); i < Math.min(forces.length, from + width); i++)
      high = Math.max(high, (forces[i] as number) - zero);
    points.push([(from - start) / rate, high]);
  }
  return points;
}
