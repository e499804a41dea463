import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Notice } from '../parts/notice';

/** What the pin did: whether that is good, or that it drags, which is no answer yet; null where nothing is said. */
export type PinAnswer = boolean | 'drags' | null;

const QUESTIONS = {
  go: {
    name: 'Go gauge',
    asks: 'does it pass freely through the closed nest?',
    answers: [
      { words: 'It passes', good: true },
      { words: 'It drags', good: 'drags' },
      { words: 'It does not', good: false },
    ],
  },
  noGo: {
    name: 'No-go gauge',
    asks: 'it may enter, but does it stop?',
    answers: [
      { words: 'It stops', good: true },
      { words: 'It passes through', good: false },
    ],
  },
} as const;

/** One pin of a gauge tried in the closed nest. A pin that drags is wiped and tried once more: it is no answer till then. */
@Component({
  selector: 'tm-pin-question',
  imports: [Notice, NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      <strong>{{ question().name }}{{ size() ? ' ' + size() + ' mm' : '' }}:</strong> {{ question().asks }}
    </p>
    <div>
      @for (answer of question().answers; track answer.words) {
        <button
          nz-button
          class="bench-button"
          type="button"
          [class.on]="answer.good === given()"
          [attr.aria-pressed]="answer.good === given()"
          [disabled]="waits()"
          (click)="given.set(answer.good)"
        >
          {{ answer.words }}
        </button>
      }
    </div>
    @if (given() === 'drags') {
      <tm-notice>
        Wipe nest and pin, close the tool once more, and try again. What passes freely then, passes; what still drags
        does not.
      </tm-notice>
    }
  `,
  styles: `
    :host {
      align-items: center;
      display: grid;
      gap: 8px 12px;
      grid-template-columns: 1fr auto;
    }
    div {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    tm-notice {
      grid-column: 1 / -1;
    }
    .on.ant-btn {
      background: var(--petrol);
      color: var(--on-petrol);
    }
  `,
})
export class PinQuestion {
  readonly pin = input.required<keyof typeof QUESTIONS>();
  /** Diameter of the pin, mm, where the gauge gives it. */
  readonly size = input<number>();
  /** Something comes before it. */
  readonly waits = input(false);
  readonly given = model.required<PinAnswer>();
  protected readonly question = computed(() => QUESTIONS[this.pin()]);
}
