import { booleanAttribute, ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { ownPasswordSchema, type Problem } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { Field } from '../parts/field';
import { Notice } from '../parts/notice';
import { ProblemNotice } from '../parts/problem-notice';
import { Tick } from '../parts/tick';
import { tellFaults, valid } from '../parts/zod-form';
import { sessionActions, sessionFeature } from '../session/session.state';

const { current, password } = ownPasswordSchema.shape;
const typed = (schema: Parameters<typeof valid>[0]) =>
  new FormControl('', { nonNullable: true, validators: valid(schema) });

/** A person chooses a password of their own: because they want to, or because they came in with a word for once. */
@Component({
  selector: 'tm-own-password',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, Field, Notice, ProblemNotice, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <main class="page">
      <h1>{{ isFirst() ? 'Choose your own password' : 'Change your password' }}</h1>
      <p class="soft">
        @if (isFirst()) {
          {{ person()?.name }}, you came in with a word that works once. From now on only you know how you come in.
        } @else {
          Whoever is signed in as you elsewhere has to sign in again.
        }
      </p>
      @if (done()) {
        <tm-notice kind="good">Your password is changed.</tm-notice>
      }
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <form [formGroup]="form" (ngSubmit)="keep()">
        <input
          class="out-of-sight"
          tabindex="-1"
          autocomplete="username"
          aria-hidden="true"
          [value]="person()?.name"
          readonly
        />
        <tm-field
          for="own-current"
          [label]="isFirst() ? 'The word you came in with' : 'The password in use'"
          [control]="form.controls.current"
        >
          <input
            nz-input
            id="own-current"
            autocomplete="current-password"
            formControlName="current"
            [attr.type]="shown() ? 'text' : 'password'"
          />
        </tm-field>
        <tm-field
          for="own-password"
          label="The new one, 10 characters or more"
          hint="Four words that do not belong together are easy to keep and hard to guess."
          [control]="form.controls.password"
        >
          <input
            nz-input
            id="own-password"
            autocomplete="new-password"
            formControlName="password"
            [attr.type]="shown() ? 'text' : 'password'"
          />
        </tm-field>
        <tm-tick [(value)]="shown">show what I type</tm-tick>
        <p class="acts">
          <button nz-button nzType="primary" class="bench-button" type="submit">
            {{ isFirst() ? 'Choose it and go on' : 'Change it' }}
          </button>
          @if (isFirst()) {
            <button nz-button class="bench-button" type="button" (click)="signOut()">Sign out</button>
          }
        </p>
      </form>
    </main>
  `,
  styles: `
    main {
      display: grid;
      gap: 12px;
      max-width: 520px;
    }
    form {
      display: grid;
      gap: 12px;
    }
    .acts {
      display: flex;
      gap: 12px;
    }
  `,
})
export class OwnPassword {
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  /** Nothing else goes before it is chosen. */
  readonly isFirst = input(false, { transform: booleanAttribute });
  protected readonly person = this.store.selectSignal(sessionFeature.selectPerson);
  protected readonly form = new FormGroup({ current: typed(current), password: typed(password) });
  protected readonly shown = signal(false);
  protected readonly done = signal(false);
  protected readonly problem = signal<Problem | null>(null);

  protected signOut(): void {
    this.store.dispatch(sessionActions.signOut());
  }

  protected async keep(): Promise<void> {
    this.form.markAllAsTouched();
    this.done.set(false);
    if (this.form.invalid) return;
    try {
      const here = await this.api.changeOwnPassword(this.form.getRawValue());
      this.problem.set(null);
      this.form.reset();
      this.done.set(true);
      this.store.dispatch(sessionActions.arrived({ here }));
    } catch (error) {
      const found = toProblem(error);
      const others = tellFaults(this.form, found.errors ?? []);
      this.problem.set(found.errors?.length && !others.length ? null : found);
    }
  }
}
