import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { BenchTotals } from '@tug-mark/contract';
import { BENCH_STATES, type BenchState } from '@tug-mark/core';
import { grouped } from '../parts/count';

/** The states of the work, in the words of a counter. */
export const STATE_WORDS: Readonly<Record<BenchState, string>> = {
  'to-set-up': 'to be set up',
  held: 'held',
  rejected: 'rejected',
  'to-release': 'ready for release',
  'to-make': 'to be made',
  through: 'through',
};

/** How many combinations stand where: each number shows those alone, and all of them at the second press. */
@Component({
  selector: 'tm-bench-counters',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul aria-label="Combinations by state">
      @for (state of states; track state) {
        <li>
          <button
            type="button"
            [attr.aria-pressed]="chosen() === state"
            [class.bad]="(state === 'held' || state === 'rejected') && counts()[state] > 0"
            (click)="choose.emit(chosen() === state ? null : state)"
          >
            <strong class="figures">{{ grouped(counts()[state]) }}</strong>
            {{ words[state] }}
          </button>
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      background: var(--sheet);
      border: 1px solid var(--line);
      display: grid;
      grid-template-columns: repeat(6, minmax(0, 1fr));
    }
    li + li {
      border-left: 1px solid var(--line);
    }
    button {
      background: none;
      border: 0;
      border-bottom: 4px solid transparent;
      color: var(--ink);
      cursor: pointer;
      display: grid;
      font: inherit;
      height: 100%;
      min-height: 68px;
      padding: 8px 14px 4px;
      text-align: left;
      width: 100%;
    }
    button:hover {
      background: var(--paper);
    }
    button[aria-pressed='true'] {
      background: var(--petrol-tint);
      border-bottom-color: var(--petrol);
    }
    strong {
      font-size: 26px;
      line-height: 1.1;
    }
    .bad {
      color: var(--fail);
    }
    @media (max-width: 900px) {
      ul {
        grid-template-columns: repeat(3, minmax(0, 1fr));
      }
      li:nth-child(3n + 1) {
        border-left: 0;
      }
      li:nth-child(n + 4) {
        border-top: 1px solid var(--line);
      }
      button {
        min-height: 56px;
        padding: 6px 10px 2px;
      }
    }
  `,
})
export class BenchCounters {
  protected readonly grouped = grouped;
  protected readonly states = BENCH_STATES;
  protected readonly words = STATE_WORDS;
  readonly counts = input.required<BenchTotals['states']>();
  readonly chosen = input<BenchState | null>(null);
  readonly choose = output<BenchState | null>();
}
