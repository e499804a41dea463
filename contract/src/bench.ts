import { FAILURE_MODES, FINDINGS, FORCE_UNITS, GATES, PLACES, type EntryBody } from '@tug-mark/core';
import { z } from 'zod';
import {
  limitKeySchema,
  limitTableSchema,
  practiceSchema,
  stripperSchema,
  terminalSchema,
  toolSchema,
  wireSchema,
} from './parts';
import { ROLES } from './roles';

const note = z.string().max(500, 'is longer than 500 characters');
const piece = z.number().int('is not a whole number').min(1, 'starts at 1').max(9999, 'is above 9999');
/** UTC to the millisecond, the one form that is hashed and kept. */
const instant = z.iso.datetime({ precision: 3 });
const partId = z.string().min(1).max(40);

export const entryBodySchema: z.ZodType<EntryBody> = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('tool'), tool: partId, die: partId, nest: partId }),
  z.strictObject({ kind: z.literal('gate'), gate: z.enum(GATES), answer: z.enum(['yes', 'no']), note }),
  z.strictObject({ kind: z.literal('finding'), piece, criterion: partId, finding: z.enum(FINDINGS), note }),
  z.strictObject({
    kind: z.literal('reading'),
    piece,
    force: z.number().positive('has to be above 0'),
    typed: z.string().max(60),
    unit: z.enum(FORCE_UNITS),
    mode: z.enum(FAILURE_MODES),
    note,
    confirmed: z.array(z.string().max(40)).max(5),
  }),
  z.strictObject({ kind: z.literal('ruling'), piece, ruling: z.enum(['counts', 'invalid']), note }),
]);

/** A new entry; the id is the client's, so that sending it twice keeps it once. */
export const newEntrySchema = z.strictObject({
  id: z.uuid(),
  body: entryBodySchema,
  corrects: z.uuid().nullable(),
  why: note.nullable(),
});
export type NewEntry = z.infer<typeof newEntrySchema>;

export const keptEntrySchema = z.object({
  id: z.uuid(),
  seq: z.number().int(),
  at: instant,
  by: z.string(),
  role: z.enum(ROLES),
  body: entryBodySchema,
  /** The server's verdict on a reading; null for other kinds. */
  verdict: z
    .object({ verdict: z.string(), margin: z.number().nullable(), text: z.string(), force: z.number().nullable() })
    .nullable(),
  limit: limitKeySchema.nullable(),
  corrects: z.uuid().nullable(),
  why: z.string().nullable(),
  /** Hash of the row before in this combination; sixty-four zeros before the first. */
  previous: z.string(),
  hash: z.string(),
});
export type KeptEntry = z.infer<typeof keptEntrySchema>;

export const combinationSchema = z.object({
  id: z.uuid(),
  list: z.string(),
  terminal: z.string(),
  wire: z.string(),
  pieces: z.number().int().positive(),
  place: z.enum(PLACES),
  class: z.string(),
});
export type Combination = z.infer<typeof combinationSchema>;

export const toolCheckSchema = z.object({
  id: z.uuid(),
  tool: z.string(),
  at: instant,
  goPassed: z.boolean(),
  noGoStopped: z.boolean(),
  by: z.string(),
});

export const newToolCheckSchema = z.strictObject({
  id: z.uuid(),
  tool: partId,
  goPassed: z.boolean(),
  noGoStopped: z.boolean(),
});
export type NewToolCheck = z.infer<typeof newToolCheckSchema>;

/** What a combination is set up from and what is on record for it: the set-up is computed from this, everywhere alike. */
export const setUpFields = {
  combination: combinationSchema,
  wire: wireSchema,
  terminal: terminalSchema,
  practice: practiceSchema,
  strippers: z.array(stripperSchema),
  tools: z.array(toolSchema),
  checks: z.array(toolCheckSchema),
  limits: z.array(limitTableSchema),
  entries: z.array(keptEntrySchema),
};

/** Everything the bench needs of one combination. */
export const combinationViewSchema = z.object({
  ...setUpFields,
  /** Other terminals of the cabinet; empty while this one fits. */
  cabinet: z.array(terminalSchema),
});
export type CombinationView = z.infer<typeof combinationViewSchema>;

export const combinationLineSchema = combinationSchema.extend({
  terminalLabel: z.string(),
  wireLabel: z.string(),
  family: z.string(),
  verdict: z.enum(['accepted', 'meets-made-up-limits', 'rejected', 'open']),
  headline: z.string(),
  stages: z.array(z.enum(['pass', 'hold', 'fail', 'missing'])),
  touchedAt: z.string().nullable(),
});
export type CombinationLine = z.infer<typeof combinationLineSchema>;

export const wireListKeptSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  wires: z.number(),
  combinations: z.number(),
  pieces: z.number(),
});
export type WireListKept = z.infer<typeof wireListKeptSchema>;

export const cabinetSchema = z.object({
  wires: z.array(wireSchema),
  terminals: z.array(terminalSchema),
  strippers: z.array(stripperSchema),
  tools: z.array(toolSchema),
  checks: z.array(toolCheckSchema),
  practices: z.array(practiceSchema),
});
export type Cabinet = z.infer<typeof cabinetSchema>;
