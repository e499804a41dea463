import { FormControl, FormGroup } from '@angular/forms';
import { name, shopSettingsSchema, zone, type Here, type ShopChange } from '@tug-mark/contract';
import { z } from 'zod';
import { typedNumber, typedText, valid } from '../parts/zod-form';

const { forceDecimals, lengthDecimals, idleMinutes, grades } = shopSettingsSchema.shape;
/** A number, or nothing at all. */
const minutes = z.union([z.literal('').transform(() => null), typedNumber(idleMinutes.unwrap().unwrap())]);
/** Grades one behind the other, parted by commas. */
const list = z
  .string()
  .transform((text) =>
    text
      .split(',')
      .map((grade) => grade.trim())
      .filter((grade) => grade !== ''),
  )
  .pipe(grades.unwrap().unwrap());

const chosen = <T extends string>(value: T) => new FormControl<T>(value, { nonNullable: true });

/** How the shop is named and wants its numbers, days and paper, as a form. */
export function shopForm({ name: called, zone: where, settings }: Here['shop']) {
  return new FormGroup({
    name: typedText(called, name),
    zone: new FormControl(where, { nonNullable: true, validators: valid(zone) }),
    grades: typedText(settings.grades.join(', '), list),
    forceUnit: chosen(settings.forceUnit),
    forceDecimals: chosen(String(settings.forceDecimals)),
    lengthShown: chosen(settings.lengthShown),
    lengthDecimals: chosen(String(settings.lengthDecimals)),
    language: chosen(settings.language),
    paper: chosen(settings.paper),
    idleMinutes: typedText(settings.idleMinutes === null ? '' : String(settings.idleMinutes), minutes),
  });
}
export type ShopForm = ReturnType<typeof shopForm>;

/** What the form says; it is valid. */
export function shopChange(form: ShopForm): ShopChange {
  const { name: called, zone: where, ...typed } = form.getRawValue();
  return {
    ...{ name: called.trim(), zone: where },
    settings: {
      ...{ forceUnit: typed.forceUnit, lengthShown: typed.lengthShown, language: typed.language, paper: typed.paper },
      forceDecimals: forceDecimals.parse(Number(typed.forceDecimals)),
      lengthDecimals: lengthDecimals.parse(Number(typed.lengthDecimals)),
      grades: list.parse(typed.grades),
      idleMinutes: minutes.parse(typed.idleMinutes.trim()),
    },
  };
}
