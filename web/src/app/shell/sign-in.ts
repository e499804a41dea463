import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { sessionActions, sessionFeature } from '../session/session.state';
import { SignInForm } from './sign-in-form';

@Component({
  selector: 'tm-sign-in',
  imports: [SignInForm, NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <main>
      <header>
        <img src="mark.svg" alt="" width="44" height="44" />
        <p class="name">Tug Mark</p>
      </header>
      <div class="columns">
        <section aria-labelledby="who">
          <h1 id="who">Who is at the bench?</h1>
          <p class="soft">{{ shop()?.name }}</p>
          <tm-sign-in-form />
        </section>
        @if (shop()?.isDemo) {
          <section class="demo" aria-labelledby="demo">
            <h2 id="demo">Demo shop</h2>
            <p>Everything in it is made up, its limits too. Take a seat as one of its people:</p>
            <ul>
              @for (person of shop()?.demoSignIns; track person.name) {
                <li>
                  <button nz-button class="bench-button" type="button" (click)="enter(person)">
                    {{ person.name }}, {{ person.role }}
                  </button>
                  <span class="soft">{{ person.note }}</span>
                </li>
              }
            </ul>
          </section>
        }
      </div>
    </main>
  `,
  styles: `
    main {
      margin: 0 auto;
      max-width: 900px;
      padding: 7vh 24px;
    }
    header {
      align-items: center;
      display: flex;
      gap: 14px;
      margin-bottom: 28px;
    }
    .name {
      font: 600 32px/1 var(--figures);
    }
    .columns {
      background: var(--sheet);
      border: 1px solid var(--line);
      display: grid;
      grid-template-columns: 1fr 1.15fr;
    }
    section {
      display: grid;
      gap: 12px;
      align-content: start;
      padding: 28px 32px 32px;
    }
    .demo {
      background: var(--shade);
    }
    ul {
      display: grid;
      gap: 8px;
    }
    li {
      align-items: center;
      display: grid;
      gap: 12px;
      grid-template-columns: 190px 1fr;
    }
    @media (max-width: 760px) {
      .columns {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class SignInPage {
  private readonly store = inject(Store);
  protected readonly shop = this.store.selectSignal(sessionFeature.selectShop);

  protected enter({ name, password }: { name: string; password: string }): void {
    this.store.dispatch(sessionActions.signIn({ name, password }));
  }
}
