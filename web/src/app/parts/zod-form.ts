import { FormControl, type AbstractControl, type FormGroup, type ValidatorFn } from '@angular/forms';
import { z } from 'zod';
import { plainNumber } from './plain-number';

/**
 * One door between forms and the contract: a field is right when its schema takes it. The fault is the schema's own sentence,
 * under `zod` in the control's errors.
 */
export function valid(schema: z.ZodType): ValidatorFn {
  return ({ value }: AbstractControl<unknown>) => {
    const read = schema.safeParse(value);
    return read.success ? null : { zod: read.error.issues[0]?.message ?? 'is not right' };
  };
}

/** What is wrong with a field, in its schema's words; empty where nothing is, or nobody has been there yet. */
export function faultOf({ errors, touched }: AbstractControl): string {
  return touched ? ((errors?.['zod'] as string | undefined) ?? '') : '';
}

/** A refusal that came from a rule of the job, told at its field until somebody types there again. */
export function refuse(control: AbstractControl, text: string): void {
  control.markAsTouched();
  control.setErrors({ zod: text });
}

/** What is typed into a field: a text, never null, right when its schema takes it. */
export function typedText(start = '', schema: z.ZodType | null = null): FormControl<string> {
  return new FormControl(start, { nonNullable: true, validators: schema ? valid(schema) : [] });
}

/** A number typed as people write it, then what its schema says of it. */
export function typedNumber(schema: z.ZodType<number, number>): z.ZodType<number, string> {
  return z
    .string()
    .transform((text, context) => {
      const number = plainNumber(text);
      if (number !== null) return number;
      context.addIssue({ code: 'custom', message: text.trim() === '' ? 'is empty' : 'is no number' });
      return z.NEVER;
    })
    .pipe(schema);
}

/**
 * Tells faults at the fields they are about.
 * @returns those no field of the form is about
 */
export function tellFaults<F extends { readonly where: string; readonly text: string }>(
  form: FormGroup,
  faults: readonly F[],
): F[] {
  return faults.filter(({ where, text }) => {
    const control = form.get(where);
    if (control) refuse(control, text);
    return !control;
  });
}
