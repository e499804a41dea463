import { booleanAttribute, ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { FirstStep, FirstStepCode } from '@tug-mark/core';
import { Mark } from '../parts/mark';
import { FirstDayStore } from './first-day.store';

/** Where each step is done. */
const PLACES: Readonly<Record<FirstStepCode, { readonly to: string; readonly query?: Record<string, string> }>> = {
  rules: { to: '/shop/house-rules' },
  wire: { to: '/shop/cabinet/wire' },
  terminal: { to: '/shop/cabinet/terminal' },
  tool: { to: '/shop/cabinet/tool' },
  stripper: { to: '/shop/cabinet/stripper' },
  limits: { to: '/shop/limits' },
  points: { to: '/shop/inspection-points' },
  people: { to: '/shop/people' },
  list: { to: '/bench', query: { bring: 'list' } },
};

/**
 * What a new shop needs before its first judged pull, step by step, with the way to each; once all is there, what the shop
 * still lacks.
 */
@Component({
  selector: 'tm-first-day',
  imports: [RouterLink, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.isOurs() && store.isReady()) {
      @if (!store.isOver()) {
        <section aria-labelledby="first-day" [class.wide]="wide()">
          <h2 id="first-day">Before the first pull</h2>
          <ol>
            @for (step of store.day().steps; track step.code) {
              <li [class.next]="step.code === store.next()">
                <tm-mark [state]="markOf(step)" [size]="16" />
                <div>
                  <a
                    [routerLink]="places[step.code].to"
                    [queryParams]="places[step.code].query"
                    [attr.aria-current]="step.code === store.next() ? 'step' : null"
                    >{{ step.title }}</a
                  >
                  @if (wide() || step.state !== 'open') {
                    <span class="soft">{{ step.said }}</span>
                  }
                  @if (wide() && step.state !== 'done' && step.without; as cost) {
                    <span class="soft">
                      Without: {{ cost }}
                      @if (!store.skipped().includes(step.code)) {
                        <button class="link" type="button" (click)="store.skip(step.code)">Go on without</button>
                      } @else {
                        Left out for now.
                      }
                    </span>
                  }
                </div>
              </li>
            }
          </ol>
          @if (wide()) {
            <p class="soft">Parts and lists can also be read from files: each page has a template beside it.</p>
          }
        </section>
      } @else if (store.day().lacks.length || store.skipped().length) {
        <section aria-labelledby="lacks">
          <button class="link" type="button" id="lacks" [attr.aria-expanded]="isOpen()" (click)="isOpen.set(!isOpen())">
            What this shop still lacks ({{ store.day().lacks.length }})
          </button>
          @if (isOpen()) {
            <ul>
              @for (text of store.day().lacks; track text) {
                <li class="soft">{{ text }}</li>
              }
            </ul>
            @if (store.skipped().length) {
              <button class="link" type="button" (click)="store.takeUp()">Steps that were left out</button>
            }
          }
        </section>
      }
    }
  `,
  styles: `
    section {
      background: var(--sheet);
      border: 1px solid var(--line);
      margin: 0 10px;
      padding: 10px 10px 8px;
    }
    section.wide {
      margin: 0;
      max-width: 720px;
      padding: 16px 20px;
    }
    h2 {
      font-size: 16px;
      margin-bottom: 6px;
    }
    .wide h2 {
      font-size: 20px;
    }
    li {
      align-items: start;
      display: flex;
      gap: 8px;
      padding: 3px 0;
    }
    li tm-mark {
      margin-top: 3px;
    }
    li div {
      display: grid;
      min-width: 0;
    }
    li a {
      color: var(--ink);
      padding: 0;
      text-decoration: none;
    }
    li a:hover {
      text-decoration: underline;
    }
    .next a {
      color: var(--petrol);
      font-weight: 600;
      text-decoration: underline;
    }
    .soft {
      font-size: 14px;
      line-height: 1.3;
    }
    ul {
      display: grid;
      gap: 6px;
      margin-top: 6px;
    }
  `,
})
export class FirstDayPanel {
  /** With what each step is for, and what it costs to go on without. */
  readonly wide = input(false, { transform: booleanAttribute });
  protected readonly store = inject(FirstDayStore);
  protected readonly places = PLACES;
  protected readonly isOpen = signal(false);

  protected markOf({ state }: FirstStep): 'pass' | 'hold' | 'missing' {
    return state === 'done' ? 'pass' : state === 'begun' ? 'hold' : 'missing';
  }
}
