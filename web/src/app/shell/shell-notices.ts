import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { outboxFeature } from '../outbox/outbox.state';
import { count } from '../parts/count';
import { Notice } from '../parts/notice';
import { formsOfOtherShops } from '../parts/typed-memory';
import { sessionFeature } from '../session/session.state';
import { Keys } from './keys';
import { LeftBehind } from './left-behind';
import { OtherShop } from './other-shop';
import { RefusedEntries } from './refused-entries';
import { SignInForm } from './sign-in-form';

/** What stands across every page while it lasts: an ended session, entries that wait, a clock that is off. */
@Component({
  selector: 'tm-shell-notices',
  imports: [Notice, SignInForm, RefusedEntries, LeftBehind, OtherShop],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (state() === 'expired') {
      <section class="strip notice" aria-label="Sign in again">
        <p>
          <strong>Your session has ended.</strong>
          @if (waiting().length) {
            {{ count(waiting().length, 'entry is', 'entries are') }} kept on this device.
          }
          Sign in again to go on where you are.
        </p>
        <tm-sign-in-form [across]="true" [known]="person()?.name ?? ''" />
      </section>
    }
    @if (unheard(); as line) {
      <tm-notice class="strip" announced>
        '{{ line }}' came from a scanner or a gauge. This screen takes none, and nothing was put on record.
      </tm-notice>
    }
    @if (clock(); as off) {
      <tm-notice class="strip" announced>{{ off }}</tm-notice>
    }
    @if (faulted().length) {
      <tm-notice class="strip" announced>
        {{ count(faulted().length, 'entry', 'entries') }} could not be kept by the server, for a fault of its own: kept
        on this device, and sent again without anybody’s help.
      </tm-notice>
    }
    @if (others().length) {
      <tm-notice class="strip" announced>
        {{ count(others().length, 'entry', 'entries') }} made by {{ others()[0]?.personName }}: kept on this device, and
        sent when {{ others()[0]?.personName }} signs in here.
        <button class="link" type="button" [attr.aria-expanded]="settles()" (click)="settles.set(!settles())">
          {{ others()[0]?.personName }} does not come back
        </button>
      </tm-notice>
      @defer (when settles()) {
        @if (settles()) {
          <tm-left-behind />
        }
      }
    }
    @defer (when leavings()) {
      @if (leavings()) {
        <tm-other-shop />
      }
    }
    @defer (when refused().length) {
      <tm-refused-entries />
    }
  `,
  styles: `
    section.strip {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 10px 24px;
      padding: 10px 20px;
    }
    .strip tm-sign-in-form {
      flex: 1;
      min-width: min(480px, 100%);
    }
  `,
})
export class ShellNotices {
  private readonly store = inject(Store);
  protected readonly count = count;
  protected readonly person = this.store.selectSignal(sessionFeature.selectPerson);
  protected readonly state = this.store.selectSignal(sessionFeature.selectState);
  protected readonly refused = this.store.selectSignal(outboxFeature.selectRefused);
  protected readonly unheard = inject(Keys).unheard;
  private readonly elsewhere = this.store.selectSignal(outboxFeature.selectElsewhere);
  private readonly shop = this.store.selectSignal(sessionFeature.selectShop);
  /** Whether another shop at this address left something on this device. */
  protected readonly leavings = computed(
    () => this.elsewhere().length > 0 || formsOfOtherShops(this.shop()?.id ?? '').length > 0,
  );
  protected readonly faulted = this.store.selectSignal(outboxFeature.selectFaultedItems);
  protected readonly waiting = this.store.selectSignal(outboxFeature.selectWaiting);
  private readonly clockBehind = this.store.selectSignal(outboxFeature.selectClockBehind);
  /** Told where this device's clock is more than a minute off: what it dates would be wrong. */
  protected readonly clock = computed(() => {
    const behind = this.clockBehind() ?? 0;
    if (Math.abs(behind) <= 60_000) return '';
    const minutes = Math.round(Math.abs(behind) / 60_000);
    return `This device’s clock is ${minutes} min ${behind > 0 ? 'slow' : 'fast'}. Set it right: entries say when they were made.`;
  });
  /** Whether what another person left here is being settled. */
  protected readonly settles = signal(false);
  protected readonly others = computed(() => this.waiting().filter((item) => item.person !== this.person()?.id));
}
