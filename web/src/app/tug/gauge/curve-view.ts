import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { fromNewtons, showNumber, shownForce, type ForceUnit, type Trace, type TraceRead } from '@tug-mark/core';

const WIDTH = 460;
const HEIGHT = 190;
const LEFT = 40;
const FOOT = 20;

/** One pull as a curve, with limit, peak, and the places its failure mode is read from. */
@Component({
  selector: 'tm-curve',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" role="img" [attr.aria-label]="said()">
      @for (tick of ticks(); track tick.y) {
        <path class="grid" [attr.d]="'M' + left + ' ' + tick.y + 'H' + width" />
        <text [attr.x]="left - 5" [attr.y]="tick.y + 4" text-anchor="end">{{ tick.text }}</text>
      }
      @if (limitY() !== null) {
        <path class="limit" [attr.d]="'M' + left + ' ' + limitY() + 'H' + width" />
      }
      @for (at of places(); track at) {
        <path class="place" [attr.d]="'M' + at + ' 4V' + (height - foot)" />
      }
      <path class="curve" [attr.d]="path()" />
      <text [attr.x]="width" [attr.y]="height - 4" text-anchor="end">{{ seconds() }} s</text>
      <text x="0" [attr.y]="height - 4">{{ unit() }}</text>
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      width: 100%;
    }
    text {
      fill: var(--ink-soft);
      font: 13px var(--figures);
    }
    .grid {
      stroke: var(--line);
    }
    .limit {
      stroke: var(--fail);
      stroke-width: 1.5;
    }
    .place {
      stroke: var(--hold);
      stroke-dasharray: 2 3;
      stroke-width: 1.5;
    }
    .curve {
      fill: none;
      stroke: var(--copper);
      stroke-linejoin: round;
      stroke-width: 1.6;
    }
  `,
})
export class CurveView {
  readonly trace = input.required<Trace>();
  readonly read = input.required<TraceRead | null>();
  /** N */
  readonly limit = input<number | null>(null);
  readonly unit = input<ForceUnit>('N');
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly left = LEFT;
  protected readonly foot = FOOT;

  private readonly force = (raw: number) => shownForce(raw, this.read());
  private readonly top = computed(() => {
    const { forces } = this.trace();
    let peak = 0;
    for (let i = 0, n = forces.length; i < n; i++) peak = Math.max(peak, this.force(forces[i] as number));
    return 1.08 * Math.max(this.read()?.peak.force ?? peak, this.limit() ?? 0, 1e-9);
  });
  private readonly y = (newtons: number) => 4 + (1 - newtons / this.top()) * (HEIGHT - FOOT - 4);
  private readonly length = computed(() => this.trace().forces.length / this.trace().rate);
  private readonly x = (second: number) => LEFT + (second / this.length()) * (WIDTH - LEFT);

  protected readonly seconds = computed(() => this.length().toFixed(1));
  protected readonly limitY = computed(() => {
    const limit = this.limit();
    return limit === null ? null : this.y(limit);
  });
  protected readonly places = computed(() =>
    (this.read()?.suggestion.at ?? []).slice(0, 40).map((second) => Math.round(this.x(second) * 10) / 10),
  );
  protected readonly ticks = computed(() => {
    const top = fromNewtons(this.top(), this.unit());
    const rough = top / 4;
    const power = 10 ** Math.floor(Math.log10(rough));
    const step = ([1, 2, 5, 10].find((m) => m * power >= rough) ?? 10) * power;
    return Array.from({ length: Math.floor(top / step) + 1 }, (_, i) => ({
      y: this.y((i * step * this.top()) / top),
      text: showNumber(i * step, step < 1 ? 1 : 0),
    }));
  });

  /** The lowest and the highest of what falls on one unit of width, so that nothing is lost. */
  protected readonly path = computed(() => {
    const { forces, rate } = this.trace();
    const n = forces.length;
    const columns = Math.min(n, WIDTH - LEFT);
    const points: string[] = [];
    for (let c = 0; c < columns; c++) {
      let low = Infinity;
      let high = -Infinity;
      const from = Math.floor((c / columns) * n);
      for (let i = from; i < ((c + 1) / columns) * n; i++) {
        const force = this.force(forces[i] as number);
        low = Math.min(low, force);
        high = Math.max(high, force);
      }
      const x = this.x(from / rate).toFixed(1);
      points.push(`${x} ${this.y(Math.min(high, this.top())).toFixed(1)}`);
      if (high - low > 0.01 * this.top()) points.push(`${x} ${this.y(Math.max(low, 0)).toFixed(1)}`);
    }
    return `M${points.join('L')}`;
  });

  protected readonly said = computed(() => {
    const read = this.read();
    return read
      ? `Force over ${this.seconds()} s, peak ${showNumber(fromNewtons(read.peak.force, this.unit()), 1)} ${this.unit()} after ${read.peak.at.toFixed(2)} s. ${read.suggestion.evidence}`
      : `Force over ${this.seconds()} s; it could not be read.`;
  });
}
