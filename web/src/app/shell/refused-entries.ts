import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { lotOf } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Hand } from '../hand/hand';
import { outboxActions, outboxFeature, type OutboxItem } from '../outbox/outbox.state';
import { describeEntry } from '@tug-mark/core';
import { Notice } from '../parts/notice';

/** Entries the server refused: why, what was meant to be kept, and what a person can do with it. Nothing is dropped unseen. */
@Component({
  selector: 'tm-refused-entries',
  imports: [Notice, NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (item of refused(); track item.entry.id) {
      <tm-notice kind="bad">
        <div>
          <p>
            <strong>Not on record: {{ item.refused?.title }}</strong> {{ item.refused?.detail }}
            @for (error of item.refused?.errors; track error.where) {
              {{ error.text }}
            }
          </p>
          <p>Yours: {{ describe(item) }}</p>
        </div>
        @if (canBeNext(item)) {
          <button nz-button type="button" (click)="keepAsNext(item)">Keep mine as piece {{ nextPiece(item) }}</button>
        }
        <button nz-button type="button" (click)="drop(item)">I have seen it, drop mine</button>
      </tm-notice>
    }
  `,
  styles: `
    section {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 10px 24px;
      padding: 10px 20px;
    }
    div {
      flex: 1;
      min-width: 320px;
    }
  `,
})
export class RefusedEntries {
  private readonly store = inject(Store);
  private readonly hand = inject(Hand);
  protected readonly refused = this.store.selectSignal(outboxFeature.selectRefused);

  /** The first piece after it nobody has read: of the lot, or of the set-up's samples. */
  protected nextPiece({ entry: { body } }: OutboxItem): number {
    const lot = lotOf(body);
    const read = new Set(
      (lot === null ? this.hand.of('reading') : this.hand.ofLot(lot, 'reading')).map((entry) => entry.body.piece),
    );
    let piece = 'piece' in body ? body.piece : 1;
    while (read.has(piece)) piece += 1;
    return piece;
  }

  protected describe(item: OutboxItem): string {
    return describeEntry(item.entry.body);
  }

  /** A reading whose piece somebody else has read meanwhile was of another piece in truth. */
  protected canBeNext({ entry, refused, combination }: OutboxItem): boolean {
    return (
      entry.body.kind === 'reading' &&
      refused?.code === 'slot-taken' &&
      this.hand.view()?.combination.id === combination
    );
  }

  protected keepAsNext(item: OutboxItem): void {
    const { body } = item.entry;
    if (body.kind === 'reading' && !this.hand.put({ ...body, piece: this.nextPiece(item) })) this.drop(item);
  }

  protected drop(item: OutboxItem): void {
    this.store.dispatch(outboxActions.dropped({ id: item.entry.id }));
  }
}
