import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule, type AbstractControl } from '@angular/forms';
import { documentKeySchema, isoDate } from '@tug-mark/contract';
import type { ShopDocument } from '@tug-mark/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { DayField } from '../parts/day-field';
import { Field } from '../parts/field';
import type { FormFault } from '../parts/form-faults';
import { GradeField } from '../parts/grade-field';
import { Tick } from '../parts/tick';
import { typedText, valid } from '../parts/zod-form';

const { document: name, revision, class: grade } = documentKeySchema.shape;
const FIELDS = [
  { key: 'document', title: 'Document' },
  { key: 'revision', title: 'Revision' },
  { key: 'class', title: 'Grade of work' },
  { key: 'owner', title: 'Owner' },
  { key: 'effectiveFrom', title: 'In effect from' },
  { key: 'effectiveUntil', title: 'until, empty for open' },
] as const;

/** A draft's head as it is typed. */
export type HeadForm = FormGroup<{
  readonly document: FormControl<string>;
  readonly revision: FormControl<string>;
  readonly class: FormControl<string>;
  readonly owner: FormControl<string>;
  readonly effectiveFrom: FormControl<string | null>;
  readonly effectiveUntil: FormControl<string | null>;
  readonly isControlled: FormControl<boolean>;
}>;

/**
 * The head a draft begins with. What stands does not change: a new revision of it gets a name of its own.
 * @param today the shop's day
 */
export function headForm(from: ShopDocument | 'new', today: string): HeadForm {
  const start =
    from === 'new'
      ? { document: '', revision: 'A', class: '', owner: '', effectiveFrom: today, effectiveUntil: null, origin: '' }
      : { ...from, revision: from.status === 'draft' ? from.revision : '' };
  const endsAfter = (control: AbstractControl<string | null>) => {
    const begins = control.parent?.get('effectiveFrom')?.value as string | null | undefined;
    return control.value && begins && control.value < begins ? { zod: 'It ends before it begins.' } : null;
  };
  const form: HeadForm = new FormGroup({
    document: typedText(start.document, name),
    revision: typedText(start.revision, revision),
    class: typedText(start.class, grade),
    owner: typedText(start.owner, name),
    effectiveFrom: new FormControl<string | null>(start.effectiveFrom, valid(isoDate)),
    effectiveUntil: new FormControl<string | null>(start.effectiveUntil, [valid(isoDate.nullable()), endsAfter]),
    isControlled: new FormControl(start.origin === 'controlled', { nonNullable: true }),
  });
  form.controls.effectiveFrom.valueChanges.subscribe(() => {
    form.controls.effectiveUntil.updateValueAndValidity();
  });
  return form;
}

/** The document a head is of. */
export function draftOf(form: HeadForm): ShopDocument {
  const { isControlled, effectiveFrom, effectiveUntil, ...names } = form.getRawValue();
  return {
    ...(Object.fromEntries(Object.entries(names).map(([key, text]) => [key, text.trim()])) as typeof names),
    effectiveFrom: effectiveFrom ?? '',
    effectiveUntil,
    origin: isControlled ? 'controlled' : 'made-up',
    status: 'draft',
  };
}

/** All that is not right in a head. */
export function headFaults(form: HeadForm): FormFault[] {
  return FIELDS.flatMap(({ key, title: label }) => {
    const text = form.controls[key].errors?.['zod'] as string | undefined;
    return text ? [{ field: `draft-${key}`, label, text }] : [];
  });
}

/** The head of a draft: document, revision, grade, owner, the days it is in effect and where it is from. */
@Component({
  selector: 'tm-draft-head',
  imports: [ReactiveFormsModule, NzInputModule, DayField, Field, GradeField, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="fields">
      @for (field of fields; track field.key) {
        @let control = form().controls[field.key];
        <tm-field [for]="'draft-' + field.key" [label]="field.title" [control]="control">
          @if (field.key === 'effectiveFrom' || field.key === 'effectiveUntil') {
            <tm-day-field [fieldId]="'draft-' + field.key" [formControl]="control" />
          } @else if (field.key === 'class') {
            <tm-grade-field fieldId="draft-class" [control]="form().controls.class" />
          } @else {
            <input nz-input autocomplete="off" [id]="'draft-' + field.key" [formControl]="control" />
          }
        </tm-field>
      }
      <ng-content />
    </div>
    <tm-tick [formControl]="form().controls.isControlled">taken from a controlled document</tm-tick>
  `,
  styles: `
    :host {
      display: block;
      width: 100%;
    }
    input.ant-input {
      min-height: 46px;
    }
    .fields {
      display: grid;
      gap: 12px 18px;
      grid-template-columns: repeat(auto-fill, minmax(min(190px, 100%), 1fr));
    }
  `,
})
export class DraftHead {
  readonly form = input.required<HeadForm>();
  protected readonly fields = FIELDS;
}
