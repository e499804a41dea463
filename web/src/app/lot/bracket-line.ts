import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { BracketPlan } from '@tug-mark/core';

/** Where a fault began, as far as it is known: from the last good piece to the first bad one, and the piece to pull between. */
@Component({
  selector: 'tm-bracket-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawn(); as d) {
      <div role="img" [attr.aria-label]="d.told">
        <i class="good"></i>
        <i class="span"></i>
        <i class="bad"></i>
        <i class="flag" [style.left.%]="d.at"></i>
        <span class="figures from">{{ d.good }}</span>
        <span class="figures here" [style.left.%]="d.at">{{ d.next }}</span>
        <span class="figures to">{{ d.bad }}</span>
      </div>
    }
  `,
  styles: `
    div {
      height: 74px;
      margin: 0 10px;
      position: relative;
    }
    i,
    span {
      position: absolute;
    }
    .span {
      background: repeating-linear-gradient(135deg, var(--fail-tint) 0 10px, var(--fail) 10px 12px);
      height: 14px;
      inset: 30px 0 auto;
      opacity: 0.75;
    }
    .good,
    .bad {
      background: var(--sheet);
      border: 3px solid var(--pass);
      height: 18px;
      top: 28px;
      width: 18px;
      z-index: 1;
    }
    .good {
      border-radius: 50%;
      left: -9px;
    }
    .bad {
      border-color: var(--fail);
      right: -9px;
    }
    .flag {
      border-left: 3px solid var(--petrol);
      height: 46px;
      top: 6px;
    }
    .flag::after {
      border: solid transparent;
      border-left-color: var(--petrol);
      border-width: 8px 0 8px 18px;
      content: '';
      display: block;
    }
    span {
      top: 52px;
      transform: translateX(-50%);
    }
    .from {
      left: 0;
    }
    .to {
      left: 100%;
    }
    .here {
      font-weight: 600;
    }
    @media (forced-colors: active) {
      .span {
        border: 1px solid;
      }
    }
  `,
})
export class BracketLine {
  readonly bracket = input.required<BracketPlan>();
  protected readonly drawn = computed(() => {
    const { next, ifHolds } = this.bracket();
    if (next === null || !ifHolds) return null;
    const good = ifHolds.clears[0] - 1;
    const bad = ifHolds.leaves[1];
    return {
      next,
      bad,
      good: good === 0 ? 'set-up' : String(good),
      at: ((next - good) / (bad - good)) * 100,
      told: `Good at ${good === 0 ? 'the set-up' : `piece ${good}`}, bad at piece ${bad}; piece ${next} is to be pulled.`,
    };
  });
}
