import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, type LimitRecord, type Problem, type Touched } from '@tug-mark/contract';
import {
  compareLimits,
  familyName,
  limitRowName,
  sizeLabel,
  type LimitDifference,
  type LimitRow,
  type LimitTable,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api, toProblem } from '../http/api';
import { ProblemNotice } from '../parts/problem-notice';
import { showTime } from '../parts/show-time';
import { sessionFeature } from '../session/session.state';
import { LimitDraft } from './limit-draft';
import { valueOf } from '../parts/value-of';

/** The limit tables by document and revision; quality releases and withdraws them. */
@Component({
  selector: 'tm-limits-page',
  imports: [RouterLink, NzButtonModule, ProblemNotice, LimitDraft],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ headline() }}</h1>
          <p class="soft">
            A pull is judged by the one released table of its class that is in effect that day. Released specifications
            decide, not this program.
          </p>
        </div>
      </div>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <div class="columns">
        <ul aria-label="Tables">
          @for (table of tables(); track key(table)) {
            <li>
              <button
                type="button"
                [class.here]="key(table) === key(chosen())"
                [attr.aria-pressed]="key(table) === key(chosen())"
                (click)="pick.set(key(table))"
              >
                <strong class="figures">{{ table.document }} rev {{ table.revision }}</strong>
                <span>class {{ table.class }}</span>
                <span class="state {{ table.status }}">{{ table.status }}</span>
              </button>
            </li>
          } @empty {
            <li class="soft">
              No table yet. An engineer brings drafts in with a shop file, under Cabinet; quality releases them.
            </li>
          }
        </ul>
        @if (drafting(); as from) {
          <tm-limit-draft [from]="from" (kept)="drafted($event)" (closed)="drafting.set(null)" />
        } @else if (record(); as found) {
          @let table = found.table;
          <section aria-labelledby="table">
            <h2 id="table">{{ table.document }} rev {{ table.revision }}, class {{ table.class }}</h2>
            @if (table.origin === 'made-up') {
              <p class="notice">
                Made up for the demo. Nothing judged by it is accepted; a shop enters its own from a controlled
                document.
              </p>
            }
            <p class="soft">
              {{ table.owner }} · in effect from {{ table.effectiveFrom
              }}{{ table.effectiveUntil ? ' to ' + table.effectiveUntil : '' }} · pulled at {{ table.speed.min }}–{{
                table.speed.max
              }}
              mm/min ·
              {{ table.interpolates ? 'interpolation between rows allowed' : 'rows only, nothing between them' }}
              @if (table.hold; as hold) {
                · hold test {{ hold.force }} N for {{ hold.seconds }} s
              }
            </p>
            <p class="soft">
              Drafted by {{ found.draftedBy
              }}{{ found.releasedBy ? '; released by ' + found.releasedBy + ' ' + time(found.releasedAt) : ''
              }}{{ found.withdrawnBy ? '; withdrawn by ' + found.withdrawnBy + ' ' + time(found.withdrawnAt) : '' }}.
            </p>
            @for (fault of found.problems; track $index) {
              <p class="notice" [class.bad]="fault.weight === 'bad'">
                {{ fault.row ? 'Row ' + fault.row + ': ' : '' }}{{ fault.text }}
              </p>
            }
            <p class="acts">
              @if (mayRelease()) {
                @if (table.status === 'draft') {
                  <button
                    nz-button
                    nzType="primary"
                    class="bench-button"
                    type="button"
                    (click)="move(table, 'release', false)"
                  >
                    Release rev {{ table.revision }}, class {{ table.class }}
                  </button>
                } @else if (table.status === 'released') {
                  <button nz-button class="bench-button" type="button" (click)="move(table, 'withdraw', false)">
                    Withdraw rev {{ table.revision }}, class {{ table.class }}
                  </button>
                }
              }
              @if (mayDraft()) {
                <button nz-button class="bench-button" type="button" (click)="drafting.set(table)">
                  {{ table.status === 'draft' ? 'Change this draft' : 'Draft a new revision from it' }}
                </button>
              }
              <a [href]="csv(table)" download>Rows as CSV</a>
            </p>
            @if (overlaps()) {
              <p class="notice">
                <button nz-button type="button" (click)="move(table, 'release', true)">
                  Release it in place of the one in effect
                </button>
                The other table is withdrawn in the same step.
              </p>
            }
            @if (!mayRelease()) {
              <p class="soft">Releasing and withdrawing is for quality.</p>
            }
            <div class="field compare">
              <label for="compare-with">Compare with</label>
              <select id="compare-with" class="ant-input" (change)="other.set(value($event))">
                <option value="">nothing</option>
                @for (candidate of others(); track key(candidate)) {
                  <option [value]="key(candidate)" [selected]="key(candidate) === other()">
                    {{ candidate.document }} rev {{ candidate.revision }}, class {{ candidate.class }} ({{
                      candidate.status
                    }})
                  </option>
                }
              </select>
            </div>
            @if (compared(); as before) {
              <h3>
                {{ differences().length }} rows differ from {{ before.document }} rev {{ before.revision }}, class
                {{ before.class }}
              </h3>
              <p class="soft">
                In effect now, it would change the limit of {{ touched().length }}
                {{ touched().length === 1 ? 'combination' : 'combinations' }}: their set-ups have to be proved and
                released again.
              </p>
            }
            <div class="scroll" tabindex="0" role="group" aria-label="Rows of the table">
              <table class="figures">
                <thead>
                  <tr>
                    <th scope="col">Conductor</th>
                    <th scope="col">Families</th>
                    <th scope="col">Material</th>
                    @if (compared()) {
                      <th scope="col" class="force">Before</th>
                    }
                    <th scope="col" class="force">Least force</th>
                    @if (compared()) {
                      <th scope="col" class="force">Change</th>
                    }
                  </tr>
                </thead>
                <tbody>
                  @for (row of table.rows; track $index) {
                    @let change = changeOf(row);
                    <tr [class.changed]="change">
                      <td>{{ size(row.size) }}</td>
                      <td>{{ families(row.families) }}</td>
                      <td>{{ row.material ?? 'any' }}</td>
                      @if (compared()) {
                        <td class="force">{{ change?.before ? least(change!.before!) : change ? 'none' : 'same' }}</td>
                      }
                      <td class="force">{{ least(row) }}</td>
                      @if (compared()) {
                        <td class="force">{{ signed(change?.percent ?? null) }}</td>
                      }
                    </tr>
                  }
                  @for (gone of gone(); track gone.row) {
                    <tr class="changed">
                      <td colspan="3">{{ gone.row }}</td>
                      <td class="force">{{ least(gone.before!) }}</td>
                      <td class="force">taken out</td>
                      <td></td>
                    </tr>
                  }
                </tbody>
              </table>
            </div>
            @if (compared() && touched().length) {
              <h3>Touched</h3>
              <ul class="touched">
                @for (line of touched().slice(0, 60); track line.id) {
                  <li>
                    <a [routerLink]="['/bench', line.id]">{{ line.terminal }} on {{ line.wire }}</a>
                    <span class="soft">{{ line.list }}, {{ force(line.before) }} to {{ force(line.after) }}</span>
                  </li>
                }
              </ul>
            }
          </section>
        }
      </div>
    </div>
  `,
  styleUrl: '../parts/documents.less',
  styles: `
    .columns > section {
      justify-items: start;
      max-width: 860px;
    }
    table {
      font-size: 16px;
    }
    .force {
      text-align: right;
    }
    .changed td {
      background: var(--hold-tint);
    }
    .compare {
      min-width: 320px;
    }
    .scroll {
      max-height: 46vh;
    }
    .touched a {
      line-height: 32px;
    }
    .touched {
      grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
      width: 100%;
    }
  `,
})
export class LimitsPage {
  protected readonly value = valueOf;
  private readonly api = inject(Api);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  private readonly records = signal<readonly LimitRecord[]>([]);
  protected readonly tables = computed(() => this.records().map((record) => record.table));
  protected readonly problem = signal<Problem | null>(null);
  protected readonly pick = signal('');
  protected readonly other = signal('');
  protected readonly drafting = signal<LimitTable | null>(null);
  protected readonly overlaps = computed(() => this.problem()?.code === 'limit-overlaps');
  protected readonly touched = signal<readonly Touched[]>([]);
  protected readonly size = sizeLabel;
  protected readonly record = computed(
    () =>
      this.records().find(({ table }) => this.key(table) === this.pick()) ??
      this.records().find(({ table }) => table.status === 'released') ??
      this.records()[0],
  );
  protected readonly chosen = computed(() => this.record()?.table);
  protected readonly others = computed(() =>
    this.tables().filter((table) => this.key(table) !== this.key(this.chosen())),
  );
  protected readonly compared = computed(() => this.others().find((table) => this.key(table) === this.other()));
  protected readonly differences = computed(() => {
    const before = this.compared();
    const after = this.chosen();
    return before && after ? compareLimits(before, after) : [];
  });
  protected readonly gone = computed(() => this.differences().filter((d) => d.after === null));
  protected readonly mayRelease = computed(() => may(this.person()?.role ?? 'technician', 'release-limits'));
  protected readonly mayDraft = computed(() => may(this.person()?.role ?? 'technician', 'draft-limits'));
  protected readonly headline = computed(() => {
    const released = this.tables().filter((table) => table.status === 'released').length;
    const drafts = this.tables().filter((table) => table.status === 'draft').length;
    return `Limits: ${released} released, ${drafts} ${drafts === 1 ? 'draft' : 'drafts'}`;
  });

  constructor() {
    void this.load();
    effect(() => {
      const table = this.chosen();
      if (!this.compared() || !table) return;
      void this.api.touchedByLimits(table).then(
        (touched) => {
          this.touched.set(touched);
        },
        (error: unknown) => {
          this.problem.set(toProblem(error));
        },
      );
    });
  }

  private async load(): Promise<void> {
    try {
      this.records.set(await this.api.limits());
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected async move(table: LimitTable, to: 'release' | 'withdraw', replaces: boolean): Promise<void> {
    const key = { document: table.document, revision: table.revision, class: table.class };
    this.pick.set(this.key(table));
    try {
      await (to === 'release' ? this.api.releaseLimit({ ...key, replaces }) : this.api.withdrawLimit(key));
      this.problem.set(null);
      await this.load();
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected drafted(records: LimitRecord[]): void {
    this.records.set(records);
    this.drafting.set(null);
    this.problem.set(null);
  }

  protected changeOf(row: LimitRow): LimitDifference | undefined {
    const name = limitRowName(row);
    return this.differences().find((d) => d.row === name);
  }
  protected least(row: LimitRow): string {
    return row.force === null ? `${row.percent} % of breaking load` : `${row.force} N`;
  }
  protected force(newtons: number | null): string {
    return newtons === null ? 'no limit' : `${newtons.toFixed(1)} N`;
  }
  protected signed(percent: number | null): string {
    if (percent === null) return '';
    return `${percent > 0 ? '+' : ''}${percent.toFixed(1)} %`;
  }
  protected csv(table: LimitTable): string {
    const { document, revision, class: className } = table;
    return `/api/limits/rows.csv?${new URLSearchParams({ document, revision, class: className }).toString()}`;
  }
  protected time(at: string | null): string {
    return at ? showTime(at) : '';
  }

  protected key(table: LimitTable | undefined): string {
    return table ? `${table.document}/${table.revision}/${table.class}` : '';
  }

  protected families(list: LimitRow['families']): string {
    return list.length ? list.map(familyName).join(', ') : 'all';
  }
}
