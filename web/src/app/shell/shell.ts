import { CdkMenu, CdkMenuItem, CdkMenuTrigger } from '@angular/cdk/menu';
import { ChangeDetectionStrategy, Component, inject, Injector } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import type { NzDrawerRef } from 'ng-zorro-antd/drawer';
import { outboxFeature } from '../outbox/outbox.state';
import { sessionFeature } from '../session/session.state';
import { Idle } from './idle';
import { Lock } from './lock';
import { PersonMenu } from './person-menu';
import { ShellNotices } from './shell-notices';

/** The rooms, by what people do in them. */
const ROOMS = [
  { to: '/bench', name: 'Bench' },
  { to: '/lots', name: 'Lots' },
  { to: '/plan', name: 'Plan' },
  { to: '/charts', name: 'Charts' },
  { to: '/records', name: 'Records' },
  { to: '/shop', name: 'Shop' },
] as const;

/** The frame of every page: where one can go, who is here, and what is still on its way to the server. */
@Component({
  selector: 'tm-shell',
  imports: [
    ...[RouterOutlet, RouterLink, RouterLinkActive, CdkMenu, CdkMenuItem, CdkMenuTrigger],
    ...[Lock, PersonMenu, ShellNotices],
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'helpKey($event)' },
  template: `
    @let isLocked = state() === 'locked';
    <a class="skip" href="#content" (click)="skip($event)">To the content</a>
    <header class="not-printed" [inert]="isLocked">
      <a class="brand" routerLink="/bench"><img src="mark.svg" alt="" width="28" height="28" /><span>Tug Mark</span></a>
      <nav aria-label="Main">
        @for (room of rooms; track room.to) {
          <a [routerLink]="room.to" routerLinkActive="here" ariaCurrentWhenActive="page">{{ room.name }}</a>
        }
      </nav>
      <button class="plain rooms" type="button" [cdkMenuTriggerFor]="menu">Rooms ▾</button>
      <ng-template #menu>
        <nav class="ant-dropdown-menu" cdkMenu aria-label="Rooms">
          @for (room of rooms; track room.to) {
            <a class="ant-dropdown-menu-item" cdkMenuItem [routerLink]="room.to">{{ room.name }}</a>
          }
        </nav>
      </ng-template>
      <p class="state" role="status">
        @if (offline()) {
          <span class="warn">Server silent · {{ waiting().length }} kept here</span>
        } @else if (waiting().length) {
          sending {{ waiting().length }} ...
        } @else if (shop()?.isDemo) {
          <span class="demo">demo shop, all made up</span>
        }
      </p>
      <button class="plain" type="button" (click)="turnHelp()" aria-label="Keys of this screen">?</button>
      <tm-person-menu />
    </header>
    <tm-shell-notices [inert]="isLocked" />
    <main id="content" tabindex="-1" [inert]="isLocked"><router-outlet /></main>
    @defer (when isLocked) {
      @if (isLocked) {
        <tm-lock />
      }
    }
  `,
  styleUrl: './shell.less',
})
export class Shell {
  private readonly store = inject(Store);
  private readonly injector = inject(Injector);
  protected readonly rooms = ROOMS;
  protected readonly state = this.store.selectSignal(sessionFeature.selectState);
  protected readonly shop = this.store.selectSignal(sessionFeature.selectShop);
  protected readonly offline = this.store.selectSignal(outboxFeature.selectOffline);
  protected readonly waiting = this.store.selectSignal(outboxFeature.selectWaiting);
  private help: NzDrawerRef | null = null;

  constructor() {
    inject(Idle).watch();
  }

  protected helpKey(event: KeyboardEvent): void {
    const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, nz-select');
    if (event.key === '?' && !typing && this.state() !== 'locked') void this.turnHelp();
  }

  /** Made when it opens and gone when it closes: a closed drawer is no stop of the Tab key. */
  protected async turnHelp(): Promise<void> {
    if (this.help) {
      this.help.close();
      return;
    }
    // The drawer comes with the first who asks for it: the first page does not wait for it.
    const { openKeyHelp } = await import('./key-help-drawer');
    this.help = openKeyHelp(this.injector);
    this.help.afterClose.subscribe(() => (this.help = null));
  }

  protected skip(event: Event): void {
    event.preventDefault();
    // Past the list at the side, where a room has one.
    (document.getElementById('shelf') ?? document.getElementById('content'))?.focus();
  }
}
