import { POINT_CODES, type Revisions } from '@tug-mark/core';
import { z } from 'zod';
import { documentKeySchema } from '../parts';

/* Fields that several kinds of entries share. */

export const note = z.string().max(500, 'is longer than 500 characters');
export const piece = z.number().int('is not a whole number').min(1, 'starts at 1').max(999_999, 'is above 999999');
export const lot = z.number().int().min(1).max(9999);
export const ofLot = lot.optional();
/** A cavity, and a connector as its list names it. */
export const cavityName = z.string().trim().min(1, 'is empty').max(12, 'is longer than 12 characters');
export const connectorName = z.string().trim().min(1, 'is empty').max(20, 'is longer than 20 characters');
export const wire = z.number().int().min(1).max(9).optional();
/** 2 for the second end of a splice; absent for the first, and for everything that has one. */
export const end = z.literal(2).optional();
export const step = z.number().int().min(1).max(99_999);
export const partId = z.string().min(1).max(40);
export const run = z.number().int().min(2).max(999).optional();
export const positive = z.number().positive('has to be above 0');
export const share = z.number().min(0).max(1);
export const point = z.strictObject({ x: z.number(), y: z.number() });
export const pointCode = z.enum(POINT_CODES);
const count = z.number().int().positive().max(1_000_000);

/** UTC to the millisecond, the one form that is hashed and kept. */
export const instant = z.iso.datetime({ precision: 3 });

/** Where something is kept beside the journal, and the SHA-256 of its bytes, so that the chain seals it too. */
export const keptKeySchema = z.strictObject({
  id: z.uuid(),
  digest: z.string().regex(/^[0-9a-f]{64}$/, 'is no SHA-256'),
});

export const revisionsSchema: z.ZodType<Revisions> = z.strictObject({
  terminal: count,
  wire: count,
  together: z.array(count).default([]),
  opposite: z.array(count).optional(),
  practice: count,
});

export const standsSchema = z.strictObject({
  tool: partId,
  die: partId,
  nest: partId,
  setting: partId.nullable(),
  positioner: partId.nullable(),
  limit: documentKeySchema,
  look: documentKeySchema.optional(),
  revisions: revisionsSchema,
});
