import { afterNextRender, ChangeDetectionStrategy, Component, DestroyRef, ElementRef, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { sessionActions, sessionFeature } from '../session/session.state';
import { SignInForm } from './sign-in-form';

/** A locked station: what was on the screen stands behind it, out of reach until somebody signs in. */
@Component({
  selector: 'tm-lock',
  imports: [SignInForm],
  changeDetection: ChangeDetectionStrategy.OnPush,
  // Keys pressed here are this dialog's: the screen behind it listens to the whole document.
  host: { '(keydown)': '$event.stopPropagation()' },
  template: `
    <section role="dialog" aria-modal="true" aria-labelledby="lock-head">
      <h2 id="lock-head">This station is locked</h2>
      <p>
        Nobody touched it for {{ shop()?.settings?.idleMinutes }} min. What stands here stays, and what waits to be sent
        is kept: sign in to go on.
      </p>
      <tm-sign-in-form [known]="person()?.name ?? ''" />
      <button class="link" type="button" (click)="leave()">Leave what stands here, to the sign-in page</button>
    </section>
  `,
  styles: `
    :host {
      background: color-mix(in srgb, var(--ink) 35%, transparent);
      display: grid;
      inset: 0;
      overflow-y: auto;
      padding: 12px;
      place-items: center;
      position: fixed;
      z-index: 1200;
    }
    section {
      background: var(--sheet);
      border: 1px solid var(--line);
      border-top: 4px solid var(--petrol);
      display: grid;
      gap: 12px;
      justify-items: start;
      max-width: 440px;
      padding: 20px 24px;
      width: 100%;
    }
    tm-sign-in-form {
      width: 100%;
    }
  `,
})
export class Lock {
  private readonly store = inject(Store);
  protected readonly shop = this.store.selectSignal(sessionFeature.selectShop);
  protected readonly person = this.store.selectSignal(sessionFeature.selectPerson);

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterNextRender(() => host.querySelector<HTMLElement>('input[type="password"]')?.focus());
    // A key pressed elsewhere goes nowhere: a figure typed outside a field would answer a point, or keep a reading.
    const swallow = (event: KeyboardEvent) => {
      if (event.target instanceof Node && host.contains(event.target)) return;
      event.stopImmediatePropagation();
      if (event.key !== 'Tab') event.preventDefault();
    };
    document.addEventListener('keydown', swallow, true);
    // What the library draws over the page, an open drawer or list, stands beside the shell and is shut off by itself.
    const over = document.querySelector('.cdk-overlay-container');
    over?.setAttribute('inert', '');
    inject(DestroyRef).onDestroy(() => {
      document.removeEventListener('keydown', swallow, true);
      over?.removeAttribute('inert');
    });
  }

  protected leave(): void {
    this.store.dispatch(sessionActions.signOut());
  }
}
