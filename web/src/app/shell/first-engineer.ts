import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import type { Problem } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { ProblemNotice } from '../parts/problem-notice';
import { Tick } from '../parts/tick';
import { sessionActions } from '../session/session.state';

/** The first page of a shop without accounts. */
@Component({
  selector: 'tm-first-engineer',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, ProblemNotice, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <main class="page">
      <h1>A new shop</h1>
      <p>
        Nobody has an account yet. Make the first engineer's: an engineer fills the cabinet and adds the others, who
        make pieces and release. Whoever is alone does all three; the record says in which role.
      </p>
      <form [formGroup]="form" (ngSubmit)="make()">
        <div class="field">
          <label for="shop">Name of the shop</label><input nz-input id="shop" formControlName="shopName" required />
        </div>
        <div class="field">
          <label for="name">Your name</label
          ><input nz-input id="name" formControlName="name" autocomplete="username" required />
        </div>
        <div class="field">
          <label for="password">Password, 10 characters or more</label>
          <input
            nz-input
            id="password"
            formControlName="password"
            type="password"
            autocomplete="new-password"
            required
          />
        </div>
        <tm-tick formControlName="alone">I also make pieces and release them: technician and quality too</tm-tick>
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
  protected readonly form = new FormGroup({
    shopName: new FormControl('', { nonNullable: true }),
    name: new FormControl('', { nonNullable: true }),
    password: new FormControl('', { nonNullable: true }),
    alone: new FormControl(false, { nonNullable: true }),
  });

  protected async make(): Promise<void> {
    try {
      // The shop's days are counted where its first engineer sits.
      const { timeZone: zone } = Intl.DateTimeFormat().resolvedOptions();
      const { alone, ...first } = this.form.getRawValue();
      const here = await this.api.makeFirstEngineer({ ...first, zone, alone });
      this.store.dispatch(sessionActions.arrived({ here }));
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
