import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { DocumentHistory } from '@tug-mark/contract';
import { documentName, isSameDocument, type DocumentKey } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { showDay, showTime } from '../parts/show-time';
import type { AnyShelf } from './with-shelf';
import { Select } from '../parts/select';
import { Notice } from '../parts/notice';

/** What became of the chosen document, what may be done with it, and which other one it is compared with. */
@Component({
  selector: 'tm-document-head',
  imports: [Notice, Select, NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (shelf().chosen(); as found) {
      <h2 id="document">{{ name(found) }}</h2>
      @if (found.origin === 'made-up') {
        <tm-notice>Made up for the demo. {{ madeUp() }} A shop enters its own from a controlled document.</tm-notice>
      }
      <p class="soft">
        {{ found.owner }} · in effect from {{ day(found.effectiveFrom)
        }}{{ found.effectiveUntil ? ' to ' + day(found.effectiveUntil) : '' }}{{ more() ? ' · ' + more() : '' }}
      </p>
      @if (shelf().record(); as history) {
        <p class="soft">{{ told(history) }}</p>
        @for (fault of history.problems; track $index) {
          <tm-notice [kind]="fault.weight === 'bad' ? 'bad' : 'note'">
            {{ fault.row ? 'Row ' + fault.row + ': ' : '' }}{{ fault.text }}
          </tm-notice>
        }
      }
      <p class="acts">
        @if (mayRelease()) {
          @if (found.status === 'draft') {
            <button
              nz-button
              nzType="primary"
              class="bench-button"
              type="button"
              (click)="shelf().move(found, 'release')"
            >
              Release rev {{ found.revision }}, grade {{ found.class }}
            </button>
          } @else if (found.status === 'released') {
            <button nz-button class="bench-button" type="button" (click)="shelf().move(found, 'withdraw')">
              Withdraw rev {{ found.revision }}, grade {{ found.class }}
            </button>
          }
        }
        @if (mayDraft()) {
          <button nz-button class="bench-button" type="button" (click)="drafted.emit()">
            {{ found.status === 'draft' ? 'Change this draft' : 'Draft a new revision from it' }}
          </button>
        }
        <ng-content />
      </p>
      @if (overlaps()) {
        <tm-notice>
          <button nz-button type="button" (click)="shelf().move(found, 'release', true)">
            Release it in place of the one in effect
          </button>
          The other one is withdrawn in the same step; set-ups released by it lapse.
        </tm-notice>
      }
      @if (!mayRelease()) {
        <p class="soft">Releasing and withdrawing is for quality.</p>
      }
      <div class="compare">
        <label for="compare-with">Compare with</label>
        <tm-select
          selectId="compare-with"
          [options]="comparable()"
          [value]="comparing()"
          (valueChange)="compare($event)"
        />
      </div>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    .acts {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
    }
    .compare {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 8px 12px;
    }
    .compare select {
      min-height: 44px;
    }
  `,
})
export class DocumentHead {
  protected readonly day = showDay;
  readonly shelf = input.required<AnyShelf>();
  readonly mayRelease = input.required<boolean>();
  readonly mayDraft = input.required<boolean>();
  /** What a made-up one cannot do. */
  readonly madeUp = input('');
  /** What this kind of document says beside owner and dates. */
  readonly more = input('');
  readonly drafted = output();
  protected readonly name: (key: DocumentKey) => string = documentName;
  protected readonly same = isSameDocument;
  protected readonly overlaps = computed(() => this.shelf().problem()?.code === 'limit-overlaps');

  protected told({ draftedBy, releasedBy, releasedAt, withdrawnBy, withdrawnAt }: DocumentHistory): string {
    const step = (what: string, by: string | null, at: string | null) =>
      by && at ? `; ${what} by ${by} ${showTime(at)}` : '';
    return `Drafted by ${draftedBy}${step('released', releasedBy, releasedAt)}${step('withdrawn', withdrawnBy, withdrawnAt)}.`;
  }

  protected readonly comparable = computed(() => [
    { value: '', label: 'nothing' },
    ...this.shelf()
      .others()
      .map((other, i) => ({ value: String(i + 1), label: `${this.name(other)} (${other.status})` })),
  ]);
  protected readonly comparing = computed(() => {
    const at = this.shelf()
      .others()
      .findIndex((other) => isSameDocument(other, this.shelf().compared()));
    return at < 0 ? '' : String(at + 1);
  });

  protected compare(place: string | null): void {
    this.shelf().compareWith(this.shelf().others()[Number(place) - 1] ?? null);
  }
}
