import { capital } from '@tug-mark/core';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import type { Judgement, LotVerdict, StageState } from '@tug-mark/core';
import { Mark } from './mark';

interface Rung {
  readonly to: string;
  readonly title: string;
  readonly state: StageState;
  readonly answer: string;
}

/** The six stages, each with its short answer: navigation, state and set-up at once. */
@Component({
  selector: 'tm-ladder',
  imports: [RouterLink, RouterLinkActive, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p
      class="holding"
      [class.bad]="judgement().verdict === 'rejected' || lot()?.verdict === 'held'"
      [class.good]="judgement().verdict === 'accepted'"
      role="status"
    >
      {{ lot()?.verdict === 'held' ? lot()?.headline : judgement().headline }}
    </p>
    <nav aria-label="Stages">
      <ol>
        @for (rung of rungs(); track rung.to) {
          <li>
            <a
              [routerLink]="['/bench', id(), rung.to]"
              routerLinkActive="here"
              ariaCurrentWhenActive="step"
              (click)="toStage()"
            >
              <tm-mark [state]="rung.state" [size]="20" />
              <span class="title">{{ rung.title }}</span>
              <span class="answer" [class.bad]="rung.state === 'fail'">{{ rung.answer }}</span>
            </a>
          </li>
        }
      </ol>
    </nav>
  `,
  styles: `
    a {
      border-bottom: 1px solid transparent;
      border-top: 1px solid transparent;
      color: var(--ink);
      display: grid;
      gap: 1px 10px;
      grid-template-columns: 20px 1fr;
      min-height: 46px;
      padding: 7px 16px;
      text-decoration: none;
    }
    a:hover {
      background: var(--shade);
    }
    a.here {
      background: var(--sheet);
      border-color: var(--line);
    }
    a:focus-visible {
      outline-offset: -3px;
    }
    tm-mark {
      padding-top: 1px;
    }
    .title {
      font: 600 17px/1.25 var(--figures);
    }
    .answer {
      color: var(--ink-soft);
      display: -webkit-box;
      font-size: 14px;
      grid-column: 2;
      line-height: 1.35;
      overflow: hidden;
      -webkit-box-orient: vertical;
      -webkit-line-clamp: 2;
    }
    .answer.bad {
      color: var(--fail);
    }
    /* A phone reads the stage first: the rungs stand side by side, by their names alone. */
    @media (max-width: 860px) {
      ol {
        display: flex;
        flex-wrap: wrap;
      }
      .answer {
        display: none;
      }
      a {
        padding: 9px 10px;
      }
    }
    .holding {
      border-left: 4px solid var(--hold);
      font-weight: 600;
      margin: 2px 16px 10px;
      padding: 4px 10px;
    }
    .holding.bad {
      border-color: var(--fail);
    }
    .holding.good {
      border-color: var(--pass);
    }
  `,
})
export class Ladder {
  readonly id = input.required<string>();
  readonly judgement = input.required<Judgement>();
  readonly lot = input<LotVerdict | null>(null);
  /** The keys belong to the stage once its rung was taken: a second Enter must not take the rung again. */
  protected toStage(): void {
    document.querySelector<HTMLElement>('section.stage')?.focus();
  }

  /** The six stages, then what follows once they have passed. */
  protected readonly rungs = computed<readonly Rung[]>(() => [
    ...this.judgement().stages.map(({ stage, state, answer }, i) => ({
      to: stage,
      title: `${i + 1} ${capital(stage)}`,
      state,
      answer,
    })),
    { to: 'release', title: 'Release', ...this.release() },
    { to: 'lot', title: 'Lot', ...this.made() },
  ]);

  private release(): Pick<Rung, 'state' | 'answer'> {
    const { state, by, reasons } = this.judgement().release;
    if (state === 'released') return { state: 'pass', answer: `Released by ${by}.` };
    if (state === 'lapsed') return { state: 'fail', answer: `Lapsed. ${reasons[0]?.text ?? ''}` };
    return { state: 'missing', answer: 'Quality releases it when all six have passed.' };
  }

  private made(): Pick<Rung, 'state' | 'answer'> {
    const lot = this.lot();
    if (!lot) return { state: 'missing', answer: 'Opened when the set-up is released.' };
    const state = lot.verdict === 'held' ? 'fail' : lot.verdict === 'running' ? 'missing' : 'pass';
    return { state, answer: `${lot.head.name}: ${lot.headline}` };
  }
}
