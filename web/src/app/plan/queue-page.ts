import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { addressOf } from '../http/client';
import { Notice } from '../parts/notice';
import { SheetFrame } from './sheet-frame';
import { Select } from '../parts/select';
import { showTime } from '../parts/show-time';
import { settingsActions, settingsFeature } from '../settings/settings.state';
import { queueWords } from './queue-lines';
import { QueueStore } from './queue.store';

const STATES = { done: 'done', running: 'being made', next: 'next', later: 'later' } as const;

/** What comes next at each bench, with what has to be checked, mounted and set for it, and how far it is against the plan. */
@Component({
  selector: 'tm-queue-page',
  imports: [RouterLink, NzButtonModule, Notice, SheetFrame, Select],
  providers: [QueueStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tm-sheet-frame [headline]="headline()" [under]="under()" [problem]="store.problem()">
      <div acts class="field not-printed">
        @if (options().length > 1) {
          <label for="my-bench">This device stands at</label>
          <tm-select selectId="my-bench" [options]="options()" [value]="bench() ?? ''" (valueChange)="stand($event)" />
        }
      </div>
      @if (store.isKept()) {
        <tm-notice>The server does not answer: this is how it stood at {{ time(store.readAt()) }}.</tm-notice>
      }
      @if (checks().length) {
        <tm-notice
          >Before the first piece: check {{ checks().join(', ') }}.
          <a routerLink="/shop/tools">Tools and checks</a></tm-notice
        >
      }
      @for (line of shown(); track line.bench) {
        <section>
          <h2>{{ line.label }}</h2>
          <div class="scroll">
            <table>
              <thead>
                <tr>
                  <th scope="col">When</th>
                  <th scope="col">What</th>
                  <th scope="col">Who</th>
                  <th scope="col">Mount and set</th>
                  <th scope="col">Stands</th>
                </tr>
              </thead>
              <tbody>
                @for (job of line.jobs; track job.job) {
                  <tr [class.done]="job.state === 'done'" [class.next]="job === line.next">
                    <td class="figures">{{ job.from }}–{{ job.to }}</td>
                    <td>
                      @if (job.combination) {
                        <a [routerLink]="['/bench', job.combination]">{{ job.label }}</a>
                      } @else {
                        {{ job.label }}
                      }
                      <span class="soft"
                        >{{ job.list }}{{ job.wire ? ', ' + job.wire : ''
                        }}{{ job.samples ? ', ' + job.samples + ' samples first' : '' }}</span
                      >
                    </td>
                    <td>{{ job.person }}</td>
                    <td>
                      @if (job.check) {
                        <span class="wrong">check {{ job.check }} first</span>
                      }
                      @for (step of job.mount; track step) {
                        <span>{{ step }}</span>
                      }
                    </td>
                    <td>
                      {{ states[job.state] }}
                      @if (job.state === 'running') {
                        <span class="figures">{{ job.made }} of {{ job.pieces }}</span>
                      }
                      @if (job.behind >= 15) {
                        <span class="wrong">{{ job.behind }} min behind</span>
                      }
                    </td>
                  </tr>
                }
              </tbody>
            </table>
          </div>
        </section>
      } @empty {
        @if (store.queue()) {
          <p class="empty">No plan is given out yet. <a routerLink="/plan/board">To the board</a></p>
        }
      }
      @if (store.queue()?.given; as given) {
        <p class="soft not-printed">
          Plan {{ given.revision }}, given out by {{ given.by }} at {{ time(given.at) }}.{{
            given.note ? ' ' + given.note : ''
          }}
          As a calendar: <a [href]="calendar()" download="plan.ics">{{ bench() ? 'this bench' : 'all benches' }}</a>
        </p>
      }
    </tm-sheet-frame>
  `,
  styles: `
    section {
      margin: 12px 0 20px;
    }
    .scroll {
      overflow-x: auto;
    }
    table {
      border-collapse: collapse;
      width: 100%;
    }
    th {
      color: var(--ink-soft);
      font-weight: 400;
      text-align: left;
    }
    th,
    td {
      border-bottom: 1px solid var(--line);
      padding: 7px 12px 7px 0;
      vertical-align: top;
    }
    td > span:not(.figures) {
      display: block;
      font-size: 14px;
    }
    tr.next {
      background: var(--sheet);
      box-shadow: inset 4px 0 var(--petrol);
    }
    tr.next td:first-child {
      padding-left: 10px;
    }
    tr.done {
      color: var(--ink-soft);
    }
  `,
})
export class QueuePage {
  protected readonly store = inject(QueueStore);
  private readonly global = inject(Store);
  protected readonly states = STATES;
  protected readonly time = showTime;
  protected readonly bench = this.global.selectSignal(settingsFeature.selectBench);
  protected readonly options = computed(() => [
    { value: '', label: 'no bench: show all' },
    ...this.store.lines().map(({ bench, label }) => ({ value: bench, label })),
  ]);
  protected readonly shown = computed(() => {
    const lines = this.store.lines();
    const own = lines.filter(({ bench }) => bench === this.bench());
    return own.length ? own : lines;
  });
  protected readonly checks = computed(() => [
    ...new Set(
      this.shown().flatMap(({ jobs }) =>
        jobs.flatMap(({ check, state }) => (check !== null && state !== 'done' ? [check] : [])),
      ),
    ),
  ]);
  private readonly first = computed(() => this.shown().find(({ next }) => next) ?? this.shown()[0]);
  protected readonly headline = computed(() => {
    const line = this.first();
    return line ? queueWords(line).headline : 'At each bench';
  });
  protected readonly under = computed(() => {
    const line = this.first();
    return line ? queueWords(line).under : 'What comes next, as soon as a plan is given out.';
  });
  protected readonly calendar = computed(() => {
    const bench = this.bench();
    return addressOf('writeCalendar', bench === null ? {} : { query: { bench } });
  });

  protected stand(bench: string | null): void {
    this.global.dispatch(settingsActions.set({ changes: { bench: bench === '' ? null : bench } }));
  }
}
