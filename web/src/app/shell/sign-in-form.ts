import { ChangeDetectionStrategy, Component, effect, inject, input, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { sessionActions, sessionFeature } from '../session/session.state';

/** Name and password, on the sign-in page and in place when a session has ended. */
@Component({
  selector: 'tm-sign-in-form',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="signIn()" [class.across]="across()">
      <div class="field">
        <label for="sign-in-name">Name</label>
        <input nz-input id="sign-in-name" formControlName="name" autocomplete="username" required />
      </div>
      <div class="field">
        <label for="sign-in-password">Password</label>
        <input
          nz-input
          id="sign-in-password"
          formControlName="password"
          type="password"
          autocomplete="current-password"
          required
        />
      </div>
      <button nz-button nzType="primary" class="bench-button" type="submit" [disabled]="busy()">Sign in</button>
      @if (message(); as text) {
        <p class="wrong" role="alert">{{ text }}</p>
      }
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 14px;
    }
    form.across {
      align-items: end;
      grid-template-columns: minmax(140px, 220px) minmax(140px, 220px) auto 1fr;
    }
  `,
})
export class SignInForm {
  private readonly store = inject(Store);
  readonly across = input(false);
  readonly known = input('');
  protected readonly busy = this.store.selectSignal(sessionFeature.selectBusy);
  private readonly problem = this.store.selectSignal(sessionFeature.selectProblem);
  protected readonly message = signal('');
  // Without the contract's schemas, which the first page does not wait for.
  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true }),
    password: new FormControl('', { nonNullable: true }),
  });

  constructor() {
    effect(() => {
      this.form.controls.name.setValue(this.known());
    });
    effect(() => {
      const problem = this.problem();
      this.message.set(problem ? `${problem.title} ${problem.detail}` : '');
    });
  }

  protected signIn(): void {
    const { name, password } = this.form.getRawValue();
    if (!name.trim() || !password) this.message.set('Enter both name and password.');
    else this.store.dispatch(sessionActions.signIn({ name: name.trim(), password }));
  }
}
