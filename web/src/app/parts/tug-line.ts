import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { fromNewtons, showLimit, showNumber, type ForceUnit } from '@tug-mark/core';
import { chooseFlags, placeFlags, tugScale, type TugFlag } from './tug-line.layout';

const WIDTH = 940;
const LINE = 118;

/** The force scale with the limit, the wire's own breaking load, and every reading as a flag. */
@Component({
  selector: 'tm-tug-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="-6 0 952 178" role="img" [attr.aria-label]="said()">
      <rect class="below" x="0" [attr.y]="line - 13" [attr.width]="limitX()" height="13" />
      <rect class="above" [attr.x]="limitX()" [attr.y]="line - 13" [attr.width]="breaksX() - limitX()" height="13" />
      <rect class="beyond" [attr.x]="breaksX()" [attr.y]="line - 13" [attr.width]="width - breaksX()" height="13" />
      <path class="axis" [attr.d]="'M0 ' + line + 'H' + width" />
      @for (tick of scale().ticks; track tick.force) {
        <path class="tick" [attr.d]="'M' + tick.x + ' ' + line + 'v7'" />
        <text [attr.x]="tick.x" [attr.y]="line + 23" text-anchor="middle">{{ tick.force }}</text>
      }
      <text class="unit" x="0" [attr.y]="line + 23">{{ unit() }}</text>
      @if (limit() !== null) {
        <path class="limit" [attr.d]="'M' + limitX() + ' ' + (line - 32) + 'V' + (line + 8)" />
        <text class="limit-name" [attr.x]="limitX()" [attr.y]="line + 46" text-anchor="middle">
          limit {{ shownLimit(limit() ?? 0) }}
        </text>
      }
      @for (other of further(); track other.name) {
        <path class="limit" [attr.d]="'M' + at(other.limit) + ' ' + (line - 20) + 'V' + (line + 4)" />
        <text class="limit-name" [attr.x]="at(other.limit) + 5" [attr.y]="line - 17">
          {{ other.name }} {{ shownLimit(other.limit) }}
        </text>
      }
      <path class="breaks" [attr.d]="'M' + breaksX() + ' ' + (line - 24) + 'V' + line" />
      <text class="breaks-name" [attr.x]="breaksX()" [attr.y]="line + 46" text-anchor="middle">
        wire itself breaks near {{ round(breaks()) }}
      </text>
      @for (mark of marks(); track mark.kind) {
        <path class="mark" [class.wrong]="mark.kind === 'wrong'" [attr.d]="mark.path" />
      }
      @for (flag of placed(); track flag.piece) {
        @let top = line - 38 - flag.row * pitch();
        <g [class]="flag.verdict" [class.current]="flag.current">
          <path class="pole" [attr.d]="'M' + flag.x + ' ' + line + 'V' + top" />
          @if (flag.verdict === 'below') {
            <path class="cloth" [attr.d]="'M' + flag.x + ' ' + top + 'h14v11h-14z'" />
          } @else {
            <path class="cloth" [attr.d]="'M' + flag.x + ' ' + top + 'l15 5.5-15 5.5z'" />
          }
          <text class="piece" [attr.x]="flag.x + 18" [attr.y]="top + 11">{{ flag.piece }}</text>
        </g>
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      overflow: visible;
      width: 100%;
    }
    text {
      fill: var(--ink-soft);
      font: 15px var(--figures);
    }
    @media (max-width: 1100px) {
      text {
        font-size: 19px;
      }
    }
    .below {
      fill: var(--fail-tint);
    }
    .above {
      fill: var(--pass-tint);
    }
    .beyond {
      fill: var(--shade);
    }
    .axis,
    .tick {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    .limit {
      stroke: var(--fail);
      stroke-width: 3;
    }
    .limit-name {
      fill: var(--fail);
      font-weight: 600;
    }
    .breaks {
      stroke: var(--ink);
      stroke-dasharray: 4 3;
      stroke-width: 1.5;
    }
    .mark {
      fill: none;
      stroke: var(--petrol);
      stroke-opacity: 0.55;
      stroke-width: 1.5;
    }
    .mark.wrong {
      stroke: var(--fail);
      stroke-opacity: 1;
    }
    .pole {
      stroke: var(--petrol);
      stroke-width: 2;
    }
    .cloth {
      fill: var(--petrol);
    }
    .piece {
      fill: var(--ink);
      font-size: 14px;
      font-weight: 600;
    }
    .below .cloth {
      fill: var(--fail);
    }
    .below .pole {
      stroke: var(--fail);
    }
    .invalid .cloth,
    .quality .cloth,
    .no-limit .cloth {
      fill: var(--sheet);
      stroke: var(--hold);
      stroke-width: 2;
    }
    .invalid .pole,
    .quality .pole,
    .no-limit .pole {
      stroke: var(--hold);
      stroke-dasharray: 3 3;
    }
    .current .cloth {
      fill: var(--copper-light);
      stroke: var(--copper);
      stroke-width: 1.5;
    }
    .current .pole {
      stroke: var(--copper);
    }
  `,
})
export class TugLine {
  /** N */
  readonly limit = input.required<number | null>();
  /** Higher limits of other ends, each by its name; N. */
  readonly further = input<readonly { readonly name: string; readonly limit: number }[]>([]);
  /** N */
  readonly breaks = input.required<number>();
  readonly flags = input.required<readonly TugFlag[]>();
  readonly unit = input<ForceUnit>('N');
  /** Decimals of a force. */
  readonly decimals = input(1);
  protected readonly line = LINE;
  protected readonly width = WIDTH;

  private readonly in = (newtons: number) => fromNewtons(newtons, this.unit());
  /** In the shown unit, so that its ticks are round. */
  protected readonly scale = computed(() => {
    const limit = this.limit();
    return tugScale(
      WIDTH,
      limit === null ? null : this.in(limit),
      this.in(this.breaks()),
      this.flags().map((flag) => this.in(flag.force)),
    );
  });
  protected readonly limitX = computed(() => this.scale().x(this.in(this.limit() ?? 0)));
  protected readonly breaksX = computed(() => this.scale().x(this.in(this.breaks())));
  private readonly chosen = computed(() => chooseFlags(this.flags()));
  protected readonly at = (force: number) => this.scale().x(this.in(force));
  protected readonly placed = computed(() => placeFlags(this.chosen().flags, this.at));
  /** Readings that have no flag, each a short stroke above the line. */
  protected readonly marks = computed(() => {
    const draw = (flags: readonly TugFlag[]) =>
      flags.map((flag) => `M${this.at(flag.force).toFixed(1)} ${LINE - 13}v-12`).join('');
    const { marks } = this.chosen();
    return [
      { kind: 'holds', path: draw(marks.filter((f) => f.verdict === 'holds')) },
      { kind: 'wrong', path: draw(marks.filter((f) => f.verdict !== 'holds')) },
    ].filter(({ path }) => path !== '');
  });
  /** Height of a row of flags: they share what stands above the line. */
  protected readonly pitch = computed(() => Math.min(24, 80 / Math.max(1, ...this.placed().map((flag) => flag.row))));
  protected readonly said = computed(() => {
    const limit = this.limit();
    const { flags, marks } = this.chosen();
    const readings = flags.map((f) => `piece ${f.piece}: ${this.shown(f.force)} ${this.unit()}, ${f.verdict}`);
    if (marks.length) readings.push(`and ${marks.length} more between them`);
    return `Force scale. ${limit === null ? 'No limit' : `Limit ${this.shownLimit(limit)} ${this.unit()}`}; the wire itself breaks near ${this.round(this.breaks())} ${this.unit()}. ${readings.join('; ') || 'No reading yet'}.`;
  });

  protected shownLimit(newtons: number): string {
    return showLimit(this.in(newtons), 1);
  }
  private shown(newtons: number): string {
    const limit = this.limit();
    return showNumber(this.in(newtons), this.decimals(), limit === null ? undefined : this.in(limit));
  }
  protected round(newtons: number): string {
    return showNumber(this.in(newtons), 0);
  }
}
