import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, type LookRecord, type Problem } from '@tug-mark/contract';
import { familyName, pointOf, type LookRow, type LookSheet } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api, toProblem } from '../http/api';
import { ProblemNotice } from '../parts/problem-notice';
import { showTime } from '../parts/show-time';
import { valueOf } from '../parts/value-of';
import { sessionFeature } from '../session/session.state';
import { LookDraft } from './look-draft';

const MEASURED = {
  never: 'by eye',
  may: 'by eye or measured',
  first: 'measured on the first pieces',
  each: 'measured on each piece',
} as const;

/** The sheets that say what pieces are looked at for; drafted, released and withdrawn like limit tables. */
@Component({
  selector: 'tm-looks-page',
  imports: [RouterLink, NzButtonModule, ProblemNotice, LookDraft],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ headline() }}</h1>
          <p class="soft">
            Pieces are looked at by the one released sheet of their class that was in effect when the tool was taken.
            <a routerLink="/limits">Pull limits</a> · <a routerLink="/studies">Do our inspectors agree?</a>
          </p>
        </div>
        @if (mayDraft() && !sheets().length) {
          <button nz-button nzType="primary" class="bench-button" type="button" (click)="begin()">Draft a sheet</button>
        }
      </div>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <div class="columns">
        <ul aria-label="Sheets">
          @for (sheet of sheets(); track key(sheet)) {
            <li>
              <button
                type="button"
                [class.here]="key(sheet) === key(chosen())"
                [attr.aria-pressed]="key(sheet) === key(chosen())"
                (click)="pick.set(key(sheet)); drafting.set(null)"
              >
                <strong class="figures">{{ sheet.document }} rev {{ sheet.revision }}</strong>
                <span>class {{ sheet.class }}</span>
                <span class="state" [class]="sheet.status">{{ sheet.status }}</span>
              </button>
            </li>
          } @empty {
            <li class="soft">
              No sheet yet: pieces are looked at for the points that come with Tug Mark, by eye alone. Quality or an
              engineer drafts one here; quality releases it.
            </li>
          }
        </ul>
        @if (drafting(); as from) {
          <tm-look-draft [from]="from" (kept)="drafted($event)" (closed)="drafting.set(null)" />
        } @else if (record(); as found) {
          @let sheet = found.sheet;
          <section aria-labelledby="sheet">
            <h2 id="sheet">{{ sheet.document }} rev {{ sheet.revision }}, class {{ sheet.class }}</h2>
            @if (sheet.origin === 'made-up') {
              <p class="notice">Made up for the demo. A shop enters its own from a controlled document.</p>
            }
            <p class="soft">
              {{ sheet.owner }} · in effect from {{ sheet.effectiveFrom
              }}{{ sheet.effectiveUntil ? ' to ' + sheet.effectiveUntil : '' }}. Drafted by {{ found.draftedBy
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
                @if (sheet.status === 'draft') {
                  <button
                    nz-button
                    nzType="primary"
                    class="bench-button"
                    type="button"
                    (click)="move(sheet, 'release', false)"
                  >
                    Release rev {{ sheet.revision }}, class {{ sheet.class }}
                  </button>
                } @else if (sheet.status === 'released') {
                  <button nz-button class="bench-button" type="button" (click)="move(sheet, 'withdraw', false)">
                    Withdraw rev {{ sheet.revision }}, class {{ sheet.class }}
                  </button>
                }
              }
              @if (mayDraft()) {
                <button nz-button class="bench-button" type="button" (click)="drafting.set(sheet)">
                  {{ sheet.status === 'draft' ? 'Change this draft' : 'Draft a new revision from it' }}
                </button>
              }
            </p>
            @if (overlaps()) {
              <p class="notice">
                <button nz-button type="button" (click)="move(sheet, 'release', true)">
                  Release it in place of the one in effect
                </button>
                The other sheet is withdrawn in the same step; set-ups released by it lapse.
              </p>
            }
            <div class="field compare">
              <label for="compare-with">Compare with</label>
              <select id="compare-with" (change)="other.set(value($event))">
                <option value="">nothing</option>
                @for (candidate of others(); track key(candidate)) {
                  <option [value]="key(candidate)" [selected]="key(candidate) === other()">
                    {{ candidate.document }} rev {{ candidate.revision }}, class {{ candidate.class }} ({{
                      candidate.status
                    }})
                  </option>
                }
              </select>
              @if (compared()) {
                <span class="soft">{{ changedRows() }} rows differ; what was is struck through.</span>
              }
            </div>
            <div class="scroll" tabindex="0" role="group" aria-label="Rows of the sheet">
              <table>
                <thead>
                  <tr>
                    <th scope="col">Point</th>
                    <th scope="col">Families</th>
                    <th scope="col">Seen</th>
                    <th scope="col">Findings</th>
                    <th scope="col">Number</th>
                    <th scope="col">Range</th>
                    <th scope="col">Outside it</th>
                  </tr>
                </thead>
                <tbody>
                  @for (row of sheet.rows; track $index) {
                    @let was = before(row);
                    <tr [class.changed]="compared() && (!was || !same(row, was))">
                      <th scope="row">{{ title(row) }}</th>
                      <td>{{ families(row) }}</td>
                      <td>{{ view(row) }}</td>
                      <td>
                        {{ row.findings.join(', ') }}
                        @if (was && was.findings.join() !== row.findings.join()) {
                          <s>{{ was.findings.join(', ') }}</s>
                        }
                      </td>
                      <td>
                        {{ measured[row.measured] }}
                        @if (was && was.measured !== row.measured) {
                          <s>{{ measured[was.measured] }}</s>
                        }
                      </td>
                      <td class="figures">
                        {{ range(row) }}
                        @if (was && range(was) !== range(row)) {
                          <s>{{ range(was) }}</s>
                        }
                      </td>
                      <td>{{ row.measured === 'never' ? '' : row.outside }}</td>
                    </tr>
                    @if (row.text) {
                      <tr>
                        <td></td>
                        <td colspan="6" class="soft">{{ row.text }}</td>
                      </tr>
                    }
                  }
                </tbody>
              </table>
            </div>
          </section>
        }
      </div>
    </div>
  `,
  styleUrl: '../parts/documents.less',
  styles: `
    .compare {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 8px 12px;
    }
    table {
      font-size: 15px;
    }
    tr.changed {
      background: var(--petrol-tint);
    }
    s {
      color: var(--ink-soft);
      display: block;
    }
  `,
})
export class LooksPage {
  private readonly api = inject(Api);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly value = valueOf;
  protected readonly time = (at: string | null) => (at === null ? '' : showTime(at));
  protected readonly measured = MEASURED;
  private readonly records = signal<readonly LookRecord[]>([]);
  protected readonly pick = signal('');
  protected readonly other = signal('');
  protected readonly drafting = signal<LookSheet | 'new' | null>(null);
  protected readonly problem = signal<Problem | null>(null);
  private readonly loaded = signal(false);
  protected readonly sheets = computed(() => this.records().map((r) => r.sheet));
  protected readonly record = computed(
    () =>
      this.records().find((r) => this.key(r.sheet) === this.pick()) ??
      this.records().find((r) => r.sheet.status === 'released') ??
      this.records()[0],
  );
  protected readonly chosen = computed(() => this.record()?.sheet);
  protected readonly others = computed(() => this.sheets().filter((s) => this.key(s) !== this.key(this.chosen())));
  protected readonly compared = computed(() => this.others().find((s) => this.key(s) === this.other()) ?? null);
  protected readonly overlaps = computed(() => this.problem()?.code === 'limit-overlaps');
  protected readonly mayRelease = computed(() => may(this.person()?.role ?? 'technician', 'release-look'));
  protected readonly mayDraft = computed(() => may(this.person()?.role ?? 'technician', 'draft-look'));
  protected readonly headline = computed(() => {
    const released = this.sheets().filter((s) => s.status === 'released');
    if (!this.loaded()) return 'What pieces are looked at for';
    return released.length
      ? `Pieces are looked at by ${released.map((s) => `${s.document} rev ${s.revision} (class ${s.class})`).join(' and ')}.`
      : 'No sheet of the shop is in effect.';
  });
  protected readonly changedRows = computed(() => {
    const rows = this.chosen()?.rows ?? [];
    return rows.filter((row) => {
      const was = this.before(row);
      return !was || !this.same(row, was);
    }).length;
  });

  constructor() {
    void this.load();
  }

  private async load(): Promise<void> {
    try {
      this.records.set(await this.api.looks());
      this.loaded.set(true);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected key(sheet: LookSheet | undefined): string {
    return sheet ? `${sheet.document}/${sheet.revision}/${sheet.class}` : '';
  }

  protected title(row: LookRow): string {
    return pointOf(row.point).title;
  }

  protected view(row: LookRow): string {
    return pointOf(row.point).view;
  }

  protected families({ families }: LookRow): string {
    return families.length ? families.map(familyName).join(', ') : 'all that have it';
  }

  protected range({ point, min, max, measured }: LookRow): string {
    const unit = pointOf(point).number?.unit;
    if (!unit || measured === 'never') return '';
    if (min === null && max === null) return 'as the set-up gives it';
    const space = unit === '°' ? '' : ' ';
    if (min === null) return `up to ${max ?? ''}${space}${unit}`;
    return max === null ? `from ${min}${space}${unit}` : `${min} to ${max}${space}${unit}`;
  }

  protected before(row: LookRow): LookRow | undefined {
    return this.compared()?.rows.find((r) => r.point === row.point && r.families.join() === row.families.join());
  }

  protected same(a: LookRow, b: LookRow): boolean {
    return JSON.stringify(a) === JSON.stringify(b);
  }

  protected begin(): void {
    this.drafting.set('new');
  }

  protected drafted(records: readonly LookRecord[]): void {
    this.records.set(records);
    this.drafting.set(null);
  }

  protected async move(
    { document, revision, class: className }: LookSheet,
    to: 'release' | 'withdraw',
    replaces: boolean,
  ): Promise<void> {
    try {
      await this.api.moveLook({ document, revision, class: className }, to, replaces);
      this.problem.set(null);
      await this.load();
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
