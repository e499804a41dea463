import { DISPOSITIONS } from '@tug-mark/core';
import { z } from 'zod';
import { standsSchema } from './bench';
import { documentKeySchema } from './parts';

/** Chains checked so far, and those that do not hold; `next` goes on from there, null after the last. */
export const chainReportSchema = z.object({
  chains: z.number().int(),
  entries: z.number().int(),
  breaks: z.array(z.object({ combination: z.uuid(), name: z.string(), text: z.string() })),
  next: z.number().nullable(),
});
export type ChainReport = z.infer<typeof chainReportSchema>;

/** What a finished lot is handed over with. Forces in N, instants in UTC. */
export const certificateSchema = z.strictObject({
  format: z.literal('tug-mark/certificate'),
  version: z.literal(1),
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
  chain: z.strictObject({ entries: z.number(), hash: z.string() }),
});
export type Certificate = z.infer<typeof certificateSchema>;
