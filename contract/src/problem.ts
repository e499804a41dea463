import { z } from 'zod';

/** RFC 9457 problem details. `title` says what is wrong, `detail` what to do, `errors` where. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number(),
  detail: z.string(),
  code: z.string(),
  errors: z
    .array(
      z.object({
        /** Path in the body, or the column of a table. */
        where: z.string(),
        row: z.number().optional(),
        value: z.string().optional(),
        text: z.string(),
      }),
    )
    .optional(),
  /** How many errors there are in all when `errors` is cut short. */
  total: z.number().optional(),
  /** What stands on record already, when the request clashes with it. */
  standing: z.unknown().optional(),
});
export type Problem = z.infer<typeof problemSchema>;
