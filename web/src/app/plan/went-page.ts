import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { GivenHead, PlanWent, Problem } from '@tug-mark/contract';
import { unparse } from 'papaparse';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { RouterLink } from '@angular/router';
import { Api, toProblem } from '../http/api';
import { saveText } from '../parts/save-text';
import { Select } from '../parts/select';
import { showTime } from '../parts/show-time';
import { injectShopTime } from '../session/shop-day';
import { planClock } from './plan-time';
import { SheetFrame } from './sheet-frame';
import { STATES, tellLate, wentHeadline, wentOf, wentUnder } from './went-words';

/** A plan given out beside what the journal says of it: what began when, what was made, how often was set up. */
@Component({
  selector: 'tm-went-page',
  imports: [NzButtonModule, RouterLink, Select, SheetFrame],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tm-sheet-frame [headline]="headline()" [under]="under()" [problem]="problem()">
      <p acts class="acts not-printed">
        @if (options().length > 1) {
          <label class="out-of-sight" for="which-plan">Plan</label>
          <tm-select
            selectId="which-plan"
            [options]="options()"
            [value]="'' + chosen()"
            (valueChange)="read(+($event ?? 0))"
          />
        }
        @if (went()?.rows?.length) {
          <button nz-button type="button" (click)="save()">As CSV</button>
        }
      </p>
      @if (shown(); as read) {
        <p class="soft">
          Given out by {{ read.plan.by }} at {{ time(read.plan.at) }}; it
          {{ read.isOver ? 'counted until ' + time(read.until) : 'counts now' }}. What was put on record meanwhile
          stands beside what was planned. Cutting and insertion leave no entry.
        </p>
        <div class="scroll">
          <table>
            <thead>
              <tr>
                <th scope="col">What</th>
                <th scope="col">Bench</th>
                <th scope="col">Planned</th>
                <th scope="col">Began</th>
                <th scope="col">Last entry</th>
                <th scope="col" class="right">Made</th>
                <th scope="col" class="right">Set up</th>
                <th scope="col">Stands</th>
              </tr>
            </thead>
            <tbody>
              @for (row of rows(); track row.combination) {
                <tr>
                  <th scope="row">
                    <a [routerLink]="['/bench', row.combination]">{{ row.label }}</a>
                    <span class="soft">{{ row.list }}</span>
                  </th>
                  <td>{{ row.place }}</td>
                  <td class="figures">{{ row.planned }}</td>
                  <td class="figures">
                    {{ row.began }}
                    @if (row.late !== null) {
                      <span class="soft">{{ tellLate(row.late) }}</span>
                    }
                  </td>
                  <td class="figures">{{ row.lastAt }}</td>
                  <td class="right figures">{{ row.made }} of {{ row.pieces }}</td>
                  <td class="right figures">{{ row.setUps }}, planned {{ row.plannedSetUps }}</td>
                  <td>{{ states[row.state] }}</td>
                </tr>
              }
            </tbody>
          </table>
        </div>
      } @else if (heads()?.length === 0) {
        <p class="empty">
          No plan is given out yet: there is nothing to set beside it. <a routerLink="/plan/board">To the board</a>
        </p>
      } @else if (!problem()) {
        <p class="empty" role="status">Reading the journal ...</p>
      }
    </tm-sheet-frame>
  `,
  styleUrl: './sheets.less',
  styles: `
    th > span,
    td > span {
      display: block;
      font-weight: 400;
    }
  `,
})
export class WentPage {
  private readonly api = inject(Api);
  private readonly shopTime = injectShopTime();
  protected readonly states = STATES;
  protected readonly time = showTime;
  protected readonly tellLate = tellLate;
  protected readonly heads = signal<readonly GivenHead[] | null>(null);
  protected readonly chosen = signal(0);
  protected readonly shown = signal<PlanWent | null>(null);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly options = computed(() =>
    (this.heads() ?? []).map(({ revision, at, by }) => ({
      value: String(revision),
      label: `Plan ${revision}, ${showTime(at)}, ${by}`,
    })),
  );
  protected readonly went = computed(() => {
    const read = this.shown();
    return read && wentOf(read);
  });
  protected readonly headline = computed(() => {
    const [read, went] = [this.shown(), this.went()];
    return read && went ? wentHeadline(read.plan.revision, went) : 'As it went';
  });
  protected readonly under = computed(() => {
    const went = this.went();
    return went?.rows.length ? wentUnder(went) : '';
  });
  protected readonly rows = computed(() => {
    const [read, went] = [this.shown(), this.went()];
    if (!read || !went) return [];
    const clock = planClock(read.plan.start, this.shopTime().zone);
    const at = (minute: number | null) => (minute === null ? '' : clock.at(Math.floor(minute)));
    return went.rows.map((row) => ({
      ...row,
      place: read.plan.names[row.bench] ?? row.bench,
      planned: `${at(row.plannedStart)}–${at(row.plannedEnd)}`,
      ...{ began: at(row.begun), lastAt: at(row.last) },
    }));
  });

  constructor() {
    void this.open();
  }

  private async open(): Promise<void> {
    try {
      const heads = await this.api.givenPlans();
      this.heads.set(heads);
      const [newest] = heads;
      if (newest) await this.read(newest.revision);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected async read(revision: number): Promise<void> {
    this.chosen.set(revision);
    try {
      const read = await this.api.planWent(revision);
      if (this.chosen() !== revision) return;
      this.shown.set(read);
      this.problem.set(null);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected save(): void {
    const rows = this.rows().map((row) => ({
      ...{ what: row.label, list: row.list, bench: row.place, planned: row.planned, began: row.began },
      ...{ 'last entry': row.lastAt, pieces: row.pieces, made: row.made, 'set-ups planned': row.plannedSetUps },
      ...{
        'set-ups made': row.setUps,
        'minutes late': row.late === null ? '' : Math.round(row.late),
        stands: STATES[row.state],
      },
    }));
    saveText(
      `plan-${this.chosen()}-as-it-went.csv`,
      'text/csv',
      unparse(rows, { newline: '\r\n', escapeFormulae: true }),
    );
  }
}
