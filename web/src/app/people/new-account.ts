import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { newPersonSchema, type Problem } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { DayField } from '../parts/day-field';
import { Field } from '../parts/field';
import { ProblemNotice } from '../parts/problem-notice';
import { valid } from '../parts/zod-form';
import { onceWords } from './once-words';
import { RoleTicks, rolesForm, rolesOf } from './role-ticks';

const { name, qualifiedUntil } = newPersonSchema.shape;

/** Makes an account; the person chooses the password. */
@Component({
  selector: 'tm-new-account',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, DayField, Field, ProblemNotice, RoleTicks],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>A new account</h2>
    @if (problem(); as found) {
      <tm-problem [problem]="found" />
    }
    <form [formGroup]="form" (ngSubmit)="add()">
      <tm-field for="new-name" label="Name" [control]="form.controls.name">
        <input nz-input id="new-name" formControlName="name" autocomplete="off" />
      </tm-field>
      <tm-role-ticks [form]="form.controls.roles" />
      <tm-field
        for="new-until"
        label="Qualified until"
        hint="For every family; left empty: none is asked for. Family by family under ‘change’."
        [control]="form.controls.qualifiedUntil"
      >
        <tm-day-field fieldId="new-until" formControlName="qualifiedUntil" />
      </tm-field>
      <button nz-button nzType="primary" class="bench-button" type="submit">Add the account</button>
    </form>
  `,
  styles: `
    h2 {
      margin: 24px 0 10px;
    }
    form {
      align-items: start;
      display: grid;
      gap: 14px;
      grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
    }
    .bench-button {
      align-self: start;
      margin-top: 25px;
    }
    .ant-input {
      min-height: 46px;
    }
  `,
})
export class NewAccount {
  private readonly api = inject(Api);
  readonly added = output<string>();
  protected readonly problem = signal<Problem | null>(null);
  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true, validators: valid(name) }),
    roles: rolesForm(['technician']),
    qualifiedUntil: new FormControl<string | null>(null, { validators: valid(qualifiedUntil) }),
  });

  protected async add(): Promise<void> {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const { name, qualifiedUntil } = this.form.getRawValue();
    const person = { name, qualifiedUntil, roles: rolesOf(this.form.controls.roles) };
    try {
      const id = timeOrderedId();
      await this.api.addPerson({ id, ...person });
      const { word } = await this.api.giveOnceWord(id);
      this.problem.set(null);
      this.form.reset();
      this.added.emit(onceWords(person.name.trim(), word));
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
