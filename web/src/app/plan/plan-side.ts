import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { GivenHead } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api } from '../http/api';
import { addressOf } from '../http/client';
import { showTime } from '../parts/show-time';
import { PlanStore } from './plan.store';

/** What stands beside a plan: what was changed here, what moved, what ends while it runs, and what is not in it. */
@Component({
  selector: 'tm-plan-side',
  imports: [RouterLink, NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.edits().length) {
      <section>
        <h2>Changed here</h2>
        <ul>
          @for (edit of store.edits(); track $index) {
            <li>
              {{ edit.text }}
              <button
                nz-button
                class="quiet"
                type="button"
                [attr.aria-label]="'Take back: ' + edit.text"
                (click)="store.undo(edit)"
              >
                Take back
              </button>
            </li>
          }
        </ul>
      </section>
    }
    @if (store.moved().length) {
      <section>
        <h2>Moved against plan {{ store.day()?.given?.revision }} ({{ store.moved().length }})</h2>
        <ul>
          @for (one of store.moved().slice(0, most); track one.job) {
            <li>{{ one.text }}</li>
          }
        </ul>
        @if (store.moved().length > most) {
          <p class="soft">... and {{ store.moved().length - most }} more.</p>
        }
      </section>
    }
    @if (store.soon().length) {
      <section>
        <h2>Ends while this plan runs</h2>
        <ul>
          @for (one of store.soon(); track $index) {
            <li [class.wrong]="one.what !== 'check'">{{ one.text }}</li>
          }
        </ul>
      </section>
    }
    @if (out().length) {
      <section>
        <h2>Not in this plan ({{ out().length }})</h2>
        <ul>
          @for (one of out(); track $index) {
            <li>
              {{ one.text }}
              @if (one.combination) {
                <a [routerLink]="['/bench', one.combination]">Open it</a>
              }
            </li>
          }
        </ul>
      </section>
    }
    @if (notes().length) {
      <section>
        <h2>To know</h2>
        <ul>
          @for (text of notes(); track text) {
            <li>{{ text }}</li>
          }
        </ul>
      </section>
    }
    @if (given().length) {
      <section>
        <h2>Given out</h2>
        <ul>
          @for (one of given(); track one.revision) {
            <li>
              Plan {{ one.revision }} by {{ one.by }}, {{ time(one.at) }}: {{ one.planned }} jobs{{
                one.moved ? ', ' + one.moved + ' moved' : ''
              }}{{ one.note ? '. ' + one.note : '' }}
            </li>
          }
        </ul>
        <p class="soft">
          As a calendar: <a [href]="calendar()" download="plan.ics">all</a>
          @for (person of people(); track person.id) {
            · <a [href]="calendar(person.id)" download="plan.ics">{{ person.label }}</a>
          }
        </p>
      </section>
    }
    <p class="soft caution">
      A plan is arithmetic from what was written down. Released specifications, the makers' instructions, local codes
      and qualified people come before it: nothing here says that a set-up is good.
    </p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 14px 26px;
      grid-template-columns: repeat(auto-fit, minmax(min(340px, 100%), 1fr));
    }
    h2 {
      margin: 0 0 6px;
    }
    li {
      border-top: 1px solid var(--line);
      padding: 5px 0;
    }
    .caution {
      grid-column: 1 / -1;
    }
  `,
})
export class PlanSide {
  protected readonly store = inject(PlanStore);
  /** Moves that are told one by one. */
  protected readonly most = 20;
  protected readonly out = this.store.out;
  protected readonly time = showTime;
  protected readonly given = signal<readonly GivenHead[]>([]);
  protected readonly people = computed(() => {
    const work = this.store.work();
    return work ? [...work.people, ...work.quality] : [];
  });
  protected readonly notes = computed(() => [...new Set((this.store.day()?.notes ?? []).map(({ text }) => text))]);

  constructor() {
    const api = inject(Api);
    effect(() => {
      if (!this.store.day()?.given) return;
      api.givenPlans().then(
        (all) => {
          this.given.set(all.slice(0, 8));
        },
        () => undefined,
      );
    });
  }

  protected calendar(person?: string): string {
    return addressOf('writeCalendar', person === undefined ? {} : { query: { person } });
  }
}
