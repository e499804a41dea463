import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { describeEntry } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { outboxActions, outboxFeature, type OutboxItem } from '../outbox/outbox.state';
import { count } from '../parts/count';
import { Notice } from '../parts/notice';
import { showTime } from '../parts/show-time';
import { forgetFormsOfOtherShops, formsOfOtherShops } from '../parts/typed-memory';
import { sessionFeature } from '../session/session.state';

/**
 * What another shop at this address left on this device: shown, and forgotten only by whoever says so twice. It can never be
 * put on record here.
 */
@Component({
  selector: 'tm-other-shop',
  imports: [NzButtonModule, Notice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (what()) {
      <tm-notice class="strip" announced>
        <p>
          This device still keeps {{ what() }} of another shop{{ whose() ? ' (' + whose() + ')' : '' }}. It belongs to
          that one, and cannot be put on record here.
          @if (items().length) {
            <button class="link" type="button" [attr.aria-expanded]="shows()" (click)="shows.set(!shows())">
              {{ shows() ? 'Hide it' : 'Show it' }}
            </button>
          }
        </p>
        @if (shows()) {
          <ul>
            @for (item of items(); track item.entry.id) {
              <li>
                {{ describe(item) }} <span class="soft">{{ item.personName }}, {{ time(item.madeAt) }}</span>
              </li>
            }
          </ul>
        }
        <p class="acts">
          @if (asks()) {
            <strong>Forget {{ what() }} for good? Nothing brings it back.</strong>
            <button nz-button class="bench-button" type="button" (click)="forget()">Forget it</button>
            <button nz-button class="bench-button" type="button" (click)="asks.set(false)">Keep it here</button>
          } @else {
            <button nz-button type="button" (click)="asks.set(true)">Forget it on this device ...</button>
          }
        </p>
      </tm-notice>
    }
  `,
  styles: `
    .acts {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      margin-top: 6px;
    }
    ul {
      max-height: 30vh;
      overflow-y: auto;
    }
  `,
})
export class OtherShop {
  private readonly store = inject(Store);
  private readonly shop = this.store.selectSignal(sessionFeature.selectShop);
  protected readonly items = this.store.selectSignal(outboxFeature.selectElsewhere);
  private readonly forms = signal(formsOfOtherShops(this.shop()?.id ?? ''));
  protected readonly shows = signal(false);
  protected readonly asks = signal(false);
  protected readonly time = showTime;
  protected readonly what = computed(() =>
    [
      ...(this.items().length ? [count(this.items().length, 'unsent entry', 'unsent entries')] : []),
      ...(this.forms().length ? [count(this.forms().length, 'unfinished form')] : []),
    ].join(' and '),
  );
  protected readonly whose = computed(() =>
    [...new Set(this.items().flatMap(({ shop }) => shop?.name || []))].join(', '),
  );

  protected describe({ entry }: OutboxItem): string {
    return describeEntry(entry.body);
  }

  protected forget(): void {
    for (const { entry } of this.items()) this.store.dispatch(outboxActions.dropped({ id: entry.id }));
    forgetFormsOfOtherShops(this.shop()?.id ?? '');
    this.forms.set([]);
  }
}
