import { z } from 'zod';
import { setUpFields } from './bench';

/**
 * The record of one combination: what it was set up from, everything put on record, and the judgement that follows.
 * Complete: read into an empty shop it gives the same combination, equal to the last digit.
 */
export const recordSchema = z.strictObject({
  format: z.literal('tug-mark/record'),
  /** 2: entries of either recipe, with their slot and the time of their device; 1: before that. */
  version: z.union([z.literal(1), z.literal(2)]),
  exportedAt: z.string(),
  shop: z.strictObject({ name: z.string().max(60), isDemo: z.boolean(), id: z.uuid().optional() }),
  /** Newest seal of the shop as the record was made; absent in version 1. */
  seal: z.strictObject({ number: z.number().int(), at: z.string(), hash: z.string() }).nullable().optional(),
  ...setUpFields,
  /** Curves the readings name, packed and in base64; absent in records from before there were any. */
  curves: z.array(z.strictObject({ id: z.uuid(), bytes: z.base64() })).default([]),
  /** Photographs the entries name, as they are kept, in base64; absent in records from before there were any. */
  photos: z.array(z.strictObject({ id: z.uuid(), bytes: z.base64() })).default([]),
  judgement: z.strictObject({
    verdict: z.enum(['accepted', 'meets-made-up-limits', 'rejected', 'open']),
    headline: z.string(),
    stages: z.array(z.strictObject({ stage: z.string(), state: z.string(), answer: z.string() })),
  }),
});
export type CombinationRecord = z.infer<typeof recordSchema>;
