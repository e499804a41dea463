import { CdkMenu, CdkMenuItem, CdkMenuTrigger } from '@angular/cdk/menu';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { sessionActions, sessionFeature } from '../session/session.state';
import { settingsActions, settingsFeature, type Settings } from '../settings/settings.state';

/** Who is signed in, and what is theirs to set: the look of the screen, and leaving it. */
@Component({
  selector: 'tm-person-menu',
  imports: [CdkMenu, CdkMenuItem, CdkMenuTrigger],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button type="button" class="person" [cdkMenuTriggerFor]="menu">
      <span class="who"
        >{{ person()?.name }} <span class="role">· {{ person()?.roles?.join(', ') }}</span></span
      >
      <span aria-hidden="true">▾</span>
    </button>
    <ng-template #menu>
      <div class="ant-dropdown-menu" cdkMenu>
        <button class="ant-dropdown-menu-item" type="button" cdkMenuItem (cdkMenuItemTriggered)="turnLook()">
          {{ look() === 'dark' ? 'Light screen' : 'Dark screen' }}
        </button>
        @if (chosen() !== 'system') {
          <button class="ant-dropdown-menu-item" type="button" cdkMenuItem (cdkMenuItemTriggered)="set('system')">
            Screen as the system wishes
          </button>
        }
        <button class="ant-dropdown-menu-item" type="button" cdkMenuItem (cdkMenuItemTriggered)="toPassword()">
          Change your password
        </button>
        <button class="ant-dropdown-menu-item" type="button" cdkMenuItem (cdkMenuItemTriggered)="signOut()">
          Sign out
        </button>
      </div>
    </ng-template>
  `,
  styles: `
    .person {
      align-items: center;
      background: none;
      border: 0;
      color: inherit;
      cursor: pointer;
      display: flex;
      font: inherit;
      gap: 6px;
      height: 100%;
      padding: 0 4px;
      white-space: nowrap;
    }
    .who {
      max-width: 260px;
      overflow: hidden;
      text-overflow: ellipsis;
    }
    @media (max-width: 700px) {
      .role {
        display: none;
      }
      .who {
        max-width: 90px;
      }
    }
  `,
})
export class PersonMenu {
  private readonly router = inject(Router);
  private readonly store = inject(Store);
  protected readonly person = this.store.selectSignal(sessionFeature.selectPerson);
  protected readonly chosen = this.store.selectSignal(settingsFeature.selectLook);
  private readonly dark = matchMedia('(prefers-color-scheme: dark)').matches;
  protected readonly look = computed(() =>
    this.chosen() === 'system' ? (this.dark ? ('dark' as const) : ('light' as const)) : this.chosen(),
  );

  protected turnLook(): void {
    this.set(this.look() === 'dark' ? 'light' : 'dark');
  }

  protected set(look: Settings['look']): void {
    this.store.dispatch(settingsActions.set({ changes: { look } }));
  }

  protected toPassword(): void {
    void this.router.navigate(['/password']);
  }

  protected signOut(): void {
    this.store.dispatch(sessionActions.signOut());
  }
}
