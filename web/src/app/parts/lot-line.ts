import { ChangeDetectionStrategy, Component, input } from '@angular/core';

export interface SamplePiece {
  readonly piece: number;
  readonly look: 'accepted' | 'rework' | 'rejected' | 'open';
  readonly tug: 'holds' | 'below' | 'invalid' | 'open';
}

/** The lot as a line of pieces: the set-up samples with what look and tug say of each, then the pieces to be made. */
@Component({
  selector: 'tm-lot-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <h2>{{ title() }}</h2>
      <p class="soft">{{ said() }}</p>
    </div>
    <div class="line">
      <ol aria-label="Set-up samples">
        @for (sample of samples(); track sample.piece) {
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
      font-size: 14px;
      text-align: right;
    }
    .line {
      align-items: start;
      display: flex;
      gap: 14px;
    }
    ol {
      display: flex;
      gap: 10px;
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
  `,
})
export class LotLine {
  readonly title = input.required<string>();
  readonly said = input.required<string>();
  readonly samples = input.required<readonly SamplePiece[]>();
  readonly pieces = input.required<number>();
  readonly ready = input(false);
}
