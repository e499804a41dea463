import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { may } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzDrawerModule } from 'ng-zorro-antd/drawer';
import { outboxFeature } from '../outbox/outbox.state';
import { sessionActions, sessionFeature } from '../session/session.state';
import { Keys } from './keys';
import { RefusedEntries } from './refused-entries';
import { SignInForm } from './sign-in-form';

/** The frame of every page: where one can go, who is here, and what is still on its way to the server. */
@Component({
  selector: 'tm-shell',
  imports: [RouterOutlet, RouterLink, RouterLinkActive, NzButtonModule, NzDrawerModule, SignInForm, RefusedEntries],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'helpKey($event)' },
  template: `
    <a class="skip" href="#content" (click)="skip($event)">To the content</a>
    <header class="not-printed">
      <a class="brand" routerLink="/bench"><img src="mark.svg" alt="" width="28" height="28" />Tug Mark</a>
      <nav aria-label="Main">
        <a routerLink="/bench" routerLinkActive="here" ariaCurrentWhenActive="page">Bench</a>
        <a routerLink="/finder" routerLinkActive="here" ariaCurrentWhenActive="page">Finder</a>
        <a routerLink="/tools" routerLinkActive="here" ariaCurrentWhenActive="page">Tools</a>
        <a routerLink="/gauges" routerLinkActive="here" ariaCurrentWhenActive="page">Gauges</a>
        <a routerLink="/cabinet" routerLinkActive="here" ariaCurrentWhenActive="page">Cabinet</a>
        <a routerLink="/limits" routerLinkActive="here" ariaCurrentWhenActive="page">Limits</a>
        <a routerLink="/looks" routerLinkActive="here" ariaCurrentWhenActive="page">Looks</a>
        <a routerLink="/practices" routerLinkActive="here" ariaCurrentWhenActive="page">Practices</a>
        <a routerLink="/charts" routerLinkActive="here" ariaCurrentWhenActive="page">Charts</a>
        <a routerLink="/records" routerLinkActive="here" ariaCurrentWhenActive="page">Records</a>
        @if (isEngineer()) {
          <a routerLink="/people" routerLinkActive="here" ariaCurrentWhenActive="page">People</a>
        }
      </nav>
      <p class="state" role="status">
        @if (offline()) {
          <span class="warn">Server silent · {{ waiting().length }} kept here</span>
        } @else if (waiting().length) {
          sending {{ waiting().length }} ...
        } @else if (shop()?.isDemo) {
          demo shop, all made up
        }
      </p>
      <button class="plain" type="button" (click)="help.set(true)" aria-label="Keys of this screen">?</button>
      <button class="plain" type="button" (click)="turnLook()">{{ look() === 'dark' ? 'Light' : 'Dark' }}</button>
      <span class="person">{{ person()?.name }} · {{ person()?.role }}</span>
      <button class="plain" type="button" (click)="signOut()">Sign out</button>
    </header>

    @if (state() === 'expired') {
      <section class="strip notice" aria-label="Sign in again">
        <p>
          <strong>Your session has ended.</strong>
          @if (waiting().length) {
            {{ waiting().length }} {{ waiting().length === 1 ? 'entry is' : 'entries are' }} kept on this device.
          }
          Sign in again to go on where you are.
        </p>
        <tm-sign-in-form [across]="true" [known]="person()?.name ?? ''" />
      </section>
    }
    @if (unheard(); as line) {
      <p class="strip notice" role="status">
        '{{ line }}' came from a scanner or a gauge. This screen takes none, and nothing was put on record.
      </p>
    }
    @if (clock(); as off) {
      <p class="strip notice hold" role="status">{{ off }}</p>
    }
    @if (faulted().length) {
      <p class="strip notice hold" role="status">
        The server could not keep {{ faulted().length === 1 ? 'one entry' : faulted().length + ' entries' }} by a fault
        of its own. {{ faulted().length === 1 ? 'It is' : 'They are' }} kept on this device and sent again by
        {{ faulted().length === 1 ? 'itself' : 'themselves' }}.
      </p>
    }
    @if (others().length) {
      <p class="strip notice" role="status">
        {{ others().length }} {{ others().length === 1 ? 'entry' : 'entries' }} made by {{ others()[0]?.personName }}
        {{ others().length === 1 ? 'waits' : 'wait' }} on this device and
        {{ others().length === 1 ? 'is' : 'are' }} sent when {{ others()[0]?.personName }} signs in here.
      </p>
    }
    @defer (when refused().length) {
      <tm-refused-entries />
    }

    <main id="content" tabindex="-1"><router-outlet /></main>

    <nz-drawer [nzVisible]="help()" nzTitle="Keys of this screen" [nzWidth]="360" (nzOnClose)="help.set(false)">
      <ng-container *nzDrawerContent>
        <dl>
          @for (key of keys.here(); track key.key) {
            <div>
              <dt>
                <kbd>{{ key.key }}</kbd>
              </dt>
              <dd>{{ key.does }}</dd>
            </div>
          }
          <div>
            <dt><kbd>?</kbd></dt>
            <dd>show this</dd>
          </div>
        </dl>
      </ng-container>
    </nz-drawer>
  `,
  styleUrl: './shell.less',
})
export class Shell {
  private readonly store = inject(Store);
  protected readonly keys = inject(Keys);
  protected readonly person = this.store.selectSignal(sessionFeature.selectPerson);
  protected readonly shop = this.store.selectSignal(sessionFeature.selectShop);
  protected readonly state = this.store.selectSignal(sessionFeature.selectState);
  protected readonly offline = this.store.selectSignal(outboxFeature.selectOffline);
  protected readonly refused = this.store.selectSignal(outboxFeature.selectRefused);
  protected readonly unheard = inject(Keys).unheard;
  protected readonly faulted = this.store.selectSignal(outboxFeature.selectFaultedItems);
  private readonly clockBehind = this.store.selectSignal(outboxFeature.selectClockBehind);
  /** Told where this device's clock is more than a minute off: what it dates would be wrong. */
  protected readonly clock = computed(() => {
    const behind = this.clockBehind() ?? 0;
    if (Math.abs(behind) <= 60_000) return '';
    const minutes = Math.round(Math.abs(behind) / 60_000);
    return `This device’s clock is ${minutes} min ${behind > 0 ? 'slow' : 'fast'}. Set it right: entries say when they were made.`;
  });
  protected readonly waiting = this.store.selectSignal(outboxFeature.selectWaiting);
  protected readonly others = computed(() => this.waiting().filter((item) => item.person !== this.person()?.id));
  protected readonly isEngineer = computed(() => may(this.person()?.role ?? 'technician', 'manage-people'));
  protected readonly help = signal(false);
  protected readonly look = signal(document.documentElement.dataset['look'] ?? 'light');

  protected helpKey(event: KeyboardEvent): void {
    const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, nz-select');
    if (event.key === '?' && !typing) this.help.update((shown) => !shown);
  }

  protected skip(event: Event): void {
    event.preventDefault();
    document.getElementById('content')?.focus();
  }

  protected turnLook(): void {
    this.look.update((look) => (look === 'dark' ? 'light' : 'dark'));
    document.documentElement.dataset['look'] = this.look();
    localStorage.setItem('tug-mark-look', this.look());
  }

  protected signOut(): void {
    this.store.dispatch(sessionActions.signOut());
  }
}
