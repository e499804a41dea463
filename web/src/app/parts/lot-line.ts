import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { LotVerdict } from '@tug-mark/core';
import { drawnSamples, layOutLot, leftOutText, LINE_WIDTH, lotText, type SamplePiece } from './lot-line.layout';

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
          @for (span of laid()?.spans; track span.from) {
            <rect class="span {{ span.state }}" [attr.x]="span.x" y="12" [attr.width]="span.width" height="14" />
          }
          @for (due of laid()?.dues; track due.piece) {
            <path
              class="due"
              [class.now]="due.now"
              [attr.d]="'M' + due.x + ' 4v30'"
              vector-effect="non-scaling-stroke"
            />
          }
        </svg>
        <div class="dots" aria-hidden="true">
          @for (check of laid()?.checks; track check.piece) {
            <i class="{{ check.outcome }}" [style.left.%]="check.at"></i>
          }
          @for (label of laid()?.labels; track label.piece) {
            <span class="figures" [class.strong]="label.strong" [style.left.%]="label.at">{{ label.piece }}</span>
          }
        </div>
        <p class="out-of-sight">{{ l.head.made }} of {{ l.head.pieces }} pieces made.</p>
      }
    </div>
  `,
  styleUrl: './lot-line.less',
})
export class LotLine {
  readonly title = input.required<string>();
  readonly said = input.required<string>();
  readonly samples = input.required<readonly SamplePiece[]>();
  readonly pieces = input.required<number>();
  readonly ready = input(false);
  readonly lot = input<LotVerdict | null>(null);
  protected readonly width = LINE_WIDTH;
  protected readonly drawn = computed(() => drawnSamples(this.samples()));
  protected readonly leftOut = computed(() => leftOutText(this.samples(), this.drawn()));
  protected readonly isUrgent = computed(() => {
    const lot = this.lot();
    return lot !== null && lot.head.state !== 'finished' && (lot.due[0]?.inPieces ?? 1) <= 0;
  });
  protected readonly laid = computed(() => {
    const lot = this.lot();
    return lot && layOutLot(lot);
  });
  protected readonly told = computed(() => {
    const lot = this.lot();
    return lot ? lotText(lot) : '';
  });
}
