import { z } from 'zod';
import {
  choiceField,
  countField,
  FIELDS,
  labelField,
  lengthField,
  partField,
  temperatureField,
  textField,
  type Noun,
} from '../part';
import { CONDUCTOR_KINDS, CONDUCTOR_MATERIALS, SIZE_SCALES, STRAND_LAYS } from './kinds';

/** A conductor size as printed: mm2 of metal, or an AWG number (1/0 is 0, 2/0 is -1). */
export const conductorSizeSchema = z
  .strictObject({ scale: z.enum(SIZE_SCALES), value: z.number().min(-3).max(500) })
  .refine((s) => s.scale === 'awg' || s.value > 1e-4, 'has to be above 0 mm²')
  .refine((s) => s.scale === 'mm2' || s.value <= 60, 'is no AWG size');
export type ConductorSize = Noun<typeof conductorSizeSchema>;

/** A conductor size as a field of a part. */
export const sizeField = (title: string, help?: string) => {
  const size = conductorSizeSchema.clone();
  FIELDS.add(size, { title, type: 'size', ...(help !== undefined && { help }) });
  return size;
};

const conductorSchema = z
  .strictObject({
    size: sizeField('size', 'as printed: 0.75 mm2 or AWG 18'),
    kind: choiceField('conductor', CONDUCTOR_KINDS),
    material: choiceField('material', CONDUCTOR_MATERIALS),
    /** Number of strands; 1 for a solid conductor. */
    strands: countField('strands'),
    /** Diameter of one strand, mm. */
    strandDiameter: lengthField('strand diameter'),
    lay: choiceField('lay', STRAND_LAYS),
  })
  .refine((c) => c.kind !== 'solid' || c.strands === 1, 'a solid conductor has one strand');
export type Conductor = Noun<typeof conductorSchema>;

const described = z.strictObject({
  part: partField(),
  label: labelField(),
  conductor: conductorSchema,
  /** Insulation outer diameter, mm. */
  insulationDiameter: lengthField('insulation diameter'),
  insulation: textField('insulation'),
  /** Highest conductor temperature the wire is rated for, degC. */
  temperature: temperatureField(),
});
export type Wire = Noun<typeof described>;
export const wireSchema: z.ZodType<Wire> = described;
