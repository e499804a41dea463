import { z } from 'zod';
import {
  choiceField,
  flagField,
  labelField,
  lengthField,
  partField,
  rangeField,
  shareField,
  temperatureField,
  textField,
  type Noun,
} from '../part';
import { SLIDE_ON_PART_KINDS } from './kinds';

/** A sleeve, tube, boot, seal or insulator of the shop. Lengths and diameters mm. */
const described = z.strictObject({
  part: partField(),
  label: labelField(),
  kind: choiceField('kind', SLIDE_ON_PART_KINDS),
  /** Bore as supplied: the largest diameter it passes follows from it. */
  suppliedBore: lengthField('supplied bore'),
  /** Bore after free recovery; null for parts that do not shrink. */
  recoveredBore: lengthField('recovered bore').nullable(),
  /** Over it as supplied, mm; null where its sheet is silent. */
  outerDiameter: lengthField('outer diameter').nullable().default(null),
  /** Length of one piece; null for tube cut from the reel. */
  length: lengthField('length', { help: 'empty for tube cut from the reel' }).nullable(),
  /** Share by which it grows shorter when it is shrunk, e.g. 0.08; 0 for parts that do not shrink. */
  longitudinalShrink: shareField('longitudinal shrink'),
  adhesive: flagField('adhesive'),
  /** Temperature of the air it is shrunk with, degC; null for parts that do not shrink. */
  heat: rangeField('heat', '°C').nullable(),
  /** Insulation diameters a seal closes on; null for all others. */
  wireRange: rangeField('wire').nullable(),
  temperature: temperatureField(),
  /** Which way round it goes on; null where both ways are alike. */
  wayRound: textField('way round').nullable(),
});
export type SlideOnPart = Noun<typeof described>;
export const coveringSchema: z.ZodType<SlideOnPart> = described;
