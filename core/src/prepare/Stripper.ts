import { z } from 'zod';
import { choiceField, labelField, lengthField, partField, rowsField, sheetField, wordsField, type Noun } from '../part';
import { NOTCHES_FOR } from './kinds';

/** A wire stripper with its notches. */
const described = z.strictObject({
  part: partField(),
  label: labelField(),
  /** Repeatability of the strip length, plus or minus, mm. */
  repeatability: lengthField('repeatability', { help: 'plus or minus' }),
  /** Step of its length stop, mm. */
  step: lengthField('step', { help: 'of its length stop' }),
  insulations: wordsField('insulations'),
  sheet: sheetField(),
  notches: rowsField(
    'notch',
    z.strictObject({
      label: labelField(),
      /** Solid and stranded notches are different columns: a stranded conductor is fatter than a solid one. */
      for: choiceField('for', NOTCHES_FOR).default('stranded'),
      /** Bore of the closed notch, mm. */
      bore: lengthField('bore'),
    }),
  ).min(1),
});
export type Stripper = Noun<typeof described>;
export const stripperSchema: z.ZodType<Stripper> = described;
