import { FormControl, FormGroup } from '@angular/forms';
import type { Person } from '@tug-mark/contract';
import { FAMILIES, type Family, type Qualification } from '@tug-mark/core';

type FamilyForm = FormGroup<{ given: FormControl<boolean>; until: FormControl<string | null> }>;

/** How a person's qualifications are kept, and what stands in each of the two ways. */
export type QualifiedForm = FormGroup<{
  byFamily: FormControl<boolean>;
  until: FormControl<string | null>;
  families: FormGroup<Record<Family, FamilyForm>>;
}>;

/** Begun with what stands; the one date is carried over to every family, for whoever begins to keep them one by one. */
export function qualifiedForm({ qualifiedUntil, qualifications }: Person): QualifiedForm {
  const familyForm = (family: Family): FamilyForm => {
    const stands = qualifications?.find((each) => each.family === family);
    return new FormGroup({
      given: new FormControl(qualifications === null || stands !== undefined, { nonNullable: true }),
      until: new FormControl(stands ? stands.until : qualifications === null ? qualifiedUntil : null),
    });
  };
  return new FormGroup({
    byFamily: new FormControl(qualifications !== null, { nonNullable: true }),
    until: new FormControl(qualifiedUntil),
    families: new FormGroup(
      Object.fromEntries(FAMILIES.map((family) => [family, familyForm(family)])) as Record<Family, FamilyForm>,
    ),
  });
}

/** What the form says of a person; who gave what, and when, is the server's to say. */
export function qualifiedOf(form: QualifiedForm): {
  qualifiedUntil: string | null;
  qualifications: Pick<Qualification, 'family' | 'until'>[] | null;
} {
  const { byFamily, until, families } = form.getRawValue();
  return {
    qualifiedUntil: until,
    qualifications: byFamily
      ? FAMILIES.filter((family) => families[family].given).map((family) => ({
          family,
          until: families[family].until,
        }))
      : null,
  };
}
