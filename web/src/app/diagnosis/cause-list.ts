import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { RankedCause } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Mark } from '../parts/mark';

/** Causes, the likeliest first: how likely, what speaks for and against each, and what is changed about it. */
@Component({
  selector: 'tm-cause-list',
  imports: [NzButtonModule, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol>
      @for (r of causes(); track r.cause.code; let i = $index) {
        <li>
          <div class="share" aria-hidden="true"><span [style.width.%]="100 * r.share"></span></div>
          <div>
            <h2>
              <kbd>{{ i + 1 }}</kbd> {{ r.cause.title }}
              <span class="soft figures">{{ (100 * r.share).toFixed(0) }} %, {{ r.cause.stage }}</span>
            </h2>
            @if (r.speaksFor.length) {
              <p><tm-mark state="pass" [size]="16" /> {{ r.speaksFor.join('; ') }}</p>
            }
            @if (r.speaksAgainst.length) {
              <p><tm-mark state="fail" [size]="16" /> {{ r.speaksAgainst.join('; ') }}</p>
            }
            <p class="soft">
              {{ r.cause.change }}
              {{
                r.cases === 0
                  ? 'Not confirmed here yet.'
                  : 'Confirmed here ' + (r.cases === 1 ? 'once.' : r.cases + ' times.')
              }}
            </p>
          </div>
          <button nz-button class="bench-button" type="button" (click)="confirm.emit(r.cause.code)">
            Confirm {{ i + 1 }}
          </button>
        </li>
      }
    </ol>
  `,
  styles: `
    h2 {
      font-size: 18px;
    }
    li {
      align-items: center;
      border-bottom: 1px solid var(--line);
      display: grid;
      gap: 14px;
      grid-template-columns: 90px 1fr auto;
      padding: 8px 0;
    }
    .share {
      background: var(--shade);
      border: 1px solid var(--line);
      height: 16px;
    }
    .share span {
      background: var(--petrol);
      display: block;
      height: 100%;
    }
  `,
})
export class CauseList {
  readonly causes = input.required<readonly RankedCause[]>();
  /** Code of the cause that is to be confirmed. */
  readonly confirm = output<string>();
}
