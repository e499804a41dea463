import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { may, newStockMoveSchema } from '@tug-mark/contract';
import { isOverdue, showAmount, type StockKind } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { addressOf } from '../http/client';
import { timeOrderedId } from '../http/uuid';
import { FileButton } from '../parts/file-button';
import { Notice } from '../parts/notice';
import { showTime } from '../parts/show-time';
import { sessionFeature } from '../session/session.state';
import { injectToday } from '../session/shop-day';
import { SheetFrame } from './sheet-frame';
import { StockForm } from './stock-form';
import { DEED_WORDS } from './stock-words';
import { SuppliesStore } from './supplies.store';

/** Moves that are shown. */
const SHOWN = 30;

/** Drawers and reels: what is there, what came and went, what is on its way. */
@Component({
  selector: 'tm-stock-page',
  imports: [NzButtonModule, FileButton, Notice, SheetFrame, StockForm],
  providers: [SuppliesStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tm-sheet-frame
      [headline]="headline()"
      under="What nobody has counted is taken to be there; what was counted is planned with."
      [problem]="store.problem()"
      [said]="store.said()"
    >
      <p acts class="acts">
        <a nz-button [href]="table" download="stock.csv">As CSV</a>
        @if (mayKeep()) {
          <tm-file-button accept=".csv" (file)="store.count($event)">A count from CSV</tm-file-button>
        }
      </p>
      @for (fault of faults(); track fault) {
        <tm-notice kind="bad">{{ fault }}</tm-notice>
      }
      @if (mayKeep()) {
        <tm-stock-form />
      }
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">Part</th>
              <th scope="col" class="right">There</th>
              <th scope="col">Where</th>
              <th scope="col">On its way</th>
            </tr>
          </thead>
          <tbody>
            @for (stock of store.parts(); track stock.kind + stock.part) {
              <tr>
                <th scope="row">{{ stock.part }}</th>
                <td class="right figures">{{ amount(stock.kind, stock.amount) }}</td>
                <td>
                  @for (reel of stock.reels; track reel.reel) {
                    <span>
                      {{ reel.reel ?? 'in its drawer' }}: {{ amount(stock.kind, reel.amount) }}
                      <span class="soft">{{
                        reel.countedAt ? 'counted ' + time(reel.countedAt) : 'never counted'
                      }}</span>
                    </span>
                  }
                </td>
                <td>
                  @for (coming of stock.expected; track coming.id) {
                    <span>
                      {{ amount(stock.kind, coming.amount) }} on {{ coming.arrives.replace('T', ' ') }}
                      @if (isOverdue(coming.arrives, today())) {
                        <strong class="wrong">should have come</strong>
                      }
                      @if (mayKeep()) {
                        <button
                          nz-button
                          class="quiet"
                          type="button"
                          (click)="callOff(stock.kind, stock.part, coming.id)"
                        >
                          Call off
                        </button>
                      }
                    </span>
                  }
                </td>
              </tr>
            } @empty {
              <tr>
                <td colspan="4" class="soft">Nothing is counted yet.</td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      @if (latest().length) {
        <h2>Latest</h2>
        <div class="scroll">
          <table>
            <tbody>
              @for (move of latest(); track move.id) {
                <tr>
                  <td class="figures">{{ time(move.at) }}</td>
                  <td>{{ move.by }}</td>
                  <td>
                    {{ words[move.what] }} {{ amount(move.kind, move.amount) }} of {{ move.part
                    }}{{ move.reel ? ', ' + move.reel : '' }} {{ move.note }}
                  </td>
                </tr>
              }
            </tbody>
          </table>
        </div>
      }
    </tm-sheet-frame>
  `,
  styleUrl: './sheets.less',
  styles: `
    td > span {
      display: block;
    }
  `,
})
export class StockPage {
  protected readonly store = inject(SuppliesStore);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly mayKeep = computed(() => may(this.person()?.roles, 'keep-stock'));
  protected readonly words = DEED_WORDS;
  protected readonly time = showTime;
  protected readonly today = injectToday();
  protected readonly isOverdue = isOverdue;
  protected readonly table = addressOf('writeStock');
  protected readonly faults = computed(() => this.store.parts().flatMap(({ faults }) => faults));
  protected readonly headline = computed(() => {
    const parts = this.store.parts();
    const coming = parts.filter(({ expected }) => expected.length).length;
    return parts.length ? `${parts.length} parts are counted${coming ? `, ${coming} on their way` : ''}.` : 'Stock';
  });

  protected readonly latest = computed(() => this.store.moves().slice(0, SHOWN));

  protected amount(kind: StockKind, amount: number): string {
    return showAmount(kind, amount);
  }

  protected callOff(kind: StockKind, part: string, settles: string): void {
    void this.store.move(
      [newStockMoveSchema.parse({ id: timeOrderedId(), kind, part, what: 'called-off', amount: 0, settles })],
      `Called off: a delivery of ${part}.`,
    );
  }
}
