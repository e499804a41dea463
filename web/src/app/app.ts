import { afterNextRender, ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { OwnPassword } from './shell/own-password';
import { sessionActions, sessionFeature } from './session/session.state';
import { FirstEngineerPage } from './shell/first-engineer';
import { OfflineKeeper } from './shell/offline-pages';
import { Shell } from './shell/shell';
import { SignInPage } from './shell/sign-in';

/** Pages are kept on the device this long after the first one stands. */
const KEEP_AFTER_MS = 3000;

/** Who is here decides what is shown: the first engineer's page, the sign-in, or the shop. */
@Component({
  selector: 'tm-root',
  imports: [Shell, SignInPage, FirstEngineerPage, OwnPassword],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @switch (state()) {
      @case ('unknown') {
        <p class="page" role="status">
          @if (problem(); as problem) {
            {{ problem.title }} <button class="again" type="button" (click)="ask()">Try again</button>
          } @else {
            Opening the shop ...
          }
        </p>
      }
      @case ('out') {
        @if (shop()?.isNew) {
          <tm-first-engineer />
        } @else {
          <tm-sign-in />
        }
      }
      @default {
        @if (mustChoose()) {
          @defer (on immediate) {
            <tm-own-password isFirst />
          }
        } @else {
          <tm-shell />
        }
      }
    }
  `,
  styles: `
    .again {
      font: inherit;
    }
  `,
})
export class App {
  private readonly store = inject(Store);
  protected readonly state = this.store.selectSignal(sessionFeature.selectState);
  protected readonly mustChoose = this.store.selectSignal(sessionFeature.selectMustChoose);
  protected readonly shop = this.store.selectSignal(sessionFeature.selectShop);
  protected readonly problem = this.store.selectSignal(sessionFeature.selectProblem);

  constructor() {
    const offline = inject(OfflineKeeper);
    // After the first picture: what is kept for later is not in the way of now.
    afterNextRender(() => setTimeout(() => void offline.keep(), KEEP_AFTER_MS));
    this.ask();
  }

  protected ask(): void {
    this.store.dispatch(sessionActions.ask());
  }
}
