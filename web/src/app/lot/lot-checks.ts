import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may } from '@tug-mark/contract';
import { uncapital, type ForceUnit, type PieceCheck } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Hand } from '../hand/hand';
import { Mark } from '../parts/mark';
import { showTime } from '../parts/show-time';
import { sessionFeature } from '../session/session.state';
import { LotWork } from './lot-work';

/** Checks shown before one asks for all of them. */
const FIRST = 8;
const LOOKS = { accepted: 'as drawn', rejected: 'rejected', open: 'not looked at' } as const;
const TUGS = {
  holds: 'holds',
  below: 'does not hold',
  invalid: 'no test',
  quality: 'to quality',
  'no-limit': 'no limit',
  open: 'not pulled',
} as const;
const STATES = { good: 'pass', bad: 'fail', open: 'hold', void: 'hold' } as const;

/** What was found on the pieces of the lot, the newest first, and what all of them together say. */
@Component({
  selector: 'tm-lot-checks',
  imports: [RouterLink, NzButtonModule, NzInputModule, NzTableModule, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Checks of this lot</h2>
    @if (work.suspects().length) {
      @for (s of work.suspects(); track s.from) {
        <p class="said">
          <tm-mark [state]="s.state === 'suspect' ? 'fail' : 'hold'" />
          <span
            ><strong>{{ s.from === s.to ? 'Piece ' + s.from : 'Pieces ' + s.from + ' to ' + s.to }}</strong
            >: {{ lower(s.text) }}</span
          >
        </p>
      }
    }
    @if (rows().length) {
      <nz-table nzSize="small" [nzTemplateMode]="true" [nzShowPagination]="false" aria-label="Checks">
        <thead>
          <tr>
            <th scope="col" class="piece">Piece</th>
            <th scope="col">Look</th>
            <th scope="col" class="force">{{ unit() }}</th>
            <th scope="col">Pull</th>
          </tr>
        </thead>
        <tbody>
          @for (c of rows().slice(0, many()); track c.piece) {
            <tr [class.bad]="c.outcome === 'bad'">
              <td>
                <button
                  class="link figures"
                  type="button"
                  [attr.aria-expanded]="opened() === c.piece"
                  [attr.aria-label]="'Piece ' + c.piece"
                  (click)="opened.set(opened() === c.piece ? null : c.piece)"
                >
                  <tm-mark [state]="states[c.outcome]" [size]="16" /> {{ c.piece }}
                </button>
              </td>
              <td>{{ looks[c.look] }}</td>
              <td class="force figures">{{ shown()(c.force) }}</td>
              <td>{{ tugs[c.tug] }}</td>
            </tr>
            @if (opened() === c.piece || (c.tug === 'quality' && mayRule())) {
              <tr class="more">
                <td colspan="4">
                  <p>{{ c.text }}</p>
                  <p class="soft">{{ c.by }}, {{ time(c.at) }}</p>
                  @if (c.tug === 'quality' && mayRule()) {
                    <p>
                      <label [for]="'lot-rule-' + c.piece">Quality rules on piece {{ c.piece }}</label>
                      <input nz-input [id]="'lot-rule-' + c.piece" #ruling placeholder="reason" maxlength="500" />
                    </p>
                    <button nz-button type="button" (click)="work.rule(c.piece, 'counts', ruling.value)">
                      It counts
                    </button>
                    <button nz-button type="button" (click)="work.rule(c.piece, 'invalid', ruling.value)">
                      It was no test
                    </button>
                  }
                  @if (c.tug !== 'open') {
                    <a nz-button [routerLink]="['/curves', hand.view()?.combination?.id, work.head()?.lot]"
                      >Its curve</a
                    >
                    <button nz-button type="button" (click)="correct.emit(c.piece)">Correct piece {{ c.piece }}</button>
                  }
                </td>
              </tr>
            }
          }
        </tbody>
      </nz-table>
      @if (rows().length > many()) {
        <button nz-button type="button" (click)="many.set(rows().length)">Show all {{ rows().length }} checks</button>
      }
    } @else {
      <p class="soft">No piece is checked yet.</p>
    }
    @for (r of work.lot()?.group?.reasons ?? []; track r.code) {
      <p class="said"><tm-mark [weight]="r.weight" /> {{ r.text }}</p>
    }
  `,
  styles: `
    :host {
      align-content: start;
      background: var(--paper);
      border-left: 1px solid var(--line);
      display: grid;
      gap: 10px;
      grid-template-columns: minmax(0, 1fr);
      padding: 16px;
    }
    h2 {
      font-size: 18px;
    }
    .said {
      display: flex;
      font-size: 15px;
      gap: 8px;
    }
    th,
    td {
      font-size: 15px;
      white-space: nowrap;
    }
    .force {
      text-align: right;
    }
    td button.link {
      display: inline-block;
      min-height: 32px;
      white-space: nowrap;
    }
    td button.link tm-mark {
      margin-right: 6px;
    }
    .bad {
      color: var(--fail);
    }
    .more td {
      background: var(--sheet);
      white-space: normal;
    }
    .more button,
    .more a {
      margin: 4px 6px 4px 0;
    }
    > button {
      justify-self: start;
    }
  `,
})
export class LotChecks {
  readonly unit = input.required<ForceUnit>();
  /** A force of N in the unit shown. */
  readonly shown = input.required<(newtons: number | null) => string>();
  readonly correct = output<number>();
  protected readonly hand = inject(Hand);
  protected readonly work = inject(LotWork);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly mayRule = computed(() => may(this.person()?.roles, 'rule'));
  protected readonly looks = LOOKS;
  protected readonly tugs = TUGS;
  protected readonly states = STATES;
  protected readonly time = showTime;
  protected readonly lower = uncapital;
  protected readonly many = signal(FIRST);
  /** The piece whose row is open. */
  protected readonly opened = signal<number | null>(null);
  protected readonly rows = computed<PieceCheck[]>(() =>
    [...(this.work.lot()?.checks ?? [])].sort((a, b) => (a.at < b.at ? 1 : -1)),
  );
}
