import { DISPOSITIONS, partSheetSchema } from '@tug-mark/core';
import { z } from 'zod';
import { standsSchema } from './journal';
import { documentKeySchema } from './parts';

/** Chains checked so far, and those that do not hold; `next` goes on from there, null after the last. */
export const chainReportSchema = z.object({
  chains: z.number().int(),
  entries: z.number().int(),
  breaks: z.array(z.object({ chain: z.string(), name: z.string(), text: z.string() })),
  /** Entries that stand in no seal yet. */
  unsealed: z.number().int(),
  next: z.number().nullable(),
});
export type ChainReport = z.infer<typeof chainReportSchema>;

/** What a finished lot is handed over with. Forces in N, instants in UTC. */
export const certificateSchema = z.strictObject({
  format: z.literal('tug-mark/certificate'),
  version: z.literal(2),
  madeAt: z.string(),
  shop: z.strictObject({ name: z.string(), isDemo: z.boolean() }),
  combination: z.strictObject({ id: z.uuid(), list: z.string(), terminal: z.string(), wire: z.string() }),
  lot: z.strictObject({
    name: z.string(),
    pieces: z.number(),
    openedAt: z.string(),
    finishedAt: z.string().nullable(),
    verdict: z.enum(['accepted', 'meets-made-up-limits']),
    headline: z.string(),
    made: z.number(),
    spent: z.number(),
    scrapped: z.number(),
    delivered: z.number(),
  }),
  stands: standsSchema,
  /** Tools it was made with after the first, each from the piece after `after` on; absent where there was one alone. */
  tools: z
    .array(z.strictObject({ after: z.number().int(), tool: z.string(), die: z.string(), nest: z.string() }))
    .optional(),
  /** Sheets of its parts, as far as they are named; absent in older certificates. */
  papers: z
    .strictObject({
      terminal: partSheetSchema.nullable(),
      tool: partSheetSchema.nullable(),
      stripper: partSheetSchema.nullable(),
    })
    .optional(),
  releasedBy: z.string(),
  limits: z.array(z.strictObject({ wire: z.string(), force: z.number().nullable(), table: documentKeySchema })),
  checks: z.array(
    z.strictObject({
      piece: z.number(),
      at: z.string(),
      by: z.string(),
      look: z.string(),
      tug: z.string(),
      force: z.number().nullable(),
      outcome: z.string(),
    }),
  ),
  changes: z.array(
    z.strictObject({ piece: z.number(), at: z.string(), change: z.string(), to: z.string().nullable() }),
  ),
  decided: z.array(
    z.strictObject({
      from: z.number(),
      to: z.number(),
      what: z.enum(DISPOSITIONS),
      by: z.string(),
      at: z.string(),
      note: z.string(),
    }),
  ),
  group: z.array(z.string()),
  /** Entries that were corrected: what they said before, and why that was wrong. */
  corrections: z
    .array(
      z.strictObject({
        piece: z.number().nullable(),
        was: z.string(),
        is: z.string(),
        why: z.string(),
        by: z.string(),
        at: z.string(),
      }),
    )
    .default([]),
  chain: z.strictObject({ entries: z.number(), hash: z.string() }),
  /** The shop's newest seal as the certificate was made; null before the first, absent in older certificates. */
  seal: z.strictObject({ number: z.number().int(), at: z.string(), hash: z.string() }).nullable().optional(),
});
export type Certificate = z.infer<typeof certificateSchema>;
