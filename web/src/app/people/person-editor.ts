import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import type { Person, Problem } from '@tug-mark/contract';
import { FAMILIES, familyName } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Api, toProblem } from '../http/api';
import { ChoiceButtons } from '../parts/choice-buttons';
import { DayField } from '../parts/day-field';
import { injectEditedForm } from '../parts/edited-form';
import { Field } from '../parts/field';
import { ProblemNotice } from '../parts/problem-notice';
import { showTime } from '../parts/show-time';
import { Tick } from '../parts/tick';
import { TypedBack } from '../parts/typed-back';
import { qualifiedForm, qualifiedOf } from './qualified-form';
import { RoleTicks, rolesForm, rolesOf } from './role-ticks';

/** The roles of a person, and what they are qualified for: with one date for everything, or family by family. */
@Component({
  selector: 'tm-person-editor',
  imports: [
    ...[ReactiveFormsModule, NzButtonModule, NzTableModule, ChoiceButtons, DayField, Field, ProblemNotice],
    ...[RoleTicks, Tick, TypedBack],
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form()" (ngSubmit)="keep()">
      <h2 tabindex="-1">{{ person().name }}</h2>
      <tm-typed-back [edited]="edited" />
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <tm-role-ticks [form]="form().controls.roles" />
      <div>
        <h3>Qualified for</h3>
        <tm-choice-buttons
          label="How qualifications are kept"
          [options]="ways"
          [value]="byFamily() ? 'family' : 'date'"
          (valueChange)="turn($event === 'family')"
        />
      </div>
      @if (byFamily()) {
        <p class="soft">What is not ticked, {{ person().name }} cannot put on record. A day left empty has no end.</p>
        <nz-table #table [nzData]="rows()" nzSize="small" [nzFrontPagination]="false" [nzShowPagination]="false">
          <thead>
            <tr>
              <th scope="col">Family</th>
              <th scope="col">Last day</th>
              <th scope="col">Given by</th>
            </tr>
          </thead>
          <tbody>
            @for (row of table.data; track row.family) {
              <tr class="ant-table-row" [formGroup]="row.form">
                <td>
                  <tm-tick formControlName="given">{{ row.name }}</tm-tick>
                </td>
                <td>
                  @if (row.isGiven) {
                    <label class="out-of-sight" [for]="'q-' + row.family">Last day for {{ row.name }}</label>
                    <tm-day-field [fieldId]="'q-' + row.family" formControlName="until" />
                  }
                </td>
                <td class="soft">{{ row.isGiven ? row.giver : '' }}</td>
              </tr>
            }
          </tbody>
        </nz-table>
      } @else {
        <tm-field for="q-until" label="Last day, for every family" hint="Left empty: no qualification is asked for.">
          <tm-day-field fieldId="q-until" [formControl]="form().controls.qualified.controls.until" />
        </tm-field>
      }
      <p class="acts">
        <button nz-button nzType="primary" class="bench-button" type="submit">Keep it</button>
        <button nz-button class="bench-button" type="button" (click)="leave()">Leave it as it was</button>
      </p>
    </form>
  `,
  styleUrl: '../documents/draft.less',
  styles: `
    tm-day-field {
      display: block;
      max-width: 190px;
    }
    nz-table {
      max-width: 860px;
    }
  `,
})
export class PersonEditor {
  private readonly api = inject(Api);
  readonly person = input.required<Person>();
  readonly kept = output();
  readonly closed = output();
  protected readonly problem = signal<Problem | null>(null);
  protected readonly ways = [
    { value: 'date' as const, label: 'one day for every family' },
    { value: 'family' as const, label: 'family by family' },
  ];
  protected readonly edited = injectEditedForm(() => {
    const person = this.person();
    const form = new FormGroup({ roles: rolesForm(person.roles), qualified: qualifiedForm(person) });
    return { form, place: `person/${person.id}`, over: person };
  });
  protected readonly form = this.edited.form;
  protected readonly byFamily = computed(() => {
    this.edited.changes();
    return this.form().controls.qualified.controls.byFamily.value;
  });
  protected readonly rows = computed(() => {
    this.edited.changes();
    const { families } = this.form().controls.qualified.controls;
    return FAMILIES.map((family) => {
      const form = families.controls[family];
      const stands = this.person().qualifications?.find((each) => each.family === family);
      const { given, until } = form.getRawValue();
      const isAsItStood = stands !== undefined && stands.until === until;
      return {
        ...{ family, form, name: familyName(family), isGiven: given },
        giver: isAsItStood ? `${stands.by}, ${showTime(stands.at)}` : 'you, once it is kept',
      };
    });
  });

  protected turn(byFamily: boolean): void {
    const { qualified } = this.form().controls;
    const { controls } = qualified;
    // The one date goes on to count for each family, until somebody says otherwise.
    if (byFamily && this.person().qualifications === null) {
      for (const family of FAMILIES) controls.families.controls[family].controls.until.setValue(controls.until.value);
    }
    controls.byFamily.markAsDirty();
    controls.byFamily.setValue(byFamily);
  }

  protected leave(): void {
    this.edited.memory().forget();
    this.closed.emit();
  }

  protected async keep(): Promise<void> {
    const { roles, qualified } = this.form().controls;
    this.form().markAllAsTouched();
    if (this.form().invalid) return;
    const person = this.person();
    try {
      await this.api.changePerson({ ...person, roles: rolesOf(roles, person.roles), ...qualifiedOf(qualified) });
      this.problem.set(null);
      this.edited.memory().forget();
      this.kept.emit();
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
