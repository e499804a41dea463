import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Problem } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { ProblemNotice } from '../parts/problem-notice';
import { sessionActions } from '../session/session.state';

/** The first page of a shop without accounts. */
@Component({
  selector: 'tm-first-engineer',
  imports: [NzButtonModule, NzInputModule, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <main class="page">
      <h1>A new shop</h1>
      <p>
        Nobody has an account yet. Make the first engineer's: an engineer adds the others and fills the cabinet;
        releasing limits stays with quality.
      </p>
      <form (submit)="make($event, shop.value, name.value, password.value)">
        <div class="field">
          <label for="shop">Name of the shop</label><input nz-input id="shop" #shop required maxlength="60" />
        </div>
        <div class="field">
          <label for="name">Your name</label
          ><input nz-input id="name" #name autocomplete="username" required maxlength="60" />
        </div>
        <div class="field">
          <label for="password">Password, 10 characters or more</label>
          <input nz-input id="password" #password type="password" autocomplete="new-password" required minlength="10" />
        </div>
        <button nz-button nzType="primary" class="bench-button" type="submit">Open the shop</button>
        @if (problem(); as found) {
          <tm-problem [problem]="found" />
        }
      </form>
    </main>
  `,
  styles: `
    main {
      max-width: 560px;
      margin-top: 8vh;
      display: grid;
      gap: 14px;
    }
    form {
      display: grid;
      gap: 14px;
    }
  `,
})
export class FirstEngineerPage {
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  protected readonly problem = signal<Problem | null>(null);

  protected async make(event: Event, shopName: string, name: string, password: string): Promise<void> {
    event.preventDefault();
    try {
      // The shop's days are counted where its first engineer sits.
      const { timeZone: zone } = Intl.DateTimeFormat().resolvedOptions();
      const here = await this.api.makeFirstEngineer({ shopName, name, password, zone });
      this.store.dispatch(sessionActions.arrived({ here }));
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
