import { z } from 'zod';
import { recordSchema } from './record';

/** A record of another shop as this one keeps it: who read it in, when, from which file. */
export const foreignLineSchema = z.object({
  id: z.uuid(),
  /** SHA-256 of the file as it was sent. */
  digest: z.string(),
  fileName: z.string(),
  /** The shop the file says it is from. */
  shop: z.string(),
  label: z.string(),
  entries: z.number().int(),
  by: z.string(),
  at: z.string(),
});
export type ForeignLine = z.infer<typeof foreignLineSchema>;

/** Something the file says that this shop, computing it again, finds otherwise. */
export const differenceSchema = z.object({
  where: z.string(),
  says: z.string(),
  computed: z.string(),
});

export const foreignRecordSchema = z.object({
  line: foreignLineSchema,
  record: recordSchema.omit({ curves: true, photos: true }),
  differences: z.array(differenceSchema),
});
export type ForeignRecord = z.infer<typeof foreignRecordSchema>;
