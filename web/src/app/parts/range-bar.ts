import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

const WIDTH = 420;

/** Where a value lies in a range, on a logarithmic scale because sizes are geometric. */
@Component({
  selector: 'tm-range-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="-10 0 440 62" role="img" [attr.aria-label]="said()">
      <rect class="all" x="0" y="22" width="420" height="12" />
      <rect
        class="edge"
        [attr.x]="x(min() * (1 - band()))"
        y="22"
        [attr.width]="x(max() * (1 + band())) - x(min() * (1 - band()))"
        height="12"
      />
      <rect class="in" [attr.x]="x(min())" y="22" [attr.width]="x(max()) - x(min())" height="12" />
      <text [attr.x]="x(min())" y="50" text-anchor="middle">{{ round(min()) }}</text>
      <text [attr.x]="x(max())" y="50" text-anchor="middle">{{ round(max()) }}</text>
      <path [attr.d]="'M' + x(value()) + ' 38V12l-6-8h12l-6 8'" />
      <text class="value" [attr.x]="x(value()) + 11" y="13">{{ round(value()) }} {{ unit() }}</text>
    </svg>
  `,
  styles: `
    :host {
      display: block;
      max-width: 440px;
    }
    svg {
      overflow: visible;
      width: 100%;
    }
    .all {
      fill: var(--fail-tint);
    }
    .edge {
      fill: var(--hold-tint);
    }
    .in {
      fill: var(--pass-tint);
      stroke: var(--pass);
    }
    path {
      fill: var(--ink);
      stroke: var(--ink);
      stroke-width: 2;
    }
    text {
      fill: var(--ink-soft);
      font: 15px var(--figures);
    }
    .value {
      fill: var(--ink);
      font-weight: 600;
    }
  `,
})
export class RangeBar {
  readonly value = input.required<number>();
  readonly min = input.required<number>();
  readonly max = input.required<number>();
  readonly unit = input.required<string>();
  /** Share outside the range that still counts as edge. */
  readonly band = input(0);
  private readonly ends = computed(
    () => [0.6 * Math.min(this.value(), this.min()), 1.6 * Math.max(this.value(), this.max())] as const,
  );
  protected readonly said = computed(
    () =>
      `${this.round(this.value())} ${this.unit()} on a range of ${this.round(this.min())} to ${this.round(this.max())}.`,
  );

  protected x(value: number): number {
    const [low, high] = this.ends();
    return (Math.log(value / low) / Math.log(high / low)) * WIDTH;
  }
  protected round(value: number): string {
    return Number(value.toPrecision(3)).toString();
  }
}
