import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { wireListHead } from '@tug-mark/contract';
import { NzInputModule } from 'ng-zorro-antd/input';
import { DayField } from '../../parts/day-field';
import { Field } from '../../parts/field';
import { GradeField } from '../../parts/grade-field';
import { typedText, valid } from '../../parts/zod-form';

const { name, class: grade, customer, due } = wireListHead.shape;

/** What is said of a wire list beside its table. */
export const listHead = () =>
  new FormGroup({
    name: typedText('', name),
    class: typedText('standard', grade),
    customer: typedText('', customer),
    due: new FormControl<string | null>(null, { validators: valid(due) }),
  });

/** Name, grade, customer and day of a wire list. */
@Component({
  selector: 'tm-list-head',
  imports: [ReactiveFormsModule, NzInputModule, DayField, Field, GradeField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="fields" [formGroup]="form()">
      <tm-field for="list-name" label="Name of the list" [control]="form().controls.name">
        <input nz-input id="list-name" formControlName="name" />
      </tm-field>
      <tm-field
        for="list-class"
        label="Grade of work"
        [hint]="grades().length > 1 ? 'as in the limits: ' + grades().join(', ') : ''"
        [control]="form().controls.class"
      >
        <tm-grade-field fieldId="list-class" [control]="form().controls.class" />
      </tm-field>
      <tm-field for="list-customer" label="Customer, if any" [control]="form().controls.customer">
        <input nz-input id="list-customer" formControlName="customer" />
      </tm-field>
      <tm-field for="new-list-due" label="Due, if on a day" [control]="form().controls.due">
        <tm-day-field fieldId="new-list-due" formControlName="due" />
      </tm-field>
    </div>
  `,
  styles: `
    .fields {
      display: grid;
      gap: 14px;
      grid-template-columns: 2fr 1.2fr 1.4fr 170px;
    }
    .ant-input {
      min-height: 46px;
    }
    @media (max-width: 900px) {
      .fields {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class ListHead {
  readonly form = input.required<ReturnType<typeof listHead>>();
  /** Grades the shop has limits for. */
  readonly grades = input.required<readonly string[]>();
}
