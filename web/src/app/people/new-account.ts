import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { newPersonSchema, ROLES, type Problem, type Role } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { DayField } from '../parts/day-field';
import { Field } from '../parts/field';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { valid } from '../parts/zod-form';
import { onceWords } from './once-words';

const { name, role, qualifiedUntil } = newPersonSchema.shape;

/** Makes an account; the person chooses the password. */
@Component({
  selector: 'tm-new-account',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, DayField, Field, ProblemNotice, Select],
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
      <tm-field for="new-role" label="Role">
        <tm-select selectId="new-role" [options]="roles" formControlName="role" />
      </tm-field>
      <tm-field for="new-until" label="Qualified until" [control]="form.controls.qualifiedUntil">
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
      grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
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
  protected readonly roles = ROLES.map((each) => ({ value: each, label: each }));
  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true, validators: valid(name) }),
    role: new FormControl<Role>('technician', { nonNullable: true, validators: valid(role) }),
    qualifiedUntil: new FormControl<string | null>(null, { validators: valid(qualifiedUntil) }),
  });

  protected async add(): Promise<void> {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const person = this.form.getRawValue();
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
