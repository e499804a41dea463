import { WIRE_LIST_KEYS, type WireListKey } from '@tug-mark/core';
import { z } from 'zod';

/* Jobs as another program hands them over: wire lists with their days, and their wires row by row. */

const cell = z.union([z.string().max(200), z.number()]);
/** A wire as a row of a wire list says it: 'wireId', 'wirePart', 'length' in mm, 'terminalA' or '-', 'quantity', and what else it knows. */
const wireSchema = z.strictObject(
  Object.fromEntries(WIRE_LIST_KEYS.map((key) => [key, cell.optional()])) as Record<
    WireListKey,
    z.ZodOptional<typeof cell>
  >,
);

export const jobsFileSchema = z.strictObject({
  format: z.literal('tug-mark/jobs'),
  version: z.literal(1),
  lists: z
    .array(
      z.strictObject({
        /** The same list again under the same id changes its day and what it weighs, and nothing else. */
        id: z.uuid(),
        name: z.string().trim().min(1).max(120),
        class: z.string().trim().min(1).max(60).optional(),
        customer: z.string().trim().max(120).nullable().default(null),
        due: z.iso.date().nullable().default(null),
        /** How much a quarter of an hour late weighs. */
        priority: z.number().int().min(1).max(9).default(1),
        /** Its wires are cut. */
        cut: z.boolean().default(false),
        wires: z.array(wireSchema).min(1, 'has no wire in it').max(20_000),
      }),
    )
    .min(1, 'has no list in it')
    .max(200),
});
export type JobsFile = z.output<typeof jobsFileSchema>;
