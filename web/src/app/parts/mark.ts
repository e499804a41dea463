import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Reason, StageState } from '@tug-mark/core';

const SHAPES: Record<StageState | 'note', { path: string; word: string }> = {
  pass: { path: 'M3.2 8.4 6.6 11.6 12.8 4.6', word: 'passed' },
  fail: { path: 'M4 4 12 12M12 4 4 12', word: 'failed' },
  hold: { path: 'M8 3.4V9M8 11.6V12.8', word: 'held' },
  missing: { path: '', word: 'open' },
  note: { path: 'M8 7V12.6M8 3.4V4.6', word: 'note' },
};
const OF_WEIGHT: Record<Reason['weight'], StageState | 'note'> = {
  good: 'pass',
  hold: 'hold',
  bad: 'fail',
  note: 'note',
};

/** A state as shape, colour and word together: nobody has to tell green from red. */
@Component({
  selector: 'tm-mark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 16 16" [attr.width]="size()" [attr.height]="size()" [class]="kind()" aria-hidden="true">
      @switch (kind()) {
        @case ('fail') {
          <rect x="0.5" y="0.5" width="15" height="15" rx="2" />
        }
        @case ('hold') {
          <path class="shape" d="M8 0.6 15.6 14.6H0.4z" />
        }
        @default {
          <circle cx="8" cy="8" r="7.2" />
        }
      }
      <path
        class="sign"
        [attr.d]="shape().path"
        [attr.transform]="kind() === 'hold' ? 'translate(0 1) scale(1 .95)' : null"
      />
    </svg>
    <span class="out-of-sight">{{ shape().word }}</span>
  `,
  styles: `
    :host {
      display: inline-flex;
      flex: none;
      vertical-align: -2px;
    }
    .pass circle {
      fill: var(--pass);
    }
    .fail rect {
      fill: var(--fail);
    }
    .hold .shape {
      fill: var(--hold);
    }
    .missing circle,
    .note circle {
      fill: var(--sheet);
      stroke: var(--line-strong);
      stroke-width: 1.6;
    }
    .sign {
      fill: none;
      stroke: var(--sheet);
      stroke-linecap: round;
      stroke-width: 2;
    }
    .note .sign {
      stroke: var(--ink-soft);
    }
  `,
})
export class Mark {
  readonly state = input<StageState | 'note' | null>(null);
  readonly weight = input<Reason['weight'] | null>(null);
  readonly size = input(16);
  protected readonly kind = computed(() => {
    const weight = this.weight();
    return this.state() ?? (weight ? OF_WEIGHT[weight] : 'missing');
  });
  protected readonly shape = computed(() => SHAPES[this.kind()]);
}
