import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { may, type Problem } from '@tug-mark/contract';
import { familyName, sizeLabel, type LimitTable } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api, toProblem } from '../http/api';
import { ProblemNotice } from '../parts/problem-notice';
import { sessionFeature } from '../session/session.state';

/** The limit tables by document and revision; quality releases and withdraws them. */
@Component({
  selector: 'tm-limits-page',
  imports: [NzButtonModule, ProblemNotice],
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
        @if (chosen(); as table) {
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
            </p>
            <table class="figures">
              <thead>
                <tr>
                  <th scope="col">Conductor</th>
                  <th scope="col">Families</th>
                  <th scope="col" class="force">Least force, N</th>
                </tr>
              </thead>
              <tbody>
                @for (row of table.rows; track $index) {
                  <tr>
                    <td>{{ size(row.size) }}</td>
                    <td>{{ families(row.families) }}</td>
                    <td class="force">{{ row.force }}</td>
                  </tr>
                }
              </tbody>
            </table>
            @if (mayRelease()) {
              @if (table.status === 'draft') {
                <button nz-button nzType="primary" class="bench-button" type="button" (click)="move(table, 'release')">
                  Release rev {{ table.revision }}, class {{ table.class }}
                </button>
              } @else if (table.status === 'released') {
                <button nz-button class="bench-button" type="button" (click)="move(table, 'withdraw')">
                  Withdraw rev {{ table.revision }}, class {{ table.class }}
                </button>
              }
            } @else {
              <p class="soft">Releasing and withdrawing is for quality.</p>
            }
          </section>
        }
      </div>
    </div>
  `,
  styles: `
    .columns {
      align-items: start;
      display: grid;
      gap: 28px;
      grid-template-columns: 300px minmax(0, 620px);
    }
    ul {
      display: grid;
      gap: 6px;
    }
    li button {
      align-items: baseline;
      background: var(--sheet);
      border: 1px solid var(--line);
      color: var(--ink);
      cursor: pointer;
      display: grid;
      font: inherit;
      gap: 2px 10px;
      grid-template-columns: 1fr auto;
      min-height: 46px;
      padding: 7px 12px;
      text-align: left;
      width: 100%;
    }
    li button.here {
      border-color: var(--petrol);
      box-shadow: inset 4px 0 0 var(--petrol);
    }
    .state {
      color: var(--ink-soft);
      grid-column: 1 / -1;
    }
    .state.released {
      color: var(--pass);
      font-weight: 600;
    }
    section {
      background: var(--sheet);
      border: 1px solid var(--line);
      display: grid;
      gap: 12px;
      justify-items: start;
      padding: 18px 20px;
    }
    table {
      border-collapse: collapse;
      font-size: 16px;
      width: 100%;
    }
    th,
    td {
      border-bottom: 1px solid var(--line);
      padding: 4px 12px 4px 0;
      text-align: left;
    }
    .force {
      text-align: right;
    }
  `,
})
export class LimitsPage {
  private readonly api = inject(Api);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly tables = signal<readonly LimitTable[]>([]);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly pick = signal('');
  protected readonly size = sizeLabel;
  protected readonly chosen = computed(
    () =>
      this.tables().find((table) => this.key(table) === this.pick()) ??
      this.tables().find((table) => table.status === 'released') ??
      this.tables()[0],
  );
  protected readonly mayRelease = computed(() => may(this.person()?.role ?? 'technician', 'release-limits'));
  protected readonly headline = computed(() => {
    const released = this.tables().filter((table) => table.status === 'released').length;
    const drafts = this.tables().filter((table) => table.status === 'draft').length;
    return `Limits: ${released} released, ${drafts} ${drafts === 1 ? 'draft' : 'drafts'}`;
  });

  constructor() {
    void this.load();
  }

  private async load(): Promise<void> {
    try {
      this.tables.set(await this.api.limits());
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected async move(table: LimitTable, to: 'release' | 'withdraw'): Promise<void> {
    const key = { document: table.document, revision: table.revision, class: table.class };
    try {
      await (to === 'release' ? this.api.releaseLimit(key) : this.api.withdrawLimit(key));
      this.problem.set(null);
      await this.load();
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected key(table: LimitTable | undefined): string {
    return table ? `${table.document}/${table.revision}/${table.class}` : '';
  }

  protected families(list: LimitTable['rows'][number]['families']): string {
    return list.length ? list.map(familyName).join(', ') : 'all';
  }
}
