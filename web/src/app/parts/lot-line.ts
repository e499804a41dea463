import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { LotVerdict } from '@tug-mark/core';

export interface SamplePiece {
  readonly piece: number;
  readonly look: 'accepted' | 'rework' | 'rejected' | 'open';
  readonly tug: 'holds' | 'below' | 'invalid' | 'open';
}

const WIDTH = 1000;
const MOST_DOTS = 120;
/** Samples side by side: more find no room beside the bar, and a page open all day would grow with them. */
const MOST_SAMPLES = 12;
const isWrong = ({ look, tug }: SamplePiece) =>
  look === 'rejected' || look === 'rework' || tug === 'below' || tug === 'invalid';

/** The lot as a line of pieces: the set-up samples, then the pieces, what is clear, what is suspect, and the next check. */
@Component({
  selector: 'tm-lot-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <h2>{{ title() }}</h2>
      <p [class.soft]="!isUrgent()" [class.urgent]="isUrgent()">{{ said() }}</p>
    </div>
    <div class="line">
      @if (!lot()) {
        <ol aria-label="Set-up samples">
          @if (leftOut(); as more) {
            <li class="more">{{ more }}</li>
          }
          @for (sample of drawn(); track sample.piece) {
            <li>
              <svg viewBox="0 0 24 24" width="24" height="24" aria-hidden="true">
                <path class="half {{ sample.look }}" d="M12 2a10 10 0 0 0 0 20z" />
                <path class="half {{ sample.tug }}" d="M12 2a10 10 0 0 1 0 20z" />
                <path class="edge" d="M12 2a10 10 0 1 0 .01 0M12 2v20" />
              </svg>
              <span class="figures" aria-hidden="true">{{ sample.piece }}</span>
              <span class="out-of-sight">Sample {{ sample.piece }}: look {{ sample.look }}, tug {{ sample.tug }}</span>
            </li>
          }
        </ol>
        <div class="bar" [class.ready]="ready()">
          <span>1</span><span>{{ pieces() }}</span>
        </div>
      }
      @if (lot(); as l) {
        <svg
          class="lot"
          [attr.viewBox]="'0 0 ' + width + ' 52'"
          preserveAspectRatio="none"
          role="img"
          [attr.aria-label]="told()"
        >
          <defs>
            <pattern
              id="suspect-hatch"
              width="7"
              height="7"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <rect width="7" height="7" class="hatch-ground" />
              <path d="M0 0V7" class="hatch" />
            </pattern>
          </defs>
          @for (span of spans(); track span.from) {
            <rect class="span {{ span.state }}" [attr.x]="span.x" y="12" [attr.width]="span.width" height="14" />
          }
          @for (due of dues(); track due.piece) {
            <path
              class="due"
              [class.now]="due.now"
              [attr.d]="'M' + due.x + ' 4v30'"
              vector-effect="non-scaling-stroke"
            />
          }
        </svg>
        <div class="dots" aria-hidden="true">
          @for (check of checks(); track check.piece) {
            <i class="{{ check.outcome }}" [style.left.%]="check.at"></i>
          }
          @for (label of labels(); track label.piece) {
            <span class="figures" [class.strong]="label.strong" [style.left.%]="label.at">{{ label.piece }}</span>
          }
        </div>
        <p class="out-of-sight">{{ l.head.made }} of {{ l.head.pieces }} pieces made.</p>
      }
    </div>
  `,
  styles: `
    :host {
      background: var(--shade);
      border-top: 1px solid var(--line);
      display: block;
      padding: 9px 18px 10px;
    }
    .head {
      align-items: baseline;
      display: flex;
      gap: 16px;
      justify-content: space-between;
      margin-bottom: 6px;
    }
    h2 {
      font-size: 16px;
      white-space: nowrap;
    }
    .head p {
      font-size: 15px;
      text-align: right;
    }
    .head .urgent {
      font-weight: 600;
    }
    .line {
      align-items: start;
      display: flex;
      gap: 14px;
      position: relative;
    }
    ol {
      display: flex;
      gap: 10px;
    }
    .more {
      align-self: center;
      max-width: 7em;
    }
    li {
      display: grid;
      font-size: 14px;
      justify-items: center;
      line-height: 1.1;
    }
    .half {
      fill: var(--sheet);
    }
    .half.accepted,
    .half.holds {
      fill: var(--pass);
    }
    .half.rejected,
    .half.below {
      fill: var(--fail);
    }
    .half.rework,
    .half.invalid {
      fill: var(--hold);
    }
    .edge {
      fill: none;
      stroke: var(--line-strong);
      stroke-width: 1.5;
    }
    .bar {
      border-top: 8px solid var(--line);
      border-radius: 4px;
      display: flex;
      flex: 1;
      font: 14px/1.1 var(--figures);
      justify-content: space-between;
      margin-top: 8px;
      padding-top: 6px;
    }
    .bar.ready {
      border-color: var(--petrol);
    }
    .lot {
      display: block;
      height: 52px;
      width: 100%;
    }
    .span.clear {
      fill: var(--pass);
    }
    .span.open {
      fill: var(--petrol);
      opacity: 0.55;
    }
    .span.suspect {
      fill: url(#suspect-hatch);
    }
    .hatch-ground {
      fill: var(--fail-tint);
    }
    .hatch {
      stroke: var(--fail);
      stroke-width: 3;
    }
    .span.rework {
      fill: var(--hold);
    }
    .span.scrapped {
      fill: var(--ink);
    }
    .span.used-as-is {
      fill: var(--copper);
    }
    .span.not-made {
      fill: var(--line);
    }
    .due {
      stroke: var(--ink);
      stroke-dasharray: 3 3;
      stroke-width: 1.5;
    }
    .due.now {
      stroke: var(--copper);
      stroke-dasharray: none;
      stroke-width: 3;
    }
    .dots {
      inset: 0;
      pointer-events: none;
      position: absolute;
    }
    .dots i {
      background: var(--sheet);
      border: 3px solid var(--pass);
      border-radius: 50%;
      height: 16px;
      margin-left: -8px;
      position: absolute;
      top: 11px;
      width: 16px;
    }
    .dots i.bad {
      border-color: var(--fail);
      border-radius: 0;
    }
    .dots i.open,
    .dots i.void {
      border-color: var(--hold);
      border-style: dotted;
    }
    .dots span {
      font-size: 14px;
      position: absolute;
      top: 33px;
      transform: translateX(-50%);
    }
    .dots span:first-of-type {
      transform: none;
    }
    .dots span:last-of-type {
      transform: translateX(-100%);
    }
    .dots .strong {
      font-weight: 600;
    }
  `,
})
export class LotLine {
  readonly title = input.required<string>();
  readonly said = input.required<string>();
  readonly samples = input.required<readonly SamplePiece[]>();
  readonly pieces = input.required<number>();
  readonly ready = input(false);
  readonly lot = input<LotVerdict | null>(null);
  protected readonly width = WIDTH;

  /** The newest samples, and before them those something is wrong with. */
  protected readonly drawn = computed(() => {
    const all = this.samples();
    if (all.length <= MOST_SAMPLES) return all;
    const wrong = all.filter(isWrong).slice(-MOST_SAMPLES / 2);
    const others = all.filter((sample) => !wrong.includes(sample)).slice(wrong.length - MOST_SAMPLES);
    return [...wrong, ...others].sort((a, b) => a.piece - b.piece);
  });
  protected readonly leftOut = computed(() => {
    const drawn = new Set(this.drawn());
    const left = this.samples().filter((sample) => !drawn.has(sample));
    if (!left.length) return '';
    const wrong = left.filter(isWrong).length;
    return `${left.length} more${wrong ? `, ${wrong} not good` : ''}`;
  });

  private readonly x = (piece: number) => (piece / (this.lot()?.head.pieces ?? 1)) * WIDTH;
  private readonly middle = (piece: number) => (this.x(piece - 0.5) / WIDTH) * 100;
  protected readonly isUrgent = computed(() => {
    const lot = this.lot();
    return lot !== null && lot.head.state !== 'finished' && (lot.due[0]?.inPieces ?? 1) <= 0;
  });
  /** Alike stretches side by side are drawn as one: a lot of thousands has few. */
  protected readonly spans = computed(() => {
    const merged: { from: number; to: number; state: string }[] = [];
    for (const { from, to, state } of this.lot()?.spans ?? []) {
      const last = merged.at(-1);
      if (last?.state === state) last.to = to;
      else merged.push({ from, to, state });
    }
    return merged.map(({ from, to, state }) => ({
      from,
      state,
      x: this.x(from - 1),
      width: this.x(to) - this.x(from - 1),
    }));
  });
  protected readonly dues = computed(() =>
    (this.lot()?.due ?? [])
      .filter((d) => d.code !== 'contain')
      .map((d) => ({ piece: d.piece, x: this.x(d.piece - 0.5), now: d.inPieces <= 0 })),
  );
  /** Dots stand side by side at most; of more checks every so many-th good one is drawn, and all others first. */
  protected readonly checks = computed(() => {
    const all = this.lot()?.checks ?? [];
    const good = all.filter((c) => c.outcome === 'good');
    const others = all.filter((c) => c.outcome !== 'good').slice(0, MOST_DOTS);
    const step = Math.max(1, Math.ceil(good.length / MOST_DOTS));
    return [...good.filter((_, i) => i % step === 0 || i === good.length - 1), ...others].map((c) => ({
      piece: c.piece,
      outcome: c.outcome,
      at: this.middle(c.piece),
    }));
  });
  protected readonly labels = computed(() => {
    const lot = this.lot();
    if (!lot) return [];
    const next = lot.due.find((d) => d.code !== 'contain');
    const marks = [
      { piece: 1, strong: false },
      ...lot.checks
        .filter((c) => c.outcome === 'bad')
        .slice(0, MOST_DOTS)
        .map((c) => ({ piece: c.piece, strong: true })),
      ...(next ? [{ piece: next.piece, strong: true }] : []),
      { piece: lot.head.pieces, strong: false },
    ].sort((a, b) => a.piece - b.piece);
    // Numbers that would stand on each other are left out, plain ones first.
    const kept: { piece: number; strong: boolean; at: number }[] = [];
    for (const mark of marks) {
      const at = mark.piece === 1 ? 0 : mark.piece === lot.head.pieces ? 100 : this.middle(mark.piece);
      const last = kept.at(-1);
      if (!last || at - last.at > 4) kept.push({ ...mark, at });
      else if (mark.strong && !last.strong) kept[kept.length - 1] = { ...mark, at };
    }
    return kept;
  });
  protected readonly told = computed(() => {
    const lot = this.lot();
    return lot
      ? `Pieces of lot ${lot.head.name}. ${lot.headline} ${lot.checks
          .slice(-MOST_DOTS)
          .map((c) => c.text)
          .join(' ')}`
      : '';
  });
}
