import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { may, type KeptEntry } from '@tug-mark/contract';
import { failureModeName, fromNewtons, showNumber, type EntryBody, type ForceUnit } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzTableModule } from 'ng-zorro-antd/table';
import { TermHelp } from '../glossary/term';
import { Mark } from '../parts/mark';
import { MoreRows, ROWS_AT_ONCE } from '../parts/more-rows';
import { showTime } from '../parts/show-time';
import { sessionFeature } from '../session/session.state';
import type { GroupNumbers } from './group-numbers';
import { injectForceDecimals } from '../settings/force-decimals';

/** A reading in force with its verdict. */
export interface TugReading {
  readonly entry: Pick<KeptEntry, 'id' | 'at' | 'by' | 'corrects' | 'why'> & {
    readonly body: Extract<EntryBody, { kind: 'reading' }>;
  };
  readonly piece: number;
  readonly wire: number;
  /** What it is judged by, N; null without a limit. */
  readonly limit: number | null;
  readonly verdict: { readonly verdict: 'holds' | 'below' | 'invalid' | 'no-limit' | 'quality' };
  readonly ruling: { readonly body: Extract<EntryBody, { kind: 'ruling' }> } | undefined;
  readonly unsent: boolean;
}

/** What quality says of a low pull that was called not valid. */
export interface TugRuling {
  readonly reading: TugReading;
  readonly ruling: 'counts' | 'invalid';
  readonly note: string;
}

/** The pulls of the set-up's samples, the newest first, and what they amount to together. */
@Component({
  selector: 'tm-tug-readings',
  imports: [NzButtonModule, NzInputModule, NzTableModule, Mark, MoreRows, TermHelp],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { role: 'region', 'aria-label': 'Readings' },
  template: `
    @if (readings().length) {
      <nz-table nzTemplateMode nzSize="small" [nzShowPagination]="false">
        <thead>
          <tr>
            <th scope="col">Piece</th>
            <th scope="col">{{ unit() }}</th>
            <th scope="col">Verdict</th>
            <th scope="col">Failure</th>
            <th scope="col">By</th>
            <th scope="col"><span class="out-of-sight">Correct</span></th>
          </tr>
        </thead>
        <tbody>
          @for (r of rows(); track r.entry.id) {
            <tr>
              <td>{{ r.piece }}{{ numbered() ? ' · ' + r.wire : '' }}</td>
              <td class="figures force">{{ shown(r.entry.body.force, r.limit) }}</td>
              <td>
                <tm-mark
                  [state]="r.verdict.verdict === 'holds' ? 'pass' : r.verdict.verdict === 'below' ? 'fail' : 'hold'"
                />
                {{
                  r.verdict.verdict === 'quality'
                    ? r.ruling
                      ? 'quality: ' + r.ruling.body.ruling
                      : 'to quality'
                    : r.verdict.verdict
                }}
              </td>
              <td class="mode">
                {{ modeName(r.entry.body.mode) }}{{ r.entry.body.failedEnd ? ', end ' + r.entry.body.failedEnd : '' }}
              </td>
              <td class="soft">{{ r.unsent ? 'sending ...' : r.entry.by + ', ' + time(r.entry.at) }}</td>
              <td>
                <button
                  nz-button
                  class="quiet"
                  type="button"
                  (click)="correct.emit(r)"
                  [attr.aria-label]="'Correct piece ' + r.piece"
                >
                  put right
                </button>
              </td>
            </tr>
            @if (r.entry.corrects) {
              <tr class="sub">
                <td></td>
                <td colspan="5" class="soft">corrected: {{ r.entry.why }}</td>
              </tr>
            }
            @if (r.verdict.verdict === 'quality' && !r.ruling && mayRule()) {
              <tr class="sub">
                <td></td>
                <td colspan="5">
                  <label [for]="'rule-' + r.piece"
                    >Quality rules on piece {{ r.piece }} ({{ r.entry.body.note }}):</label
                  >
                  <input nz-input [id]="'rule-' + r.piece" #ruling placeholder="reason" maxlength="500" />
                  <button
                    nz-button
                    type="button"
                    (click)="rule.emit({ reading: r, ruling: 'counts', note: ruling.value })"
                  >
                    It counts
                  </button>
                  <button
                    nz-button
                    type="button"
                    (click)="rule.emit({ reading: r, ruling: 'invalid', note: ruling.value })"
                  >
                    It was no test
                  </button>
                </td>
              </tr>
            }
          }
        </tbody>
      </nz-table>
      @if (undrawn()) {
        <tm-more-rows [left]="undrawn()" (more)="drawMore()" />
      }
    } @else {
      <p class="soft">No piece is pulled yet.{{ empty() }}</p>
    }
    @if (group(); as g) {
      <dl class="figures">
        <div>
          <dt>n</dt>
          <dd>{{ g.n }}</dd>
        </div>
        <div>
          <dt>lowest</dt>
          <dd>{{ g.min }}</dd>
        </div>
        <div>
          <dt>mean</dt>
          <dd>{{ g.mean }}</dd>
        </div>
        <div>
          <dt><tm-term of="s" /></dt>
          <dd>{{ g.s }}</dd>
        </div>
        <div>
          <dt><tm-term of="Cpl" /></dt>
          <dd>{{ g.cpl }}</dd>
        </div>
        <div>
          <dt><tm-term of="lower bound" /></dt>
          <dd>{{ g.bound }}</dd>
        </div>
      </dl>
      @for (reason of g.sentences; track reason.code) {
        <p class="said"><tm-mark [weight]="reason.weight" /> {{ reason.text }}</p>
      }
    }
  `,
  styleUrl: './tug-readings.less',
})
export class TugReadings {
  private readonly decimals = injectForceDecimals();
  readonly readings = input.required<readonly TugReading[]>();
  /** Whether a piece is pulled several times. */
  readonly numbered = input(false);
  readonly unit = input.required<ForceUnit>();
  readonly group = input<GroupNumbers | null>(null);
  /** What to do while nothing is pulled. */
  readonly empty = input('');
  readonly correct = output<TugReading>();
  readonly rule = output<TugRuling>();
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly modeName = failureModeName;
  protected readonly time = showTime;
  protected readonly mayRule = computed(() => may(this.person()?.roles, 'rule'));
  /** The newest first; the rest is drawn when somebody comes to it. */
  private readonly drawn = signal(ROWS_AT_ONCE);
  protected readonly rows = computed(() => this.readings().slice(-this.drawn()).reverse());
  protected readonly undrawn = computed(() => this.readings().length - this.rows().length);

  protected drawMore(): void {
    this.drawn.update((rows) => rows + ROWS_AT_ONCE);
  }

  protected shown(newtons: number, limit: number | null): string {
    const unit = this.unit();
    return showNumber(
      fromNewtons(newtons, unit),
      this.decimals(),
      limit === null ? undefined : fromNewtons(limit, unit),
    );
  }
}
