import { FormControl, type AbstractControl, type ValidatorFn } from '@angular/forms';
import type { z } from 'zod';

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

/** What is typed into a field: a text, never null. */
export function typedText(start = ''): FormControl<string> {
  return new FormControl(start, { nonNullable: true });
}
