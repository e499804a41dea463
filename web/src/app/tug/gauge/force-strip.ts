import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  inject,
  input,
  afterNextRender,
  viewChild,
} from '@angular/core';
import { fromNewtons, showNumber, type ForceUnit } from '@tug-mark/core';
import { StationGauge } from './station-gauge';
import { injectForceDecimals } from '../../settings/force-decimals';

/** N: less than this is written as 0.0. */
const AT_REST = 0.05;

/** What the gauge shows now: the number, and the last seconds of it as a strip, painted as it comes in. */
@Component({
  selector: 'tm-force-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="figures now"><span #digits>0.0</span> {{ unit() }}</p>
    <canvas #canvas aria-hidden="true"></canvas>
    <p class="out-of-sight" role="status">{{ gauge.peak() > 0 ? 'A pull is under way.' : '' }}</p>
  `,
  styles: `
    :host {
      align-items: center;
      display: grid;
      gap: 14px;
      grid-template-columns: 150px minmax(120px, 1fr);
    }
    .now {
      font-size: 26px;
      font-weight: 600;
      text-align: right;
      white-space: nowrap;
    }
    canvas {
      background: var(--paper);
      border-bottom: 1px solid var(--line-strong);
      height: 58px;
      width: 100%;
    }
  `,
})
export class ForceStrip {
  private readonly decimals = injectForceDecimals();
  readonly unit = input<ForceUnit>('N');
  /** Least force, N, drawn as a line. */
  readonly limit = input<number | null>(null);
  /** N at the top of the strip while nothing higher was pulled. */
  readonly top = input.required<number>();
  protected readonly gauge = inject(StationGauge);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly digits = viewChild.required<ElementRef<HTMLElement>>('digits');

  constructor() {
    const destroy = inject(DestroyRef);
    afterNextRender(() => {
      let frame = 0;
      const paint = () => {
        this.paint();
        frame = requestAnimationFrame(paint);
      };
      frame = requestAnimationFrame(paint);
      destroy.onDestroy(() => {
        cancelAnimationFrame(frame);
      });
    });
  }

  private paint(): void {
    const canvas = this.canvas().nativeElement;
    const { clientWidth: width, clientHeight: height } = canvas;
    const scale = devicePixelRatio;
    if (canvas.width !== Math.round(width * scale) || canvas.height !== Math.round(height * scale)) {
      canvas.width = Math.round(width * scale);
      canvas.height = Math.round(height * scale);
    }
    const heard = this.gauge.heard.by;
    if (!heard) return;
    // At rest it is 0.0, not -0.0.
    const now = Math.abs(heard.now) < AT_REST ? 0 : heard.now;
    this.digits().nativeElement.textContent = showNumber(fromNewtons(now, this.unit()), this.decimals());
    const context = canvas.getContext('2d');
    const { forces, next } = heard.strip;
    const n = forces.length;
    if (!context || n === 0) return;
    const style = getComputedStyle(canvas);
    context.setTransform(scale, 0, 0, scale, 0, 0);
    context.clearRect(0, 0, width, height);
    const top = Math.max(1.1 * this.top(), 1);
    const y = (force: number) => height - 2 - (Math.max(0, force) / top) * (height - 6);
    const limit = this.limit();
    if (limit !== null) {
      context.strokeStyle = style.getPropertyValue('--fail');
      context.setLineDash([5, 4]);
      context.beginPath();
      context.moveTo(0, y(limit));
      context.lineTo(width, y(limit));
      context.stroke();
      context.setLineDash([]);
    }
    // The highest and the lowest of what falls on one pixel, so that no peak is lost between two.
    context.strokeStyle = style.getPropertyValue('--copper');
    context.lineWidth = 1.5;
    context.beginPath();
    for (let x = 0; x < width; x++) {
      let low = Infinity;
      let high = -Infinity;
      for (let k = Math.floor((x / width) * n); k < ((x + 1) / width) * n; k++) {
        const force = forces[(next + k) % n] ?? NaN;
        if (force < low) low = force;
        if (force > high) high = force;
      }
      if (high === -Infinity) continue;
      context.lineTo(x, y(high));
      if (low < high) context.lineTo(x, y(low));
    }
    context.stroke();
  }
}
